package org.zealousladder.server.monitoring.plans;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.goals.GoalKind;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.goals.GoalsService;
import org.zealousladder.server.school.roster.SchoolYear;

/** Who is followed, and why. */
class FollowingTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 13);
    private static final SchoolYear YEAR = new SchoolYear(1, "2025-26", LocalDate.of(2025, 8, 25), LocalDate.of(2026, 6, 26));
    private static final Measure MEASURE = new Measure(7, "m", "Oral reading", "probe", "Reading", "words", 0, 250, 0, "higher", 4.5, Rule.CHANCE, 6, 4, 4,
            0.25,
            0.9);

    private static Concern concern(int student, int level) {
        return new Concern(student, student, "Reading", level, null, DAY, null);
    }

    private static Plan plan(long id, int student, LocalDate closed) {
        return new Plan(id, id, student, 7, null, null, "Slow", null, DAY.minusWeeks(8), DAY.plusWeeks(4), closed, closed == null ? null : PlanOutcome.MET,
                null, null,
                List.of(new Plan.PlanPhase(DAY.minusWeeks(8), "Echo reading", null, null, 20, 3, null)), 0, 0, false);
    }

    private static Goal goal(int student) {
        return new Goal(student, student, 7, DAY.minusWeeks(8), 50, DAY.plusWeeks(8), 80, GoalKind.BY_HAND, null, null, null);
    }

    @Test
    void aConcernAPlanThatRunsOrAGoalIsEnoughAndNothingElseIs() {
        Following following = new Following(List.of(concern(1, 2), concern(2, 0), concern(6, 0)), List.of(plan(10, 3, null), plan(11, 4, DAY)),
                List.of(goal(5), goal(6)));
        assertTrue(following.follows(1), "a concern");
        assertFalse(following.follows(2), "one taken back");
        assertTrue(following.follows(3), "a plan");
        assertFalse(following.follows(4), "one that is closed");
        assertTrue(following.follows(5), "a goal");
        assertTrue(following.follows(6), "a goal, though nobody worries any more");
        assertFalse(following.follows(7), "nobody spoke of this one");
        assertEquals(0, following.concern(2).level(), "it is still known, so that it can be set again");
        assertEquals(1, following.past(4).size());
        assertNull(following.plan(4));
    }

    @Test
    void theRunningPlanIsFoundAmongEarlierOnes() {
        Following following = new Following(List.of(), List.of(plan(10, 3, DAY.minusWeeks(1)), plan(12, 3, null), plan(9, 3, DAY.minusWeeks(9))), List.of());
        assertEquals(12, following.plan(3).id());
        assertEquals(List.of(10L, 9L), following.past(3).stream().map(Plan::id).toList());
    }

    @Test
    void aWholeClassIsAskedForInThreeReads() {
        ConcernsService concerns = mock(ConcernsService.class);
        PlansService plans = mock(PlansService.class);
        GoalsService goals = mock(GoalsService.class);
        List<Integer> students = java.util.stream.IntStream.range(0, 40).boxed().toList();
        when(concerns.knownOn(students, "Reading", DAY)).thenReturn(List.of(concern(3, 1)));
        when(goals.running(students, 7, YEAR.starts(), DAY)).thenReturn(List.of(goal(4)));
        Following following = new FollowingService(concerns, plans, goals).on(students, MEASURE, YEAR, DAY);
        assertEquals(List.of(3, 4), students.stream().filter(following::follows).toList());
        verify(concerns, times(1)).knownOn(any(), eq("Reading"), any());
        verify(plans, times(1)).knownOn(any(), eq(7), any());
        verify(goals, times(1)).running(any(), eq(7), any(), any());
    }
}
