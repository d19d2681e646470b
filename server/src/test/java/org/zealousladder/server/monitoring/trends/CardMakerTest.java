package org.zealousladder.server.monitoring.trends;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.goals.GoalKind;
import org.zealousladder.core.growth.SteadyGrowth;
import org.zealousladder.core.growth.SteadyPopulation;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.monitoring.decisions.Decision;
import org.zealousladder.server.monitoring.decisions.DecisionKind;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.monitoring.trends.TrendCard.PhaseTrend;
import org.zealousladder.server.monitoring.trends.TrendCard.TrendPoint;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.scores.scores.Score;

/** From records to a card, without a database. */
class CardMakerTest {
    private static final LocalDate YEAR = LocalDate.of(2025, 8, 25);
    private static final LocalDate OCTOBER = LocalDate.of(2025, 10, 2);
    private static final LocalDate TODAY = LocalDate.of(2026, 1, 23);
    private static final Measure MEASURE = new Measure(1, "m", "Oral reading", "probe", "Reading", "words", 0, 250, 0, "higher", 4.5, Rule.CHANCE, 6, 4, 4,
            0.25,
            0.9);
    private static final StudentRef STUDENT = new StudentRef(1, "S1", "Ada Quill", "AQ", "Tern", 4);
    private static final int[] WOBBLE = {2, -1, 1, -2, 0, 1, -1, 2, -2, 1, 0, -1, 1, 0, -1, 2};

    private static List<Score> weekly(LocalDate from, int n, double start, double pace) {
        List<Score> scores = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            scores.add(new Score(i + 1, 1, 1, from.plusWeeks(i), (double) Math.round(start + pace * i + WOBBLE[i % WOBBLE.length]), ScoreStatus.SCORED));
        }
        return scores;
    }

    private static Goal goal(double score) {
        return new Goal(9, 1, 1, OCTOBER.plusWeeks(1), 50, LocalDate.of(2026, 5, 8), score, GoalKind.BY_HAND, null, null, null);
    }

    private static Decision planChanged(LocalDate on) {
        return new Decision(1, 1, 1, DecisionKind.PLAN_CHANGED, on, on.plusDays(28), Proposal.Kind.CHANGE, "because", "more often", null);
    }

    private static TrendCard card(List<Score> scores, Goal goal, Decision... taken) {
        return new CardMaker(YEAR, TODAY).whole(new CardMaker.Records(STUDENT, MEASURE, scores, goal, List.of(taken), List.of(), null));
    }

    @Test
    void aCardHasALineToTheGoalDateAndARibbonThatWidens() {
        TrendCard card = card(weekly(OCTOBER, 16, 50, 0.4), goal(90));
        assertEquals(Proposal.Kind.CHANGE, card.proposal().kind());
        PhaseTrend phase = card.phases().get(0);
        assertEquals(LocalDate.of(2026, 5, 8), phase.stops().get(phase.stops().size() - 1).date());
        assertEquals(OCTOBER, phase.stops().get(0).date());
        var last = phase.stops().get(phase.stops().size() - 1);
        var middle = phase.stops().get(4);
        assertTrue(last.high() - last.low() > middle.high() - middle.low());
        assertTrue(phase.stops().stream().anyMatch(s -> s.date().equals(phase.lastScore())), "the line can change from solid to dotted there");
        assertTrue(card.goal().chance() < 0.05);
        assertEquals(last.level(), card.goal().projected().level(), 1e-9);
    }

    @Test
    void theEvidenceNamesRuleThresholdAndSinceWhen() {
        TrendCard card = card(weekly(OCTOBER, 16, 50, 0.4), goal(90));
        assertTrue(card.proposal().evidence().matches("Chance rule, under \\d+(\\.\\d)? % at 16 of 31 scores, since \\d+\u00a0\\w{3}\\."),
                card.proposal().evidence());
        assertTrue(card.proposal().since().isAfter(OCTOBER));
        assertEquals(3, card.proposal().rules().size());
        assertEquals(1, card.proposal().rules().stream().filter(TrendCard.RuleSays::inUse).count());
    }

    @Test
    void withoutAGoalThereIsATrendAndNoProposal() {
        TrendCard card = card(weekly(OCTOBER, 8, 50, 1), null);
        assertNull(card.proposal());
        assertNull(card.goal());
        assertEquals(1, card.phases().size());
        assertEquals(card.phases().get(0).lastScore(), card.phases().get(0).stops().get(card.phases().get(0).stops().size() - 1).date(),
                "nowhere to draw on to");
    }

    @Test
    void whileItIsTooSoonTheLineEndsAtTheLastScore() {
        TrendCard card = card(weekly(OCTOBER, 4, 50, 1), goal(90));
        assertEquals(Proposal.Kind.TOO_SOON, card.proposal().kind());
        assertEquals(OCTOBER.plusWeeks(3), card.phases().get(0).stops().get(card.phases().get(0).stops().size() - 1).date());
        assertFalse(card.proposal().wantsAction());
    }

    @Test
    void twoScoresAreTwoPointsAndNoTrend() {
        TrendCard card = card(weekly(OCTOBER, 2, 50, 1), goal(90));
        assertEquals(List.of(), card.phases());
        assertEquals(2, card.points().size());
        assertNull(card.goal().chance());
    }

    @Test
    void noScoreAtAllIsStillACard() {
        TrendCard card = card(List.of(), goal(90));
        assertEquals(Proposal.Kind.TOO_SOON, card.proposal().kind());
        assertEquals(List.of(), card.points());
    }

    @Test
    void aChangeOfPlanSplitsTheTrendAndTheNewestDecides() {
        List<Score> scores = new ArrayList<>(weekly(OCTOBER, 8, 50, 0));
        for (Score s : weekly(OCTOBER.plusWeeks(8), 8, 52, 3)) {
            scores.add(new Score(s.id() + 100, 1, 1, s.takenOn(), s.value(), ScoreStatus.SCORED));
        }
        TrendCard card = card(scores, goal(90), planChanged(OCTOBER.plusWeeks(8)));
        assertEquals(2, card.phases().size());
        assertEquals(0, card.phases().get(0).slope(), 0.3);
        assertEquals(3, card.phases().get(1).slope(), 0.4);
        assertEquals(List.of(OCTOBER.plusWeeks(8)), card.planChanges());
        assertEquals(Proposal.Kind.RAISE, card.proposal().kind());
        assertTrue(card.points().stream().noneMatch(p -> p.outlier() != null), "a jump at the change is no wild score");
    }

    @Test
    void rightAfterAChangeItIsTooSoon() {
        TrendCard card = card(weekly(OCTOBER, 16, 50, 0.2), goal(90), planChanged(OCTOBER.plusWeeks(14)));
        assertEquals(Proposal.Kind.TOO_SOON, card.proposal().kind());
        assertEquals(1, card.phases().size(), "the two new scores make no trend yet, the old trend stays visible");
    }

    @Test
    void scoresFromBeforeTheMonitoringAreShownAndNotFitted() {
        List<Score> scores = new ArrayList<>(List.of(new Score(77, 1, 1, LocalDate.of(2025, 9, 8), 20.0, ScoreStatus.SCORED)));
        scores.addAll(weekly(OCTOBER, 8, 50, 1));
        TrendCard card = card(scores, goal(90));
        assertEquals(true, card.points().get(0).unfitted());
        assertNull(card.points().get(1).unfitted());
        assertEquals(8, card.phases().get(0).n());
    }

    @Test
    void absencesAreKeptInTheirPlacesAndTheWildScoreIsTheRightOne() {
        List<Score> scores = new ArrayList<>(weekly(OCTOBER, 12, 50, 1));
        scores.set(3, new Score(4, 1, 1, OCTOBER.plusWeeks(3), null, ScoreStatus.ABSENT));
        scores.set(7, new Score(8, 1, 1, OCTOBER.plusWeeks(7), 5.0, ScoreStatus.SCORED));
        TrendCard card = card(scores, goal(90));
        assertEquals(12, card.points().size());
        assertEquals(ScoreStatus.ABSENT, card.points().get(3).status());
        assertNull(card.points().get(4).status(), "what is usual is left out");
        assertEquals(11, card.phases().get(0).n());
        assertEquals(List.of(8L), card.points().stream().filter(p -> p.outlier() != null).map(TrendPoint::id).toList());
    }

    @Test
    void aDecisionTakenSettlesTheProposalUntilItsDay() {
        Decision held = new Decision(1, 1, 1, DecisionKind.HOLD, TODAY.minusDays(3), TODAY.plusDays(25), Proposal.Kind.CHANGE, "because", null, null);
        assertEquals(TODAY.plusDays(25), card(weekly(OCTOBER, 16, 50, 0.4), goal(90), held).settledUntil());
        assertNull(card(weekly(OCTOBER, 16, 50, 3), goal(90), held).settledUntil(), "now it proposes something else");
    }

    @Test
    void theSummaryCountsWhatIsOpen() {
        TrendCard slow = card(weekly(OCTOBER, 16, 50, 0.4), goal(90));
        TrendCard fast = card(weekly(OCTOBER, 16, 50, 3), goal(90));
        TrendCard early = card(weekly(OCTOBER, 4, 50, 1), goal(90));
        assertEquals("Two plans want changing, one goal can be raised, one cannot be told yet.", TrendsSummary.of(List.of(slow, slow, fast, early)));
        assertEquals("", TrendsSummary.of(List.of()));
    }

    private static SteadyPopulation group() {
        SteadyGrowth pool = new SteadyGrowth();
        for (int i = 0; i < 12; i++) {
            double[] weeks = new double[10];
            double[] values = new double[10];
            for (int k = 0; k < 10; k++) {
                weeks[k] = 5 + k;
                values[k] = 45 + 2 * i + (0.9 + 0.05 * i) * k + WOBBLE[(k + i) % WOBBLE.length];
            }
            pool.add(ScoreSeries.of(weeks, values));
        }
        return pool.fit().orElseThrow();
    }

    private static Plan plan(LocalDate... phaseStarts) {
        return new Plan(3, 3, 1, 1, null, "Echoes", "worry", null, phaseStarts[0], LocalDate.of(2026, 5, 8), null, null, null, null,
                java.util.Arrays.stream(phaseStarts).map(d -> new Plan.PlanPhase(d, "Echo reading from " + d, null, null, 20, 3, null)).toList(), 5, 30, true);
    }

    private static TrendCard pooled(List<Score> scores, Goal goal, List<Plan> plans) {
        return new CardMaker(YEAR, TODAY).whole(new CardMaker.Records(STUDENT, MEASURE, scores, goal, List.of(), plans, group()));
    }

    @Test
    void aTrendWithFewScoresLeansMoreOnTheGroupThanOneWithMany() {
        TrendCard few = pooled(weekly(OCTOBER, 4, 50, 2.5), goal(90), List.of());
        TrendCard many = pooled(weekly(OCTOBER, 16, 50, 2.5), goal(90), List.of());
        assertEquals(11, few.phases().get(0).others());
        assertTrue(few.phases().get(0).shrinkage() > many.phases().get(0).shrinkage());
        assertTrue(few.phases().get(0).slope() < many.phases().get(0).slope(), "drawn towards the group's one a week");
        assertEquals(null, card(weekly(OCTOBER, 16, 50, 2.5), goal(90)).phases().get(0).shrinkage());
        assertNull(card(weekly(OCTOBER, 16, 50, 1), goal(90)).phases().get(0).others(), "nobody tells how far scores scatter");
    }

    @Test
    void aPlansLaterPhasesAreChangesAndThenATrendStandsByItself() {
        LocalDate change = LocalDate.of(2025, 12, 1);
        TrendCard card = pooled(weekly(OCTOBER, 16, 50, 1), goal(90), List.of(plan(OCTOBER, change, TODAY.plusDays(9))));
        assertEquals(List.of(change), card.planChanges(), "neither the first phase nor one that is to come");
        assertEquals(2, card.phases().size());
        assertEquals(null, card.phases().get(1).shrinkage());
        assertEquals(12, card.phases().get(1).others(), "which still tell how far scores scatter");
        assertEquals("Echoes", card.plan().group());
        assertTrue(card.plan().tooLittle());
        TrendCard closed = pooled(weekly(OCTOBER, 16, 50, 1), goal(90), List.of());
        assertEquals(null, closed.plan());
    }

    @Test
    void aPlanThatBeginsWithTheBaselineIsNoChangeAndOneThatBeginsLaterIs() {
        LocalDate start = goal(90).startDate();
        TrendCard together = pooled(weekly(OCTOBER, 16, 50, 1), goal(90), List.of(plan(start.plusDays(Phases.BASELINE_DAYS))));
        assertEquals(List.of(), together.planChanges());
        assertEquals(1, together.phases().size());
        assertTrue(together.phases().get(0).shrinkage() > 0, "it may lean on the others");
        LocalDate later = start.plusDays(Phases.BASELINE_DAYS + 1);
        TrendCard late = pooled(weekly(OCTOBER, 16, 50, 1), goal(90), List.of(plan(later)));
        assertEquals(List.of(later), late.planChanges(), "what was before went without this plan");
        assertEquals(2, late.phases().size());
        assertNull(late.phases().get(1).shrinkage());
    }

    @Test
    void aChangeLongBeforeTheGoalIsDrawnAndSplitsNothingAnyMore() {
        Goal late = new Goal(9, 1, 1, LocalDate.of(2025, 12, 11), 60, LocalDate.of(2026, 5, 8), 90, GoalKind.BY_HAND, null, null, null);
        LocalDate before = LocalDate.of(2025, 10, 30);
        TrendCard card = new CardMaker(YEAR, TODAY)
                .whole(new CardMaker.Records(STUDENT, MEASURE, weekly(OCTOBER, 16, 50, 1), late, List.of(planChanged(before)), List.of(), group()));
        assertEquals(List.of(before), card.planChanges());
        assertEquals(1, card.phases().size());
        assertTrue(card.phases().get(0).shrinkage() > 0);
        LocalDate during = late.startDate().minusDays(7);
        TrendCard split = new CardMaker(YEAR, TODAY)
                .whole(new CardMaker.Records(STUDENT, MEASURE, weekly(OCTOBER, 16, 50, 1), late, List.of(planChanged(during)), List.of(), group()));
        assertNull(split.phases().get(split.phases().size() - 1).shrinkage(), "within the baseline's weeks it does");
    }

    @Test
    void withoutAGoalLaterPhasesStillTickTheChart() {
        LocalDate change = LocalDate.of(2025, 12, 1);
        TrendCard card = pooled(weekly(OCTOBER, 16, 50, 1), null, List.of(plan(OCTOBER, change)));
        assertEquals(List.of(change), card.planChanges());
        assertEquals(2, card.phases().size());
        assertNull(card.proposal());
    }

    @Test
    void eachRuleSaysWhatAndWhy() {
        TrendCard card = card(weekly(OCTOBER, 10, 50, 1.1), goal(86));
        assertEquals(3, card.proposal().rules().size());
        assertTrue(card.proposal().rules().stream().noneMatch(r -> r.why().isBlank() || r.label().isBlank()));
        assertNull(card.proposal().swing(), "nothing wild, nothing turns");
    }

    @Test
    void aWildScoreThatAloneTurnsTheProposalIsNamedWithItsDayAndWhatWouldBeProposed() {
        List<Score> scores = new ArrayList<>(weekly(OCTOBER, 14, 50, 1.4));
        scores.add(new Score(99, 1, 1, OCTOBER.plusWeeks(14), 12.0, ScoreStatus.SCORED));
        TrendCard card = card(scores, goal(86));
        assertEquals(OCTOBER.plusWeeks(14), card.proposal().swing().date());
        assertEquals(12.0, card.proposal().swing().value());
        assertTrue(!card.proposal().swing().without().equals(card.proposal().label()));
    }

    @Test
    void aSmallCardCarriesOnlyWhatIsDrawn() {
        CardMaker.Records records = new CardMaker.Records(STUDENT, MEASURE, weekly(OCTOBER, 16, 50, 1.5), goal(90), List.of(), List.of(), null);
        TrendCard small = new CardMaker(YEAR, TODAY).card(records);
        TrendCard whole = new CardMaker(YEAR, TODAY).whole(records);
        assertEquals(List.of(), small.proposal().rules());
        assertNull(small.proposal().swing());
        assertEquals(whole.proposal().reason(), small.proposal().reason());
        assertEquals(whole.goal(), small.goal());
        TrendCard.PhaseTrend phase = small.phases().get(0);
        assertTrue(phase.stops().size() < whole.phases().get(0).stops().size());
        assertEquals(whole.phases().get(0).level(), phase.level());
        assertEquals(phase.stops().stream().filter(s -> s.date().equals(phase.lastScore())).findFirst().orElseThrow().level(), phase.level(), 1e-9,
                "the level is the core's, at the last score");
    }
}
