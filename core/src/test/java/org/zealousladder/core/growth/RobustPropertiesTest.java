package org.zealousladder.core.growth;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.ScoreSeries;

/** What must hold of the robust trend and the marks whatever the scores are. */
class RobustPropertiesTest {
    private static ScoreSeries random(Random random, int n) {
        double[] t = new double[n];
        double[] y = new double[n];
        for (int i = 0; i < n; i++) {
            t[i] = i + random.nextInt(5) / 7.0;
            y[i] = Math.rint(60 + 1.1 * i + 6 * random.nextGaussian());
        }
        return ScoreSeries.of(t, y);
    }

    @RepeatedTest(40)
    void theSlopeLiesWithinItsIntervalAndTheIntervalNarrowsWithMoreScores(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        ScoreSeries s = random(random, 30);
        Trend.Fitted whole = LeastSquaresTest.fitted(TheilSen.fit(s, 0));
        Trend.Fitted third = LeastSquaresTest.fitted(TheilSen.fit(s.first(10), 0));
        for (Trend.Fitted f : new Trend.Fitted[] {whole, third}) {
            assertTrue(f.slopeLow() <= f.slope() && f.slope() <= f.slopeHigh());
        }
        assertTrue(whole.slopeHigh() - whole.slopeLow() < third.slopeHigh() - third.slopeLow());
    }

    @RepeatedTest(40)
    void reorderingChangesNothing(RepetitionInfo info) {
        Random random = new Random(100 + info.getCurrentRepetition());
        ScoreSeries s = random(random, 12);
        double[] t = s.weeks();
        double[] y = s.scores();
        for (int i = t.length - 1; i > 0; i--) {
            int k = random.nextInt(i + 1);
            double a = t[i];
            t[i] = t[k];
            t[k] = a;
            double b = y[i];
            y[i] = y[k];
            y[k] = b;
        }
        ScoreSeries shuffled = ScoreSeries.of(t, y);
        assertEquals(TheilSen.fit(s, 3), TheilSen.fit(shuffled, 3));
        assertArrayEquals(Outliers.mark(s), Outliers.mark(shuffled));
    }

    @RepeatedTest(20)
    void marksDoNotChangeWhenTheScaleDoes(RepetitionInfo info) {
        Random random = new Random(200 + info.getCurrentRepetition());
        ScoreSeries s = random(random, 14);
        double[] y = s.scores();
        y[random.nextInt(14)] -= 60;
        double[] scaled = java.util.Arrays.stream(y).map(v -> 0.3 * v + 1000).toArray();
        int[] marks = Outliers.mark(ScoreSeries.of(s.weeks(), y));
        assertTrue(marks.length >= 1, "a fall of sixty is far off");
        assertArrayEquals(marks, Outliers.mark(ScoreSeries.of(s.weeks(), scaled)));
    }

    @Test
    void anExactLineIsFoundExactly() {
        double[] t = {0, 1, 2, 4, 7};
        double[] y = {10, 13, 16, 22, 31};
        Trend.Fitted f = LeastSquaresTest.fitted(TheilSen.fit(ScoreSeries.of(t, y), 0));
        assertEquals(3, f.slope(), 1e-12);
        assertEquals(10, f.intercept(), 1e-12);
        assertEquals(0, f.residualSd(), 1e-12);
    }

    @Test
    void anSemWidensWhatTheScoresAloneWouldClaim() {
        double[] t = {0, 1, 2, 4, 7};
        double[] y = {10, 13, 16, 22, 31};
        Trend.Fitted f = LeastSquaresTest.fitted(TheilSen.fit(ScoreSeries.of(t, y), 5));
        assertTrue(f.level(10).width() > 1);
        assertTrue(f.newScore(10).width() > f.level(10).width());
    }

    @Test
    void aPhaseIsCutOutOfASeries() {
        ScoreSeries s = ScoreSeries.of(new double[] {3, 1, 2, 4}, new double[] {30, 10, 20, 40});
        assertArrayEquals(new double[] {20, 30, 40}, s.from(1.5).scores());
        assertArrayEquals(new double[] {10, 20}, s.first(2).scores());
        assertEquals(0, s.from(9).size());
        assertEquals(0, s.from(9).span());
        assertEquals(3, s.span());
    }
}
