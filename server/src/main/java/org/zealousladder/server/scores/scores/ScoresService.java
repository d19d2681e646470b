package org.zealousladder.server.scores.scores;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.measures.Window;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;

/** Reads scores as known on a day; enters and corrects them. A correction keeps the score it replaces. */
@Service
public class ScoresService {
    private static final Set<String> STATUSES = Set.of(Score.SCORED, "absent", "exempt", "invalid", Score.WITHDRAWN);

    private final ScoresStore store;
    private final MeasuresService measures;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    ScoresService(ScoresStore store, MeasuresService measures, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.measures = measures;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** Scores of all statuses taken from {@code from} to {@code asOf}, by student, measure and date. */
    @Transactional(readOnly = true)
    public List<Score> of(Collection<Integer> students, Collection<Integer> measureIds, LocalDate from, LocalDate asOf) {
        return students.isEmpty() || measureIds.isEmpty() ? List.of() : store.of(students, measureIds, from, asOf);
    }

    /** The screening score of each student on each measure in each window; make-ups count for the window they name. */
    @Transactional(readOnly = true)
    public List<Score> screening(Collection<Integer> students, Collection<Integer> measureIds, List<Window> windows, LocalDate asOf) {
        return students.isEmpty() || measureIds.isEmpty() || windows.isEmpty() ? List.of() : store.screening(students, measureIds, windows, asOf);
    }

    /** A score of somebody in the school. */
    public record SchoolValue(int measureId, int grade, double value) {}

    /** All screening scores of the viewer's school in a window, without names; nothing of another school. */
    @Transactional(readOnly = true)
    public List<SchoolValue> ofSchool(int school, Window window, LocalDate asOf) {
        return store.ofSchool(school, window.id(), asOf);
    }

    @Transactional(readOnly = true)
    public List<Score> ofStudent(int student, LocalDate asOf) {
        return store.ofStudent(student, asOf);
    }

    /** All versions known by {@code asOf}, replaced ones too, the newest day first. */
    @Transactional(readOnly = true)
    public List<ScoreVersion> history(int student, int measure, LocalDate asOf) {
        roster.requireStudent(student);
        return store.history(student, measure, asOf);
    }

    /** @throws Refusal 409 when the day has a score already */
    @Transactional
    public void enter(int student, int measureId, LocalDate takenOn, @Nullable Double value, String status) {
        enter(student, measureId, takenOn, value, status, null, null);
    }

    /**
     * @param makeUpFor the screening window that the score is a make-up for, when its day is not within it
     * @throws Refusal 409 when the day has a score already
     */
    @Transactional
    public void enter(int student, int measureId, LocalDate takenOn, @Nullable Double value, String status, @Nullable Integer makeUpFor) {
        enter(student, measureId, takenOn, value, status, makeUpFor, null);
    }

    /** @param forms what was scored on the two or three forms that {@code value} is the median of */
    @Transactional
    public void enter(int student, int measureId, LocalDate takenOn, @Nullable Double value, String status, @Nullable Integer makeUpFor,
            @Nullable List<Double> forms) {
        Measure measure = measures.measure(measureId);
        roster.requireStudent(student);
        LocalDate today = calendar.today();
        check(measure, takenOn, value, status);
        if (status.equals(Score.WITHDRAWN)) {
            throw Refusal.invalid("status", "There is nothing on record that could be withdrawn.");
        }
        Score there = store.current(student, measureId, takenOn).orElse(null);
        if (there != null && there.status().equals(Score.WITHDRAWN)) {
            replace(store.byId(there.id()).orElseThrow(), value, status, null, makeUpFor, forms);
            return;
        }
        if (there != null) {
            throw Refusal.conflict(
                    "There is already " + (there.scored() ? "a score of " + Words.plain(requireNonNull(there.value())) : "an entry '" + there.status() + "'")
                            + " for that day. Correct that one instead; yours was not saved.");
        }
        store.insert(store.nextId(), student, measureId, takenOn, value, status, today, Viewer.current().id(), null, makeUpFor, forms);
    }

    /** Replaces score {@code id}; returns the one it replaced. */
    @Transactional
    public Score correct(long id, @Nullable Double value, String status, @Nullable String reason) {
        return correct(id, value, status, reason, null);
    }

    /** @param forms as for {@link #enter} */
    @Transactional
    public Score correct(long id, @Nullable Double value, String status, @Nullable String reason, @Nullable List<Double> forms) {
        ScoresStore.Versioned old = store.byId(id).orElseThrow(() -> Refusal.notFound("There is no such score among your students'."));
        if (old.supersededBy() != null) {
            throw alreadyCorrected();
        }
        check(measures.measure(old.measureId()), old.takenOn(), value, status);
        if (status.equals(old.status()) && java.util.Objects.equals(value, old.value())) {
            throw Refusal.invalid("value", "That is what is recorded already; nothing was changed.");
        }
        replace(old, value, status, reason, old.windowId(), forms);
        return new Score(old.id(), old.studentId(), old.measureId(), old.takenOn(), old.value(), old.status());
    }

    private void replace(ScoresStore.Versioned old, @Nullable Double value, String status, @Nullable String reason, @Nullable Integer window,
            @Nullable List<Double> forms) {
        long by = store.nextId();
        LocalDate today = calendar.today();
        LocalDate on = today.isBefore(old.knownFrom()) ? old.knownFrom() : today;
        if (!store.supersede(old.id(), by, on)) {
            throw alreadyCorrected();
        }
        store.insert(by, old.studentId(), old.measureId(), old.takenOn(), value, status, on, Viewer.current().id(), reason, window, forms);
    }

    private static Refusal alreadyCorrected() {
        return Refusal.conflict("Somebody else has corrected this score meanwhile. Yours was not saved; look at the new one first.");
    }

    /** @throws Refusal 422 with a sentence when a score cannot be right */
    public void check(Measure measure, LocalDate takenOn, @Nullable Double value, String status) {
        LocalDate today = calendar.today();
        if (!STATUSES.contains(status)) {
            throw Refusal.invalid("status", "'" + status + "' is not a status; use scored, absent, exempt or invalid.");
        }
        if (takenOn.isAfter(today)) {
            throw Refusal.invalid("takenOn", "The date is in the future. Use today's or an earlier one.");
        }
        if (takenOn.getYear() < 1990) {
            throw Refusal.invalid("takenOn", "The date is too long ago. Check the year.");
        }
        if (status.equals(Score.SCORED) != (value != null)) {
            throw Refusal.invalid("value", value == null ? "Give the score, or choose absent, exempt or invalid."
                    : "A student who was " + status + " has no score. Leave it empty.");
        }
        if (value != null && !(value >= measure.lowest() && value <= measure.highest())) {
            throw Refusal.invalid("value", measure.name() + " runs from " + Words.plain(measure.lowest()) + " to " + Words.plain(measure.highest()) + ".");
        }
        if (value != null && Math.abs(value * Math.pow(10, measure.decimals()) - Math.rint(value * Math.pow(10, measure.decimals()))) > 1e-9) {
            throw Refusal.invalid("value", measure.name() + (measure.decimals() == 0 ? " is a whole number."
                    : " has at most " + measure.decimals() + " decimals."));
        }
    }
}
