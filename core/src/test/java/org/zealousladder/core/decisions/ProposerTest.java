package org.zealousladder.core.decisions;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.LeastSquares;
import org.zealousladder.core.growth.TheilSen;

class ProposerTest {
    private static final GoalLine GOAL = new GoalLine(0, 50, 20, 80, Direction.HIGHER_IS_BETTER);
    private static final double[] WOBBLE = {1, -1, 0.5, -1.5, 1, 0, -0.5, 1.5, -1, 0};

    private static ScoreSeries growing(int n, double perWeek) {
        double[] t = new double[n];
        double[] y = new double[n];
        for (int i = 0; i < n; i++) {
            t[i] = i;
            y[i] = 50 + perWeek * i + WOBBLE[i % WOBBLE.length];
        }
        return ScoreSeries.of(t, y);
    }

    private static Proposal propose(Rule rule, ScoreSeries s, double asOf) {
        Proposer proposer = new Proposer(RuleSettings.standard(rule), LeastSquares::fit);
        return proposer.propose(s, proposer.fit(s), GOAL, asOf);
    }

    private static Proposal propose(Rule rule, ScoreSeries s) {
        return propose(rule, s, s.week(s.size() - 1));
    }

    @Test
    void everyRuleSeesASlowASteadyAndAFastClimber() {
        for (Rule rule : Rule.values()) {
            assertEquals(Proposal.Kind.CHANGE, propose(rule, growing(10, 0.3)).kind(), rule.label());
            assertEquals(Proposal.Kind.RAISE, propose(rule, growing(10, 2.8)).kind(), rule.label());
            assertEquals(Proposal.Kind.HOLD, propose(rule, growing(10, 1.5)).kind(), rule.label());
        }
    }

    @Test
    void fiveScoresOrThreeWeeksAreTooSoon() {
        Proposal few = propose(Rule.CHANCE, growing(5, 0.3));
        assertEquals(Proposal.Kind.TOO_SOON, few.kind());
        assertEquals("5 scores over 4 weeks so far. 1 more score allows a decision.", few.reason());
        double[] days = {0, 0.2, 0.4, 0.6, 0.8, 1, 1.2, 1.4};
        ScoreSeries crowded = ScoreSeries.of(days, new double[] {50, 51, 50, 49, 50, 51, 50, 49});
        assertEquals(Proposal.Kind.TOO_SOON, propose(Rule.TREND, crowded).kind());
    }

    @Test
    void noScoreAtAllIsTooSoonAlsoWhenTheDateIsPast() {
        ScoreSeries none = ScoreSeries.of(new double[0], new double[0]);
        Proposal d = propose(Rule.CHANCE, none, 30);
        assertEquals(Proposal.Kind.TOO_SOON, d.kind());
        assertEquals("No score yet. 6 scores over 4 weeks allow a decision.", d.reason());
    }

    @Test
    void afterTheGoalDateItIsMetOrNot() {
        assertEquals(Proposal.Kind.MET, propose(Rule.CHANCE, growing(10, 2), 20.5).kind());
        assertEquals(Proposal.Kind.NOT_MET, propose(Rule.CHANCE, growing(10, 1), 20.5).kind());
        assertEquals(Proposal.Kind.HOLD, propose(Rule.CHANCE, growing(10, 1.5), 20).kind(), "the day itself is not past");
    }

    @Test
    void afterTheGoalDateTwoScoresAreJudgedByTheLast() {
        ScoreSeries two = ScoreSeries.of(new double[] {3, 18}, new double[] {55, 81});
        Proposal d = propose(Rule.CHANCE, two, 21);
        assertEquals(Proposal.Kind.MET, d.kind());
        assertEquals("The goal date is past. The last score was 81, at or past the goal of 80.", d.reason());
    }

    @Test
    void lastPointsWantsThemStrictlyOnOneSide() {
        double[] t = {0, 1, 2, 3, 4, 5, 6, 7};
        double[] below = {50, 51, 52, 53, 50, 51, 52, 53};
        assertEquals(Proposal.Kind.CHANGE, propose(Rule.LAST_POINTS, ScoreSeries.of(t, below)).kind());
        below[5] = GOAL.at(5);
        assertEquals(Proposal.Kind.HOLD, propose(Rule.LAST_POINTS, ScoreSeries.of(t, below)).kind(), "one stands on the line");
    }

    @Test
    void aFastTrendStillUnderTheLineIsNotRaised() {
        double[] t = {0, 1, 2, 3, 4, 5, 6, 7};
        double[] y = {30, 32.1, 33.9, 36, 38.1, 39.9, 42, 44.1};
        assertEquals(Proposal.Kind.HOLD, propose(Rule.TREND, ScoreSeries.of(t, y)).kind());
    }

    @Test
    void whereLowerIsBetterEverythingTurns() {
        GoalLine down = new GoalLine(0, 50, 20, 20, Direction.LOWER_IS_BETTER);
        for (Rule rule : Rule.values()) {
            Proposer proposer = new Proposer(RuleSettings.standard(rule), s -> TheilSen.fit(s, 0));
            ScoreSeries slow = growing(10, -0.3);
            ScoreSeries fast = growing(10, -2.8);
            assertEquals(Proposal.Kind.CHANGE, proposer.propose(slow, proposer.fit(slow), down, 9).kind(), rule.label());
            assertEquals(Proposal.Kind.RAISE, proposer.propose(fast, proposer.fit(fast), down, 9).kind(), rule.label());
        }
    }

    @Test
    void theSentenceCarriesTheFigures() {
        String reason = propose(Rule.CHANCE, growing(10, 0.3)).reason();
        assertTrue(reason.matches("From here 2\\.5 a week is needed; gaining 0\\.\\d \\(0\\.\\d+ to 0\\.\\d\\)\\. Chance of the goal under 1 % \\(early\\)\\."),
                reason);
    }

    @Test
    void sinceFindsTheFirstScoreOfTheRun() {
        double[] t = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11};
        double[] y = {50, 52, 53, 55, 56, 58, 59, 60.5, 55, 54, 53, 52};
        ScoreSeries s = ScoreSeries.of(t, y);
        Proposer proposer = new Proposer(RuleSettings.standard(Rule.CHANCE), LeastSquares::fit);
        assertEquals(Proposal.Kind.CHANGE, proposer.propose(s, proposer.fit(s), GOAL, 11).kind());
        int since = proposer.since(s, GOAL, Proposal.Kind.CHANGE);
        assertTrue(since > 5 && since < 11, "began when the scores turned, not before: " + since);
        ScoreSeries before = s.first(since);
        assertTrue(proposer.propose(before, proposer.fit(before), GOAL, since - 1).kind() != Proposal.Kind.CHANGE);
    }

    @Test
    void plansThatFailComeBeforeGoalsThatAreTooEasy() {
        double slow = propose(Rule.CHANCE, growing(10, 0.3)).priority();
        double fast = propose(Rule.CHANCE, growing(10, 2.8)).priority();
        assertTrue(slow > fast && fast > propose(Rule.CHANCE, growing(10, 1.5)).priority());
        Figures even = propose(Rule.CHANCE, growing(10, 1.5)).figures();
        for (Rule rule : Rule.values()) {
            RuleSettings by = RuleSettings.standard(rule);
            assertTrue(new Proposal(Proposal.Kind.CHANGE, by, even).priority() > fast, "whatever the rule, and whatever the chance says to it");
        }
    }

    /** A class looks at its charts every week: what would be enough in the end is not enough in the beginning. */
    @Test
    void thresholdsRiseWithTheScoresThatAreIn() {
        Proposal early = propose(Rule.CHANCE, growing(8, 1.25));
        assertEquals(Proposal.Kind.HOLD, early.kind());
        assertEquals(21, early.figures().planned());
        assertTrue(early.figures().chance() < 0.25 && early.figures().chance() > early.rule().changeAtMost(early.figures().share()), early + "");
        assertEquals(Proposal.Kind.CHANGE, early.ahead());
        assertTrue(early.reason().endsWith("too early to change the plan on."), early.reason());
        Proposal late = propose(Rule.CHANCE, growing(19, 1.47));
        assertTrue(late.figures().chance() > 0.07 && late.figures().chance() < 0.2, late + "");
        assertEquals(Proposal.Kind.CHANGE, late.kind(), "with 19 of 21 scores that is enough");
        assertTrue(late.firm() && !early.firm());
    }

    /** Nobody takes scores any more: what is there has to do. */
    @Test
    void whenNoMoreScoresCanComeTheThresholdIsTheSetting() {
        Proposal then = propose(Rule.CHANCE, growing(10, 1.4), 19.9);
        assertEquals(10, then.figures().planned());
        assertEquals(1, then.figures().share());
    }

    /** A class that reads far above its goals and has levelled off there needs no other plan. */
    @Test
    void aFlatLineFarAboveTheGoalIsNoChangeOfPlan() {
        double[] t = {0, 1, 2, 3, 4, 5, 6, 7, 8};
        ScoreSeries flat = ScoreSeries.of(t, new double[] {99, 101, 100, 100, 99, 101, 100, 101, 99});
        Proposal p = propose(Rule.TREND, flat);
        assertEquals(Proposal.Kind.HOLD, p.kind());
        assertEquals("At the goal of 80 already; gaining 0.02 a week (−0.3 to 0.3). The trend is on the goal line or past it.", p.reason());
        ScoreSeries low = ScoreSeries.of(t, new double[] {49, 51, 50, 50, 49, 51, 50, 51, 49});
        assertEquals(Proposal.Kind.CHANGE, propose(Rule.TREND, low).kind());
    }

    @Test
    void whatIsNeededIsReckonedFromTheDayAndTheTrend() {
        double[] t = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10};
        double[] y = new double[11];
        for (int i = 0; i < y.length; i++) {
            y[i] = 50 + i;
        }
        Figures f = propose(Rule.CHANCE, ScoreSeries.of(t, y), 12).figures();
        assertEquals((80 - 62) / 8.0, f.needed(), 1e-9, "from week 12, where the trend stands at 62, to week 20");
        assertNull(propose(Rule.CHANCE, ScoreSeries.of(t, y), 19.5).figures().needed(), "in the last days there is no pace to speak of");
    }

    @Test
    void aSingleWildScoreThatTurnsTheProposalIsTold() {
        double[] t = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9};
        double[] y = {50, 51.8, 52.7, 54.8, 55.7, 57.6, 59.2, 60.3, 62.2, 20};
        ScoreSeries s = ScoreSeries.of(t, y);
        Proposer proposer = new Proposer(RuleSettings.standard(Rule.CHANCE), LeastSquares::fit);
        Proposal with = proposer.propose(s, proposer.fit(s), GOAL, 9);
        Proposer.Swing swing = proposer.swing(s, GOAL, 9, with).orElseThrow();
        assertEquals(9, swing.index());
        assertTrue(swing.without().kind() != with.kind());
        ScoreSeries steady = growing(10, 1.5);
        assertTrue(proposer.swing(steady, GOAL, 9, propose(Rule.CHANCE, steady)).isEmpty());
    }

    @Test
    void settingsThatCannotBeAreRefused() {
        for (double[] wrong : new double[][] {{0, 0.25, 0.9, 6, 4}, {4, 0.9, 0.25, 6, 4}, {4, -0.1, 0.9, 6, 4}, {4, 0.25, 1.2, 6, 4}, {4, 0.25, 0.9, 0, 4},
                {4, 0.25, 0.9, 6, -1}, {4, Double.NaN, 0.9, 6, 4}, {4, 0.25, 0.9, 6, Double.NaN}}) {
            assertThrows(IllegalArgumentException.class,
                    () -> new RuleSettings(Rule.CHANCE, (int) wrong[0], wrong[1], wrong[2], (int) wrong[3], wrong[4]), java.util.Arrays.toString(wrong));
        }
    }
}
