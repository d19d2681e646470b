package org.zealousladder.core.growth;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.ScoreSeries;

/** Against published estimates of two well-known data sets, and at the edges. */
class PooledGrowthTest {
    /** Girls' and boys' jaw distance at 8, 10, 12 and 14 years (R. F. Potthoff and S. N. Roy, 1964, Biometrika 51). */
    private static final double[][] DISTANCES = {{26, 25, 29, 31}, {21.5, 22.5, 23, 26.5}, {23, 22.5, 24, 27.5}, {25.5, 27.5, 26.5, 27},
            {20, 23.5, 22.5, 26}, {24.5, 25.5, 27, 28.5}, {22, 22, 24.5, 26.5}, {24, 21.5, 24.5, 25.5}, {23, 20.5, 31, 26}, {27.5, 28, 31, 31.5},
            {23, 23, 23.5, 25}, {21.5, 23.5, 24, 28}, {17, 24.5, 26, 29.5}, {22.5, 25.5, 25.5, 26}, {23, 24.5, 26, 30}, {22, 21.5, 23.5, 25},
            {21, 20, 21.5, 23}, {21, 21.5, 24, 25.5}, {20.5, 24, 24.5, 26}, {23.5, 24.5, 25, 26.5}, {21.5, 23, 22.5, 23.5}, {20, 21, 21, 22.5},
            {21.5, 22.5, 23, 25}, {23, 23, 23.5, 24}, {20, 21, 22, 21.5}, {16.5, 19, 19, 19.5}, {24.5, 25, 28, 28}};

    private static ScoreSeries series(double[] times, double... scores) {
        return ScoreSeries.of(times, scores);
    }

    static Population pooled(List<ScoreSeries> all) {
        PooledGrowth pool = new PooledGrowth();
        all.forEach(pool::add);
        return pool.fit().orElseThrow();
    }

    /** Reaction times over ten days with little sleep (G. Belenky et al., 2003, J. Sleep Research 12). */
    private static List<ScoreSeries> sleep() throws IOException {
        double[] days = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9};
        List<ScoreSeries> all = new ArrayList<>();
        try (var in = PooledGrowthTest.class.getResourceAsStream("/sleep.csv")) {
            for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList()) {
                double[] cells = Arrays.stream(line.split(",")).mapToDouble(Double::parseDouble).toArray();
                all.add(series(days, Arrays.copyOfRange(cells, 1, cells.length)));
            }
        }
        return all;
    }

    private static void near(double expected, double actual) {
        assertEquals(expected, actual, 1e-3 * Math.abs(expected));
    }

    @Test
    void agreesWithThePublishedFitOfTheSleepStudy() throws IOException {
        // Bates, Maechler, Bolker and Walker (2015), table of the first model.
        Population p = pooled(sleep());
        near(251.405, p.intercept());
        near(10.467, p.slopePerWeek());
        near(6.825, p.interceptSe());
        near(1.546, p.slopeSe());
        near(24.741, p.interceptSd());
        near(5.922, p.slopeSd());
        assertEquals(0.066, p.correlation(), 0.0006);
        near(25.592, p.residualSd());
        assertEquals(18, p.series());
        assertEquals(180, p.scores());
    }

    @Test
    void agreesWithThePublishedLinesOfSingleSleepers() throws IOException {
        List<ScoreSeries> all = sleep();
        Population p = pooled(all);
        // The same source: conditional modes of the first two, added to the mean line.
        Trend.Fitted first = p.predict(all.get(0));
        near(253.664, first.intercept());
        near(19.666, first.slope());
        Trend.Fitted second = p.predict(all.get(1));
        near(211.006, second.intercept());
        near(1.848, second.slope());
        assertEquals(Trend.Method.POOLED, first.method());
        assertTrue(first.shrinkage() > 0 && first.shrinkage() < 0.5, "ten scores lean little: " + first.shrinkage());
    }

    @Test
    void agreesWithThePublishedFitOfTheJawDistances() {
        // J. C. Pinheiro and D. M. Bates (2000), Mixed-Effects Models, chapter 1; level and slope random, REML.
        double[] ages = {8, 10, 12, 14};
        Population p = pooled(Arrays.stream(DISTANCES).map(d -> series(ages, d)).toList());
        near(16.7611, p.intercept());
        near(0.6602, p.slopePerWeek());
        near(0.7752, p.interceptSe());
        assertEquals(0.0713, p.slopeSe(), 0.0001);
        near(2.3270, p.interceptSd());
        near(0.2264, p.slopeSd());
        assertEquals(-0.609, p.correlation(), 0.002);
        near(1.3100, p.residualSd());
    }

    @Test
    void slopesThatDoNotDifferHaveNoSpread() {
        // The same zigzag on every line: the lines' slopes agree better than noise would let them.
        double[] weeks = {0, 1, 2, 3, 4, 5};
        double[] zigzag = {1, -1, 1, -1, 1, -1};
        List<ScoreSeries> all = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            double[] y = new double[6];
            for (int k = 0; k < 6; k++) {
                y[k] = 40 + 5 * (i / 2) + 1.5 * k + zigzag[(k + i) % 6];
            }
            all.add(series(weeks, y));
        }
        Population p = pooled(all);
        assertEquals(0, p.slopeSd(), 1e-3);
        assertEquals(1.5, p.slopePerWeek(), 1e-6);
        Trend.Fitted one = p.predict(all.get(3));
        assertEquals(1.5, one.slope(), 1e-4);
        assertTrue(one.shrinkage() > 0.9 && Double.isFinite(one.slopeSe()) && one.slopeSe() > 0);
    }

    @Test
    void tooFewSeriesOrNoNoiseHaveNoPopulation() {
        double[] weeks = {0, 1, 2};
        PooledGrowth four = new PooledGrowth();
        for (int i = 0; i < 4; i++) {
            four.add(series(weeks, 10 + i, 12, 13));
        }
        four.add(series(new double[] {0, 1}, 1, 2));
        four.add(series(new double[0]));
        assertTrue(four.fit().isEmpty());
        PooledGrowth straight = new PooledGrowth();
        PooledGrowth still = new PooledGrowth();
        for (int i = 0; i < 6; i++) {
            straight.add(series(weeks, i, 2 * i, 3 * i));
            still.add(series(weeks, 7, 7, 7));
        }
        assertTrue(straight.fit().isEmpty());
        assertTrue(still.fit().isEmpty());
    }

    @Test
    void aTrendNeedsThreeScoresButAPredictionNone() throws IOException {
        Population p = pooled(sleep());
        assertInstanceOf(Trend.TooFew.class, p.fit(series(new double[] {0, 1}, 250, 260)));
        assertInstanceOf(Trend.TooFew.class, p.fit(series(new double[] {1, 1, 1}, 250, 260, 255)));
        Trend.Fitted nobody = p.predict(series(new double[0]));
        assertEquals(p.slopePerWeek(), nobody.slope(), 1e-12);
        assertEquals(p.intercept(), nobody.intercept(), 1e-9);
        assertEquals(Math.hypot(p.slopeSd(), p.slopeSe()), nobody.slopeSe(), 1e-9);
        assertEquals(1, nobody.shrinkage(), 1e-12);
    }
}
