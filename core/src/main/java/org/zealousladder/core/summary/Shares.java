package org.zealousladder.core.summary;

import org.zealousladder.core.Interval;

/** Shares of counts. */
public final class Shares {
    /** 97.5 % point of the normal distribution. */
    private static final double Z = 1.959963984540054;

    private Shares() {}

    /**
     * The share {@code k/n} with its 95 % score interval, which stays within 0 and 1 and is never empty.
     *
     * <p>E. B. Wilson (1927), Probable inference, the law of succession, and statistical inference, JASA 22, 209-212.
     *
     * @throws IllegalArgumentException unless {@code 0 <= k <= n} and {@code n > 0}
     */
    public static Interval wilson(double k, int n) {
        if (n <= 0 || !(k >= 0 && k <= n)) {
            throw new IllegalArgumentException(k + " of " + n + " is no share");
        }
        double p = k / n;
        double z2 = Z * Z;
        double middle = p + z2 / (2 * n);
        double half = Z * Math.sqrt(p * (1 - p) / n + z2 / (4.0 * n * n));
        return new Interval(p, Math.max(0, (middle - half) / (1 + z2 / n)), Math.min(1, (middle + half) / (1 + z2 / n)));
    }

    /**
     * The difference {@code k1/n1 - k2/n2} of two shares of different people or answers with its 95 % interval.
     *
     * <p>R. G. Newcombe (1998), Interval estimation for the difference between independent proportions, Statistics in Medicine 17, 873-890, method 10.
     *
     * @throws IllegalArgumentException as {@link #wilson}
     */
    public static Interval difference(double k1, int n1, double k2, int n2) {
        Interval a = wilson(k1, n1);
        Interval b = wilson(k2, n2);
        double d = a.value() - b.value();
        return new Interval(d, d - Math.hypot(a.value() - a.low(), b.high() - b.value()), d + Math.hypot(a.high() - a.value(), b.value() - b.low()));
    }

    /**
     * The difference {@code (both + onlyFirst) / n - (both + onlySecond) / n} of two shares of the same people with its 95 % interval.
     *
     * <p>R. G. Newcombe (1998), Improved confidence intervals for the difference between binomial proportions based on paired data, Statistics in Medicine 17,
     * 2635-2650, method 10.
     *
     * @param both yes both times, @param onlyFirst, @param onlySecond, @param neither; none below 0
     * @throws IllegalArgumentException for nobody at all, or a count below 0
     */
    public static Interval pairedDifference(int both, int onlyFirst, int onlySecond, int neither) {
        if (Math.min(Math.min(both, onlyFirst), Math.min(onlySecond, neither)) < 0) {
            throw new IllegalArgumentException("no count is below 0");
        }
        int n = both + onlyFirst + onlySecond + neither;
        Interval a = wilson(both + onlyFirst, n);
        Interval b = wilson(both + onlySecond, n);
        double phi = phi(both, onlyFirst, onlySecond, neither);
        double d = a.value() - b.value();
        return new Interval(d, d - slanted(a.value() - a.low(), b.high() - b.value(), phi), d + slanted(a.high() - a.value(), b.value() - b.low(), phi));
    }

    private static double slanted(double x, double y, double phi) {
        return Math.sqrt(Math.max(0, x * x - 2 * phi * x * y + y * y));
    }

    /** How alike the two answers of a person are, a little less where they agree (the paper's correction); 0 where either time all said the same. */
    private static double phi(long a, long b, long c, long d) {
        double edges = Math.sqrt((double) (a + b) * (c + d) * (a + c) * (b + d));
        double cross = (double) a * d - (double) b * c;
        double half = (a + b + c + d) / 2.0;
        return edges == 0 ? 0 : (cross > half ? cross - half : Math.min(cross, 0)) / edges;
    }

    /**
     * How likely so uneven a change both ways is if neither way is likelier, two-sided and exact: of those who changed, a binomial with one half.
     *
     * <p>Q. McNemar (1947), Note on the sampling error of the difference between correlated proportions or percentages, Psychometrika 12, 153-157.
     *
     * @param up who changed one way, @param down the other; neither below 0
     * @return 1 where nobody changed
     */
    public static double mcNemar(int up, int down) {
        int n = up + down;
        double term = Math.pow(0.5, n);
        double sum = 0;
        for (int k = 0; k <= Math.min(up, down); k++) {
            sum += term;
            term *= (n - k) / (k + 1.0);
        }
        return Math.min(1, 2 * sum);
    }
}
