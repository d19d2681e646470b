package org.zealousladder.server.learning.groups;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.learning.groups.Board.KeepForm;
import org.zealousladder.server.learning.groups.Board.KeptGroups;
import org.zealousladder.server.learning.groups.Board.KeptTable;
import org.zealousladder.server.learning.groups.Board.PairForm;
import org.zealousladder.server.learning.groups.Board.TableForm;
import org.zealousladder.server.monitoring.plans.PlanForm;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/** Keeps groups for a day or for longer, and pairs that are to be together or apart. */
@Service
@Transactional
class KeptGroupsService {
    private static final int DAYS_AHEAD = 60;
    private static final int DAYS_BACK = 60;

    private final SmallGroupsStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;
    private final GroupPlans plans;

    KeptGroupsService(SmallGroupsStore store, RosterService roster, SchoolCalendar calendar, GroupPlans plans) {
        this.plans = plans;
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** Those that hold on a day or later, and those of some weeks before it, with whoever of {@code students} sits or sat in them. */
    @Transactional(readOnly = true)
    List<KeptGroups> of(List<Enrolled> students, LocalDate asOf) {
        Map<Integer, StudentRef> refs = students.stream().collect(Collectors.toMap(Enrolled::id, Enrolled::ref));
        List<SmallGroupsStore.Arrangement> all = store.kept(refs.keySet(), asOf.minusDays(DAYS_BACK), asOf);
        Map<Integer, List<SmallGroupsStore.Seat>> seats = all.isEmpty() ? Map.of()
                : store.seats(all.stream().map(SmallGroupsStore.Arrangement::id).toList(), asOf).stream()
                        .collect(Collectors.groupingBy(SmallGroupsStore.Seat::arrangement, LinkedHashMap::new, Collectors.toList()));
        return all.stream().map(a -> new KeptGroups(a.id(), a.title(), a.standing(), a.starts(), a.ends(), a.ends() != null && a.ends().isBefore(asOf),
                Viewer.current().worksAt(a.schoolId()),
                tables(seats.getOrDefault(a.id(), List.of()), refs))).toList();
    }

    private static List<KeptTable> tables(List<SmallGroupsStore.Seat> seats, Map<Integer, StudentRef> refs) {
        Map<Integer, List<SmallGroupsStore.Seat>> by = seats.stream()
                .collect(Collectors.groupingBy(SmallGroupsStore.Seat::tableId, LinkedHashMap::new, Collectors.toList()));
        return by.values().stream().map(s -> new KeptTable(s.get(0).tableId(), s.get(0).name(), s.get(0).leader(), s.get(0).atTime(), s.get(0).shares(),
                s.stream().map(x -> refs.get(x.student())).filter(java.util.Objects::nonNull).map(java.util.Objects::requireNonNull).sorted(StudentRef.BY_NAME)
                        .toList()))
                .toList();
    }

    /**
     * Keeps groups.
     *
     * @return the arrangement's id
     * @throws Refusal 422 for a student in two groups, one who is not there, or a day that has been or is far off
     */
    int keep(KeepForm f) {
        Who who = Who.parse(f.who());
        LocalDate today = calendar.today();
        if (f.day().isBefore(today) || f.day().isAfter(today.plusDays(DAYS_AHEAD)) || !roster.year(f.year()).clamp(f.day()).equals(f.day())) {
            throw Refusal.invalid("day", "Groups are kept for today or a day of this school year in the next two months. Nothing was saved.");
        }
        Map<Integer, Enrolled> there = roster.enrolled(who, f.year(), today).stream().collect(Collectors.toMap(Enrolled::id, Function.identity()));
        Set<Integer> seen = new HashSet<>();
        Set<String> names = new HashSet<>();
        for (TableForm t : f.tables()) {
            if (!names.add(t.name().strip())) {
                throw Refusal.invalid("name", "Two groups are called " + t.name().strip() + ". Give one another name. Nothing was saved.");
            }
            for (int s : t.students()) {
                Enrolled e = there.get(s);
                if (e == null) {
                    throw Refusal.conflict("Somebody has left this class meanwhile. Open the board again; nothing was saved.");
                }
                if (!seen.add(s)) {
                    throw Refusal.invalid("students", e.ref().name() + " is in two groups. Nothing was saved.");
                }
            }
        }
        return store.keep(roster.school(who), f, who.kind() == Who.Kind.CLASS ? who.id() : null);
    }

    private SmallGroupsStore.Arrangement standing(int id) {
        SmallGroupsStore.Arrangement a = store.arrangement(id).orElseThrow(() -> Refusal.notFound("There are no such groups."));
        if (!Viewer.current().worksAt(a.schoolId())) {
            throw Refusal.forbidden("Groups of another school are not yours to change. Nothing was saved.");
        }
        if (a.ends() != null && a.ends().isBefore(calendar.today())) {
            throw Refusal.conflict("These groups have ended. Nothing was saved.");
        }
        return a;
    }

    /** They were there until yesterday. */
    void end(int id) {
        standing(id);
        store.end(id, calendar.today().minusDays(1));
    }

    /** A student changes tables of standing groups from today on. @param table null: leaves them */
    void move(int id, int student, @Nullable Integer table) {
        SmallGroupsStore.Arrangement a = standing(id);
        if (!a.standing()) {
            throw Refusal.conflict("Groups of one day stay as they were kept. Keep others in their place. Nothing was saved.");
        }
        LocalDate today = calendar.today();
        List<SmallGroupsStore.Seat> seats = new ArrayList<>(store.seats(List.of(id), today));
        if (table != null && !store.hasTable(id, table)) {
            throw Refusal.notFound("There is no such group. Nothing was saved.");
        }
        if (table == null || seats.stream().noneMatch(s -> s.tableId() == requireNonNull(table) && s.student() == student)) {
            List<SmallGroupsStore.Seat> left = seats.stream().filter(s -> s.student() == student).toList();
            store.move(id, student, table, a.starts().isAfter(today) ? a.starts() : today);
            left.forEach(s -> plans.leaves(student, List.of(s.tableId()), s.name()));
            if (table != null) {
                plans.joins(student, table, at(seats, table));
            }
        }
    }

    /** Who leads a table, and when it meets. */
    void change(int id, int table, @Nullable String leader, @Nullable String atTime) {
        standing(id);
        if (!store.change(id, table, leader, atTime)) {
            throw Refusal.notFound("There is no such group. Nothing was saved.");
        }
    }

    private static Set<Integer> at(List<SmallGroupsStore.Seat> seats, int table) {
        return seats.stream().filter(s -> s.tableId() == table).map(SmallGroupsStore.Seat::student).collect(Collectors.toSet());
    }

    /** A plan for those who sit at a table of standing groups, which follows who joins it or leaves. */
    void plan(int id, int table, PlanForm form) {
        SmallGroupsStore.Arrangement a = standing(id);
        if (!a.standing()) {
            throw Refusal.conflict("Groups of one day have no plan of their own. Make it for the students. Nothing was saved.");
        }
        plans.make(table, at(store.seats(List.of(id), calendar.today()), table), form);
    }

    void pair(PairForm f) {
        if (f.a() == f.b()) {
            throw Refusal.invalid("b", "Choose two students. Nothing was saved.");
        }
        LocalDate today = calendar.today();
        if (f.until() != null && f.until().isBefore(today)) {
            throw Refusal.invalid("until", "That day has been. Choose a later one. Nothing was saved.");
        }
        if (roster.enrolledAmong(List.of(f.a(), f.b()), today).size() < 2) {
            throw Refusal.forbidden("Both have to be students of yours. Nothing was saved.");
        }
        store.pair(f, today);
    }

    void unpair(int id) {
        if (!store.unpair(id, calendar.today())) {
            throw Refusal.notFound("That is no longer so. Open the board again.");
        }
    }
}
