package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.monitoring.goals.GoalForm;
import org.zealousladder.server.monitoring.goals.GoalsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;

/** Makes plans, for one student or for several at once: whole or not at all. */
@Service
public class PlanMaking {
    private final PlansStore store;
    private final StrategiesService strategies;
    private final MeasuresService measures;
    private final RosterService roster;
    private final GoalsService goals;
    private final SchoolCalendar calendar;

    PlanMaking(PlansStore store, StrategiesService strategies, MeasuresService measures, RosterService roster, GoalsService goals, SchoolCalendar calendar) {
        this.store = store;
        this.strategies = strategies;
        this.measures = measures;
        this.roster = roster;
        this.goals = goals;
        this.calendar = calendar;
    }

    /**
     * Makes one plan for each student of {@code form}, and sets the goals that were chosen with it.
     *
     * @return the number of their group; null for one student alone
     */
    @Transactional
    public @Nullable Long make(PlanForm form) {
        measures.measure(form.measureId());
        LocalDate today = calendar.today();
        if (!form.ends().isAfter(form.starts())) {
            throw Refusal.invalid("ends", "The last day must be after the first. Nothing was saved.");
        }
        List<Enrolled> known = roster.enrolledAmong(form.students(), today);
        Set<Integer> wanted = new HashSet<>(form.students());
        if (known.size() != wanted.size()) {
            throw Refusal.invalid("students", "One of the students is not yours to plan for, or is not enrolled today. Nothing was saved.");
        }
        requireFree(form, known, wanted);
        String groupName = Words.orNull(form.groupName());
        boolean several = known.size() > 1 || groupName != null;
        List<Long> ids = store.nextIds(known.size());
        Long group = several ? ids.get(0) : null;
        List<PlansStore.Numbered> made = new ArrayList<>();
        for (int i = 0; i < known.size(); i++) {
            made.add(new PlansStore.Numbered(ids.get(i),
                    PlanVersion.begun(ids.get(i), known.get(i).id(), group, form, several ? groupName : null, Words.orNull(form.success()))));
        }
        try {
            store.insert(made, today, Viewer.current().id());
        } catch (DataIntegrityViolationException e) {
            throw Refusal.conflict("There is another plan for this measure at that time. Change or close it first. Nothing was saved.");
        }
        PlanForm.Way way = form.way();
        Plan.PlanPhase phase = way.phase(form.starts(), strategies.name(way.strategyId(), way.strategy(), known.get(0).schoolId()));
        store.insertPhase(made.stream().map(m -> new PlansStore.Hook(m.version().root(), m.version().studentId())).toList(), form.measureId(), phase,
                way.strategyId(), today, Viewer.current().id());
        setGoals(form, wanted);
        return group;
    }

    /**
     * Gives a student the plan that a group has, from today on. Who has a plan for that measure already keeps it.
     *
     * @param of a running plan of the group
     * @return whether a plan was made
     */
    @Transactional
    public boolean join(int student, Plan of) {
        LocalDate today = calendar.today();
        LocalDate from = of.starts().isAfter(today) ? of.starts() : today;
        if (!of.ends().isAfter(from) || !store.studentsWithPlan(Set.of(student), of.measureId(), from).isEmpty()) {
            return false;
        }
        long id = store.nextIds(1).get(0);
        PlanVersion version = new PlanVersion(id, student, of.measureId(), of.groupId(), of.groupName(), of.worry(), of.success(), from, of.ends(), null, null,
                null);
        store.insert(List.of(new PlansStore.Numbered(id, version)), today, Viewer.current().id());
        Plan.PlanPhase now = of.phaseOn(from);
        store.insertPhase(List.of(new PlansStore.Hook(id, student)), of.measureId(),
                new Plan.PlanPhase(from, now.strategy(), now.place(), now.leader(), now.minutes(), now.perWeek(), now.reason()), null, today,
                Viewer.current().id());
        return true;
    }

    private void requireFree(PlanForm form, List<Enrolled> known, Set<Integer> wanted) {
        List<Integer> busy = store.studentsWithPlan(wanted, form.measureId(), form.starts());
        if (!busy.isEmpty()) {
            List<String> names = known.stream().filter(e -> busy.contains(e.id())).map(e -> e.ref().name()).toList();
            throw Refusal.conflict(Words.list(names) + (names.size() == 1 ? " has" : " have")
                    + " a plan for this measure at that time. Change or close it first. Nothing was saved.");
        }
    }

    /** The goals that were chosen with the plan; in the same transaction, so there is never the one without the other. */
    private void setGoals(PlanForm form, Set<Integer> students) {
        List<GoalForm> chosen = form.goals() == null ? List.of() : form.goals();
        if (chosen.stream().anyMatch(g -> !students.contains(g.studentId()) || g.measureId() != form.measureId())) {
            throw Refusal.invalid("goals", "A goal is for another student or measure than the plan. Nothing was saved.");
        }
        goals.setAll(chosen);
    }
}
