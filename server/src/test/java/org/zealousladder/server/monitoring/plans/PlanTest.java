package org.zealousladder.server.monitoring.plans;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.calendar.SchoolDays;

/** What was planned until a day, whatever the state of the plan. */
class PlanTest {
    private static final LocalDate START = LocalDate.of(2026, 1, 5);

    private static Plan.PlanPhase phase(int week, int perWeek) {
        return new Plan.PlanPhase(START.plusWeeks(week), "Echo reading", null, null, 20, perWeek, null);
    }

    private static Plan plan(LocalDate closedOn, int given, LocalDate asOf, Plan.PlanPhase... phases) {
        return new Plan(1, 1, 1, 1, null, null, "worry", null, START, START.plusWeeks(10), closedOn, closedOn == null ? null : PlanOutcome.MET, null, null,
                List.of(), 0, 0, false).with(List.of(phases), given, asOf, SchoolDays.MONDAY_TO_FRIDAY);
    }

    @Test
    void todayCountsAndTheFutureDoesNot() {
        assertEquals(6, plan(null, 0, START.plusWeeks(2).minusDays(1), phase(0, 3)).planned());
        assertEquals(0, plan(null, 0, START.minusDays(3), phase(0, 3)).planned(), "it has not begun");
    }

    @Test
    void nothingIsPlannedAfterTheEndOrTheClosing() {
        assertEquals(30, plan(null, 0, START.plusWeeks(30), phase(0, 3)).planned(), "ten weeks, though nobody closed it");
        Plan closed = plan(START.plusWeeks(4), 12, START.plusWeeks(30), phase(0, 3));
        assertEquals(12, closed.planned());
        assertFalse(closed.open());
        assertFalse(closed.tooLittle());
    }

    @Test
    void eachPhaseCountsUntilTheNextAlsoOneThatIsStillToCome() {
        assertEquals(4 * 2 + 2 * 5, plan(null, 0, START.plusWeeks(6).minusDays(1), phase(0, 2), phase(4, 5)).planned());
        Plan ahead = plan(null, 2, START.plusWeeks(2).minusDays(1), phase(0, 2), phase(4, 5));
        assertEquals(4, ahead.planned(), "the change begins in two weeks");
        assertTrue(ahead.tooLittle(), "two of four");
    }
}
