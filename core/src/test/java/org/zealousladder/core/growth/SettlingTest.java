package org.zealousladder.core.growth;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.zealousladder.core.ScoreSeries;

class SettlingTest {
    private static ScoreSeries weekly(int n) {
        double[] t = new double[n];
        double[] y = new double[n];
        for (int i = 0; i < n; i++) {
            t[i] = i;
            y[i] = 40 + i + (i % 2 == 0 ? 2 : -2);
        }
        return ScoreSeries.of(t, y);
    }

    /** Weekly scores: Sxx = (n³ - n)/12, so the width goes with t(n-2)/√Sxx; checked by going through n one by one. */
    @Test
    void agreesWithTheClosedFormForWeeklyScores() {
        for (int n = 3; n < 20; n++) {
            int m = n + 1;
            while (width(m) > width(n) / 2) {
                m++;
            }
            Trend.Fitted f = LeastSquaresTest.fitted(LeastSquares.fit(weekly(n)));
            assertEquals(m - n, Settling.scoresToHalve(weekly(n), f).orElseThrow(), "from " + n);
        }
    }

    private static double width(int n) {
        return StudentT.quantile975(n - 2) / Math.sqrt((Math.pow(n, 3) - n) / 12);
    }

    @Test
    void manyScoresWouldNeedMoreThanTheSearchLooksFor() {
        Trend.Fitted f = LeastSquaresTest.fitted(LeastSquares.fit(weekly(200)));
        assertTrue(Settling.scoresToHalve(weekly(200), f).isEmpty());
    }
}
