package org.zealousladder.core.goals;

import org.zealousladder.core.growth.StudentT;
import org.zealousladder.core.growth.Trend;

/**
 * Chance that the level of a trend at the goal date reaches the goal, from the trend's t distribution:
 * {@code P(T <= (level - goal) / se(level))}. It speaks of the level, not of a single noisy score.
 *
 * <ul>
 *   <li>A goal that no score can reach: 0; one that none can miss: 1.
 *   <li>A trend without error (a perfect line, no SEM): 1 when it reaches the goal, else 0.
 *   <li>Where lower is better the comparison turns.
 * </ul>
 */
public final class GoalChance {
    private GoalChance() {}

    /** Chance from 0 to 1 that the trend's level on the goal date is at least as good as the goal, see the class. */
    public static double of(Trend.Fitted trend, GoalLine goal) {
        Trend.Bounds bounds = trend.bounds();
        int sign = goal.direction().sign();
        if (bounds != null && sign * goal.goalScore() > sign * (sign > 0 ? bounds.high() : bounds.low())) {
            return 0;
        }
        if (bounds != null && sign * goal.goalScore() <= sign * (sign > 0 ? bounds.low() : bounds.high())) {
            return 1;
        }
        double ahead = sign * (trend.straight(goal.goalWeek()) - goal.goalScore());
        double se = trend.levelSe(goal.goalWeek());
        if (se == 0) {
            return ahead >= 0 ? 1 : 0;
        }
        return StudentT.cumulative(ahead / se, trend.df());
    }
}
