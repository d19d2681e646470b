package org.zealousladder.server.monitoring.goals;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;

/** Reads and sets goals. A new goal keeps the one it replaces. */
@Service
public class GoalsService {
    private final GoalsStore store;
    private final MeasuresService measures;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    GoalsService(GoalsStore store, MeasuresService measures, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.measures = measures;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** Current goals as known on {@code asOf}; of all measures when {@code measure} is null. */
    @Transactional(readOnly = true)
    public List<Goal> knownOn(Collection<Integer> students, @Nullable Integer measure, LocalDate asOf) {
        return students.isEmpty() ? List.of() : store.knownOn(students, measure, asOf);
    }

    /** Those of them that are not over since before {@code year}, the first day of a school year. */
    @Transactional(readOnly = true)
    public List<Goal> running(Collection<Integer> students, @Nullable Integer measure, LocalDate year, LocalDate asOf) {
        return knownOn(students, measure, asOf).stream().filter(g -> !g.over(year)).toList();
    }

    /** A student's goals that came due before {@code year} and stood on their day, the oldest first. */
    @Transactional(readOnly = true)
    public List<Goal> earlier(int student, LocalDate year, LocalDate asOf) {
        return store.earlier(student, year, asOf);
    }

    /** Goals of a year, which began on {@code year}, that had been replaced by {@code asOf}, the newest first. */
    @Transactional(readOnly = true)
    public List<Goal> replacedBy(Collection<Integer> students, int measure, LocalDate year, LocalDate asOf) {
        return students.isEmpty() ? List.of() : store.replacedBy(students, measure, asOf).stream().filter(g -> !g.over(year)).toList();
    }

    /**
     * Sets or replaces a goal.
     *
     * @return the new goal's id
     */
    @Transactional
    public long set(GoalForm form) {
        setAll(List.of(form));
        return store.current(List.of(form.studentId()), form.measureId()).get(0).id();
    }

    /**
     * Takes a goal back that should not have been set. The goal before it comes back; where there is none, or its date has passed, the student has no goal.
     *
     * @throws Refusal 404 for a goal that is not among the viewer's students', 409 when it is not the one that stands
     */
    @Transactional
    public void withdraw(long id, String reason) {
        Goal goal = store.byId(id).orElseThrow(() -> Refusal.notFound("There is no such goal among your students'."));
        LocalDate today = calendar.today();
        Goal before = store.replaced(id).filter(old -> old.goalDate().isAfter(today)).orElse(null);
        if (before != null) {
            set(before.again(id, reason));
        } else if (!store.withdraw(goal.id(), reason, today, Viewer.current().id())) {
            throw Refusal.conflict("This goal has been changed or taken back meanwhile. Nothing was saved; look at the new one first.");
        }
    }

    /** Sets or replaces the goals of several students on one measure: all of them, or none. */
    @Transactional
    public void setAll(List<GoalForm> forms) {
        if (forms.isEmpty()) {
            return;
        }
        int measureId = forms.get(0).measureId();
        Set<Integer> students = forms.stream().map(GoalForm::studentId).collect(Collectors.toSet());
        if (students.size() != forms.size() || forms.stream().anyMatch(f -> f.measureId() != measureId)) {
            throw Refusal.invalid("goals", "Goals that are set together are for one measure, one for each student. Nothing was saved.");
        }
        Measure measure = measures.measure(measureId);
        roster.requireStudents(students);
        LocalDate today = calendar.today();
        forms.forEach(f -> check(measure, f.startDate(), f.startScore(), f.goalDate(), f.goalScore(), today));
        Map<Integer, Goal> current = store.current(students, measureId).stream().collect(Collectors.toMap(Goal::studentId, g -> g));
        List<GoalForm> placed = forms.stream().map(f -> inPlace(f, current.get(f.studentId()), today)).toList();
        // A goal whose line starts in the past is known from today all the same: as-of views must not show what nobody knew.
        if (!store.replace(placed, today, Viewer.current().id())) {
            throw Refusal.conflict("Somebody else has changed this goal meanwhile. Yours was not saved.");
        }
    }

    /** In the place of the goal that the person saw. One that has come due stands in nobody's way: last year's is not shown any more. */
    private static GoalForm inPlace(GoalForm form, @Nullable Goal now, LocalDate today) {
        if (form.replaces() == null && now != null && now.goalDate().isBefore(today)) {
            return form.replacing(now.id());
        }
        if (!Objects.equals(now == null ? null : now.id(), form.replaces())) {
            throw Refusal.conflict("Somebody else has set a goal here meanwhile. Yours was not saved; look at theirs first.");
        }
        return form;
    }

    private static void check(Measure measure, LocalDate startDate, double startScore, LocalDate goalDate, double goalScore, LocalDate today) {
        if (!goalDate.isAfter(startDate)) {
            throw Refusal.invalid("goalDate", "The goal date must be after the start date.");
        }
        if (startDate.isAfter(today)) {
            throw Refusal.invalid("startDate", "The start date is in the future. A goal starts from a score that was taken.");
        }
        if (!goalDate.isAfter(today)) {
            throw Refusal.invalid("goalDate", "The goal date is past. Choose a day still to come.");
        }
        for (var entry : Map.of("startScore", startScore, "goalScore", goalScore).entrySet()) {
            if (!(entry.getValue() >= measure.lowest() && entry.getValue() <= measure.highest())) {
                throw Refusal.invalid(entry.getKey(),
                        measure.name() + " runs from " + Math.round(measure.lowest()) + " to " + Math.round(measure.highest()) + ".");
            }
        }
        if (measure.direction().sign() * (goalScore - startScore) <= 0) {
            throw Refusal.invalid("goalScore",
                    "The goal is not better than the start. It should be " + (measure.direction().sign() > 0 ? "higher." : "lower."));
        }
    }
}
