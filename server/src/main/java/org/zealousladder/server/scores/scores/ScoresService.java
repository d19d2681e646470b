package org.zealousladder.server.scores.scores;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.scores.FormName;
import org.zealousladder.core.scores.Jump;
import org.zealousladder.core.scores.ScoreScale;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowGuard;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;

/** Reads scores as known on a day; enters and corrects them. A correction keeps the score it replaces. */
@Service
public class ScoresService {
    private static final int MOST_FORMS = 60;

    private final ScoresStore store;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final WindowGuard guard;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    ScoresService(ScoresStore store, MeasuresService measures, WindowsService allWindows, WindowGuard guard, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.measures = measures;
        this.allWindows = allWindows;
        this.guard = guard;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** Scores of all statuses taken from {@code from} to {@code asOf}, by student, measure and date. */
    @Transactional(readOnly = true)
    public List<Score> of(Collection<Integer> students, Collection<Integer> measureIds, LocalDate from, LocalDate asOf) {
        return students.isEmpty() || measureIds.isEmpty() ? List.of() : store.of(students, measureIds, from, asOf);
    }

    /** The same, one by one, however many they are. */
    @Transactional(readOnly = true)
    public void each(Collection<Integer> students, Collection<Integer> measureIds, LocalDate from, LocalDate asOf, Consumer<Score> each) {
        if (!students.isEmpty() && !measureIds.isEmpty()) {
            store.each(students, measureIds, from, asOf, each);
        }
    }

    /** Scores of all statuses of some students, each on the measures named with them, in order. */
    @Transactional(readOnly = true)
    public List<Score> series(Collection<StudentMeasure> of, LocalDate from, LocalDate asOf) {
        return of.isEmpty() ? List.of() : store.series(of, from, asOf);
    }

    /** The screening score of each student on each measure in each window; make-ups count for the window they name. */
    @Transactional(readOnly = true)
    public List<Score> screening(Collection<Integer> students, Collection<Integer> measureIds, List<Window> windows, LocalDate asOf) {
        return students.isEmpty() || measureIds.isEmpty() || windows.isEmpty() ? List.of() : store.screening(students, measureIds, windows, asOf);
    }

    /** All scores that belong to some windows, among them each one's screening score, for whoever chooses it by {@link Score#SCREENING_FIRST}. */
    @Transactional(readOnly = true)
    public List<Score> inWindows(Collection<Integer> students, Collection<Integer> measureIds, List<Window> windows, LocalDate asOf) {
        return students.isEmpty() || measureIds.isEmpty() || windows.isEmpty() ? List.of() : store.inWindows(students, measureIds, windows, asOf);
    }

    /** A score of somebody in the school. */
    public record SchoolValue(int measureId, int grade, double value) {}

    /** Which scores of a school are asked for. */
    public record SchoolAsked(int school, Window window, Collection<Integer> measures, Collection<Integer> grades) {}

    /** Screening scores of the viewer's school in a window, without names; nothing of another school. */
    @Transactional(readOnly = true)
    public List<SchoolValue> ofSchool(SchoolAsked of, LocalDate asOf) {
        return store.ofSchool(of, asOf);
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

    /** Scores in use that a scale could not give, the newest first. */
    @Transactional(readOnly = true)
    public List<Score> outside(int measureId, ScoreScale scale, int most) {
        return store.outside(measureId, scale, calendar.today(), most);
    }

    /** When each of some scores was put on record. */
    @Transactional(readOnly = true)
    public Map<Long, OffsetDateTime> recordedAt(Collection<Long> ids) {
        return store.recordedAt(ids);
    }

    /** Whether anything is on record on the days of a window. */
    @Transactional(readOnly = true)
    public boolean anyIn(Window window) {
        return store.anyIn(window);
    }

    /** The last score of each student on each measure before a day, for holding a new one against. */
    @Transactional(readOnly = true)
    public Map<StudentMeasure, Score> lastBefore(Collection<Integer> students, Collection<Integer> measureIds, LocalDate day) {
        return students.isEmpty() || measureIds.isEmpty() ? Map.of()
                : store.lastBefore(students, measureIds, day).stream().collect(Collectors.toMap(s -> new StudentMeasure(s.studentId(), s.measureId()), s -> s));
    }

    /** A student on a measure. */
    public record StudentMeasure(int studentId, int measureId) {}

    /** The scores that are not worth asking about; empty where nothing is known to go by. */
    public static Optional<Jump> likely(Measure measure, @Nullable Score before) {
        return before == null || before.value() == null || measure.sem() == null ? Optional.empty()
                : Optional.of(Jump.after(before.value(), measure.sem()));
    }

    /**
     * Puts a score on record.
     *
     * @throws Refusal 409 {@code conflict} when the day has a score already, 409 {@code unlikely} for a large jump that was not asked about
     */
    @Transactional
    public void enter(ScoreEntry entry) {
        Measure measure = measures.measure(entry.measureId());
        roster.requireStudent(entry.studentId());
        check(measure, entry.takenOn(), entry.value(), entry.status());
        if (entry.withdraws()) {
            throw Refusal.invalid("status", "There is nothing on record that could be withdrawn.");
        }
        requireOpen(measure, entry);
        requireNoSum(measure, entry);
        requireLikely(measure, entry);
        Score there = store.current(entry.studentId(), entry.measureId(), entry.takenOn()).orElse(null);
        String form = form(entry, null);
        if (there != null && there.status() == ScoreStatus.WITHDRAWN) {
            replace(store.byId(there.id()).orElseThrow(), entry.because(null).named(form));
            addUp(measure, entry);
            return;
        }
        if (there != null) {
            throw Refusal
                    .conflict("There is already "
                            + (there.value() != null ? "a score of " + Words.plain(there.value()) : "an entry '" + there.status().code() + "'")
                            + " for that day. Correct that one instead; yours was not saved.");
        }
        store.insert(store.nextId(), entry.named(form), calendar.today(), Viewer.current().id());
        addUp(measure, entry);
    }

    /** The one entry of a day that nothing has replaced. */
    @Transactional(readOnly = true)
    public Score current(int student, int measureId, LocalDate takenOn) {
        return store.current(student, measureId, takenOn).orElseThrow(() -> Refusal.notFound("There is no score on record for that day."));
    }

    /** Replaces score {@code id} by what {@code entry} says; its day and what it is a make-up for stay. */
    @Transactional
    public void correct(long id, ScoreEntry entry) {
        ScoresStore.Versioned old = versioned(id);
        if (old.supersededBy() != null) {
            throw alreadyCorrected();
        }
        Measure measure = measures.measure(old.measureId());
        check(measure, old.takenOn(), entry.value(), entry.status());
        String form = form(entry, old.form());
        if (entry.status() == old.status() && Objects.equals(entry.value(), old.value()) && Objects.equals(form, old.form())) {
            throw Refusal.invalid("value", "That is what is recorded already; nothing was changed.");
        }
        ScoreEntry now = new ScoreEntry(old.studentId(), old.measureId(), old.takenOn(), entry.value(), entry.status(), old.windowId(), entry.forms(),
                entry.reason(), entry.sure(), form);
        requireOpen(measure, now);
        requireNoSum(measure, now);
        if (entry.status() == old.status() && Objects.equals(entry.value(), old.value())) {
            // Only its name: what was scored on several forms stays with it.
            if (store.name(List.of(id), form, now.reason(), calendar.today(), Viewer.current().id()) == 0) {
                throw alreadyCorrected();
            }
            return;
        }
        requireLikely(measure, now);
        replace(old, now);
        addUp(measure, now);
    }

    /** What the form is called, of those who took one; null for nothing. */
    private static @Nullable String form(ScoreEntry entry, @Nullable String onRecord) {
        return entry.status() != ScoreStatus.SCORED ? null : entry.form() == null ? onRecord : form(entry.form());
    }

    /**
     * A form's name as it is kept; null for none.
     *
     * @throws Refusal 422 with a sentence when it cannot be one
     */
    public static @Nullable String form(@Nullable String typed) {
        try {
            return FormName.of(typed).map(FormName::text).orElse(null);
        } catch (IllegalArgumentException e) {
            throw Refusal.invalid("form", String.valueOf(e.getMessage()));
        }
    }

    /**
     * Says of some scores on which form or passage they were taken, all or none.
     *
     * @param form empty or null: nothing is known of it
     * @throws Refusal 404 where one is not among the viewer's students', 409 {@code conflict} where one is not the current one any more or its window is closed
     */
    @Transactional
    public void name(Collection<Long> ids, @Nullable String form) {
        Set<Long> all = Set.copyOf(ids);
        String name = form(form);
        ScoresStore.Nameable which = store.nameable(all);
        if (which.seen() < all.size()) {
            throw Refusal.notFound("There is no such score among your students'.");
        }
        if (which.free() < all.size()) {
            throw Refusal
                    .conflict("Some of these scores have been changed meanwhile, or their window is closed. The form was not saved; look at the scores again.");
        }
        store.name(all, name, null, calendar.today(), Viewer.current().id());
    }

    /** What the forms of a measure that some students took in the last year were called, the newest first, at most {@value #MOST_FORMS}. */
    @Transactional(readOnly = true)
    public List<String> formNames(Collection<Integer> students, int measureId) {
        return students.isEmpty() ? List.of() : store.formNames(students, measureId, calendar.today(), 366, MOST_FORMS);
    }

    private void addUp(Measure measure, ScoreEntry entry) {
        if (!measure.whole()) {
            store.addUp(entry.studentId(), entry.measureId(), entry.takenOn());
        }
    }

    /** A sum is typed in its parts. */
    private void requireNoSum(Measure measure, ScoreEntry entry) {
        if (measure.addsUp() && store.partsKnown(entry.studentId(), entry.measureId(), entry.takenOn())) {
            throw Refusal.conflict(
                    "The parts of " + measure.name() + " are on record for that day, and this is their sum. Correct the parts instead; nothing was saved.");
        }
    }

    /** A closed window takes nothing, whatever page the score is typed on: neither on its days nor as a make-up for it. */
    private void requireOpen(Measure measure, ScoreEntry entry) {
        Integer makeUpFor = entry.makeUpFor();
        allWindows.windows().stream()
                .filter(w -> makeUpFor != null ? w.id() == makeUpFor : !entry.takenOn().isBefore(w.starts()) && !entry.takenOn().isAfter(w.ends()))
                .forEach(w -> guard.requireOpen(w, entry.studentId(), measure.area()));
    }

    /** @throws Refusal 404 when it is not among the viewer's students' */
    private ScoresStore.Versioned versioned(long id) {
        return store.byId(id).orElseThrow(() -> Refusal.notFound("There is no such score among your students'."));
    }

    private void replace(ScoresStore.Versioned old, ScoreEntry now) {
        long by = store.nextId();
        LocalDate today = calendar.today();
        LocalDate on = today.isBefore(old.knownFrom()) ? old.knownFrom() : today;
        if (!store.supersede(old.id(), by, on)) {
            throw alreadyCorrected();
        }
        store.insert(by, now, on, Viewer.current().id());
    }

    /** The one place that asks "Sure?", whatever page the score is typed on. */
    private void requireLikely(Measure measure, ScoreEntry entry) {
        Double value = entry.value();
        if (entry.sure() || value == null || measure.sem() == null) {
            return;
        }
        Score before = lastBefore(List.of(entry.studentId()), List.of(entry.measureId()), entry.takenOn())
                .get(new StudentMeasure(entry.studentId(), entry.measureId()));
        if (before != null && before.value() != null && likely(measure, before).filter(j -> j.asks(value)).isPresent()) {
            double last = before.value();
            throw new Refusal(HttpStatus.CONFLICT, "unlikely", "value", "Sure? " + Words.plain(value) + " is " + Words.plain(Math.abs(value - last))
                    + (value > last ? " above" : " below") + " the " + Words.plain(last) + " of " + Words.day(before.takenOn()) + ".");
        }
    }

    private static Refusal alreadyCorrected() {
        return Refusal.conflict("Somebody else has corrected this score meanwhile. Yours was not saved; look at the new one first.");
    }

    /** @throws Refusal 422 with a sentence when a score cannot be right */
    public void check(Measure measure, LocalDate takenOn, @Nullable Double value, ScoreStatus status) {
        LocalDate today = calendar.today();
        if (takenOn.isAfter(today)) {
            throw Refusal.invalid("takenOn", "The date is in the future. Use today's or an earlier one.");
        }
        if (takenOn.getYear() < 1990) {
            throw Refusal.invalid("takenOn", "The date is too long ago. Check the year.");
        }
        if (!measure.givenOn(takenOn)) {
            throw Refusal.invalid("takenOn", measure.name() + " is given until " + Words.day(java.util.Objects.requireNonNull(measure.ends()))
                    + ". Choose another measure, or an earlier day.");
        }
        if ((status == ScoreStatus.SCORED) != (value != null)) {
            throw Refusal.invalid("value", value == null ? "Give the score, or choose absent, exempt or invalid."
                    : "A student who was " + status.code() + " has no score. Leave it empty.");
        }
        if (value != null) {
            measure.scale().problem(value, measure.name()).ifPresent(sentence -> {
                throw Refusal.invalid("value", sentence);
            });
        }
    }
}
