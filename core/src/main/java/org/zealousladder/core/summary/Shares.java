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
    public static Interval wilson(int k, int n) {
        if (n <= 0 || k < 0 || k > n) {
            throw new IllegalArgumentException(k + " of " + n + " is no share");
        }
        double p = k / (double) n;
        double z2 = Z * Z;
        double middle = p + z2 / (2 * n);
        double half = Z * Math.sqrt(p * (1 - p) / n + z2 / (4.0 * n * n));
        return new Interval(p, Math.max(0, (middle - half) / (1 + z2 / n)), Math.min(1, (middle + half) / (1 + z2 / n)));
    }
}
