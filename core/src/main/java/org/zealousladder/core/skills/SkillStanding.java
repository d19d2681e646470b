package org.zealousladder.core.skills;

import org.apache.commons.statistics.distribution.BetaDistribution;

/**
 * Where a student stands on a skill.
 *
 * @param answers how many there are
 * @param right points earned of one possible each, unweighted
 * @param chance how likely the student's share of right answers is at the standard or above; without an answer what nothing says of it
 */
public record SkillStanding(SkillState state, int answers, double right, double chance) {
    /** Under so many answers nothing is said. */
    public static final int FEWEST = 3;

    /**
     * By the posterior of a share that was anything before: {@code Beta(1 + right, 1 + wrong)}.
     *
     * @param right weight of what was right; @param wrong weight of what was wrong; neither below 0
     */
    static SkillStanding of(int answers, double plain, double right, double wrong, SkillSettings settings) {
        return of(answers, plain, BetaDistribution.of(1 + right, 1 + wrong).survivalProbability(settings.standard()), settings.sureness());
    }

    /** The same once more, of a chance that was reckoned before. */
    public static SkillStanding of(int answers, double right, double chance, double sureness) {
        return new SkillStanding(state(answers, chance, sureness), answers, right, chance);
    }

    private static SkillState state(int answers, double chance, double sureness) {
        if (answers == 0) {
            return SkillState.NOT_TRIED;
        } else if (answers < FEWEST) {
            return SkillState.TOO_FEW;
        } else if (chance >= sureness) {
            return SkillState.SECURE;
        }
        return 1 - chance >= sureness ? SkillState.NOT_YET : SkillState.SHAKY;
    }
}
