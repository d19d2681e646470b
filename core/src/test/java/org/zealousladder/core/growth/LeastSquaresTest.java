package org.zealousladder.core.growth;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.zealousladder.core.Interval;
import org.zealousladder.core.ScoreSeries;

class LeastSquaresTest {
    private static final double[] WEEKS = {0, 1, 2, 3, 4};
    private static final double[] SCORES = {2, 4, 5, 4, 5};

    static Trend.Fitted fitted(Trend trend) {
        return assertInstanceOf(Trend.Fitted.class, trend);
    }

    private static Trend.Fitted fit(double[] t, double[] y) {
        return fitted(LeastSquares.fit(ScoreSeries.of(t, y)));
    }

    @Test
    void agreesWithAFitDoneByHand() {
        Trend.Fitted f = fit(WEEKS, SCORES);
        // Sxx = 10, Sxy = 6, SSE = 2.4, s² = 0.8, t(3) = 3.18245
        assertEquals(0.6, f.slope(), 1e-12);
        assertEquals(2.8, f.intercept(), 1e-12);
        assertEquals(Math.sqrt(0.8), f.residualSd(), 1e-12);
        assertEquals(Math.sqrt(0.08), f.slopeSe(), 1e-12);
        assertEquals(3, f.df());
        assertEquals(0.6 - 3.182446 * Math.sqrt(0.08), f.slopeLow(), 1e-6);
        assertEquals(0.6 + 3.182446 * Math.sqrt(0.08), f.slopeHigh(), 1e-6);
    }

    @Test
    void levelAndNewScoreFollowTheTextbookFormula() {
        Trend.Fitted f = fit(WEEKS, SCORES);
        Interval level = f.level(6);
        double half = 3.182446 * Math.sqrt(0.8 * (1.0 / 5 + 16.0 / 10));
        assertEquals(6.4, level.value(), 1e-12);
        assertEquals(6.4 - half, level.low(), 1e-5);
        assertEquals(6.4 + half, level.high(), 1e-5);
        double wide = 3.182446 * Math.sqrt(0.8 * (1 + 1.0 / 5 + 16.0 / 10));
        assertEquals(2 * wide, f.newScore(6).width(), 1e-5);
    }

    /** F. J. Anscombe (1973), Graphs in statistical analysis, Am. Stat. 27: slope 0.500 (0.118), intercept 3.00. */
    @Test
    void agreesWithAnscombesFirstSet() {
        Trend.Fitted f = fit(new double[] {10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5},
                new double[] {8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68});
        assertEquals(0.50009, f.slope(), 5e-6);
        assertEquals(3.00009, f.intercept(), 5e-6);
        assertEquals(0.11791, f.slopeSe(), 5e-6);
        assertEquals(1.23660, f.residualSd(), 5e-6);
        assertEquals(9, f.df());
    }

    @Test
    void moderatedVarianceCountsTheSemForFourDegreesOfFreedom() {
        Trend.Fitted f = fitted(LeastSquares.fit(ScoreSeries.of(WEEKS, SCORES), 2));
        assertEquals(7, f.df());
        assertEquals(Math.sqrt((4 * 4 + 2.4) / 7), f.residualSd(), 1e-12);
        assertEquals(f.residualSd() / Math.sqrt(10), f.slopeSe(), 1e-12);
    }

    @Test
    void threePointsOnALineDoNotClaimCertaintyWhenAnSemIsStated() {
        ScoreSeries line = ScoreSeries.of(new double[] {0, 1, 2}, new double[] {10, 12, 14});
        assertEquals(0, fitted(LeastSquares.fit(line)).slopeSe(), 1e-12);
        assertTrue(fitted(LeastSquares.fit(line, 5)).slopeHigh() > 2 + 5);
    }

    @ParameterizedTest
    @CsvSource({"0", "1", "2"})
    void tooFewScoresAreSaidToBeTooFew(int n) {
        ScoreSeries s = ScoreSeries.of(new double[n], new double[n]);
        assertEquals(new Trend.TooFew(n, 3), LeastSquares.fit(s, 1));
    }

    @Test
    void manyScoresOnOneDateMakeNoTrend() {
        assertInstanceOf(Trend.TooFew.class, LeastSquares.fit(ScoreSeries.of(new double[] {2, 2, 2, 2}, SCORES_4)));
    }

    private static final double[] SCORES_4 = {1, 2, 3, 4};

    @Test
    void aHugeConstantDoesNotCancelTheSlope() {
        double[] shifted = new double[SCORES.length];
        for (int i = 0; i < shifted.length; i++) {
            shifted[i] = SCORES[i] + 1e9;
        }
        assertEquals(0.6, fit(WEEKS, shifted).slope(), 1e-6);
    }

    @Test
    void shiftingScalingReorderingAndDuplicatingDoWhatTheyShould() {
        Random random = new Random(5);
        for (int round = 0; round < 200; round++) {
            int n = 4 + random.nextInt(30);
            double[] t = new double[n];
            double[] y = new double[n];
            for (int i = 0; i < n; i++) {
                t[i] = i + random.nextInt(3) / 7.0;
                y[i] = 50 + t[i] + 6 * random.nextGaussian();
            }
            Trend.Fitted f = fit(t, y);
            double by = 10 * random.nextGaussian();
            double times = 0.1 + random.nextDouble() * 5;
            double[] later = map(t, v -> v + by);
            double[] scaled = map(y, v -> v * times + by);
            assertEquals(f.slope(), fit(later, y).slope(), 1e-9, "shifting all dates");
            assertEquals(f.slope() * times, fit(t, scaled).slope(), 1e-8, "scaling all scores");
            assertEquals(f.slopeSe() * times, fit(t, scaled).slopeSe(), 1e-8);
            assertEquals(f.slope(), fit(reversed(t), reversed(y)).slope(), 1e-9, "reordering");
            Trend.Fitted twice = fit(both(t, t), both(y, y));
            assertEquals(f.slope(), twice.slope(), 1e-9, "duplicating");
            assertEquals(f.intercept(), twice.intercept(), 1e-8);
            assertTrue(twice.slopeSe() < f.slopeSe());
        }
    }

    @Test
    void intervalsHoldTheTruthAsOftenAsTheySay() {
        Random random = new Random(11);
        int rounds = 4000;
        int held = 0;
        for (int round = 0; round < rounds; round++) {
            double[] t = new double[9];
            double[] y = new double[9];
            for (int i = 0; i < 9; i++) {
                t[i] = i;
                y[i] = 60 + 1.3 * i + 5 * random.nextGaussian();
            }
            Trend.Fitted f = fit(t, y);
            held += f.slopeLow() <= 1.3 && 1.3 <= f.slopeHigh() ? 1 : 0;
        }
        assertEquals(0.95, held / (double) rounds, 0.012);
    }

    @Test
    void numbersThatAreNoneAreRefusedAtTheDoor() {
        assertThrows(IllegalArgumentException.class, () -> ScoreSeries.of(new double[] {1, 2}, new double[] {1}));
        assertThrows(IllegalArgumentException.class, () -> ScoreSeries.of(new double[] {1}, new double[] {Double.NaN}));
        assertThrows(IllegalArgumentException.class, () -> LeastSquares.fit(ScoreSeries.of(WEEKS, SCORES), -1));
    }

    private static double[] map(double[] a, java.util.function.DoubleUnaryOperator f) {
        return java.util.Arrays.stream(a).map(f).toArray();
    }

    private static double[] reversed(double[] a) {
        double[] r = new double[a.length];
        for (int i = 0; i < a.length; i++) {
            r[i] = a[a.length - 1 - i];
        }
        return r;
    }

    private static double[] both(double[] a, double[] b) {
        return java.util.stream.DoubleStream.concat(java.util.Arrays.stream(a), java.util.Arrays.stream(b)).toArray();
    }

    @Test
    void moreScoresThanThereAreAreNotGiven() {
        ScoreSeries two = ScoreSeries.of(new double[] {0, 1}, new double[] {50, 52});
        assertThrows(IndexOutOfBoundsException.class, () -> two.first(4));
        assertThrows(IndexOutOfBoundsException.class, () -> two.without(2));
        assertArrayEquals(new double[] {52}, two.without(0).scores());
        assertArrayEquals(new double[] {0}, two.without(1).weeks());
    }
}
