package org.zealousladder.core.decisions;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.LeastSquares;
import org.zealousladder.core.growth.TheilSen;

class DeciderTest {
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

    private static Decision decide(Rule rule, ScoreSeries s, double asOf) {
        Decider decider = new Decider(RuleSettings.standard(rule), LeastSquares::fit);
        return decider.decide(s, decider.fit(s), GOAL, asOf);
    }

    private static Decision decide(Rule rule, ScoreSeries s) {
        return decide(rule, s, s.week(s.size() - 1));
    }

    @Test
    void everyRuleSeesASlowASteadyAndAFastClimber() {
        for (Rule rule : Rule.values()) {
            assertEquals(Decision.Kind.CHANGE, decide(rule, growing(10, 0.3)).kind(), rule.label());
            assertEquals(Decision.Kind.RAISE, decide(rule, growing(10, 2.8)).kind(), rule.label());
            assertEquals(Decision.Kind.HOLD, decide(rule, growing(10, 1.5)).kind(), rule.label());
        }
    }

    @Test
    void fiveScoresOrThreeWeeksAreTooSoon() {
        Decision few = decide(Rule.CHANCE, growing(5, 0.3));
        assertEquals(Decision.Kind.TOO_SOON, few.kind());
        assertTrue(few.figures().moreScores() > 0);
        assertTrue(few.reason().startsWith("5 scores over 4 weeks; a decision needs at least 6 over 4 weeks."), few.reason());
        double[] days = {0, 0.2, 0.4, 0.6, 0.8, 1, 1.2, 1.4};
        ScoreSeries crowded = ScoreSeries.of(days, new double[] {50, 51, 50, 49, 50, 51, 50, 49});
        assertEquals(Decision.Kind.TOO_SOON, decide(Rule.TREND, crowded).kind());
    }

    @Test
    void noScoreAtAllIsTooSoonAlsoWhenTheDateIsPast() {
        ScoreSeries none = ScoreSeries.of(new double[0], new double[0]);
        Decision d = decide(Rule.CHANCE, none, 30);
        assertEquals(Decision.Kind.TOO_SOON, d.kind());
        assertEquals("0 scores; a decision needs at least 6 over 4 weeks.", d.reason());
    }

    @Test
    void afterTheGoalDateItIsMetOrNot() {
        assertEquals(Decision.Kind.MET, decide(Rule.CHANCE, growing(10, 2), 20.5).kind());
        assertEquals(Decision.Kind.NOT_MET, decide(Rule.CHANCE, growing(10, 1), 20.5).kind());
        assertEquals(Decision.Kind.HOLD, decide(Rule.CHANCE, growing(10, 1.5), 20).kind(), "the day itself is not past");
    }

    @Test
    void afterTheGoalDateTwoScoresAreJudgedByTheLast() {
        ScoreSeries two = ScoreSeries.of(new double[] {3, 18}, new double[] {55, 81});
        Decision d = decide(Rule.CHANCE, two, 21);
        assertEquals(Decision.Kind.MET, d.kind());
        assertEquals("The goal date is past. The last score was 81, at or past the goal of 80.", d.reason());
    }

    @Test
    void lastPointsWantsThemStrictlyOnOneSide() {
        double[] t = {0, 1, 2, 3, 4, 5, 6, 7};
        double[] below = {50, 51, 52, 53, 50, 51, 52, 53};
        assertEquals(Decision.Kind.CHANGE, decide(Rule.LAST_POINTS, ScoreSeries.of(t, below)).kind());
        below[5] = GOAL.at(5);
        assertEquals(Decision.Kind.HOLD, decide(Rule.LAST_POINTS, ScoreSeries.of(t, below)).kind(), "one stands on the line");
    }

    @Test
    void aFastTrendStillUnderTheLineIsNotRaised() {
        double[] t = {0, 1, 2, 3, 4, 5, 6, 7};
        double[] y = {30, 32.1, 33.9, 36, 38.1, 39.9, 42, 44.1};
        assertEquals(Decision.Kind.HOLD, decide(Rule.TREND, ScoreSeries.of(t, y)).kind());
    }

    @Test
    void whereLowerIsBetterEverythingTurns() {
        GoalLine down = new GoalLine(0, 50, 20, 20, Direction.LOWER_IS_BETTER);
        for (Rule rule : Rule.values()) {
            Decider decider = new Decider(RuleSettings.standard(rule), s -> TheilSen.fit(s, 0));
            ScoreSeries slow = growing(10, -0.3);
            ScoreSeries fast = growing(10, -2.8);
            assertEquals(Decision.Kind.CHANGE, decider.decide(slow, decider.fit(slow), down, 9).kind(), rule.label());
            assertEquals(Decision.Kind.RAISE, decider.decide(fast, decider.fit(fast), down, 9).kind(), rule.label());
        }
    }

    @Test
    void theSentenceCarriesTheFigures() {
        String reason = decide(Rule.CHANCE, growing(10, 0.3)).reason();
        assertTrue(reason.matches("Needs 1\\.5 a week, gaining 0\\.\\d \\(0\\.\\d+ to 0\\.\\d\\)\\. Chance of the goal under 1 %\\."), reason);
    }

    @Test
    void sinceFindsTheFirstScoreOfTheRun() {
        double[] t = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11};
        double[] y = {50, 52, 53, 55, 56, 58, 59, 60.5, 55, 54, 53, 52};
        ScoreSeries s = ScoreSeries.of(t, y);
        Decider decider = new Decider(RuleSettings.standard(Rule.CHANCE), LeastSquares::fit);
        assertEquals(Decision.Kind.CHANGE, decider.decide(s, decider.fit(s), GOAL, 11).kind());
        int since = decider.since(s, GOAL, Decision.Kind.CHANGE);
        assertTrue(since > 5 && since < 11, "began when the scores turned, not before: " + since);
        ScoreSeries before = s.first(since);
        assertTrue(decider.decide(before, decider.fit(before), GOAL, since - 1).kind() != Decision.Kind.CHANGE);
    }

    @Test
    void plansThatFailComeBeforeGoalsThatAreTooEasy() {
        double slow = decide(Rule.CHANCE, growing(10, 0.3)).priority();
        double fast = decide(Rule.CHANCE, growing(10, 2.8)).priority();
        assertTrue(slow > fast && fast > decide(Rule.CHANCE, growing(10, 1.5)).priority());
    }
}
