package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;

/** Reads plans, and counts their sessions. */
@Service
public class PlansService {
    private final PlansStore store;
    private final SchoolCalendar calendar;

    PlansService(PlansStore store, SchoolCalendar calendar) {
        this.store = store;
        this.calendar = calendar;
    }

    /** Plans as known on {@code asOf}, the newest first; of all measures when {@code measure} is null. */
    @Transactional(readOnly = true)
    public List<Plan> knownOn(Collection<Integer> students, @Nullable Integer measure, LocalDate asOf) {
        return students.isEmpty() ? List.of() : store.knownOn(students, measure, asOf);
    }

    @Transactional(readOnly = true)
    List<PlansStore.SessionRow> sessions(Collection<Integer> students, LocalDate from, LocalDate to, LocalDate asOf) {
        return students.isEmpty() ? List.of() : store.sessions(students, from, to, asOf);
    }

    /**
     * The version of a plan that somebody saw, if it is still the newest and runs.
     *
     * @throws Refusal 409 when it was changed or closed meanwhile
     */
    @Transactional(readOnly = true)
    Plan running(long id) {
        Plan plan = store.version(id, calendar.today())
                .orElseThrow(() -> Refusal.conflict("Somebody else has changed or closed this plan meanwhile. Yours was not saved; look at theirs first."));
        if (!plan.open()) {
            throw Refusal.conflict("This plan is closed. Nothing was saved.");
        }
        return plan;
    }

    /** Records {@code given} sessions on a day for each of the plans; 0 takes back. */
    @Transactional
    public void hold(List<Long> ids, LocalDate day, int given) {
        LocalDate today = calendar.today();
        if (day.isAfter(today)) {
            throw Refusal.invalid("day", "That day is still to come. A session is ticked when it was held.");
        }
        List<Plan> plans = ids.stream().distinct().map(this::running).toList();
        plans.stream().filter(p -> day.isBefore(p.starts())).findFirst().ifPresent(p -> {
            throw Refusal.invalid("day", "The plan begins on " + Words.day(p.starts()) + "; that day is before it.");
        });
        store.hold(plans, day, given, today, Viewer.current().id());
    }
}
