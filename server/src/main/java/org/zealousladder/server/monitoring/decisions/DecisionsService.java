package org.zealousladder.server.monitoring.decisions;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.goals.GoalForm;
import org.zealousladder.server.monitoring.goals.GoalsService;
import org.zealousladder.server.monitoring.plans.PlanChanges;
import org.zealousladder.server.monitoring.plans.PlanForm;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;

/** Reads and records decisions. A decision that changes the goal does both in one transaction. */
@Service
public class DecisionsService {
    private final DecisionsStore store;
    private final GoalsService goals;
    private final PlanChanges plans;
    private final MeasuresService measures;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    DecisionsService(DecisionsStore store, GoalsService goals, PlanChanges plans, MeasuresService measures, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.goals = goals;
        this.plans = plans;
        this.measures = measures;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** Decisions taken by {@code asOf}, the oldest first; of all measures when {@code measure} is null. */
    @Transactional(readOnly = true)
    public List<Decision> knownOn(Collection<Integer> students, @Nullable Integer measure, LocalDate asOf) {
        return students.isEmpty() ? List.of() : store.knownOn(students, measure, asOf);
    }

    /** As {@link #knownOn}, with those that were taken back. */
    @Transactional(readOnly = true)
    public List<Decision> log(Collection<Integer> students, @Nullable Integer measure, LocalDate asOf) {
        return students.isEmpty() ? List.of() : store.log(students, measure, asOf);
    }

    /** Records {@code form} as decided today, with its new goal if it has one. */
    @Transactional
    public void take(DecisionForm form) {
        measures.measure(form.measureId());
        roster.requireStudent(form.studentId());
        LocalDate today = calendar.today();
        LocalDate again = form.lookAgainOn();
        boolean aside = form.kind() == DecisionKind.SET_ASIDE;
        if (again == null && form.kind().lookAgain().isEmpty()) {
            throw Refusal.invalid("lookAgainOn", "Choose the day on which it should come back.");
        }
        if ((aside || form.kind() == DecisionKind.PLAN_CHANGED) && Words.orNull(form.reason()) == null) {
            throw Refusal.invalid("reason", aside ? "Say in a few words why it can wait." : "Say in a few words what changes.");
        }
        if (again != null && !again.isAfter(today)) {
            throw Refusal.invalid("lookAgainOn", "The day to look again must be after today.");
        }
        Long goalId = null;
        if (form.kind() == DecisionKind.RAISE) {
            DecisionForm.NewGoal goal = form.newGoal();
            if (goal == null) {
                throw Refusal.invalid("newGoal", "Give the new goal.");
            }
            requireHigher(form, goal);
            goalId = goals.set(GoalForm.byHand(form.studentId(), form.measureId(), goal.startDate(), goal.startScore(), goal.goalDate(), goal.goalScore(),
                    goal.replaces(), form.reason()));
        }
        if (form.planChange() != null) {
            DecisionForm.PlanChanged change = form.planChange();
            PlanForm.Way way = change.way();
            plans.change(change.planId(), form.studentId(), form.measureId(),
                    new PlanForm.Way(way.strategyId(), way.strategy(), way.place(), way.leader(), way.minutes(),
                            way.perWeek(), form.reason()));
        }
        LocalDate lookAgain = again != null ? again : today.plusDays(form.kind().lookAgain().orElseThrow());
        store.insert(new DecisionsStore.Taken(form.studentId(), form.measureId(), form.kind(), today, lookAgain, form.proposed(), form.because(),
                Words.orNull(form.reason()), goalId), Viewer.current().id());
    }

    /** To lower a goal, or to give more time for the same, is another matter than to raise it. */
    private void requireHigher(DecisionForm form, DecisionForm.NewGoal goal) {
        Goal now = goals.knownOn(List.of(form.studentId()), form.measureId(), calendar.today()).stream().findFirst().orElse(null);
        Measure measure = measures.measure(form.measureId());
        // Another goal than the one that was seen is told as a conflict, by whoever keeps the goals.
        if (now != null && Objects.equals(goal.replaces(), now.id()) && measure.direction().sign() * (goal.goalScore() - now.goalScore()) <= 0) {
            throw Refusal.invalid("goalScore",
                    "The goal is " + Words.plain(now.goalScore()) + " now. Raising it means " + (measure.direction().sign() > 0 ? "more" : "less")
                            + " than that; to change it otherwise, use Change the goal on the chart. Nothing was saved.");
        }
    }
}
