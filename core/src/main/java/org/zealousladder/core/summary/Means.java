package org.zealousladder.core.summary;

import java.util.Optional;
import org.apache.commons.statistics.distribution.TDistribution;
import org.zealousladder.core.Interval;

/**
 * Differences of means with their 95 % intervals, by Student's t. Where nothing is known of how values scatter (fewer than two on a side, or all of them
 * the same) there is no interval.
 */
public final class Means {
    private static final double UPPER = 0.975;

    private Means() {}

    /** @throws IllegalArgumentException for no value */
    public static double mean(double[] values) {
        if (values.length == 0) {
            throw new IllegalArgumentException("no value has no mean");
        }
        double sum = 0;
        for (double v : values) {
            sum += v;
        }
        return sum / values.length;
    }

    /** Of squared deviations by n - 1; needs two values. */
    private static double variance(double[] values, double mean) {
        double sum = 0;
        for (double v : values) {
            sum += (v - mean) * (v - mean);
        }
        return sum / (values.length - 1);
    }

    /**
     * The mean of {@code first} minus that of {@code second}, which are of different people and may scatter differently.
     *
     * <p>B. L. Welch (1947), The generalization of Student's problem when several different population variances are involved, Biometrika 34, 28-35; degrees of
     * freedom by F. E. Satterthwaite (1946), Biometrics Bulletin 2, 110-114.
     *
     * @return empty with fewer than two values on a side, or where neither side scatters
     */
    public static Optional<Interval> difference(double[] first, double[] second) {
        if (first.length < 2 || second.length < 2) {
            return Optional.empty();
        }
        double a = mean(first);
        double b = mean(second);
        double va = variance(first, a) / first.length;
        double vb = variance(second, b) / second.length;
        double df = (va + vb) * (va + vb) / (va * va / (first.length - 1) + vb * vb / (second.length - 1));
        return va + vb == 0 ? Optional.empty() : Optional.of(around(a - b, Math.sqrt(va + vb), df));
    }

    /**
     * The mean of {@code first[i] - second[i]}, both of the same person.
     *
     * @return empty with fewer than two people, or where all differ by the same
     * @throws IllegalArgumentException unless both are equally long
     */
    public static Optional<Interval> pairedDifference(double[] first, double[] second) {
        if (first.length != second.length) {
            throw new IllegalArgumentException(first.length + " and " + second.length + " values make no pairs");
        }
        if (first.length < 2) {
            return Optional.empty();
        }
        double[] each = new double[first.length];
        for (int i = 0; i < each.length; i++) {
            each[i] = first[i] - second[i];
        }
        double mean = mean(each);
        double v = variance(each, mean) / each.length;
        return v == 0 ? Optional.empty() : Optional.of(around(mean, Math.sqrt(v), each.length - 1));
    }

    private static Interval around(double d, double se, double df) {
        double half = TDistribution.of(df).inverseCumulativeProbability(UPPER) * se;
        return new Interval(d, d - half, d + half);
    }
}
