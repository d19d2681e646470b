package org.zealousladder.core.goals;

import java.util.Arrays;
import java.util.Optional;
import org.zealousladder.core.ScoreSeries;

/**
 * Where a goal line starts: the median of the first three scores at their median time.
 *
 * @param week weeks from the series' origin
 * @param score score units
 */
public record Baseline(double week, double score) {
    private static final int SCORES = 3;

    /** Empty for fewer than three scores. */
    public static Optional<Baseline> of(ScoreSeries series) {
        if (series.size() < SCORES) {
            return Optional.empty();
        }
        double[] first = {series.score(0), series.score(1), series.score(2)};
        Arrays.sort(first);
        return Optional.of(new Baseline(series.week(1), first[1]));
    }
}
