package org.zealousladder.core.scores;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * The scores that a measure can give: from {@code lowest} to {@code highest}, both included, with at most {@code decimals} decimals.
 *
 * <ul>
 *   <li>A value that is no finite number is outside.
 *   <li>Decimals are those of the shortest decimal text of the value, so 12.30 has one and 0.1 + 0.2 has seventeen.
 * </ul>
 *
 * @param lowest in the measure's units
 * @param highest above {@code lowest}
 * @param decimals 0 to 3
 */
public record ScoreScale(double lowest, double highest, int decimals) {
    /** @throws IllegalArgumentException for a scale that holds no scores */
    public ScoreScale {
        if (!(highest > lowest) || Double.isInfinite(lowest) || Double.isInfinite(highest)) {
            throw new IllegalArgumentException("the highest score must be above the lowest");
        }
        if (decimals < 0 || decimals > 3) {
            throw new IllegalArgumentException("decimals are 0, 1, 2 or 3");
        }
    }

    /** What is wrong with {@code value} as a score of the measure {@code name}, in a sentence; empty when nothing is. */
    public Optional<String> problem(double value, String name) {
        if (!(value >= lowest && value <= highest)) {
            return Optional.of(name + " runs from " + plain(lowest) + " to " + plain(highest) + ".");
        }
        if (BigDecimal.valueOf(value).stripTrailingZeros().scale() > decimals) {
            return Optional.of(name + (decimals == 0 ? " is a whole number." : " has at most " + decimals + (decimals == 1 ? " decimal." : " decimals.")));
        }
        return Optional.empty();
    }

    private static String plain(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }
}
