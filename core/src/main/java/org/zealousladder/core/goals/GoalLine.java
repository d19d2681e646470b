package org.zealousladder.core.goals;

import org.zealousladder.core.Direction;

/**
 * The straight line from a baseline to a goal.
 *
 * @param startWeek time of the baseline, in weeks from the series' origin
 * @param startScore level at the baseline
 * @param goalWeek time by which the goal is to be met; after {@code startWeek}
 * @param goalScore level to be reached
 */
public record GoalLine(double startWeek, double startScore, double goalWeek, double goalScore, Direction direction) {
    public GoalLine {
        if (!(goalWeek > startWeek)) {
            throw new IllegalArgumentException("the goal date must be after the start date");
        }
        if (!Double.isFinite(startScore) || !Double.isFinite(goalScore)) {
            throw new IllegalArgumentException("start and goal scores must be finite numbers");
        }
    }

    /** Growth needed from baseline to goal, in score units per week. */
    public double neededPerWeek() {
        return (goalScore - startScore) / (goalWeek - startWeek);
    }

    /** The line's level at {@code week}; it goes on straight before the baseline and after the goal. */
    public double at(double week) {
        return startScore + neededPerWeek() * (week - startWeek);
    }
}
