package org.zealousladder.core.decisions;

/**
 * Thresholds of the rules; all local.
 *
 * @param lastPoints k of the last-points rule
 * @param changeAtMost chance at or under which the plan is to change
 * @param raiseAtLeast chance at or over which the goal is to be raised
 * @param minimumScores fewest scores in the phase before anything is proposed
 * @param minimumWeeks fewest weeks from the first to the last of them
 */
public record RuleSettings(Rule rule, int lastPoints, double changeAtMost, double raiseAtLeast, int minimumScores,
        double minimumWeeks) {

    public static RuleSettings standard(Rule rule) {
        return new RuleSettings(rule, 4, 0.25, 0.90, 6, 4);
    }
}
