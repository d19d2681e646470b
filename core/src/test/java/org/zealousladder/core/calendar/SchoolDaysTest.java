package org.zealousladder.core.calendar;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.calendar.SchoolDays.Span;

class SchoolDaysTest {
    private static final LocalDate MONDAY = LocalDate.of(2026, 2, 2);
    private static final Set<DayOfWeek> WEEK = EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY);

    @Test
    void aWeekHasFiveDaysUnlessTheSchoolSaysOtherwise() {
        assertEquals(5, SchoolDays.MONDAY_TO_FRIDAY.count(MONDAY, MONDAY.plusDays(7)));
        assertEquals(2, SchoolDays.MONDAY_TO_FRIDAY.weeks(MONDAY.plusDays(2), MONDAY.plusDays(16)));
        SchoolDays six = new SchoolDays(EnumSet.complementOf(EnumSet.of(DayOfWeek.SUNDAY)), List.of(), List.of());
        assertEquals(6, six.aWeek());
        assertTrue(six.open(MONDAY.plusDays(5)));
        assertFalse(six.open(MONDAY.plusDays(6)));
        assertThrows(IllegalArgumentException.class, () -> new SchoolDays(Set.of(), List.of(), List.of()));
    }

    @Test
    void daysOffAreNoneHoweverOftenTheyAreNamed() {
        SchoolDays storm = new SchoolDays(WEEK, List.of(new Span(MONDAY, MONDAY.plusDays(4)), new Span(MONDAY.plusDays(3), MONDAY.plusDays(3)),
                new Span(MONDAY.plusDays(9), MONDAY.plusDays(8))), List.of());
        assertEquals(0, storm.count(MONDAY, MONDAY.plusDays(7)));
        assertEquals(5, storm.count(MONDAY, MONDAY.plusDays(14)));
        assertEquals(1, storm.since(MONDAY.minusDays(3), MONDAY.plusDays(7)), "from Friday over the storm to the Monday after");
    }

    @Test
    void betweenTermsThereIsNoSchoolAndBeyondThemOnlyTheWeekIsKnown() {
        SchoolDays terms = new SchoolDays(WEEK, List.of(), List.of(new Span(MONDAY, MONDAY.plusDays(11)), new Span(MONDAY.plusDays(21), MONDAY.plusDays(32))));
        assertEquals(10, terms.count(MONDAY, MONDAY.plusDays(21)));
        assertEquals(5, terms.count(MONDAY.minusDays(7), MONDAY));
        assertEquals(5, terms.count(MONDAY.plusDays(35), MONDAY.plusDays(42)));
    }

    @Test
    void backwardsAndOutOfTheCenturyIsNothingAndBreaksNothing() {
        assertEquals(0, SchoolDays.MONDAY_TO_FRIDAY.count(MONDAY.plusDays(7), MONDAY));
        assertEquals(0, SchoolDays.MONDAY_TO_FRIDAY.count(LocalDate.of(1890, 1, 1), LocalDate.of(1890, 2, 1)));
        assertEquals(0, SchoolDays.MONDAY_TO_FRIDAY.count(LocalDate.of(2190, 1, 1), LocalDate.of(2190, 2, 1)));
    }

    @Test
    void countsAddUpDayByDay() {
        Random random = new Random(11);
        List<Span> off = random.ints(20, 0, 300).mapToObj(d -> new Span(MONDAY.plusDays(d), MONDAY.plusDays(d + random.nextInt(9)))).toList();
        SchoolDays days = new SchoolDays(WEEK, off, List.of());
        for (int n = 0; n < 300; n += 7) {
            LocalDate to = MONDAY.plusDays(n);
            long one = MONDAY.datesUntil(to).filter(d -> WEEK.contains(d.getDayOfWeek())
                    && off.stream().noneMatch(s -> !d.isBefore(s.starts()) && !d.isAfter(s.ends()))).count();
            assertEquals(one, days.count(MONDAY, to));
        }
    }
}
