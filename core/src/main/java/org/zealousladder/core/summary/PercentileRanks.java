package org.zealousladder.core.summary;

import java.util.Arrays;
import java.util.OptionalDouble;
import org.zealousladder.core.Direction;

/**
 * Mid-ranks in a group: {@code 100·(below + equal/2) / N}, where <em>below</em> counts worse scores. Fewer than
 * {@value #NEEDED} scores give no percentile.
 */
public final class PercentileRanks {
    /** Fewest scores on which a percentile is stated. */
    public static final int NEEDED = 10;

    private final double[] sorted;
    private final Direction direction;

    private PercentileRanks(double[] sorted, Direction direction) {
        this.sorted = sorted;
        this.direction = direction;
    }

    /** @throws IllegalArgumentException if a score is not finite */
    public static PercentileRanks of(double[] group, Direction direction) {
        double[] sorted = group.clone();
        for (double v : sorted) {
            if (!Double.isFinite(v)) {
                throw new IllegalArgumentException("scores must be finite");
            }
        }
        Arrays.sort(sorted);
        return new PercentileRanks(sorted, direction);
    }

    /** Percentile rank of {@code score}, 0 to 100. */
    public OptionalDouble of(double score) {
        if (sorted.length < NEEDED) {
            return OptionalDouble.empty();
        }
        int below = first(score, false);
        int notAbove = first(score, true);
        int worse = direction == Direction.HIGHER_IS_BETTER ? below : sorted.length - notAbove;
        return OptionalDouble.of(100 * (worse + 0.5 * (notAbove - below)) / sorted.length);
    }

    private int first(double score, boolean afterEqual) {
        int low = 0;
        int high = sorted.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (sorted[middle] < score || (afterEqual && sorted[middle] == score)) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
