package org.zealousladder.core.growth;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.ScoreSeries;

class TheilSenTest {
    private static Trend.Fitted fit(double[] t, double[] y) {
        return LeastSquaresTest.fitted(TheilSen.fit(ScoreSeries.of(t, y), 0));
    }

    /** The example of Sen (1968): slope 4. */
    @Test
    void agreesWithSensExample() {
        Trend.Fitted f = fit(new double[] {1, 2, 3, 4, 10, 12, 18}, new double[] {9, 15, 19, 20, 45, 55, 78});
        assertEquals(4, f.slope(), 1e-12);
        // median of y - 4t over 5, 7, 7, 4, 5, 7, 6
        assertEquals(6, f.intercept(), 1e-12);
        // N = 21, var = 7·6·19/18, half = 1.96·6.658 = 13.05: ranks 4 - 1 and 17 of the sorted slopes, from 0
        assertEquals(26.0 / 7, f.slopeLow(), 1e-12);
        assertEquals(4.375, f.slopeHigh(), 1e-12);
    }

    /** M. Hollander and D. A. Wolfe, Nonparametric Statistical Methods, the cloud seeding ratios: slope -0.056. */
    @Test
    void agreesWithTheCloudSeedingExample() {
        Trend.Fitted f = fit(new double[] {1, 2, 3, 4, 5}, new double[] {1.26, 1.27, 1.12, 1.16, 1.03});
        assertEquals(-0.05625, f.slope(), 1e-12);
    }

    @Test
    void oneWildScoreMovesTheSlopeByAtMostOneRankAndLeastSquaresByMuch() {
        Random random = new Random(3);
        double[] t = new double[13];
        double[] y = new double[13];
        for (int i = 0; i < t.length; i++) {
            t[i] = i;
            y[i] = 40 + 1.5 * i + random.nextGaussian();
        }
        double before = fit(t, y).slope();
        double[] wild = y.clone();
        wild[11] = 400;
        assertEquals(before, fit(t, wild).slope(), 0.25);
        double single = LeastSquaresTest.fitted(LeastSquares.fit(ScoreSeries.of(t, wild))).slope();
        assertTrue(single > before + 5, "least squares is thrown: " + single);
        assertArrayEquals(new int[] {11}, Outliers.mark(ScoreSeries.of(t, wild)));
    }

    @Test
    void shiftingAndScalingCarryOver() {
        double[] t = {0, 1, 2.5, 3, 5, 8};
        double[] y = {3, 5, 4, 9, 8, 15};
        Trend.Fitted f = fit(t, y);
        Trend.Fitted g = fit(Arrays.stream(t).map(v -> v + 9).toArray(), Arrays.stream(y).map(v -> 2 * v - 7).toArray());
        assertEquals(2 * f.slope(), g.slope(), 1e-12);
        assertEquals(2 * f.slopeLow(), g.slopeLow(), 1e-12);
        assertEquals(2 * f.residualSd(), g.residualSd(), 1e-12);
    }

    @Test
    void bisectionFindsTheSameRanksAsSorting() {
        Random random = new Random(8);
        int n = TheilSen.SORT_LIMIT + 150;
        double[] t = new double[n];
        double[] y = new double[n];
        for (int i = 0; i < n; i++) {
            t[i] = i / 2;
            y[i] = Math.rint(100 + 0.3 * i + 9 * random.nextGaussian());
        }
        ScoreSeries s = ScoreSeries.of(t, y);
        double[] slopes = new double[n * n];
        int k = 0;
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                if (t[j] > t[i]) {
                    slopes[k++] = (y[j] - y[i]) / (t[j] - t[i]);
                }
            }
        }
        slopes = Arrays.copyOf(slopes, k);
        Arrays.sort(slopes);
        PairSlopes counted = PairSlopes.of(s);
        assertEquals(k, counted.count());
        for (long rank : new long[] {0, 1, k / 3, k / 2, k - 2, k - 1}) {
            assertEquals(slopes[(int) rank], counted.rank(rank), 1e-9);
        }
    }

    @Test
    void tooFewIsSaid() {
        assertEquals(new Trend.TooFew(2, 3), TheilSen.fit(ScoreSeries.of(new double[] {0, 1}, new double[] {1, 2}), 0));
    }
}
