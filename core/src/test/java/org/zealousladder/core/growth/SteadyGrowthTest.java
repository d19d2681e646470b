package org.zealousladder.core.growth;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.calibration.World;
import org.zealousladder.core.goals.GoalChance;
import org.zealousladder.core.goals.GoalLine;

/** What a steady pool finds in worlds whose parts are known, and how it behaves at the edges. */
class SteadyGrowthTest {

    private static SteadyPopulation fit(List<ScoreSeries> series) {
        SteadyGrowth growth = new SteadyGrowth();
        series.forEach(growth::add);
        return growth.fit().orElseThrow();
    }

    private static List<ScoreSeries> grade(World world, int students, int weeks) {
        return world.grade(new SplittableRandom(3), students, weeks).stream().map(World.Student::series).toList();
    }

    @Test
    void findsWhatAWorldVariesBy() {
        SteadyPopulation plain = fit(grade(World.INDEPENDENT, 200, 16));
        assertEquals(6, plain.residualSd(), 0.3);
        assertEquals(1.2, plain.slopePerWeek(), 0.15);
        assertEquals(0.5, plain.slopeSd(), 0.12);
        assertEquals(15, plain.interceptSd(), 2);
        assertTrue(plain.autocorrelation() < 0.08 && plain.weekSd() < 0.8 && plain.bendSd() < 0.05, "nothing is found where nothing is");
        assertEquals(Double.POSITIVE_INFINITY, plain.tailDf());
        assertEquals(0.5, fit(grade(World.HARD_AUTOCORRELATED, 200, 16)).autocorrelation(), 0.07);
        assertEquals(4, fit(grade(World.SHARED, 60, 20)).weekSd(), 1.3);
        assertTrue(fit(grade(World.WILD, 100, 16)).tailDf() <= 5);
        assertTrue(fit(grade(World.FLATTENING, 200, 20)).bendSd() > 0.03);
    }

    @Test
    void tooFewOrNoNoiseIsNoPool() {
        SteadyGrowth few = new SteadyGrowth();
        grade(World.INDEPENDENT, 4, 8).forEach(few::add);
        assertTrue(few.fit().isEmpty());
        SteadyGrowth exact = new SteadyGrowth();
        for (int k = 0; k < 8; k++) {
            exact.add(ScoreSeries.of(new double[] {0, 1, 2, 3}, new double[] {k, k + 2, k + 4, k + 6}));
        }
        assertTrue(exact.fit().isEmpty());
        assertThrows(IllegalArgumentException.class, () -> new SteadyGrowth(-1, null));
        SteadyPopulation pool = fit(grade(World.INDEPENDENT, 20, 8));
        assertInstanceOf(Trend.TooFew.class, pool.fit(ScoreSeries.of(new double[] {1, 1, 1}, new double[] {4, 5, 6})));
        assertInstanceOf(Trend.TooFew.class, pool.fit(ScoreSeries.of(new double[] {1, 2}, new double[] {4, 5})));
    }

    @Test
    void whereScoresAreCountedFromChangesNothing() {
        List<ScoreSeries> series = grade(World.SHARED, 15, 10);
        List<ScoreSeries> moved = new ArrayList<>();
        for (ScoreSeries s : series) {
            double[] t = s.weeks();
            double[] y = s.scores();
            for (int i = 0; i < t.length; i++) {
                t[i] += 52;
                y[i] += 1e6;
            }
            moved.add(ScoreSeries.of(t, y));
        }
        Trend.Fitted here = (Trend.Fitted) fit(series).fit(series.get(0));
        Trend.Fitted there = (Trend.Fitted) fit(moved).fit(moved.get(0));
        assertEquals(here.slope(), there.slope(), 1e-4);
        assertEquals(here.slopeSe(), there.slopeSe(), 1e-4);
        assertEquals(here.at(12) + 1e6, there.at(64), 1e-2);
    }

    @Test
    void aWildScoreMovesAWildWorldsTrendLittle() {
        List<ScoreSeries> series = new ArrayList<>(grade(World.WILD, 40, 12));
        SteadyPopulation pool = fit(series);
        double[] y = series.get(0).scores();
        double before = ((Trend.Fitted) pool.fit(series.get(0))).at(22);
        y[11] -= 40;
        ScoreSeries hit = ScoreSeries.of(series.get(0).weeks(), y);
        double moved = before - ((Trend.Fitted) pool.fit(hit)).at(22);
        double single = ((Trend.Fitted) LeastSquares.fit(series.get(0))).at(22) - ((Trend.Fitted) LeastSquares.fit(hit)).at(22);
        assertTrue(moved >= 0 && moved < single / 6, moved + " of " + single);
    }

    @Test
    void aWeekThatWasHardForAllIsNotTakenForAFallBeyondDoubt() {
        List<World.Student> students = World.INDEPENDENT.grade(new SplittableRandom(3), 40, 10);
        List<ScoreSeries> series = new ArrayList<>();
        PooledGrowth plain = new PooledGrowth();
        for (World.Student s : students) {
            double[] y = s.series().scores();
            y[9] -= 15;
            series.add(ScoreSeries.of(s.series().weeks(), y));
            plain.add(series.get(series.size() - 1));
        }
        SteadyPopulation pool = fit(series);
        Population pooled = plain.fit().orElseThrow();
        assertTrue(pool.weekSd() > 2);
        int held = 0;
        int heldPooled = 0;
        for (int k = 0; k < 40; k++) {
            held += ((Trend.Fitted) pool.fit(series.get(k))).slopeHigh() >= students.get(k).slope() ? 1 : 0;
            heldPooled += ((Trend.Fitted) pooled.fit(series.get(k))).slopeHigh() >= students.get(k).slope() ? 1 : 0;
        }
        assertTrue(held >= 32 && heldPooled <= 22, held + " and " + heldPooled);
    }

    /** Half of a grade reads one passage each week, half another: their weeks are hard and easy for themselves. */
    @Test
    void whatIsSharedIsTheFormOfTheWeek() {
        SplittableRandom random = new SplittableRandom(8);
        double[][] hard = new double[2][16];
        for (double[] form : hard) {
            for (int week = 0; week < 16; week++) {
                form[week] = 5 * (random.nextDouble() + random.nextDouble() + random.nextDouble() - 1.5) * 2;
            }
        }
        List<ScoreSeries> told = new ArrayList<>();
        List<ScoreSeries> untold = new ArrayList<>();
        int k = 0;
        List<World.Student> students = World.INDEPENDENT.grade(random, 24, 16);
        for (World.Student s : students) {
            int form = k++ % 2;
            double[] scores = s.series().scores();
            int[] forms = new int[16];
            for (int week = 0; week < 16; week++) {
                scores[week] += hard[form][week];
                forms[week] = 7 + form;
            }
            told.add(ScoreSeries.of(s.series().weeks(), scores, forms));
            untold.add(ScoreSeries.of(s.series().weeks(), scores));
        }
        SteadyPopulation by = fit(told);
        SteadyPopulation without = fit(untold);
        assertTrue(by.weekSd() > 3.5 && by.residualSd() < 6.7, by.weekSd() + " and " + by.residualSd());
        assertTrue(without.residualSd() > by.residualSd() + 0.7, "else it passes for the students' own: " + without.residualSd());
        double off = 0;
        double offWithout = 0;
        for (int i = 0; i < students.size(); i++) {
            off += Math.pow(((Trend.Fitted) by.fit(told.get(i))).slope() - students.get(i).slope(), 2);
            offWithout += Math.pow(((Trend.Fitted) without.fit(untold.get(i))).slope() - students.get(i).slope(), 2);
        }
        assertTrue(off < 0.95 * offWithout, "slopes are nearer to what they are: " + off + " and " + offWithout);
        assertEquals(7, told.get(0).first(3).without(1).from(0).form(1));
    }

    @Test
    void doubtGrowsAfterTheLastScoreWhereSlopesWander() {
        Trend.Fitted straight = new Trend.Fitted(8, 10, 1, 0.2, 0.6, 1.4, 3, 20, 4, 1, Trend.Method.STEADY, 0.5);
        Trend.Fitted wanders = new Trend.Fitted(8, 10, 1, 0.2, 0.6, 1.4, 3, 20, 4, 1, Trend.Method.STEADY, 0.5, new Trend.Wander(7, 0.3));
        assertEquals(straight.levelSe(7), wanders.levelSe(7));
        assertEquals(Math.sqrt(straight.levelSe(17) * straight.levelSe(17) + 0.09 * 1000 / 3), wanders.levelSe(17), 1e-12);
    }

    @Test
    void aSeriesAloneIsMuchAsLeastSquaresAndLessSure() {
        for (ScoreSeries s : grade(World.INDEPENDENT, 10, 12)) {
            Trend.Fitted alone = (Trend.Fitted) new SteadyAlone(0).fit(s);
            Trend.Fitted plain = (Trend.Fitted) LeastSquares.fit(s);
            assertEquals(plain.slope(), alone.slope(), 0.5 * plain.slopeSe());
            assertTrue(alone.slopeSe() > plain.slopeSe());
            assertEquals(plain.df(), alone.df());
            assertEquals(Trend.Method.STEADY, alone.method());
        }
        assertInstanceOf(Trend.TooFew.class, new SteadyAlone(0).fit(ScoreSeries.of(new double[] {0, 1}, new double[] {1, 2})));
        ScoreSeries line = ScoreSeries.of(new double[] {0, 1, 2, 3}, new double[] {1, 2, 3, 4});
        Trend.Fitted steadied = (Trend.Fitted) new SteadyAlone(3).fit(line);
        assertEquals(1, steadied.slope(), 1e-3);
        assertEquals(LeastSquares.PRIOR_DF + 2, steadied.df());
        assertTrue(steadied.slopeSe() > 0.5);
    }

    @Test
    void oneWhoGrowsNotAsThePoolDoesIsHeldToItsSpreadButNotToItsSlope() {
        SteadyPopulation pool = fit(grade(World.SHARED, 40, 16));
        double[] t = {8, 9, 10, 11};
        double[] y = {60, 52, 46, 40};
        ScoreSeries falls = ScoreSeries.of(t, y);
        Trend.Fitted drawn = (Trend.Fitted) pool.fit(falls);
        Trend.Fitted alone = (Trend.Fitted) pool.alone().fit(falls);
        assertTrue(drawn.slope() > -1.5, "four scores hardly turn what forty students say: " + drawn.slope());
        assertEquals(-6.6, alone.slope(), 2.5, "the weeks' parts are the pool's");
        assertEquals(pool.residualSd(), alone.residualSd());
        assertTrue(alone.slopeSe() > 1.5 * drawn.slopeSe() && alone.shrinkage() < 0.01);
        assertInstanceOf(Trend.TooFew.class, pool.alone().fit(falls.first(2)));
    }

    @Test
    void nothingIsProjectedBeyondTheScoresThereAre() {
        SteadyPopulation pool = fit(grade(World.INDEPENDENT, 30, 12));
        double[] t = new double[12];
        double[] y = new double[12];
        for (int i = 0; i < 12; i++) {
            t[i] = i;
            y[i] = 78 + 1.4 * i;
        }
        ScoreSeries near = ScoreSeries.of(t, y);
        Trend.Fitter within = pool.within(new Trend.Bounds(0, 95));
        Trend.Fitted free = (Trend.Fitted) pool.fit(near);
        Trend.Fitted held = (Trend.Fitted) within.fit(near);
        assertTrue(free.at(30) > 110 && free.slopeLow() > 0);
        assertEquals(95, held.at(30));
        assertEquals(95, held.level(30).high());
        assertEquals(free.straight(30), held.straight(30));
        assertTrue(held.atBound(11) && held.slopeLow() <= 0, "growth may have stopped without anybody's seeing it");
        within.levels(near, held, 0, 11, 30).forEach(l -> assertTrue(l.high() <= 95 && l.value() <= 95));
        assertEquals(0, GoalChance.of(held, new GoalLine(0, 78, 30, 96, Direction.HIGHER_IS_BETTER)), "no score can reach it");
        assertEquals(GoalChance.of(free, new GoalLine(0, 78, 30, 94, Direction.HIGHER_IS_BETTER)),
                GoalChance.of(held, new GoalLine(0, 78, 30, 94, Direction.HIGHER_IS_BETTER)));
        assertEquals(1, GoalChance.of(held, new GoalLine(0, 78, 30, 95, Direction.LOWER_IS_BETTER)), "none can miss it");
        Trend.Fitted middle = (Trend.Fitted) pool.within(new Trend.Bounds(0, 200)).fit(near);
        assertTrue(!middle.atBound(11) && middle.slopeLow() == free.slopeLow());
        assertThrows(IllegalArgumentException.class, () -> new Trend.Bounds(3, 3));
        assertInstanceOf(Trend.TooFew.class, within.fit(near.first(2)));
    }
}
