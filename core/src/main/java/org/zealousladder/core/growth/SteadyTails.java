package org.zealousladder.core.growth;

import java.util.Arrays;
import java.util.List;
import org.apache.commons.numbers.gamma.LogGamma;

/**
 * Wild scores: each is held against what the student's others and the pool expect, a t is suited to how far they are off, and a score counts by
 * {@code (df + 1)/(df + off²)}, as in the t's likelihood (K. L. Lange, R. J. A. Little, J. M. G. Taylor (1989), Robust statistical modeling using the t
 * distribution, J. Am. Stat. Assoc. 84).
 */
final class SteadyTails {
    private static final double[] TRIED = {3, 4, 5, 7, 10, 15, 25};
    /** So much more likely must a t be than the normal, in logarithms: where nothing is wild all scores count alike. */
    private static final double CLEARLY = 3;

    /** So many spreads off is no score that anything should be learned from: a slip in typing, mostly. */
    private static final double GROSS = 6;
    private static final double HARDLY = 1e-4;

    private SteadyTails() {}

    static boolean plausible(double[] off) {
        return Arrays.stream(off).allMatch(r -> Math.abs(r) <= GROSS);
    }

    /** All count but those that are grossly off. */
    static double[] spared(double[] off) {
        return Arrays.stream(off).map(r -> Math.abs(r) <= GROSS ? 1 : HARDLY).toArray();
    }

    /** Degrees of freedom of the t that suits best; infinite where the normal does as well. */
    static double df(List<double[]> off) {
        double best = likelihood(off, Double.POSITIVE_INFINITY) + CLEARLY;
        double df = Double.POSITIVE_INFINITY;
        for (double tried : TRIED) {
            double value = likelihood(off, tried);
            if (value > best) {
                best = value;
                df = tried;
            }
        }
        return df;
    }

    /** Each score against what the others expect of it, in units of what it is off by when it counts in full. */
    static double[] off(SteadyFrame frame, SteadyTimes x, double[] y, SteadyParts p, double[] shared, double sd) {
        double[] solved = x.back(x.half(rest(frame, x, y, p, shared)));
        double[][] w = x.whole();
        double[] off = new double[y.length];
        for (int j = 0; j < off.length; j++) {
            double scale = 1 / w[j][j] - 1 / x.weight[j] + 1;
            off[j] = solved[j] / w[j][j] / (sd * Math.sqrt(Math.max(scale, 0.05)));
        }
        return off;
    }

    /** Scores less what is shared. */
    static double[] rest(SteadyFrame frame, SteadyTimes x, double[] y, SteadyParts p, double[] shared) {
        double[] rest = new double[y.length];
        for (int j = 0; j < rest.length; j++) {
            double[] at = frame.level(p, x.t[j]);
            rest[j] = y[j] - (x.week[j] < 0 ? 0 : p.week() * shared[frame.common() + x.week[j]]);
            for (int i = 0; i < at.length; i++) {
                rest[j] -= at[i] * shared[i];
            }
        }
        return rest;
    }

    static double[] weights(double[] off, double df) {
        double[] weights = new double[off.length];
        for (int j = 0; j < weights.length; j++) {
            weights[j] = weight(off[j], df);
        }
        return weights;
    }

    private static double weight(double off, double df) {
        return Double.isInfinite(df) ? 1 : (df + 1) / (df + off * off);
    }

    private static double likelihood(List<double[]> off, double df) {
        double scale = scale(off, df);
        boolean normal = Double.isInfinite(df);
        double constant = normal ? -0.5 * Math.log(2 * Math.PI)
                : LogGamma.value((df + 1) / 2) - LogGamma.value(df / 2) - 0.5 * Math.log(df * Math.PI);
        double total = 0;
        for (double[] one : off) {
            for (double r : one) {
                double z = r / scale;
                total += constant - Math.log(scale) - (normal ? z * z / 2 : (df + 1) / 2 * Math.log1p(z * z / df));
            }
        }
        return total;
    }

    /** The spread that suits this t best. */
    private static double scale(List<double[]> off, double df) {
        double scale = 1;
        for (int round = 0; round < 15; round++) {
            double sum = 0;
            int n = 0;
            for (double[] one : off) {
                for (double r : one) {
                    sum += r * r * weight(r / scale, df);
                    n++;
                }
            }
            scale = Math.sqrt(sum / n);
        }
        return scale;
    }
}
