package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;

/** Changes plans, closes them and opens them again; those of one group together where that is wanted. Each command is whole or not at all. */
@Service
public class PlanChanges {
    private final PlansStore store;
    private final PlansService plans;
    private final StrategiesService strategies;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    PlanChanges(PlansStore store, PlansService plans, StrategiesService strategies, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.plans = plans;
        this.strategies = strategies;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** Begins a new phase today of a plan that must be the student's own on the measure. */
    @Transactional
    public void change(long id, int student, int measure, PlanForm.Way way) {
        Plan plan = plans.running(List.of(id)).get(0);
        if (plan.studentId() != student || plan.measureId() != measure) {
            throw Refusal.invalid("planChange", "That plan is of another student or measure. Nothing was saved.");
        }
        change(List.of(plan), calendar.today(), way);
    }

    /**
     * Begins a new phase on {@code starts}: the plans are carried out otherwise from then on.
     *
     * @param id the plan that was looked at
     * @param together others of its group that go the same way
     */
    @Transactional
    public void change(long id, @Nullable List<Long> together, LocalDate starts, PlanForm.Way way) {
        change(group(id, together), starts, way);
    }

    /** The plan and those of its group that go with it, all of them running. */
    private List<Plan> group(long id, @Nullable List<Long> together) {
        Set<Long> ids = new LinkedHashSet<>(List.of(id));
        ids.addAll(together == null ? List.of() : together);
        List<Plan> all = plans.running(ids);
        Long group = all.get(0).groupId();
        if (all.size() > 1 && all.stream().anyMatch(p -> group == null || !group.equals(p.groupId()))) {
            throw Refusal.invalid("together", "One of the plans is not of this group. Nothing was saved.");
        }
        return all;
    }

    private void change(List<Plan> all, LocalDate starts, PlanForm.Way way) {
        LocalDate today = calendar.today();
        if (Words.orNull(way.reason()) == null) {
            throw Refusal.invalid("reason", "Say in a few words why the plan changes.");
        }
        if (starts.isAfter(today.plusDays(60))) {
            throw Refusal.invalid("starts", "A change begins within the next two months.");
        }
        for (Plan plan : all) {
            LocalDate last = newestPhase(plan);
            if (!starts.isAfter(last)) {
                throw Refusal.invalid("starts", "The phase before began on " + Words.day(last)
                        + "; phases cannot overlap, so a change must begin after that day. Nothing was saved.");
            }
            if (!starts.isBefore(plan.ends())) {
                throw Refusal.invalid("starts", "The plan ends on " + Words.day(plan.ends()) + "; a change must begin before. Nothing was saved.");
            }
        }
        Plan first = all.get(0);
        String strategy = strategies.name(way.strategyId(), way.strategy(), roster.enrolled(first.studentId(), today).schoolId());
        store.insertPhase(PlansStore.Hook.of(all), first.measureId(), way.phase(starts, strategy), way.strategyId(), today, Viewer.current().id());
    }

    private static LocalDate newestPhase(Plan plan) {
        return plan.phases().get(plan.phases().size() - 1).starts();
    }

    /** Ends plans with what came of them. */
    @Transactional
    public void close(long id, @Nullable List<Long> together, LocalDate on, PlanOutcome outcome, @Nullable String note) {
        for (Plan plan : group(id, together)) {
            if (on.isAfter(calendar.today()) || on.isBefore(newestPhase(plan))) {
                throw Refusal.invalid("on", "A plan is closed on a day from " + Words.day(newestPhase(plan)) + " to today.");
            }
            supersede(plan, plan.version().closed(on, outcome, Words.orNull(note)));
        }
    }

    /** Changes what worries us, what counts as success and the last day. */
    @Transactional
    public void amend(long id, @Nullable List<Long> together, String worry, @Nullable String success, LocalDate ends) {
        for (Plan plan : group(id, together)) {
            if (!ends.isAfter(newestPhase(plan))) {
                throw Refusal.invalid("ends", "The last day must be after the newest phase began. Nothing was saved.");
            }
            supersede(plan, plan.version().amended(worry.strip(), Words.orNull(success), ends));
        }
    }

    /** Opens a closed plan again, as if it had never been closed; what came of it then stays in its history. */
    @Transactional
    public void reopen(long id, String reason) {
        LocalDate today = calendar.today();
        Plan plan = plans.versions(List.of(id)).get(0);
        if (plan.open()) {
            throw Refusal.conflict("This plan runs already.");
        }
        long again = supersede(plan, plan.version().reopened(plan.ends().isAfter(today) ? plan.ends() : today.plusDays(42)));
        store.sayWhyReopened(again, reason.strip());
    }

    /** The phase that a decision of a day began goes when the decision is taken back. */
    @Transactional
    public void withdrawPhase(int student, int measure, LocalDate starts) {
        store.withdrawPhase(student, measure, starts, calendar.today());
    }

    /** @return the number of the new version */
    private long supersede(Plan old, PlanVersion now) {
        long id = store.nextIds(1).get(0);
        if (!store.supersede(old.id(), id, calendar.today())) {
            throw Refusal.conflict("Somebody else has changed this plan meanwhile. Yours was not saved.");
        }
        try {
            store.insert(List.of(new PlansStore.Numbered(id, now)), calendar.today(), Viewer.current().id());
        } catch (DataIntegrityViolationException e) {
            throw Refusal.conflict("There is another plan for this measure at that time. Change or close it first. Nothing was saved.");
        }
        return id;
    }
}
