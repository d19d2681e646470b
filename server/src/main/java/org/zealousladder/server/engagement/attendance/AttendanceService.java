package org.zealousladder.server.engagement.attendance;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.server.school.calendar.CalendarService;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.SchoolYear;

/** Counts days. */
@Service
@Transactional(readOnly = true)
public class AttendanceService {
    private final AttendanceStore store;
    private final CalendarService calendar;

    AttendanceService(AttendanceStore store, CalendarService calendar) {
        this.store = store;
        this.calendar = calendar;
    }

    /** By student; nobody of a class of which nothing at all is on record this year, since a day that nobody tells of is not one at school. */
    public Map<Integer, Attended> of(List<Enrolled> students, SchoolYear year, LocalDate asOf) {
        return between(students, year.starts(), asOf, asOf);
    }

    /** As {@link #of}, of the days {@code from} to {@code to}, both included, as known on {@code asOf}. */
    public Map<Integer, Attended> between(List<Enrolled> students, LocalDate from, LocalDate to, LocalDate asOf) {
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        Map<Integer, List<AttendanceStore.Day>> days = store.days(ids, from, asOf).stream().filter(d -> !d.onDay().isAfter(to))
                .collect(Collectors.groupingBy(AttendanceStore.Day::studentId));
        Map<Integer, LocalDate> since = store.since(ids, from, to, asOf).stream()
                .collect(Collectors.toMap(AttendanceStore.Here::studentId, AttendanceStore.Here::since));
        IntFunction<SchoolDays> open = calendar.schools(asOf);
        Set<Integer> told = Set.copyOf(store.told(students.stream().map(Enrolled::classId).distinct().toList(), from, asOf));
        Map<Integer, Attended> all = new HashMap<>();
        for (Enrolled e : students) {
            if (told.contains(e.classId())) {
                SchoolDays school = open.apply(e.schoolId());
                List<AttendanceStore.Day> own = days.getOrDefault(e.id(), List.of()).stream().filter(d -> school.open(d.onDay())).toList();
                all.put(e.id(), new Attended(school.count(since.getOrDefault(e.id(), from), to.plusDays(1)), on(own, "absent"), on(own, "late")));
            }
        }
        return all;
    }

    private static List<LocalDate> on(List<AttendanceStore.Day> days, String status) {
        return days.stream().filter(d -> d.status().equals(status)).map(AttendanceStore.Day::onDay).toList();
    }

    /** A day on which a student was away or late. @param reason as it was told; null for none */
    public record ToldDay(LocalDate day, boolean late, @Nullable String reason) {}

    /** The newest first; only days on which the school was open. */
    public List<ToldDay> told(Enrolled student, LocalDate from, LocalDate asOf) {
        SchoolDays school = calendar.of(student.schoolId(), asOf);
        return store.days(List.of(student.id()), from, asOf).stream()
                .filter(d -> school.open(d.onDay()) && (d.status().equals("absent") || d.status().equals("late")))
                .map(d -> new ToldDay(d.onDay(), d.status().equals("late"), d.reason())).sorted(Comparator.comparing(ToldDay::day).reversed()).toList();
    }

    /** Days of one student, of all years, on which the school was open. @param away the earliest first @param late the same */
    public record OwnDays(List<LocalDate> away, List<LocalDate> late) {}

    public OwnDays ofStudent(Enrolled student, LocalDate from, LocalDate asOf) {
        SchoolDays school = calendar.of(student.schoolId(), asOf);
        List<AttendanceStore.Day> own = store.days(List.of(student.id()), from, asOf).stream().filter(d -> school.open(d.onDay())).toList();
        return new OwnDays(on(own, "absent"), on(own, "late"));
    }

    /** Why students were away, the most frequent first. */
    Map<String, Long> reasons(List<Enrolled> students, SchoolYear year, LocalDate asOf) {
        return store.days(students.stream().map(Enrolled::id).toList(), year.starts(), asOf).stream().filter(d -> d.status().equals("absent"))
                .collect(Collectors.groupingBy(d -> d.reason() == null ? "" : d.reason(), Collectors.counting()));
    }
}
