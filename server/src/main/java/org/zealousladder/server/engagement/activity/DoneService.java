package org.zealousladder.server.engagement.activity;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/** Opens what was done: from a program down to its page. */
@Service
@Transactional(readOnly = true)
class DoneService {
    private static final int ACTIONS = 100;

    private final ActivityStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    DoneService(ActivityStore store, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** What is asked for. @param student of whom; null for all of {@code who} @param place that is opened; null for all programs */
    record Asked(String who, @Nullable Integer student, int year, LocalDate asOf, LocalDate from, LocalDate to, @Nullable Integer place) {}

    DoneView view(Asked asked) {
        SchoolYear year = roster.year(asked.year());
        LocalDate asOf = year.clamp(asked.asOf());
        LocalDate to = asked.to().isAfter(asOf) ? asOf : asked.to();
        LocalDate from = asked.from().isBefore(year.starts()) ? year.starts() : asked.from();
        List<Enrolled> students = asked.student() == null ? roster.enrolled(Who.parse(asked.who()), asked.year(), asOf) : List.of(one(asked.student(), asOf));
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        Map<Integer, StudentRef> refs = students.stream().collect(Collectors.toMap(Enrolled::id, Enrolled::ref, (a, b) -> a));
        List<DoneView.DoneStep> trail = asked.place() == null ? List.of() : store.trail(asked.place());
        if (asked.place() != null && trail.isEmpty()) {
            throw Refusal.notFound("There is no such place.");
        }
        List<Integer> classes = students.stream().map(Enrolled::classId).distinct().toList();
        Map<Integer, Double> usual = classes.size() != 1 ? Map.of() : store.usual(classes.get(0), asked.place(), from, to, asOf).stream()
                .collect(Collectors.toMap(ActivityStore.Usual::contextId, ActivityStore.Usual::usual));
        List<DoneView.DonePlace> places = store.places(ids, asked.place(), trail.size(), from, to).stream()
                .map(p -> new DoneView.DonePlace(p.id(), p.name(), p.minutes(), p.actions(), p.students(), usual.get(p.id()), p.deeper())).toList();
        List<DoneView.DoneAction> actions = store.actions(ids, asked.place(), trail.size(), from, to, ACTIONS).stream()
                .map(a -> new DoneView.DoneAction(requireNonNull(refs.get(a.studentId())), a.day(),
                        a.at() == null ? null : a.at().atZoneSameInstant(calendar.zone()).toLocalTime(), a.kind(), a.minutes(), a.actions(), a.place()))
                .toList();
        return new DoneView(from, to, store.kinds(ids, from, to), store.days(ids, from, to), trail, places, actions);
    }

    private Enrolled one(int student, LocalDate asOf) {
        roster.requireStudent(student);
        return roster.enrolled(student, asOf);
    }
}
