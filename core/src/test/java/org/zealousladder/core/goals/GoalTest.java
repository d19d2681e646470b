package org.zealousladder.core.goals;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.growth.LeastSquares;
import org.zealousladder.core.growth.Trend;

class GoalTest {
    private static final Direction UP = Direction.HIGHER_IS_BETTER;

    private static Trend.Fitted trend(double... scores) {
        double[] t = new double[scores.length];
        for (int i = 0; i < t.length; i++) {
            t[i] = i;
        }
        return (Trend.Fitted) LeastSquares.fit(ScoreSeries.of(t, scores));
    }

    @Test
    void theLineNeedsWhatIsLeftDividedByTheWeeks() {
        GoalLine goal = new GoalLine(2, 48, 22, 80, UP);
        assertEquals(1.6, goal.neededPerWeek(), 1e-12);
        assertEquals(64, goal.at(12), 1e-12);
        assertThrows(IllegalArgumentException.class, () -> new GoalLine(5, 40, 5, 80, UP));
        assertThrows(IllegalArgumentException.class, () -> new GoalLine(5, Double.NaN, 9, 80, UP));
    }

    @Test
    void theBaselineIsTheMedianOfTheFirstThree() {
        ScoreSeries s = ScoreSeries.of(new double[] {1, 2, 4, 5}, new double[] {50, 41, 47, 99});
        assertEquals(new Baseline(2, 47), Baseline.of(s).orElseThrow());
        assertTrue(Baseline.of(s.first(2)).isEmpty());
    }

    /** Hand: trend 2.8 + 0.6·t, at week 6 the level is 6.4 with se 1.2 on 3 df; a goal of 7.6 is one se above. */
    @Test
    void theChanceIsTheTailOfTheTrendsOwnT() {
        Trend.Fitted f = trend(2, 4, 5, 4, 5);
        assertEquals(1.2, f.levelSe(6), 1e-12);
        // P(T3 <= -1) = 1/2 - (√3/4 + π/6)/π
        double expected = 0.5 - (Math.sqrt(3) / 4 + Math.PI / 6) / Math.PI;
        assertEquals(expected, GoalChance.of(f, new GoalLine(0, 2, 6, 7.6, UP)), 1e-9);
        assertEquals(0.5, GoalChance.of(f, new GoalLine(0, 2, 6, 6.4, UP)), 1e-9);
    }

    @Test
    void whereLowerIsBetterTheComparisonTurns() {
        GoalLine up = new GoalLine(0, 2, 6, 7.6, UP);
        GoalLine down = new GoalLine(0, -2, 6, -7.6, Direction.LOWER_IS_BETTER);
        assertEquals(GoalChance.of(trend(2, 4, 5, 4, 5), up), GoalChance.of(trend(-2, -4, -5, -4, -5), down), 1e-12);
    }

    @Test
    void aTrendWithoutErrorMeetsTheGoalOrDoesNot() {
        Trend.Fitted line = trend(10, 12, 14);
        assertEquals(1, GoalChance.of(line, new GoalLine(0, 10, 5, 20, UP)));
        assertEquals(0, GoalChance.of(line, new GoalLine(0, 10, 5, 21, UP)));
    }

    /**
     * Among simulated trends the stated chance and the share that meets agree: true slopes are drawn about the needed
     * one, as wide as the fit leaves them open.
     */
    @Test
    void statedChancesComeTrueAboutAsOften() {
        Random random = new Random(21);
        int stated = 0;
        int met = 0;
        for (int round = 0; round < 20000; round++) {
            double slope = 1.5 + 3 * random.nextGaussian();
            double start = 50 + 30 * random.nextGaussian();
            double[] y = new double[10];
            for (int i = 0; i < y.length; i++) {
                y[i] = start + slope * i + 5 * random.nextGaussian();
            }
            double chance = GoalChance.of(trend(y), new GoalLine(0, 50, 20, 80, UP));
            if (chance > 0.7 && chance < 0.9) {
                stated++;
                met += start + slope * 20 >= 80 ? 1 : 0;
            }
        }
        assertTrue(stated > 500, "enough to judge by");
        assertEquals(0.8, met / (double) stated, 0.05);
    }
}
