package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
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

/** Reads, makes, changes and closes plans, and counts their sessions. Each command is whole or not at all. */
@Service
public class PlansService {
    private static final Set<String> OUTCOMES = Set.of("met", "partly", "not-met", "stopped");

    private final PlansStore store;
    private final StrategiesService strategies;
    private final MeasuresService measures;
    private final RosterService roster;
    private final GoalsService goals;
    private final SchoolCalendar calendar;

    PlansService(PlansStore store, StrategiesService strategies, MeasuresService measures, RosterService roster, GoalsService goals,
            SchoolCalendar calendar) {
        this.store = store;
        this.strategies = strategies;
        this.measures = measures;
        this.roster = roster;
        this.goals = goals;
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

    /** Makes one plan for each student of {@code form}, and sets the goals that were chosen with it. */
    @Transactional
    public void make(PlanForm form) {
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
        List<Integer> busy = store.studentsWithPlan(wanted, form.measureId(), form.starts());
        if (!busy.isEmpty()) {
            List<String> names = known.stream().filter(e -> busy.contains(e.id())).map(e -> e.ref().name()).toList();
            throw Refusal.conflict(Words.list(names) + (names.size() == 1 ? " has" : " have")
                    + " a plan for this measure at that time. Change or close it first. Nothing was saved.");
        }
        PlanForm.Way way = form.way();
        int school = known.get(0).schoolId();
        String strategy = strategies.name(way.strategyId(), way.strategy(), school);
        boolean several = known.size() > 1 || Words.orNull(form.groupName()) != null;
        List<Long> ids = store.nextIds(known.size());
        Long group = several ? ids.get(0) : null;
        List<Plan> made = new ArrayList<>();
        for (int i = 0; i < known.size(); i++) {
            made.add(new Plan(ids.get(i), ids.get(i), known.get(i).id(), form.measureId(), group, several ? Words.orNull(form.groupName()) : null,
                    form.worry().strip(),
                    Words.orNull(form.success()), form.starts(), form.ends(), null, null, null, null, List.of(), 0, 0, false));
        }
        save(made, today);
        store.insertPhase(made, phase(form.starts(), strategy, way), way.strategyId(), today, Viewer.current().id());
        setGoals(form, wanted);
    }

    /** The goals that were chosen with the plan; in the same transaction, so there is never the one without the other. */
    private void setGoals(PlanForm form, Set<Integer> students) {
        List<GoalForm> chosen = form.goals() == null ? List.of() : form.goals();
        if (chosen.stream().anyMatch(g -> !students.contains(g.studentId()) || g.measureId() != form.measureId())) {
            throw Refusal.invalid("goals", "A goal is for another student or measure than the plan. Nothing was saved.");
        }
        goals.setAll(chosen);
    }

    /** Begins a new phase today of a plan that must be the student's own on the measure. */
    @Transactional
    public void change(long id, int student, int measure, PlanForm.Way way) {
        Plan plan = open(id);
        if (plan.studentId() != student || plan.measureId() != measure) {
            throw Refusal.invalid("planChange", "That plan is of another student or measure. Nothing was saved.");
        }
        change(plan, calendar.today(), way);
    }

    /** Begins a new phase on {@code starts}: the plan is carried out otherwise from then on. */
    @Transactional
    public void change(long id, LocalDate starts, PlanForm.Way way) {
        change(open(id), starts, way);
    }

    private void change(Plan plan, LocalDate starts, PlanForm.Way way) {
        LocalDate today = calendar.today();
        if (Words.orNull(way.reason()) == null) {
            throw Refusal.invalid("reason", "Say in a few words why the plan changes.");
        }
        if (starts.isAfter(today.plusDays(60))) {
            throw Refusal.invalid("starts", "A change begins within the next two months.");
        }
        LocalDate last = plan.phases().get(plan.phases().size() - 1).starts();
        if (!starts.isAfter(last)) {
            throw Refusal.invalid("starts",
                    "The phase before began on " + Words.day(last) + "; phases cannot overlap, so a change must begin after that day. Nothing was saved.");
        }
        if (!starts.isBefore(plan.ends())) {
            throw Refusal.invalid("starts", "The plan ends on " + Words.day(plan.ends()) + "; a change must begin before. Nothing was saved.");
        }
        String strategy = strategies.name(way.strategyId(), way.strategy(), roster.enrolled(plan.studentId(), today).schoolId());
        store.insertPhase(List.of(plan), phase(starts, strategy, way), way.strategyId(), today, Viewer.current().id());
    }

    /** Ends a plan with what came of it. */
    @Transactional
    public void close(long id, LocalDate on, String outcome, @Nullable String note) {
        Plan plan = open(id);
        LocalDate today = calendar.today();
        if (!OUTCOMES.contains(outcome)) {
            throw Refusal.invalid("outcome", "Say how it ended: met, partly, not-met or stopped.");
        }
        LocalDate last = plan.phases().get(plan.phases().size() - 1).starts();
        if (on.isAfter(today) || on.isBefore(last)) {
            throw Refusal.invalid("on", "A plan is closed on a day from " + Words.day(last) + " to today.");
        }
        supersede(plan, new Plan(nextId(), plan.root(), plan.studentId(), plan.measureId(), plan.groupId(), plan.groupName(), plan.worry(),
                plan.success(), plan.starts(), plan.ends(), on, outcome, Words.orNull(note), null, List.of(), 0, 0, false), today);
    }

    /** The phase that a decision of a day began goes when the decision is taken back. */
    @Transactional
    public void withdrawPhase(int student, int measure, LocalDate starts) {
        store.withdrawPhase(student, measure, starts, calendar.today());
    }

    /** Opens a closed plan again, as if it had never been closed; what came of it then stays in its history. */
    @Transactional
    public void reopen(long id, String reason) {
        LocalDate today = calendar.today();
        Plan plan = store.version(id, today).orElseThrow(() -> Refusal.conflict("Somebody else has changed this plan meanwhile. Look at theirs first."));
        if (plan.open()) {
            throw Refusal.conflict("This plan runs already.");
        }
        Plan again = new Plan(nextId(), plan.root(), plan.studentId(), plan.measureId(), plan.groupId(), plan.groupName(), plan.worry(), plan.success(),
                plan.starts(),
                plan.ends().isAfter(today) ? plan.ends() : today.plusDays(42), null, null, null, null, List.of(), 0, 0, false);
        supersede(plan, again, today);
        store.sayWhyReopened(again.id(), reason.strip());
    }

    /** Changes what worries us, what counts as success and the last day. */
    @Transactional
    public void amend(long id, String worry, @Nullable String success, LocalDate ends) {
        Plan plan = open(id);
        if (!ends.isAfter(plan.phases().get(plan.phases().size() - 1).starts())) {
            throw Refusal.invalid("ends", "The last day must be after the newest phase began. Nothing was saved.");
        }
        supersede(plan, new Plan(nextId(), plan.root(), plan.studentId(), plan.measureId(), plan.groupId(), plan.groupName(), worry.strip(),
                Words.orNull(success), plan.starts(), ends, null, null, null, null, List.of(), 0, 0, false), calendar.today());
    }

    /** Records {@code given} sessions on a day for each of the plans; 0 takes back. */
    @Transactional
    public void hold(List<Long> ids, LocalDate day, int given) {
        LocalDate today = calendar.today();
        if (day.isAfter(today)) {
            throw Refusal.invalid("day", "That day is still to come. A session is ticked when it was held.");
        }
        List<Plan> plans = ids.stream().distinct().map(this::open).toList();
        plans.stream().filter(p -> day.isBefore(p.starts())).findFirst().ifPresent(p -> {
            throw Refusal.invalid("day", "The plan begins on " + Words.day(p.starts()) + "; that day is before it.");
        });
        store.hold(plans, day, given, today, Viewer.current().id());
    }

    private Plan open(long id) {
        Plan plan = store.version(id, calendar.today())
                .orElseThrow(() -> Refusal.conflict("Somebody else has changed or closed this plan meanwhile. Yours was not saved; look at theirs first."));
        if (!plan.open()) {
            throw Refusal.conflict("This plan is closed. Nothing was saved.");
        }
        return plan;
    }

    private long nextId() {
        return store.nextIds(1).get(0);
    }

    private void supersede(Plan old, Plan now, LocalDate today) {
        if (!store.supersede(old.id(), now.id(), today)) {
            throw Refusal.conflict("Somebody else has changed this plan meanwhile. Yours was not saved.");
        }
        save(List.of(now), today);
    }

    private void save(List<Plan> plans, LocalDate today) {
        try {
            store.insert(plans, today, Viewer.current().id());
        } catch (DataIntegrityViolationException e) {
            throw Refusal.conflict("There is another plan for this measure at that time. Change or close it first. Nothing was saved.");
        }
    }

    private static Plan.PlanPhase phase(LocalDate starts, String strategy, PlanForm.Way way) {
        return new Plan.PlanPhase(starts, strategy, Words.orNull(way.place()), Words.orNull(way.leader()), way.minutes(), way.perWeek(),
                Words.orNull(way.reason()));
    }
}
