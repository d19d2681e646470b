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
    /** @throws IllegalArgumentException for numbers that cannot be */
    public RuleSettings {
        if (lastPoints < 1 || minimumScores < 1 || !(minimumWeeks >= 0) || Double.isInfinite(minimumWeeks)) {
            throw new IllegalArgumentException("points and scores are counted from 1, weeks from 0");
        }
        if (!(changeAtMost >= 0 && changeAtMost < raiseAtLeast && raiseAtLeast <= 1)) {
            throw new IllegalArgumentException("the chance at which a plan is changed must be under the one at which a goal is raised, both from 0 to 1");
        }
    }

    /** Fewest scores in the phase before the rule can say anything. */
    public int scoresNeeded() {
        return Math.max(minimumScores, rule == Rule.LAST_POINTS ? lastPoints : 0);
    }

    /** What a measure begins with: four last points, a chance of at most 0.25 and at least 0.90, six scores over four weeks. */
    public static RuleSettings standard(Rule rule) {
        return new RuleSettings(rule, 4, 0.25, 0.90, 6, 4);
    }
}
