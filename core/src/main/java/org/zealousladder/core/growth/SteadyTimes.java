package org.zealousladder.core.growth;

import java.util.Arrays;

/**
 * When scores of a series were taken, in weeks from the pool's centre, to which shared week each belongs (-1: none) and how much each counts: all that their
 * covariance K by sd² depends on, the shared parts being given. Keeps {@code L⁻¹} of K's Cholesky factor, so that {@code a'K⁻¹b} is a product of two columns.
 */
final class SteadyTimes {
    final double[] t;
    final int[] week;
    final double[] weight;
    private final double[] inverse;
    private double logDet;

    SteadyTimes(double[] t, int[] week) {
        this(t, week, new double[t.length]);
        Arrays.fill(weight, 1);
    }

    SteadyTimes(double[] t, int[] week, double[] weight) {
        this.t = t;
        this.week = week;
        this.weight = weight;
        inverse = new double[t.length * (t.length + 1) / 2];
    }

    int size() {
        return t.length;
    }

    double logDet() {
        return logDet;
    }

    /** Makes K for these parts and takes it apart. */
    void solve(SteadyParts p, double unit) {
        int n = t.length;
        double[] l = new double[inverse.length];
        double log = 0;
        double rate = Math.log(Math.max(p.autocorrelation(), 1e-12));
        for (int i = 0; i < n; i++) {
            int ri = i * (i + 1) / 2;
            for (int j = 0; j <= i; j++) {
                double own = i == j ? 1 / weight[i] : Math.exp(rate * (t[i] - t[j])) / Math.sqrt(weight[i] * weight[j]);
                double sum = p.course(t[i], t[j], t[0], unit) + own;
                int rj = j * (j + 1) / 2;
                for (int k = 0; k < j; k++) {
                    sum -= l[ri + k] * l[rj + k];
                }
                // Two scores of one moment agree wholly in all but what cannot be told: they are taken to differ by a little.
                l[ri + j] = i == j ? Math.sqrt(Math.max(sum, 1e-9)) : sum / l[rj + j];
            }
            log += Math.log(l[ri + i]);
        }
        logDet = 2 * log;
        for (int i = 0; i < n; i++) {
            int ri = i * (i + 1) / 2;
            double d = 1 / l[ri + i];
            inverse[ri + i] = d;
            for (int j = 0; j < i; j++) {
                double sum = 0;
                for (int k = j; k < i; k++) {
                    sum += l[ri + k] * inverse[k * (k + 1) / 2 + j];
                }
                inverse[ri + j] = -d * sum;
            }
        }
    }

    /** {@code L⁻¹x}. */
    double[] half(double[] x) {
        double[] out = new double[t.length];
        for (int i = 0; i < out.length; i++) {
            int ri = i * (i + 1) / 2;
            double sum = 0;
            for (int j = 0; j <= i; j++) {
                sum += inverse[ri + j] * x[j];
            }
            out[i] = sum;
        }
        return out;
    }

    /** {@code L'⁻¹x}: of {@code L⁻¹c} it makes {@code K⁻¹c}. */
    double[] back(double[] x) {
        double[] out = new double[t.length];
        for (int i = 0; i < out.length; i++) {
            int ri = i * (i + 1) / 2;
            for (int j = 0; j <= i; j++) {
                out[j] += inverse[ri + j] * x[i];
            }
        }
        return out;
    }

    /** {@code K⁻¹}. */
    double[][] whole() {
        int n = t.length;
        double[][] out = new double[n][n];
        for (int j = 0; j < n; j++) {
            for (int k = 0; k <= j; k++) {
                double sum = 0;
                for (int i = j; i < n; i++) {
                    int ri = i * (i + 1) / 2;
                    sum += inverse[ri + j] * inverse[ri + k];
                }
                out[j][k] = sum;
                out[k][j] = sum;
            }
        }
        return out;
    }

    static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] * b[i];
        }
        return sum;
    }
}
