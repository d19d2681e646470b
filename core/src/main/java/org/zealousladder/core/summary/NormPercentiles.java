package org.zealousladder.core.summary;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.zealousladder.core.Direction;

/**
 * A table of scores at percentiles, computed from a group: the score at percentile {@code p} is the type 7 quantile at
 * {@code p/100}, counted from the worse end, so that it rises where higher is better and falls where lower is better. Fewer than
 * {@link PercentileRanks#NEEDED} scores give no table.
 */
public final class NormPercentiles {
    /** The percentiles that a computed table has. */
    public static final List<Integer> STANDARD = List.of(5, 10, 20, 25, 30, 40, 50, 60, 70, 75, 80, 90, 95);

    private NormPercentiles() {}

    /** @param value in the scores' units */
    public record Point(int percentile, double value) {}

    /** Empty for too few scores. */
    public static Optional<List<Point>> of(double[] group, Direction direction) {
        if (group.length < PercentileRanks.NEEDED) {
            return Optional.empty();
        }
        Quantiles quantiles = Quantiles.of(group);
        List<Point> points = new ArrayList<>();
        for (int p : STANDARD) {
            double at = direction == Direction.HIGHER_IS_BETTER ? p / 100.0 : 1 - p / 100.0;
            points.add(new Point(p, quantiles.at(at).getAsDouble()));
        }
        return Optional.of(points);
    }
}
