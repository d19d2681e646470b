package org.zealousladder.server.school.calendar;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolEditor;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.SetupRights;

/** Shows a school's calendar, and changes it. */
@Service
@Transactional
public class CalendarEditor {
    private static final String WHAT = "Calendars";
    private static final int LONGEST = 400;

    private final CalendarStore store;
    private final CalendarService calendar;
    private final RosterService roster;
    private final SchoolEditor schools;
    private final SetupRights rights;
    private final SchoolCalendar today;

    CalendarEditor(CalendarStore store, CalendarService calendar, RosterService roster, SchoolEditor schools, SetupRights rights, SchoolCalendar today) {
        this.today = today;
        this.store = store;
        this.calendar = calendar;
        this.roster = roster;
        this.schools = schools;
        this.rights = rights;
    }

    /** A year of one school, as it is now. */
    @Transactional(readOnly = true)
    public CalendarView view(int school, int yearId) {
        SchoolYear year = roster.year(yearId);
        LocalDate now = today.today();
        SchoolEditor.SchoolRef named = named(school);
        List<CalendarSpan> spans = store.spans(now).stream().filter(s -> s.schoolId() == null || s.schoolId() == school)
                .filter(s -> !s.ends().isBefore(year.starts()) && !s.starts().isAfter(year.ends())).toList();
        SchoolDays days = calendar.of(school, now);
        List<Integer> week = store.weeks(now).getOrDefault(school, List.of(1, 2, 3, 4, 5));
        LocalDate gone = now.isBefore(year.starts()) ? year.starts() : now.isAfter(year.ends()) ? year.ends().plusDays(1) : now.plusDays(1);
        return new CalendarView(named, year, week, spans, marks(year, days, week, spans), days.count(year.starts(), year.ends().plusDays(1)),
                days.count(year.starts(), gone), rights.mayChange(school), rights.mayChange(null), now);
    }

    private SchoolEditor.SchoolRef named(int school) {
        return schools.schools().stream().filter(s -> s.id() == school).findFirst().orElseThrow(() -> Refusal.notFound("There is no such school."));
    }

    /** A letter for each day of the year: open, no day of the week, holiday, closure, between terms. */
    private static String marks(SchoolYear year, SchoolDays days, List<Integer> week, List<CalendarSpan> spans) {
        StringBuilder marks = new StringBuilder();
        for (LocalDate d = year.starts(); !d.isAfter(year.ends()); d = d.plusDays(1)) {
            LocalDate day = d;
            marks.append(days.open(day) ? 'o' : !week.contains(day.getDayOfWeek().getValue()) ? 'w' : in(spans, SpanKind.CLOSURE, day) ? 'c'
                    : in(spans, SpanKind.HOLIDAY, day) ? 'h' : 'b');
        }
        return marks.toString();
    }

    private static boolean in(List<CalendarSpan> spans, SpanKind kind, LocalDate day) {
        return spans.stream().anyMatch(s -> s.kind() == kind && !day.isBefore(s.starts()) && !day.isAfter(s.ends()));
    }

    /** @param school null: of every school */
    public int add(@Nullable Integer school, SpanKind kind, LocalDate starts, LocalDate ends, String words) {
        rights.require(school, WHAT);
        if (school != null) {
            named(school);
        }
        long days = ChronoUnit.DAYS.between(starts, ends);
        if (days < 0) {
            throw Refusal.invalid("ends", "The last day is before the first.");
        }
        if (days > LONGEST) {
            throw Refusal.invalid("ends", "That is more than a year; check its days.");
        }
        String called = Words.orNull(words);
        if (called == null) {
            throw Refusal.invalid("words", kind == SpanKind.CLOSURE ? "Say why the school was closed." : "Give it a name.");
        }
        store.spans(today.today()).stream().filter(s -> s.kind() == kind && (s.schoolId() == null || school == null || s.schoolId().equals(school)))
                .filter(s -> !s.starts().isAfter(ends) && !s.ends().isBefore(starts)).findFirst().ifPresent(s -> {
                    throw Refusal.invalid("starts", "It would overlap " + s.words() + ", " + Words.day(s.starts()) + " to " + Words.day(s.ends()) + ".");
                });
        return store.add(school, kind, starts, ends, called, Viewer.current().id());
    }

    public void end(int id) {
        CalendarSpan span = store.spans(today.today()).stream().filter(s -> s.id() == id).findFirst()
                .orElseThrow(() -> Refusal.notFound("It has been taken back already."));
        rights.require(span.schoolId(), WHAT);
        store.end(id, today.today(), Viewer.current().id());
    }

    /** @param week days of the week, 1 for Monday */
    public void setWeek(int school, List<Integer> week) {
        rights.require(school, WHAT);
        named(school);
        List<Integer> days = week.stream().distinct().sorted().toList();
        if (days.isEmpty() || days.get(0) < 1 || days.get(days.size() - 1) > 7) {
            throw Refusal.invalid("week", "A school week has at least one day.");
        }
        store.setWeek(school, days, today.today(), Viewer.current().id());
    }
}
