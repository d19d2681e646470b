package org.zealousladder.core.growth;

import java.util.Arrays;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.ScoreSeries;

/**
 * Many series fitted together: each student has an own level and slope, drawn about those of the group.
 *
 * <pre>
 *   y = β0 + β1·t + u0 + u1·t + e,   (u0, u1) ~ N(0, Ψ), Ψ any 2x2 covariance,   e ~ N(0, σ²)
 * </pre>
 *
 * <p>Estimated by restricted maximum likelihood (N. M. Laird and J. H. Ware (1982), Random-effects models for longitudinal
 * data, Biometrics 38). Of each series only five sums about its own means and its size are kept, so the cost is linear in
 * the number of series and points are read once. {@code Ψ = σ²·ΛΛ'} with Λ lower triangular; β and σ² are profiled out
 * (D. Bates et al. (2015), J. Stat. Software 67(1), section 3), and the criterion is brought to its minimum over the three
 * numbers of Λ by quasi-Newton steps with the exact gradient. A variance of zero is an ordinary point of that surface.
 *
 * <ul>
 *   <li>Fewer than {@value #FEWEST_SERIES} series with {@value Trend#NEEDED} scores on two dates: no population.
 *   <li>Series that lie on straight lines exactly: no population; nothing is gained by pooling them.
 * </ul>
 */
public final class PooledGrowth {
    /** Fewest series with at least {@value Trend#NEEDED} scores. */
    public static final int FEWEST_SERIES = 5;

    private static final int STEPS = 200;
    private static final double NOISELESS = 1e-12;

    private double[] sums = new double[64 * SeriesSums.WIDTH];
    private int count;
    private int usable;

    /** Adds one series; an empty one adds nothing. */
    public PooledGrowth add(ScoreSeries series) {
        if (series.size() == 0) {
            return this;
        }
        if ((count + 1) * SeriesSums.WIDTH > sums.length) {
            sums = Arrays.copyOf(sums, sums.length * 2);
        }
        SeriesSums.of(series, sums, count * SeriesSums.WIDTH);
        count++;
        usable += series.size() >= Trend.NEEDED && series.span() > 0 ? 1 : 0;
        return this;
    }

    /** The population that the series added so far come from; empty when they are too few or without noise. */
    public Optional<Population> fit() {
        if (usable < FEWEST_SERIES) {
            return Optional.empty();
        }
        RemlCriterion criterion = RemlCriterion.of(sums, count);
        if (criterion.withinVariance() <= NOISELESS * criterion.totalVariance()) {
            return Optional.empty();
        }
        double[] lambda = minimize(criterion);
        return Optional.of(criterion.population(lambda));
    }

    /** BFGS in three dimensions with halved steps (J. Nocedal and S. Wright (2006), Numerical Optimization, algorithm 6.1). */
    private static double[] minimize(RemlCriterion criterion) {
        double[] x = criterion.start();
        double value = criterion.at(x);
        double[] gradient = criterion.gradient();
        double @Nullable [][] inverse = null;
        for (int step = 0; step < STEPS; step++) {
            if (inverse == null) {
                double scale = 1 / Math.max(1, norm(gradient));
                inverse = new double[][] {{scale, 0, 0}, {0, scale, 0}, {0, 0, scale}};
            }
            double[] direction = times(inverse, gradient);
            double slope = dot(direction, gradient);
            if (!(slope > 1e-11)) {
                break;
            }
            double length = 1;
            double[] next = x;
            double nextValue = Double.NaN;
            while (length > 1e-10) {
                next = new double[] {x[0] - length * direction[0], x[1] - length * direction[1], x[2] - length * direction[2]};
                nextValue = criterion.at(next);
                if (nextValue <= value - 1e-4 * length * slope) {
                    break;
                }
                length /= 2;
            }
            if (!(nextValue < value)) {
                break;
            }
            double[] nextGradient = criterion.gradient();
            inverse = updated(inverse, minus(next, x), minus(nextGradient, gradient));
            x = next;
            value = nextValue;
            gradient = nextGradient;
        }
        return x;
    }

    /** The inverse Hessian after a step {@code s} that changed the gradient by {@code g}; null (start anew) where that curved downwards. */
    private static double @Nullable [][] updated(double[][] h, double[] s, double[] g) {
        double sg = dot(s, g);
        if (!(sg > 1e-14 * norm(s) * norm(g))) {
            return null;
        }
        double[] hg = times(h, g);
        double factor = (sg + dot(g, hg)) / (sg * sg);
        double[][] out = new double[3][3];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                out[i][j] = h[i][j] + factor * s[i] * s[j] - (hg[i] * s[j] + s[i] * hg[j]) / sg;
            }
        }
        return out;
    }

    private static double[] times(double[][] m, double[] v) {
        return new double[] {dot(m[0], v), dot(m[1], v), dot(m[2], v)};
    }

    private static double[] minus(double[] a, double[] b) {
        return new double[] {a[0] - b[0], a[1] - b[1], a[2] - b[2]};
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    private static double norm(double[] a) {
        return Math.sqrt(dot(a, a));
    }
}
