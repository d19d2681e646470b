package org.zealousladder.core.growth;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.ScoreSeries;

/** The criterion from five sums a series, against the same criterion written out with whole matrices of all scores. */
class RemlCriterionTest {
    private static List<ScoreSeries> series(Random random, int n) {
        List<ScoreSeries> all = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            int size = 1 + random.nextInt(6);
            double[] t = new double[size];
            double[] y = new double[size];
            double level = 40 + 15 * random.nextGaussian();
            double slope = 1 + 0.5 * random.nextGaussian();
            for (int k = 0; k < size; k++) {
                t[k] = 3 + 2 * k + random.nextInt(8) / 7.0;
                y[k] = level + slope * t[k] + 4 * random.nextGaussian();
            }
            all.add(ScoreSeries.of(t, y));
        }
        return all;
    }

    private static RemlCriterion criterion(List<ScoreSeries> all) {
        double[] sums = new double[all.size() * SeriesSums.WIDTH];
        for (int i = 0; i < all.size(); i++) {
            SeriesSums.of(all.get(i), sums, i * SeriesSums.WIDTH);
        }
        return RemlCriterion.of(sums, all.size());
    }

    /** Σ log|V| + log|X'V⁻¹X| + (N - 2)(1 + log 2πσ²) with V and X of all scores at once, V by σ². */
    private static double dense(List<ScoreSeries> all, double[] lambda) {
        int n = all.stream().mapToInt(ScoreSeries::size).sum();
        double centre = all.stream().flatMapToDouble(s -> java.util.Arrays.stream(s.weeks())).average().orElseThrow();
        double unit = Math
                .sqrt(all.stream().flatMapToDouble(s -> java.util.Arrays.stream(s.weeks())).map(t -> (t - centre) * (t - centre)).average().orElseThrow());
        double d11 = lambda[0] * lambda[0];
        double d12 = lambda[0] * lambda[1];
        double d22 = lambda[1] * lambda[1] + lambda[2] * lambda[2];
        double[][] v = new double[n][n];
        double[][] x = new double[n][2];
        double[] y = new double[n];
        int at = 0;
        for (ScoreSeries s : all) {
            for (int i = 0; i < s.size(); i++) {
                double ti = (s.week(i) - centre) / unit;
                x[at + i] = new double[] {1, ti};
                y[at + i] = s.score(i);
                for (int k = 0; k < s.size(); k++) {
                    double tk = (s.week(k) - centre) / unit;
                    v[at + i][at + k] = d11 + d12 * (ti + tk) + d22 * ti * tk + (i == k ? 1 : 0);
                }
            }
            at += s.size();
        }
        double[][] right = new double[n][3];
        for (int i = 0; i < n; i++) {
            right[i] = new double[] {x[i][0], x[i][1], y[i]};
        }
        double logV = solve(v, right);
        double[][] s = new double[2][2];
        double[] c = new double[2];
        double yy = 0;
        for (int i = 0; i < n; i++) {
            for (int a = 0; a < 2; a++) {
                s[a][0] += x[i][a] * right[i][0];
                s[a][1] += x[i][a] * right[i][1];
                c[a] += x[i][a] * right[i][2];
            }
            yy += y[i] * right[i][2];
        }
        double det = s[0][0] * s[1][1] - s[0][1] * s[1][0];
        double b0 = (s[1][1] * c[0] - s[0][1] * c[1]) / det;
        double b1 = (s[0][0] * c[1] - s[1][0] * c[0]) / det;
        double variance = (yy - b0 * c[0] - b1 * c[1]) / (n - 2);
        return logV + Math.log(det) + (n - 2) * (1 + Math.log(2 * Math.PI * variance));
    }

    /** Gauss without pivots (V is positive definite): {@code right} becomes V⁻¹ right; the logarithm of the determinant comes back. */
    private static double solve(double[][] v, double[][] right) {
        int n = v.length;
        double log = 0;
        for (int p = 0; p < n; p++) {
            log += Math.log(v[p][p]);
            for (int i = 0; i < n; i++) {
                if (i != p) {
                    double factor = v[i][p] / v[p][p];
                    for (int k = p; k < n; k++) {
                        v[i][k] -= factor * v[p][k];
                    }
                    for (int k = 0; k < right[i].length; k++) {
                        right[i][k] -= factor * right[p][k];
                    }
                }
            }
        }
        for (int i = 0; i < n; i++) {
            for (int k = 0; k < right[i].length; k++) {
                right[i][k] /= v[i][i];
            }
        }
        return log;
    }

    @RepeatedTest(12)
    void itIsTheCriterionOfTheWholeMatrices(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<ScoreSeries> all = series(random, 4 + random.nextInt(8));
        RemlCriterion criterion = criterion(all);
        for (double[] lambda : new double[][] {{1, 0, 1}, {2.5, 0.4, 0.3}, {0, 0, 0}, {3, -1, 0}, {0, 1, 2},
                {4 * random.nextDouble(), random.nextGaussian(), random.nextDouble()}}) {
            double expected = dense(all, lambda);
            assertEquals(expected, criterion.at(lambda), 1e-8 * Math.abs(expected), java.util.Arrays.toString(lambda));
        }
    }

    @RepeatedTest(12)
    void theGradientIsThatOfSmallSteps(RepetitionInfo info) {
        Random random = new Random(100 + info.getCurrentRepetition());
        RemlCriterion criterion = criterion(series(random, 6 + random.nextInt(30)));
        double[] lambda = {0.5 + 2 * random.nextDouble(), random.nextGaussian(), 0.2 + random.nextDouble()};
        criterion.at(lambda);
        double[] gradient = criterion.gradient();
        double[] steps = new double[3];
        for (int i = 0; i < 3; i++) {
            double h = 1e-5;
            double[] up = lambda.clone();
            double[] down = lambda.clone();
            up[i] += h;
            down[i] -= h;
            steps[i] = (criterion.at(up) - criterion.at(down)) / (2 * h);
        }
        assertArrayEquals(steps, gradient, 1e-4 * (1 + Math.abs(steps[0]) + Math.abs(steps[1]) + Math.abs(steps[2])));
    }

    @RepeatedTest(6)
    void theSignOfAColumnOfLambdaDoesNotMatter(RepetitionInfo info) {
        RemlCriterion criterion = criterion(series(new Random(info.getCurrentRepetition()), 9));
        double value = criterion.at(new double[] {1.4, 0.6, 0.8});
        assertEquals(value, criterion.at(new double[] {-1.4, -0.6, 0.8}), 1e-9 * Math.abs(value), "ΛΛ' is the same");
        assertEquals(value, criterion.at(new double[] {1.4, 0.6, -0.8}), 1e-9 * Math.abs(value));
    }

    @Test
    void noPointNearTheMinimumIsLowerThanIt() {
        List<ScoreSeries> all = series(new Random(9), 40);
        RemlCriterion criterion = criterion(all);
        PooledGrowth pool = new PooledGrowth();
        all.forEach(pool::add);
        Population p = pool.fit().orElseThrow();
        // The fitted variances, back in the scaled time of the criterion.
        double centre = all.stream().flatMapToDouble(s -> java.util.Arrays.stream(s.weeks())).average().orElseThrow();
        double unit = Math
                .sqrt(all.stream().flatMapToDouble(s -> java.util.Arrays.stream(s.weeks())).map(t -> (t - centre) * (t - centre)).average().orElseThrow());
        double slopeSd = p.slopeSd() * unit / p.residualSd();
        double atOrigin = p.interceptSd() / p.residualSd();
        double x = -centre / unit;
        double covarianceAtOrigin = p.correlation() * atOrigin * slopeSd;
        double d22 = slopeSd * slopeSd;
        double d12 = covarianceAtOrigin - x * d22;
        double d11 = atOrigin * atOrigin - 2 * x * d12 - x * x * d22;
        double l1 = Math.sqrt(d11);
        double[] best = {l1, d12 / l1, Math.sqrt(Math.max(0, d22 - d12 * d12 / d11))};
        double lowest = criterion.at(best);
        Random random = new Random(3);
        for (int i = 0; i < 300; i++) {
            double[] near = {best[0] + 0.3 * random.nextGaussian(), best[1] + 0.3 * random.nextGaussian(), best[2] + 0.3 * random.nextGaussian()};
            assertTrue(criterion.at(near) >= lowest - 1e-6, () -> java.util.Arrays.toString(near));
        }
    }

    @Test
    void theSumsAreThoseOfAHandfulOfScoresAlsoFarFromZero() {
        ScoreSeries s = ScoreSeries.of(new double[] {1000, 1001, 1003}, new double[] {1e9, 1e9 + 2, 1e9 + 7});
        double[] sums = SeriesSums.of(s);
        assertArrayEquals(new double[] {3, 1001 + 1 / 3.0, 1e9 + 3, 14 / 3.0, 11, 26}, sums, 1e-6);
    }
}
