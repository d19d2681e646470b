package org.zealousladder.server.learning.groups;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.monitoring.plans.PlanChanges;
import org.zealousladder.server.monitoring.plans.PlanForm;
import org.zealousladder.server.monitoring.plans.PlanMaking;
import org.zealousladder.server.monitoring.plans.PlanOutcome;
import org.zealousladder.server.monitoring.plans.PlansService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;

/** Plans that were made for a standing group: who joins it gets the plan, whose leaves it has it closed. */
@Service
@Transactional
class GroupPlans {
    private final SmallGroupsStore store;
    private final PlanMaking making;
    private final PlanChanges changes;
    private final PlansService plans;
    private final SchoolCalendar calendar;

    GroupPlans(SmallGroupsStore store, PlanMaking making, PlanChanges changes, PlansService plans, SchoolCalendar calendar) {
        this.store = store;
        this.making = making;
        this.changes = changes;
        this.plans = plans;
        this.calendar = calendar;
    }

    /** @param sitting whoever sits at the table today @throws Refusal 422 for a student who does not, or for one alone without a name of the group */
    void make(int table, Set<Integer> sitting, PlanForm form) {
        if (!sitting.containsAll(form.students())) {
            throw Refusal.invalid("students", "Somebody has left this group meanwhile. Open it again; nothing was saved.");
        }
        Long group = making.make(form);
        if (group == null) {
            throw Refusal.invalid("groupName", "Give the group's name, so that its plans are known as one. Nothing was saved.");
        }
        store.addPlan(table, group);
    }

    /** @param others who sit at the table beside the student */
    void joins(int student, int table, Set<Integer> others) {
        Set<Long> groups = new HashSet<>(store.plansOf(List.of(table)));
        if (groups.isEmpty() || others.isEmpty()) {
            return;
        }
        List<Plan> running = running(List.copyOf(others), groups);
        groups.forEach(g -> running.stream().filter(p -> g.equals(p.groupId())).findFirst().ifPresent(p -> making.join(student, p)));
    }

    /** @param tables that the student sits at no more */
    void leaves(int student, List<Integer> tables, String group) {
        Set<Long> groups = new HashSet<>(store.plansOf(tables));
        LocalDate today = calendar.today();
        for (Plan p : groups.isEmpty() ? List.<Plan>of() : running(List.of(student), groups)) {
            // One that has not begun cannot have ended; it stays for whoever made it to say what becomes of it.
            if (!p.phases().get(p.phases().size() - 1).starts().isAfter(today)) {
                changes.close(p.id(), null, today, PlanOutcome.STOPPED, "Left the group " + group);
            }
        }
    }

    private List<Plan> running(List<Integer> students, Set<Long> groups) {
        return plans.knownOn(students, null, calendar.today()).stream().filter(p -> p.open() && p.groupId() != null && groups.contains(p.groupId()))
                .collect(Collectors.toList());
    }
}
