package org.zealousladder.server.school.calendar;

import java.time.LocalDate;
import java.util.List;
import org.zealousladder.server.school.roster.SchoolEditor.SchoolRef;
import org.zealousladder.server.school.roster.SchoolYear;

/**
 * A year of one school.
 *
 * @param week days of the week, 1 for Monday
 * @param days a letter for each day of the year: o open, w no day of the week, h holiday, c closure, b between terms
 * @param open school days of the year
 * @param gone of them, with today
 * @param mayChange whether the viewer may change what is this school's
 * @param mayChangeAll whether also what is every school's
 */
public record CalendarView(SchoolRef school, SchoolYear year, List<Integer> week, List<CalendarSpan> spans, String days, int open, int gone, boolean mayChange,
        boolean mayChangeAll, LocalDate today) {}
