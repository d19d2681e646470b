package org.zealousladder.core.decisions;

import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Direction;

/**
 * The numbers a proposal rests on. A figure that does not apply is null.
 *
 * @param scores scores in the phase
 * @param weeks weeks from the first to the last of them
 * @param planned scores that there will be by the goal date, these with them, if they go on to come as often; at least {@code scores}
 * @param direction whether more is better
 * @param slope growth per week of the trend
 * @param slopeLow lower end of its 95 % interval
 * @param slopeHigh upper end of its 95 % interval
 * @param needed growth per week from where the trend stands on the day to the goal; null when less than a week is left
 * @param atGoal whether the trend stands at or past the goal on the day
 * @param onLine whether the trend stands on the goal line or on its better side at the latest score
 * @param chance of meeting the goal, 0 to 1
 * @param beyondLine how many of the latest scores, without a break, stand on one side of the goal line: negative on the
 *     worse side, positive on the better
 * @param finalLevel level at the goal date, once it is past
 * @param goalScore the goal
 */
public record Figures(int scores, double weeks, int planned, Direction direction, @Nullable Double slope, @Nullable Double slopeLow, @Nullable Double slopeHigh,
        @Nullable Double needed, boolean atGoal, boolean onLine, @Nullable Double chance, int beyondLine, @Nullable Double finalLevel, double goalScore) {

    /** Share of the planned scores that are in, 0 to 1. */
    public double share() {
        return planned == 0 ? 0 : (double) scores / planned;
    }

    /** Whether there is a trend; otherwise {@code finalLevel} is the last score. */
    public boolean fromTrend() {
        return slope != null;
    }
}
