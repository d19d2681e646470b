package org.zealousladder.core.bands;

import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.ToIntFunction;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.EigenDecompositionSymmetric;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;

/**
 * What the observed scores of one student say of the true ones: normal, drawn to the mean of the group by as much as the scores are not reliable (T. L. Kelley
 * (1927), Interpretation of Educational Measurements; for several at once F. M. Lord and M. R. Novick (1968), Statistical Theories of Mental Test Scores, 22.4).
 *
 * <pre>
 *   x = t + e,  t ~ N(μ, Σ - diag(SEM²)),  e ~ N(0, diag(SEM²))
 *   E(t | x) = μ + (Σ - diag(SEM²))Σ⁻¹(x - μ),   with one score: μ + r(x - μ), spread SEM·√r,  r = 1 - SEM²/sd²
 * </pre>
 *
 * <p>A score in the lowest tenth is more often unlucky than lucky; without this its band is said to be surer than it is.
 */
public final class TrueScores {
    /** Reliability that a measure is taken to have which states no error: said wherever it is used. */
    public static final double ASSUMED_RELIABILITY = 0.85;
    /** Correlation that observed scores of two measures are taken to have where too few students have both. */
    public static final double ASSUMED_CORRELATION = 0.5;
    /** A measure's error is never taken for more than all but this part of its spread. */
    public static final double LEAST_RELIABILITY = 0.05;

    private static final int POINTS = 2048;
    private static final Map<Integer, double[][]> POINTS_OF = new ConcurrentHashMap<>();
    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

    private final double[] means;
    private final RealMatrix covariance;

    private TrueScores(double[] means, RealMatrix covariance) {
        this.means = means;
        this.covariance = covariance;
    }

    /**
     * A measure as the group's scores have it.
     *
     * @param mean of the group's observed scores @param sd their spread, above 0
     * @param sem standard error of measurement, all in score units; 0: none is stated, and {@link #ASSUMED_RELIABILITY} stands in for it
     */
    public record Measured(double mean, double sd, double sem) {
        public Measured {
            if (!Double.isFinite(mean) || !(sd > 0) || !(sem >= 0)) {
                throw new IllegalArgumentException("a measure needs a mean, a spread above 0 and no negative error");
            }
        }

        /** Whether the error is an assumption. */
        public boolean assumed() {
            return sem == 0;
        }

        /** Share of the spread that is not error: {@code 1 - SEM²/sd²}. */
        public double reliability() {
            return assumed() ? ASSUMED_RELIABILITY : Math.max(LEAST_RELIABILITY, 1 - sem * sem / (sd * sd));
        }
    }

    /** Of one score: by the formula, since whole schools are asked for at once. */
    public static TrueScores of(double score, Measured measure) {
        double r = measure.reliability();
        return new TrueScores(new double[] {measure.mean() + r * (score - measure.mean())},
                new Array2DRowRealMatrix(new double[][] {{measure.sd() * measure.sd() * r * (1 - r)}}, false));
    }

    /**
     * Of several scores of one student.
     *
     * @param correlation of the observed scores in the group, symmetric, 1 on the diagonal; where it is more than the measures' errors allow it is lowered
     * @throws IllegalArgumentException where the lengths differ
     */
    public static TrueScores of(double[] scores, Measured[] measures, double[][] correlation) {
        int d = scores.length;
        if (measures.length != d || correlation.length != d) {
            throw new IllegalArgumentException(d + " scores need as many measures and correlations");
        }
        if (d == 1) {
            return of(scores[0], measures[0]);
        }
        RealMatrix truth = truth(measures, correlation);
        RealMatrix observed = truth.copy();
        double[] off = new double[d];
        for (int i = 0; i < d; i++) {
            Measured m = measures[i];
            observed.addToEntry(i, i, m.sd() * m.sd() * (1 - m.reliability()));
            off[i] = scores[i] - m.mean();
        }
        RealMatrix gain = truth.multiply(MatrixUtils.inverse(observed));
        double[] means = gain.operate(off);
        for (int i = 0; i < d; i++) {
            means[i] += measures[i].mean();
        }
        RealMatrix left = truth.subtract(gain.multiply(truth));
        // Rounding leaves the two halves a little apart.
        return new TrueScores(means, left.add(left.transpose()).scalarMultiply(0.5));
    }

    /** Covariance of the true scores; correlations that no true scores could have are lowered together until some could. */
    private static RealMatrix truth(Measured[] measures, double[][] correlation) {
        int d = measures.length;
        RealMatrix truth = new Array2DRowRealMatrix(d, d);
        for (double share = 1;; share -= 0.05) {
            for (int i = 0; i < d; i++) {
                for (int j = 0; j < d; j++) {
                    double r = i == j ? measures[i].reliability() : share * correlation[i][j];
                    truth.setEntry(i, j, r * measures[i].sd() * measures[j].sd());
                }
            }
            double[] values = new EigenDecompositionSymmetric(truth).getEigenvalues();
            if (Arrays.stream(values).min().orElse(0) > 1e-9 * Arrays.stream(values).max().orElse(1) || share <= 0) {
                return truth;
            }
        }
    }

    /** What the true score of measure {@code i} is expected to be, in score units. */
    public double mean(int i) {
        return means[i];
    }

    /** How sure that is, one standard deviation. */
    public double sd(int i) {
        return Math.sqrt(covariance.getEntry(i, i));
    }

    /** Expected value of a weighted sum of the true scores. @param weights as many as scores */
    public double mean(double[] weights) {
        double sum = 0;
        for (int i = 0; i < means.length; i++) {
            sum += weights[i] * means[i];
        }
        return sum;
    }

    /** Standard deviation of the same. */
    public double sd(double[] weights) {
        RealVector w = MatrixUtils.createRealVector(weights);
        return Math.sqrt(Math.max(0, w.dotProduct(covariance.operate(w))));
    }

    /**
     * How likely each outcome is that the true scores decide: over the same {@value #POINTS} points of a Kronecker sequence for everybody, right to about
     * 0.005.
     *
     * @param outcome 0 to {@code outcomes - 1} for some true scores
     */
    public double[] chances(int outcomes, ToIntFunction<double[]> outcome) {
        int d = means.length;
        RealMatrix l = new CholeskyDecomposition(covariance.add(MatrixUtils.createRealIdentityMatrix(d).scalarMultiply(1e-9 * covariance.getTrace())), 1e-12, 0)
                .getL();
        double[] chances = new double[outcomes];
        double[] t = new double[d];
        double[][] rows = l.getData();
        for (double[] z : POINTS_OF.computeIfAbsent(d, TrueScores::points)) {
            for (int i = 0; i < d; i++) {
                t[i] = means[i];
                for (int j = 0; j <= i; j++) {
                    t[i] += rows[i][j] * z[j];
                }
            }
            chances[outcome.applyAsInt(t)] += 1.0 / POINTS;
        }
        return chances;
    }

    private static double[][] points(int d) {
        double[] step = steps(d);
        double[][] points = new double[POINTS][d];
        for (int p = 0; p < POINTS; p++) {
            for (int i = 0; i < d; i++) {
                double u = 0.5 + (p + 1) * step[i];
                points[p][i] = NORMAL.inverseCumulativeProbability(Math.min(Math.max(u - Math.floor(u), 1e-9), 1 - 1e-9));
            }
        }
        return points;
    }

    /** Powers of the root of {@code x^(d+1) = x + 1}: multiples of them fill a cube evenly. */
    private static double[] steps(int d) {
        double root = 2;
        for (int i = 0; i < 60; i++) {
            root = Math.pow(1 + root, 1.0 / (d + 1));
        }
        double[] steps = new double[d];
        for (int i = 0; i < d; i++) {
            steps[i] = Math.pow(1 / root, i + 1);
        }
        return steps;
    }
}
