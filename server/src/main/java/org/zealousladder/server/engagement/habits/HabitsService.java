package org.zealousladder.server.engagement.habits;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.engagement.Habits;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.Who;

/** Puts the page of habits together, for all in scope or for one of them. */
@Service
@Transactional(readOnly = true)
class HabitsService {
    private final HabitsStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    HabitsService(HabitsStore store, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
    }

    HabitsView view(Who who, @Nullable Integer student, int yearId, LocalDate asked) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf).stream().filter(e -> student == null || e.id() == student).toList();
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        List<HabitsStore.HourRow> all = store.hours(ids, year.starts(), asOf, calendar.zone().getId());
        List<HabitsStore.HourRow> rows = all.stream().filter(r -> r.hour() != null).toList();
        List<HabitsView.HabitDay> days = store.days(ids, year.starts(), asOf);
        Map<Integer, Integer> timed = all.stream().filter(r -> r.day() == null)
                .collect(Collectors.toMap(HabitsStore.HourRow::studentId, HabitsStore.HourRow::days));
        int untimed = all.stream().filter(r -> r.day() != null && r.hour() == null).mapToInt(HabitsStore.HourRow::actions).sum();
        Map<Integer, List<HabitsStore.HourRow>> byStudent = rows.stream().collect(Collectors.groupingBy(HabitsStore.HourRow::studentId));
        List<HabitsView.StudentMostly> told = new ArrayList<>();
        for (Enrolled e : students) {
            List<HabitsStore.HourRow> own = byStudent.getOrDefault(e.id(), List.of());
            mostly(own, timed.getOrDefault(e.id(), 0)).ifPresent(m -> told.add(new HabitsView.StudentMostly(e.ref(), HabitsView.MostlyIn.of(m),
                    own.stream().mapToInt(HabitsStore.HourRow::actions).sum())));
        }
        told.sort(Comparator.comparing((HabitsView.StudentMostly s) -> -s.mostly().part().ordinal()).thenComparing(s -> s.student().name()));
        Map<List<Integer>, HabitsView.HabitHour> hours = new TreeMap<>(Comparator.comparing((List<Integer> k) -> k.get(0)).thenComparing(k -> k.get(1)));
        rows.forEach(r -> hours.merge(List.of(day(r), hour(r)), new HabitsView.HabitHour(day(r), hour(r), r.actions(), r.minutes()),
                (a, b) -> new HabitsView.HabitHour(a.day(), a.hour(), a.actions() + b.actions(), a.minutes() + b.minutes())));
        return new HabitsView(List.copyOf(hours.values()), days, mostly(rows, days.size()).map(HabitsView.MostlyIn::of).orElse(null), told,
                rows.stream().mapToInt(HabitsStore.HourRow::actions).sum(), untimed);
    }

    private static Optional<Habits.Mostly> mostly(List<HabitsStore.HourRow> rows, int days) {
        int[] byHour = new int[24];
        rows.forEach(r -> byHour[hour(r)] += r.actions());
        return Habits.mostly(byHour, days);
    }

    private static int day(HabitsStore.HourRow row) {
        return row.day() == null ? 0 : row.day();
    }

    private static int hour(HabitsStore.HourRow row) {
        return row.hour() == null ? 0 : row.hour();
    }
}
