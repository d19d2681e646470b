package org.zealousladder.core.decisions;

/**
 * Thresholds of the rules; all local.
 *
 * <p>Who looks every week would sooner or later see any threshold passed by chance. Those of the chance rule are spent by the share of planned scores that are
 * in, {@code share²} of them (the power family of K. Kim and D. L. DeMets (1987), Design and analysis of group sequential tests based on the type I error
 * spending rate function, Biometrika 74, after K. K. G. Lan and DeMets (1983)): what is proposed early must be all but certain.
 *
 * @param lastPoints k of the last-points rule
 * @param changeAtMost chance at or under which the plan is to change, once all planned scores are in
 * @param raiseAtLeast chance at or over which the goal is to be raised, likewise
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

    /** Chance at or under which the plan is to change. @param share of the planned scores that are in, 0 to 1 */
    public double changeAtMost(double share) {
        return changeAtMost * share * share;
    }

    /** Chance at or over which the goal is to be raised. @param share of the planned scores that are in, 0 to 1 */
    public double raiseAtLeast(double share) {
        return 1 - (1 - raiseAtLeast) * share * share;
    }

    /**
     * What a measure begins with: four last points, a chance of at most 0.25 and at least 0.75, six scores over four weeks. In made-up classes of twelve over
     * twenty weeks, of six who would meet their goal at most 0.8 are then ever told to change the plan, and at least five of six who would miss it; raising
     * likewise.
     */
    public static RuleSettings standard(Rule rule) {
        return new RuleSettings(rule, 4, 0.25, 0.75, 6, 4);
    }
}
