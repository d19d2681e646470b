package org.zealousladder.core.growth;

import org.apache.commons.statistics.distribution.TDistribution;

/**
 * Student's t for whole degrees of freedom: the finite series of Abramowitz and Stegun (1964), 26.7.3 and 26.7.4, for
 * the probability, and a table filled on demand for the 0.975 quantile. Both are asked for at every fit, so neither
 * iterates. Beyond {@value #SERIES_LIMIT} degrees of freedom the general distribution is used.
 */
public final class StudentT {
    private static final int SERIES_LIMIT = 200;
    private static final double[] Q975 = new double[4096];

    private StudentT() {}

    /** The t with 2.5 % above it. */
    public static double quantile975(int df) {
        if (df >= Q975.length) {
            return TDistribution.of(df).inverseCumulativeProbability(0.975);
        }
        // A race here only computes the same number twice: a double is written whole on every JVM we support.
        double q = Q975[df];
        if (q == 0) {
            q = TDistribution.of(df).inverseCumulativeProbability(0.975);
            Q975[df] = q;
        }
        return q;
    }

    /**
     * P(T <= t).
     *
     * @param t may be infinite
     * @param df at least 1
     */
    public static double cumulative(double t, int df) {
        if (df > SERIES_LIMIT) {
            return TDistribution.of(df).cumulativeProbability(t);
        }
        double cos2 = df / (df + t * t);
        double sin = Math.signum(t) * Math.sqrt(1 - cos2);
        double within = df % 2 == 1 ? odd(t, df, cos2, sin) : even(df, cos2, sin);
        return Math.min(1, Math.max(0, 0.5 + within / 2));
    }

    private static double odd(double t, int df, double cos2, double sin) {
        double theta = Math.atan(t / Math.sqrt(df));
        double sum = 0;
        double term = Math.sqrt(cos2);
        for (int k = 3; k <= df; k += 2) {
            sum += term;
            term *= cos2 * (k - 1) / k;
        }
        return 2 / Math.PI * (theta + sin * sum);
    }

    private static double even(int df, double cos2, double sin) {
        double sum = 0;
        double term = 1;
        for (int k = 2; k <= df; k += 2) {
            sum += term;
            term *= cos2 * (k - 1) / k;
        }
        return sin * sum;
    }
}
