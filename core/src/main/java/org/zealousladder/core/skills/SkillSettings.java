package org.zealousladder.core.skills;

/**
 * What having a skill means.
 *
 * @param standard share of right answers, above 0 and below 1
 * @param sureness how likely a student has to be at the standard (or below it) for that to be said; from 0.5 to below 1, so that nobody is both
 * @param halfLife days after which an answer counts half; above 0
 */
public record SkillSettings(double standard, double sureness, double halfLife) {
    public static final SkillSettings USUAL = new SkillSettings(0.70, 0.75, 90);

    /** @throws IllegalArgumentException saying what can be */
    public SkillSettings {
        if (!(standard > 0 && standard < 1)) {
            throw new IllegalArgumentException("a standard is a share between 0 and 1, such as 0.7");
        }
        if (!(sureness >= 0.5 && sureness < 1)) {
            throw new IllegalArgumentException("a sureness is from 0.5 to below 1, such as 0.75");
        }
        if (!(halfLife > 0 && halfLife <= 36_500)) {
            throw new IllegalArgumentException("a half-life is a number of days above 0, such as 90");
        }
    }
}
