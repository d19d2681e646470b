package org.zealousladder.core.decisions;

/**
 * The numbers a decision rests on. A figure that does not apply is null.
 *
 * @param scores scores in the phase
 * @param weeks weeks from the first to the last of them
 * @param neededPerWeek growth from baseline to goal
 * @param slope growth per week of the trend
 * @param slopeLow lower end of its 95 % interval
 * @param slopeHigh upper end of its 95 % interval
 * @param chance of meeting the goal, 0 to 1
 * @param beyondLine how many of the latest scores, without a break, stand on one side of the goal line: negative on the
 *     worse side, positive on the better
 * @param moreScores scores that would halve the slope's interval at the present pace
 * @param finalLevel level at the goal date, once it is past
 * @param goalScore the goal
 * @param fromTrend whether {@code finalLevel} is the trend's, else the last score's
 */
public record Figures(int scores, double weeks, Double neededPerWeek, Double slope, Double slopeLow, Double slopeHigh,
        Double chance, Integer beyondLine, Integer moreScores, Double finalLevel, Double goalScore, boolean fromTrend) {}
