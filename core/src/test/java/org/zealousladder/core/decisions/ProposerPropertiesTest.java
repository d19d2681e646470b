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
class ProposerPropertiesTest {
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

    private static Proposal propose(Rule rule, ScoreSeries s, GoalLine goal) {
        Proposer proposer = new Proposer(RuleSettings.standard(rule), LeastSquares::fit);
        return proposer.propose(s, proposer.fit(s), goal, s.week(s.size() - 1));
    }

    /** Raise is the most hopeful, change the least. */
    private static int hope(Proposal d) {
        return List.of(Proposal.Kind.CHANGE, Proposal.Kind.HOLD, Proposal.Kind.RAISE).indexOf(d.kind());
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
                Proposal d = propose(rule, s, new GoalLine(0, 50, 30, goal, UP));
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
            Proposal d = propose(rule, s, goal);
            Proposal moved = propose(rule, mapped(s, 120, 300, 1), new GoalLine(120, 350, 150, 380, UP));
            assertEquals(d.kind(), moved.kind());
            assertEquals(d.figures().chance(), moved.figures().chance(), 1e-9);
        }
    }

    @RepeatedTest(20)
    void turnedUpsideDownLowerIsBetterDecidesTheSame(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        ScoreSeries s = weekly(random, 10, 50, 2 * random.nextDouble(), 4);
        for (Rule rule : Rule.values()) {
            Proposal up = propose(rule, s, new GoalLine(0, 50, 30, 80, UP));
            Proposal down = propose(rule, mapped(s, 0, 0, -1), new GoalLine(0, -50, 30, -80, Direction.LOWER_IS_BETTER));
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
                Proposal d = propose(rule, s, new GoalLine(0, 50, 30, 120, UP));
                assertEquals(Proposal.Kind.TOO_SOON, d.kind());
                int more = 6 - n;
                assertTrue(d.reason().startsWith(n + " scores over " + (n - 1) + " weeks so far. " + more + " more score"), d.reason());
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
                assertEquals(Proposal.Kind.CHANGE, propose(rule, flat, new GoalLine(-4, 50, 20, 110, UP)).kind(), rule.label());
                assertEquals(Proposal.Kind.RAISE, propose(rule, steep, new GoalLine(-2, 40, 40, 80, UP)).kind(), rule.label());
            }
        }
    }
}
