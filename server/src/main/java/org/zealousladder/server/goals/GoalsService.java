package org.zealousladder.server.goals;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.Measure;
import org.zealousladder.server.measures.MeasuresService;
import org.zealousladder.server.platform.Refusal;
import org.zealousladder.server.platform.SchoolCalendar;
import org.zealousladder.server.platform.Viewer;
import org.zealousladder.server.roster.RosterService;

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

    /** Goals of the students that had been replaced by {@code asOf}, the newest first. */
    @Transactional(readOnly = true)
    public List<Goal> replacedBy(Collection<Integer> students, int measure, LocalDate asOf) {
        return students.isEmpty() ? List.of() : store.replacedBy(students, measure, asOf);
    }

    /** Sets or replaces a goal. */
    @Transactional
    public void set(GoalForm form) {
        int student = form.studentId();
        int measureId = form.measureId();
        Measure measure = measures.measure(measureId);
        roster.requireStudent(student);
        LocalDate today = calendar.today();
        check(measure, form.startDate(), form.startScore(), form.goalDate(), form.goalScore(), today);
        Optional<Goal> current = store.current(student, measureId);
        if (!java.util.Objects.equals(current.map(Goal::id).orElse(null), form.replaces())) {
            throw Refusal.conflict("Somebody else has set a goal here meanwhile. Yours was not saved; look at theirs first.");
        }
        long id = store.nextId();
        current.ifPresent(old -> {
            if (!store.supersede(old.id(), id, today)) {
                throw Refusal.conflict("Somebody else has changed this goal meanwhile. Yours was not saved.");
            }
        });
        // A goal whose line starts in the past is known from today all the same: as-of views must not show what nobody knew.
        store.insert(new Goal(id, student, measureId, form.startDate(), form.startScore(), form.goalDate(), form.goalScore(),
                form.kind() == null ? "by-hand" : form.kind(), form.percentile(), form.factor(), form.basis()), today, Viewer.current().id(), form.reason());
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
        for (var entry : java.util.Map.of("startScore", startScore, "goalScore", goalScore).entrySet()) {
            if (!(entry.getValue() >= measure.lowest() && entry.getValue() <= measure.highest())) {
                throw Refusal.invalid(entry.getKey(), measure.name() + " runs from " + Math.round(measure.lowest()) + " to " + Math.round(measure.highest()) + ".");
            }
        }
        if (measure.direction().sign() * (goalScore - startScore) <= 0) {
            throw Refusal.invalid("goalScore", "The goal is not better than the start. It should be " + (measure.direction().sign() > 0 ? "higher." : "lower."));
        }
    }
}
