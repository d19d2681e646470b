package org.zealousladder.core.decisions;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.LeastSquares;

/** What must hold of proposals whatever the scores are. */
class DeciderPropertiesTest {
    private static final Direction UP = Direction.HIGHER_IS_BETTER;

    private static ScoreSeries weekly(Random random, int n, double start, double pace, double noise) {
        double[] t = new double[n];
        double[] y = new double[n];
        for (int i = 0; i < n; i++) {
            t[i] = i;
            y[i] = start + pace * i + noise * random.nextGaussian();
        }
        return ScoreSeries.of(t, y);
    }

    private static Decision decide(Rule rule, ScoreSeries s, GoalLine goal) {
        Decider decider = new Decider(RuleSettings.standard(rule), LeastSquares::fit);
        return decider.decide(s, decider.fit(s), goal, s.week(s.size() - 1));
    }

    /** Raise is the most hopeful, change the least. */
    private static int hope(Decision d) {
        return List.of(Decision.Kind.CHANGE, Decision.Kind.HOLD, Decision.Kind.RAISE).indexOf(d.kind());
    }

    private static ScoreSeries mapped(ScoreSeries s, double weeks, double scores, double factor) {
        double[] t = s.weeks();
        double[] y = s.scores();
        for (int i = 0; i < t.length; i++) {
            t[i] += weeks;
            y[i] = factor * y[i] + scores;
        }
        return ScoreSeries.of(t, y);
    }

    @RepeatedTest(20)
    void aHigherGoalNeverLooksMoreHopeful(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        ScoreSeries s = weekly(random, 8 + random.nextInt(12), 50, 1.5 * random.nextDouble(), 4);
        for (Rule rule : Rule.values()) {
            int before = 2;
            double chance = 1;
            for (double goal = 51; goal < 140; goal += 4) {
                Decision d = decide(rule, s, new GoalLine(0, 50, 30, goal, UP));
                assertTrue(hope(d) >= 0, d.kind().toString());
                assertTrue(hope(d) <= before, rule.label() + " at " + goal);
                assertTrue(d.figures().chance() <= chance + 1e-12);
                before = hope(d);
                chance = d.figures().chance();
            }
        }
    }

    @RepeatedTest(20)
    void shiftingDatesAndScoresTogetherWithTheGoalChangesNoProposal(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        ScoreSeries s = weekly(random, 10, 50, 2 * random.nextDouble(), 4);
        GoalLine goal = new GoalLine(0, 50, 30, 80, UP);
        for (Rule rule : Rule.values()) {
            Decision d = decide(rule, s, goal);
            Decision moved = decide(rule, mapped(s, 120, 300, 1), new GoalLine(120, 350, 150, 380, UP));
            assertEquals(d.kind(), moved.kind());
            assertEquals(d.figures().chance(), moved.figures().chance(), 1e-9);
        }
    }

    @RepeatedTest(20)
    void turnedUpsideDownLowerIsBetterDecidesTheSame(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        ScoreSeries s = weekly(random, 10, 50, 2 * random.nextDouble(), 4);
        for (Rule rule : Rule.values()) {
            Decision up = decide(rule, s, new GoalLine(0, 50, 30, 80, UP));
            Decision down = decide(rule, mapped(s, 0, 0, -1), new GoalLine(0, -50, 30, -80, Direction.LOWER_IS_BETTER));
            assertEquals(up.kind(), down.kind(), rule.label());
            assertEquals(up.figures().chance(), down.figures().chance(), 1e-9);
        }
    }

    @Test
    void tooSoonComesBeforeEveryRuleAndTellsHowManyMore() {
        Random random = new Random(2);
        for (int n = 3; n < 6; n++) {
            ScoreSeries s = weekly(random, n, 50, 0, 4);
            for (Rule rule : Rule.values()) {
                Decision d = decide(rule, s, new GoalLine(0, 50, 30, 120, UP));
                assertEquals(Decision.Kind.TOO_SOON, d.kind());
                assertTrue(d.figures().moreScores() > 0);
                assertTrue(d.reason().contains(n + " scores"), d.reason());
            }
        }
    }

    @Test
    void whatIsFarBeyondDoubtIsSeenByAllThreeRules() {
        Random random = new Random(4);
        for (int i = 0; i < 50; i++) {
            ScoreSeries flat = weekly(random, 12, 50, 0, 1);
            ScoreSeries steep = weekly(random, 12, 50, 4, 1);
            for (Rule rule : Rule.values()) {
                assertEquals(Decision.Kind.CHANGE, decide(rule, flat, new GoalLine(-4, 50, 20, 110, UP)).kind(), rule.label());
                assertEquals(Decision.Kind.RAISE, decide(rule, steep, new GoalLine(-2, 40, 40, 80, UP)).kind(), rule.label());
            }
        }
    }
}
