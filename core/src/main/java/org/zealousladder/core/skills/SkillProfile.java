package org.zealousladder.core.skills;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.zealousladder.core.Coded;

/**
 * A student's standing in the domains of an area: as z against the grade, and against the student's own mean. A domain's score is a share of right answers; how much of its
 * spread is chance is known from the number of answers (binomial), which gives its standard error of measurement.
 */
public final class SkillProfile {
    /** A difference is told from so many of its standard errors on: 90 % two-sided. */
    private static final double TOLD = 1.64;

    private SkillProfile() {}

    /** Against the student's own mean over the domains. */
    public enum Own implements Coded {
        STRONG,
        WEAK,
        LIKE
    }

    /**
     * A domain.
     *
     * @param z against the grade: its distance from the grade's mean in the grade's standard deviations
     * @param sem of {@code z}
     * @param own strong or weak against the student's own mean
     */
    public record Domain(double z, double sem, Own own) {}

    /** @param mean of the grade's shares, @param sd their standard deviation, above 0 */
    public record Grade(double mean, double sd) {}

    /**
     * The domains of one student. With one domain alone nothing is strong or weak.
     *
     * @param right sums of shares right, @param n answers, above 0, by domain
     * @param grades of the grade, by domain
     */
    public static Domain[] of(double[] right, int[] n, Grade[] grades) {
        int k = right.length;
        double[] z = new double[k];
        double[] sem = new double[k];
        for (int d = 0; d < k; d++) {
            double share = right[d] / n[d];
            // With add-one smoothing, since a share of 0 or 1 is not free of error.
            double p = (right[d] + 1) / (n[d] + 2);
            z[d] = (share - grades[d].mean()) / grades[d].sd();
            sem[d] = Math.sqrt(p * (1 - p) / n[d]) / grades[d].sd();
        }
        double mean = Arrays.stream(z).average().orElse(0);
        double all = Arrays.stream(sem).map(s -> s * s).sum();
        return IntStream.range(0, k).mapToObj(d -> {
            // Of z - mean: the domain itself is part of the mean.
            double variance = sem[d] * sem[d] * (1 - 2.0 / k) + all / ((double) k * k);
            double difference = z[d] - mean;
            boolean told = k > 1 && Math.abs(difference) > TOLD * Math.sqrt(variance);
            return new Domain(z[d], sem[d], !told ? Own.LIKE : difference > 0 ? Own.STRONG : Own.WEAK);
        }).toArray(Domain[]::new);
    }

    /** Whether a domain stands above (1) or below (-1) another mean of z, such as the class's, apart from chance; 0 where it does not. */
    public static int apart(Domain domain, double mean) {
        double d = domain.z() - mean;
        return Math.abs(d) > TOLD * domain.sem() ? (int) Math.signum(d) : 0;
    }
}
