package org.zealousladder.core.growth;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.goals.GoalChance;
import org.zealousladder.core.goals.GoalLine;

/** What must hold of pooled trends whatever the scores are, and whether their promises come true in simulation. */
class PooledPropertiesTest {
    /** Students with levels of 60 ± 20 and slopes of 1.2 ± 0.6 a week, weekly scores with an error of {@code noise}. */
    private static final class School {
        final List<ScoreSeries> series = new ArrayList<>();
        final List<double[]> lines = new ArrayList<>();

        School(Random random, int students, int fewest, int most, double noise) {
            for (int i = 0; i < students; i++) {
                double level = 60 + 20 * random.nextGaussian();
                double slope = 1.2 + 0.6 * random.nextGaussian();
                int n = fewest + random.nextInt(most - fewest + 1);
                double[] t = new double[n];
                double[] y = new double[n];
                for (int k = 0; k < n; k++) {
                    t[k] = k + random.nextInt(5) / 7.0;
                    y[k] = level + slope * t[k] + noise * random.nextGaussian();
                }
                series.add(ScoreSeries.of(t, y));
                lines.add(new double[] {level, slope});
            }
        }
    }

    private static ScoreSeries moved(ScoreSeries s, double weeks, double scores) {
        double[] t = s.weeks();
        double[] y = s.scores();
        for (int i = 0; i < t.length; i++) {
            t[i] += weeks;
            y[i] += scores;
        }
        return ScoreSeries.of(t, y);
    }

    @RepeatedTest(10)
    void movingDatesOrScoresChangesNoSlope(RepetitionInfo info) {
        School school = new School(new Random(info.getCurrentRepetition()), 12, 3, 14, 6);
        Population p = PooledGrowthTest.pooled(school.series);
        Population later = PooledGrowthTest.pooled(school.series.stream().map(s -> moved(s, 300, 0)).toList());
        Population higher = PooledGrowthTest.pooled(school.series.stream().map(s -> moved(s, 0, 1e6)).toList());
        for (ScoreSeries s : school.series) {
            Trend.Fitted f = p.predict(s);
            assertEquals(f.slope(), later.predict(moved(s, 300, 0)).slope(), 1e-6);
            assertEquals(f.slope(), higher.predict(moved(s, 0, 1e6)).slope(), 1e-6);
            assertEquals(f.slopeSe(), later.predict(moved(s, 300, 0)).slopeSe(), 1e-6);
            assertEquals(f.at(5), later.predict(moved(s, 300, 0)).at(305), 1e-6);
            assertEquals(f.levelSe(5), higher.predict(moved(s, 0, 1e6)).levelSe(5), 1e-6);
        }
    }

    @RepeatedTest(5)
    void withManyScoresAndLittleNoiseATrendIsTheStudentsOwn(RepetitionInfo info) {
        School school = new School(new Random(50 + info.getCurrentRepetition()), 10, 40, 40, 0.05);
        Population p = PooledGrowthTest.pooled(school.series);
        for (ScoreSeries s : school.series) {
            Trend.Fitted own = LeastSquaresTest.fitted(LeastSquares.fit(s));
            Trend.Fitted pooled = p.predict(s);
            assertEquals(own.slope(), pooled.slope(), 1e-4);
            assertEquals(own.at(20), pooled.at(20), 1e-3);
            assertTrue(pooled.shrinkage() < 0.01);
        }
    }

    @RepeatedTest(5)
    void everyTrendLiesBetweenItsOwnAndTheGroups(RepetitionInfo info) {
        // Of levels at a common centre this holds one by one only without correlation; of slopes it shows on the whole.
        School school = new School(new Random(90 + info.getCurrentRepetition()), 30, 4, 6, 8);
        Population p = PooledGrowthTest.pooled(school.series);
        double own = 0;
        double pooled = 0;
        for (ScoreSeries s : school.series) {
            own += Math.pow(LeastSquaresTest.fitted(LeastSquares.fit(s)).slope() - p.slopePerWeek(), 2);
            pooled += Math.pow(p.predict(s).slope() - p.slopePerWeek(), 2);
        }
        assertTrue(pooled < own);
    }

    @Test
    void shortSeriesAreCloserToTheTruthThanSingleFits() {
        double single = 0;
        double pooled = 0;
        for (int seed = 0; seed < 40; seed++) {
            School school = new School(new Random(1000 + seed), 15, 4, 8, 6);
            Population p = PooledGrowthTest.pooled(school.series);
            for (int i = 0; i < school.series.size(); i++) {
                double truth = school.lines.get(i)[1];
                single += Math.pow(LeastSquaresTest.fitted(LeastSquares.fit(school.series.get(i))).slope() - truth, 2);
                pooled += Math.pow(p.predict(school.series.get(i)).slope() - truth, 2);
            }
        }
        assertTrue(pooled < 0.5 * single, "mean squared error " + pooled / 600 + " against " + single / 600);
    }

    @Test
    void ofTrendsGivenAChanceOf80PercentFourInFiveReachTheGoal() {
        Random random = new Random(7);
        int given = 0;
        int reached = 0;
        for (int seed = 0; seed < 300; seed++) {
            School school = new School(new Random(5000 + seed), 24, 5, 12, 6);
            Population p = PooledGrowthTest.pooled(school.series);
            for (int i = 0; i < school.series.size(); i++) {
                double[] line = school.lines.get(i);
                double goalWeek = 20 + random.nextInt(10);
                // A goal anywhere about where such students get to; what counts is those whose chance comes out near 80 %.
                GoalLine goal = new GoalLine(0, -200, goalWeek, 85 + 25 * random.nextGaussian(), Direction.HIGHER_IS_BETTER);
                double chance = GoalChance.of(p.predict(school.series.get(i)), goal);
                if (chance >= 0.7 && chance <= 0.9) {
                    given++;
                    reached += line[0] + line[1] * goalWeek >= goal.goalScore() ? 1 : 0;
                }
            }
        }
        double share = reached / (double) given;
        assertTrue(given > 300 && share >= 0.75 && share <= 0.85, reached + " of " + given + " reached it: " + share);
    }

    @Test
    void intervalsHoldTheTrueSlope95TimesIn100() {
        int held = 0;
        int all = 0;
        for (int seed = 0; seed < 100; seed++) {
            School school = new School(new Random(9000 + seed), 20, 4, 10, 6);
            Population p = PooledGrowthTest.pooled(school.series);
            for (int i = 0; i < school.series.size(); i++) {
                Trend.Fitted f = p.predict(school.series.get(i));
                double truth = school.lines.get(i)[1];
                held += f.slopeLow() <= truth && truth <= f.slopeHigh() ? 1 : 0;
                all++;
            }
        }
        assertTrue(held > 0.91 * all && held < 0.98 * all, held + " of " + all);
    }
}
