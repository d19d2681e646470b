package org.zealousladder.core.plans;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.calendar.SchoolDays;

class DosageTest {
    private static final LocalDate MONDAY = LocalDate.of(2026, 1, 5);

    @Test
    void plannedIsWeeksTimesSessionsOverAllPhases() {
        Dosage d = Dosage.of(List.of(new Dosage.Phase(MONDAY, MONDAY.plusWeeks(4), 3), new Dosage.Phase(MONDAY.plusWeeks(4), MONDAY.plusWeeks(6), 5)), 18,
                SchoolDays.MONDAY_TO_FRIDAY);
        assertEquals(22, d.planned());
        assertFalse(d.tooLittle());
        assertTrue(new Dosage(22, 13).tooLittle());
        assertFalse(new Dosage(20, 12).tooLittle(), "60 % is enough");
    }

    @Test
    void aWeekInWhichNobodyCouldComeAsksForNothing() {
        SchoolDays storm = new SchoolDays(EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
                List.of(new SchoolDays.Span(MONDAY.plusWeeks(1), MONDAY.plusWeeks(1).plusDays(4))), List.of());
        assertEquals(9, Dosage.of(List.of(new Dosage.Phase(MONDAY, MONDAY.plusWeeks(4), 3)), 9, storm).planned());
    }

    @Test
    void aWeekBegunCountsByItsDaysAndOneThatIsToComeNotAtAll() {
        assertEquals(1, Dosage.of(List.of(new Dosage.Phase(MONDAY, MONDAY.plusDays(2), 3)), 0, SchoolDays.MONDAY_TO_FRIDAY).planned());
        assertEquals(0, Dosage.of(List.of(new Dosage.Phase(MONDAY, MONDAY.minusDays(3), 3)), 0, SchoolDays.MONDAY_TO_FRIDAY).planned());
        assertFalse(new Dosage(1, 0).tooLittle(), "the first week tells nothing");
    }
}
