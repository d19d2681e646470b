package org.zealousladder.server.school.calendar;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntFunction;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.core.calendar.SchoolDays.Span;

/** School days, as was known on a day. */
@Service
@Transactional(readOnly = true)
public class CalendarService {
    private final CalendarStore store;
    /** By what is known of them, so that nothing in it can be out of date. */
    private final Cache<Known, SchoolDays> made = Caffeine.newBuilder().maximumSize(500).build();

    private record Known(Set<DayOfWeek> week, List<Span> off, List<Span> terms) {}

    CalendarService(CalendarStore store) {
        this.store = store;
    }

    /** The school days of any school, by its number: two reads whatever their number. */
    public IntFunction<SchoolDays> schools(LocalDate asOf) {
        List<CalendarSpan> spans = store.spans(asOf);
        Map<Integer, List<Integer>> weeks = store.weeks(asOf);
        if (spans.isEmpty() && weeks.isEmpty()) {
            return school -> SchoolDays.MONDAY_TO_FRIDAY;
        }
        return school -> days(spans.stream().filter(s -> s.schoolId() == null || s.schoolId() == school).toList(),
                weeks.getOrDefault(school, List.of(1, 2, 3, 4, 5)));
    }

    private SchoolDays days(List<CalendarSpan> spans, List<Integer> week) {
        EnumSet<DayOfWeek> days = EnumSet.noneOf(DayOfWeek.class);
        week.forEach(d -> days.add(DayOfWeek.of(d)));
        Known known = new Known(days, spans(spans, false), spans(spans, true));
        return made.get(known, k -> new SchoolDays(k.week(), k.off(), k.terms()));
    }

    private static List<Span> spans(List<CalendarSpan> all, boolean terms) {
        return all.stream().filter(s -> (s.kind() == SpanKind.TERM) == terms).map(s -> new Span(s.starts(), s.ends())).toList();
    }

    /** Where two schools may differ, those of one. */
    public SchoolDays of(int school, LocalDate asOf) {
        return schools(asOf).apply(school);
    }

    /** The last day of a school's term in which a day lies, or of the next one; empty where no term is on record from then on. */
    public Optional<LocalDate> termEnds(int school, LocalDate day, LocalDate asOf) {
        return store.spans(asOf).stream().filter(s -> s.kind() == SpanKind.TERM && (s.schoolId() == null || s.schoolId() == school)
                && !s.ends().isBefore(day)).map(CalendarSpan::ends).min(java.util.Comparator.naturalOrder());
    }

    /** The holidays and closures of a school that touch a time. */
    public List<CalendarSpan> off(int school, LocalDate from, LocalDate to, LocalDate asOf) {
        return store.spans(asOf).stream().filter(s -> s.kind() != SpanKind.TERM && (s.schoolId() == null || s.schoolId() == school)
                && !s.starts().isAfter(to) && !s.ends().isBefore(from)).toList();
    }
}
