package org.zealousladder.core.skills;

/**
 * A student's answers on a skill, added one by one in any order. Each is kept as weights of right and wrong, {@code 2^(-days/half-life)} at the newest answer's
 * day: forgetting is the same whether it is reckoned at the end or on the way, so no list of answers is needed and no power overflows.
 */
public final class SkillTally {
    private double right;
    private double wrong;
    private double plain;
    private int answers;
    private long day = Long.MIN_VALUE;

    /**
     * Adds an answer.
     *
     * @param share points earned of those possible, 0 to 1; partial credit shares its weight
     * @param on day of the answer, as an epoch day
     * @throws IllegalArgumentException for another share
     */
    public void add(double share, long on, double halfLife) {
        add(1, share, on, halfLife);
    }

    /**
     * Adds the answers of a day.
     *
     * @param n how many, 1 or more
     * @param shares their sum
     * @throws IllegalArgumentException for a sum that so many answers cannot have
     */
    public void add(int n, double shares, long on, double halfLife) {
        if (!(shares >= 0 && shares <= n + 1e-9)) {
            throw new IllegalArgumentException("a share of the points is from 0 to 1, not " + shares / n);
        }
        double weight = 1;
        if (answers > 0 && on > day) {
            double older = weight(on - day, halfLife);
            right *= older;
            wrong *= older;
        } else if (answers > 0) {
            weight = weight(day - on, halfLife);
        }
        day = Math.max(day, on);
        right += weight * shares;
        wrong += weight * Math.max(0, n - shares);
        plain += shares;
        answers += n;
    }

    private static double weight(long days, double halfLife) {
        return days == 0 ? 1 : Math.pow(2, -days / halfLife);
    }

    public int answers() {
        return answers;
    }

    /** Points earned of one possible each. */
    public double right() {
        return plain;
    }

    /** As known on a day that no answer is later than. */
    public SkillStanding on(long asOf, SkillSettings settings) {
        double old = answers == 0 ? 1 : weight(Math.max(0, asOf - day), settings.halfLife());
        return SkillStanding.of(answers, plain, old * right, old * wrong, settings);
    }
}
