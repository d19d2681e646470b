package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.calendar.CalendarService;

/** Reads plans, and counts their sessions. */
@Service
public class PlansService {
    private final PlansStore store;
    private final SchoolCalendar calendar;
    private final CalendarService days;

    PlansService(PlansStore store, SchoolCalendar calendar, CalendarService days) {
        this.days = days;
        this.store = store;
        this.calendar = calendar;
    }

    /** Plans as known on {@code asOf}, the newest first; of all measures when {@code measure} is null. */
    @Transactional(readOnly = true)
    public List<Plan> knownOn(Collection<Integer> students, @Nullable Integer measure, LocalDate asOf) {
        return students.isEmpty() ? List.of() : store.knownOn(students, measure, asOf, days.schools(asOf));
    }

    @Transactional(readOnly = true)
    List<PlansStore.SessionRow> sessions(Collection<Integer> students, LocalDate from, LocalDate to, LocalDate asOf) {
        return students.isEmpty() ? List.of() : store.sessions(students, from, to, asOf);
    }

    /** Sessions held between two days, both included, by student; who had none is left out. */
    @Transactional(readOnly = true)
    public Map<Integer, Integer> held(Collection<Integer> students, LocalDate from, LocalDate to, LocalDate asOf) {
        return store.held(students, from, to, asOf).stream().collect(Collectors.toMap(PlansStore.HeldRow::studentId, PlansStore.HeldRow::given));
    }

    /**
     * The plans of these numbers, all of them running today: three reads whatever their number.
     *
     * @throws Refusal 404 for one that is not of the viewer's students, 409 for one that somebody has changed or closed
     */
    @Transactional(readOnly = true)
    List<Plan> running(Collection<Long> ids) {
        List<Plan> plans = versions(ids);
        if (plans.stream().anyMatch(p -> !p.open())) {
            throw Refusal.conflict("This plan is closed. Nothing was saved.");
        }
        return plans;
    }

    /** As {@link #running}, also those that are closed. */
    @Transactional(readOnly = true)
    List<Plan> versions(Collection<Long> ids) {
        List<PlansStore.Owner> owners = store.owners(ids);
        if (owners.size() < Set.copyOf(ids).size()) {
            throw Refusal.notFound("There is no such plan among your students'.");
        }
        Map<Long, Plan> current = knownOn(owners.stream().map(PlansStore.Owner::studentId).distinct().toList(), null, calendar.today()).stream()
                .collect(Collectors.toMap(Plan::id, p -> p));
        return ids.stream().distinct().map(id -> {
            Plan plan = current.get(id);
            if (plan == null) {
                throw Refusal.conflict("Somebody else has changed or closed this plan meanwhile. Yours was not saved; look at theirs first.");
            }
            return plan;
        }).toList();
    }

    /** Records {@code given} sessions on a day for each of the plans; 0 takes back. */
    @Transactional
    public void hold(List<Long> ids, LocalDate day, int given) {
        LocalDate today = calendar.today();
        if (day.isAfter(today)) {
            throw Refusal.invalid("day", "That day is still to come. A session is ticked when it was held.");
        }
        List<Plan> plans = running(ids);
        plans.stream().filter(p -> day.isBefore(p.starts())).findFirst().ifPresent(p -> {
            throw Refusal.invalid("day", "The plan begins on " + Words.day(p.starts()) + "; that day is before it.");
        });
        store.hold(plans, day, given, today, Viewer.current().id());
    }
}
