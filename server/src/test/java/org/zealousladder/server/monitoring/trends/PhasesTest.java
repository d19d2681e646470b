package org.zealousladder.server.monitoring.trends;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.goals.GoalKind;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.scores.scores.Score;

/** Where a year's scores are parted: by changes of plan that come after the monitoring began. */
class PhasesTest {
    private static final LocalDate YEAR = LocalDate.of(2025, 8, 25);
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 13);
    private static final LocalDate OCTOBER = LocalDate.of(2025, 10, 6);
    private static final StudentRef STUDENT = new StudentRef(1, "S1", "Ada", "A", "Tern", 4);
    private static final Measure MEASURE = new Measure(1, "m", "M", "probe", "Reading", "points", 0, 300, 0, "higher", 4.0, Rule.CHANCE, 6, 4, 4, 0.25, 0.9);

    private static List<Score> weekly(LocalDate from, int n) {
        List<Score> scores = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            scores.add(new Score(i + 1, 1, 1, from.plusWeeks(i), 50.0 + i, ScoreStatus.SCORED));
        }
        return scores;
    }

    private static Goal goal(LocalDate from) {
        return new Goal(1, 1, 1, from, 50, LocalDate.of(2026, 5, 8), 90, GoalKind.BY_HAND, null, null, null);
    }

    private static Plan plan(LocalDate... phases) {
        List<Plan.PlanPhase> all = new ArrayList<>();
        for (LocalDate starts : phases) {
            all.add(new Plan.PlanPhase(starts, "Echo reading", null, null, 20, 3, null));
        }
        return new Plan(3, 3, 1, 1, null, null, "worry", null, phases[0], LocalDate.of(2026, 5, 8), null, null, null, null, all, 0, 0, false);
    }

    private static Phases of(List<Score> scores, Goal goal, Plan... plans) {
        return Phases.of(new CardMaker.Records(STUDENT, MEASURE, scores, goal, List.of(), List.of(plans), null), YEAR, TODAY);
    }

    @Test
    void withoutAChangeThereIsOnePart() {
        Phases phases = of(weekly(OCTOBER, 12), goal(OCTOBER));
        assertEquals(1, phases.parts().size());
        assertEquals(12, phases.newest().size());
        assertEquals(0, phases.before());
        assertFalse(phases.parted());
    }

    @Test
    void scoresFromBeforeTheBaselineAreInNoPart() {
        Phases phases = of(weekly(OCTOBER, 12), goal(OCTOBER.plusWeeks(6)));
        assertEquals(3, phases.before(), "six weeks before, of which three belong to the baseline");
        assertEquals(9, phases.newest().size());
    }

    @Test
    void aLaterPhaseParts() {
        LocalDate change = OCTOBER.plusWeeks(5);
        Phases phases = of(weekly(OCTOBER, 12), goal(OCTOBER), plan(OCTOBER, change));
        assertEquals(List.of(change), phases.changes());
        assertEquals(List.of(5, 7), phases.parts().stream().map(ScoreSeries::size).toList());
        assertTrue(phases.parted());
    }

    @Test
    void aPlanThatBeginsWithTheGoalIsNoChangeAndOneThatBeginsLaterIs() {
        assertEquals(List.of(), of(weekly(OCTOBER, 12), goal(OCTOBER), plan(OCTOBER.plusDays(Phases.BASELINE_DAYS))).changes());
        LocalDate late = OCTOBER.plusDays(Phases.BASELINE_DAYS + 1);
        assertEquals(List.of(late), of(weekly(OCTOBER, 12), goal(OCTOBER), plan(late)).changes());
    }

    @Test
    void aChangeThatIsStillToComePartsNothing() {
        Phases phases = of(weekly(OCTOBER, 20), goal(OCTOBER), plan(OCTOBER, TODAY.plusDays(1)));
        assertEquals(List.of(), phases.changes());
        assertEquals(1, phases.parts().size());
    }

    @Test
    void whatWasNotScoredIsInNoPart() {
        List<Score> scores = new ArrayList<>(weekly(OCTOBER, 6));
        scores.add(new Score(99, 1, 1, OCTOBER.plusWeeks(7), null, ScoreStatus.ABSENT));
        assertEquals(6, of(scores, goal(OCTOBER)).newest().size());
        Phases none = of(List.of(), null);
        assertEquals(1, none.parts().size(), "there is always a newest one");
        assertEquals(0, none.newest().size());
    }

    /** However plans change: every monitored score is in one part, in order, and no part crosses a change. */
    @Test
    void thePartsAreTheScoresInOrder() {
        Random random = new Random(3);
        for (int round = 0; round < 300; round++) {
            List<LocalDate> starts = new ArrayList<>(List.of(OCTOBER));
            for (int i = 0; i < random.nextInt(4); i++) {
                starts.add(starts.get(starts.size() - 1).plusDays(3 + random.nextInt(60)));
            }
            Phases phases = of(weekly(OCTOBER.minusWeeks(random.nextInt(6)), 1 + random.nextInt(20)), goal(OCTOBER), plan(starts.toArray(LocalDate[]::new)));
            List<Double> joined = new ArrayList<>();
            phases.parts().forEach(p -> {
                for (int i = 0; i < p.size(); i++) {
                    joined.add(p.week(i));
                }
            });
            List<Double> all = new ArrayList<>();
            for (int i = phases.before(); i < phases.all().size(); i++) {
                all.add(phases.all().week(i));
            }
            assertEquals(all, joined);
            for (ScoreSeries part : phases.parts()) {
                if (part.size() > 0) {
                    double first = part.week(0);
                    double last = part.week(part.size() - 1);
                    assertTrue(phases.changes().stream().map(d -> ScoreSeries.weeks(YEAR, d)).noneMatch(c -> c > first && c <= last));
                }
            }
        }
    }
}
