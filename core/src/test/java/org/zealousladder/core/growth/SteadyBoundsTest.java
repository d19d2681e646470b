package org.zealousladder.core.growth;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.ScoreSeries;

/** What scores at a bound tell, held to the whole integral over all courses there can be. */
class SteadyBoundsTest {
    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);
    private static final double SD = 6;
    private static final double LOW = 50;
    private static final double LEVEL_SD = 15;
    private static final double SLOPE_SD = 0.6;
    private static final double MEAN_LEVEL = 60;
    private static final double MEAN_SLOPE = 1;

    /** Courses about 60 + t, levels and slopes independent, scores with nothing but their own spread. */
    private static SteadyPopulation pool() {
        SteadyFrame frame = new SteadyFrame(0, 1, MEAN_LEVEL, 10, new double[0], 1, Map.of());
        SteadyParts parts = new SteadyParts(LEVEL_SD / SD, 0, SLOPE_SD / SD, 0, 0, 0, 0, Double.POSITIVE_INFINITY);
        return new SteadyPopulation(frame, new SteadyPopulation.Under(parts, new double[] {0, MEAN_SLOPE}, new double[3], SD * SD), List.of(), 40, 400,
                100_000);
    }

    /** Mean and standard deviation of the line's level at {@code week}, over a fine net of lines. */
    private static double[] exact(ScoreSeries series, double week) {
        double sum = 0;
        double first = 0;
        double second = 0;
        for (double a = -4; a <= 4; a += 0.05) {
            for (double b = -4; b <= 4; b += 0.05) {
                double level = MEAN_LEVEL + LEVEL_SD * a;
                double slope = MEAN_SLOPE + SLOPE_SD * b;
                double p = Math.exp(-(a * a + b * b) / 2);
                for (int i = 0; i < series.size(); i++) {
                    double seen = Math.max(LOW, level + slope * series.week(i));
                    double z = (series.score(i) - seen) / SD;
                    p *= series.score(i) <= LOW ? NORMAL.cumulativeProbability(z) : Math.exp(-z * z / 2) / Math.sqrt(2 * Math.PI);
                }
                double at = level + slope * week;
                sum += p;
                first += p * at;
                second += p * at * at;
            }
        }
        double mean = first / sum;
        return new double[] {mean, Math.sqrt(second / sum - mean * mean)};
    }

    private static void same(double... scores) {
        double[] weeks = new double[scores.length];
        for (int i = 0; i < weeks.length; i++) {
            weeks[i] = i;
        }
        ScoreSeries series = ScoreSeries.of(weeks, scores);
        Trend.Fitted fitted = (Trend.Fitted) pool().within(new Trend.Bounds(LOW, Double.POSITIVE_INFINITY)).fit(series);
        for (double week : new double[] {scores.length - 1, scores.length + 9}) {
            double[] exact = exact(series, week);
            String said = "week " + week + ": " + fitted.straight(week) + " (" + fitted.levelSe(week) + "), exactly " + exact[0] + " (" + exact[1] + ")";
            assertEquals(exact[0], fitted.straight(week), 0.35 * exact[1], said);
            assertEquals(1, fitted.levelSe(week) / exact[1], 0.3, said);
        }
    }

    @Test
    void whoComesOffTheFloorIsReadAsTheIntegralOverAllLinesReadsThem() {
        same(50, 50, 50, 50, 57, 50, 60, 62, 58, 66);
        same(58, 50, 61, 55, 64, 60, 63, 70);
    }

    /** How far beyond, nobody can tell; the integral has a long tail there, which a normal does not. */
    @Test
    void whoRunsAlongTheFloorIsBeyondItAndNotSurely() {
        double[] weeks = new double[10];
        double[] scores = {50, 53, 50, 50, 50, 55, 50, 50, 52, 50};
        for (int i = 0; i < weeks.length; i++) {
            weeks[i] = i;
        }
        ScoreSeries series = ScoreSeries.of(weeks, scores);
        Trend.Fitted fitted = (Trend.Fitted) pool().within(new Trend.Bounds(LOW, Double.POSITIVE_INFINITY)).fit(series);
        double[] exact = exact(series, 9);
        assertTrue(fitted.straight(9) < LOW && fitted.straight(9) > exact[0] - exact[1] && fitted.straight(9) < exact[0] + exact[1],
                fitted.straight(9) + " of " + exact[0]);
        assertTrue(fitted.levelSe(9) > 0.5 * exact[1], fitted.levelSe(9) + " of " + exact[1]);
        assertTrue(fitted.slopeLow() <= 0 && fitted.slopeHigh() > 1.5, "it may not grow at all, or soon be seen to");
    }

    @Test
    void itGrowsFasterThanTheScoresOnTheFloorLetSee() {
        ScoreSeries series = ScoreSeries.of(new double[] {0, 1, 2, 3, 4, 5, 6, 7, 8, 9}, new double[] {50, 50, 50, 50, 50, 51, 50, 56, 55, 60});
        Trend.Fitted plain = (Trend.Fitted) pool().fit(series);
        Trend.Fitted told = (Trend.Fitted) pool().within(new Trend.Bounds(LOW, 200)).fit(series);
        assertTrue(told.straight(20) > plain.straight(20) + 1, told.straight(20) + " and " + plain.straight(20));
        assertTrue(told.levelSe(20) > plain.levelSe(20), "and less is known of it");
        assertTrue(told.level(0).low() >= LOW);
    }

    @Test
    void atTheTopNothingIsSeenToGrowThoughTheLineGoesOn() {
        ScoreSeries series = ScoreSeries.of(new double[] {0, 1, 2, 3, 4, 5, 6, 7}, new double[] {70, 76, 74, 80, 80, 80, 80, 80});
        Trend.Fitted told = (Trend.Fitted) pool().within(new Trend.Bounds(0, 80)).fit(series);
        assertTrue(told.atBound(7));
        assertTrue(told.straight(7) > 80 && told.at(7) == 80, "the line is above");
        assertTrue(told.slope() < 0.4 * (told.straight(8) - told.straight(7)), told.slope() + " of " + (told.straight(8) - told.straight(7)));
        assertEquals(told.straight(7), told.intercept() + told.slope() * 7, 1e-9, "the line that is said meets it today");
        assertTrue(told.slopeLow() <= 0 && told.slopeHigh() > 1);
    }

    @Test
    void scoresBetweenTheBoundsStayAsTheyAre() {
        SteadyPopulation pool = pool();
        ScoreSeries series = ScoreSeries.of(new double[] {0, 1, 2, 3}, new double[] {51, 55, 52, 60});
        Trend.Fitted plain = (Trend.Fitted) pool.fit(series);
        Trend.Fitted told = (Trend.Fitted) pool.within(new Trend.Bounds(LOW, 200)).fit(series);
        assertArrayEquals(new double[] {plain.straight(3), plain.straight(14), plain.levelSe(14)},
                new double[] {told.straight(3), told.straight(14), told.levelSe(14)},
                1e-12);
        ScoreSeries floor = ScoreSeries.of(new double[] {0, 1, 2, 3}, new double[] {50, 50, 52, 60});
        Trend.Fitted alone = (Trend.Fitted) pool.alone().fit(floor);
        assertEquals(alone.straight(14), ((Trend.Fitted) pool.alone().within(new Trend.Bounds(LOW, 200)).fit(floor)).straight(14), 1e-12,
                "who stands alone has nothing to be read by");
    }
}
