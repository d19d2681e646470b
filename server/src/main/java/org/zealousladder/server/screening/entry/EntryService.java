package org.zealousladder.server.screening.entry;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.measures.Window;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;
import org.zealousladder.server.screening.entry.EntryView.Entry;
import org.zealousladder.server.screening.entry.EntryView.EntryRow;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.Screening;
import org.zealousladder.server.screening.standings.ScreeningService;
import org.zealousladder.server.screening.tiers.ClosingService;

/** Reads the grid and saves one cell at a time. */
@Service
public class EntryService {
    /** A change since last season of more than this many standard errors of measurement is asked about. */
    static final int JUMP = 4;

    private final ScreeningService screenings;
    private final ScoresService scores;
    private final MeasuresService measures;
    private final RosterService roster;
    private final ClosingService closing;
    private final SchoolCalendar calendar;

    EntryService(ScreeningService screenings, ScoresService scores, MeasuresService measures, RosterService roster, ClosingService closing,
            SchoolCalendar calendar) {
        this.screenings = screenings;
        this.scores = scores;
        this.measures = measures;
        this.roster = roster;
        this.closing = closing;
        this.calendar = calendar;
    }

    @Transactional(readOnly = true)
    public EntryView view(Who who, int yearId, @Nullable Integer windowId, LocalDate asOf) {
        if (who.kind() != Who.Kind.CLASS) {
            throw Refusal.invalid("who", "Scores are entered class by class. Choose a class in the line at the top.");
        }
        Screening screening = screenings.open(who, yearId, windowId, asOf);
        List<Integer> ids = screening.everyone().map(Enrolled::id).toList();
        Map<String, Score> current = new HashMap<>();
        scores.screening(ids, screening.measures().stream().map(Measure::id).toList(), List.of(screening.window()), screening.asOf())
                .forEach(s -> current.put(s.studentId() + "/" + s.measureId(), s));
        List<EntryRow> rows = new ArrayList<>();
        screening.expected().forEach(e -> rows
                .add(row(screening, e, e.enrolledFrom().isAfter(screening.window().starts()) ? "came " + Words.day(e.enrolledFrom()) : null, current)));
        screening.later().forEach(e -> rows.add(row(screening, e, "came " + Words.day(e.enrolledFrom()), current)));
        return new EntryView(screening.window(), closing.state(screening.window().id(), screening.schoolId(), screening.asOf()),
                screening.before().map(Window::name).orElse(null), screening.measures().stream().map(Measure::ref).toList(), rows);
    }

    private static EntryRow row(Screening screening, Enrolled e, @Nullable String note, Map<String, Score> current) {
        return new EntryRow(e.ref(), note, screening.measures().stream().map(m -> {
            Score s = current.get(e.id() + "/" + m.id());
            List<Cell> cells = screening.standings().of(e.id(), m.id());
            Double last = screening.before().isEmpty() ? null : cells.get(0).value();
            return entry(m, s, screening.given(e, m), last);
        }).toList());
    }

    /**
     * Saves what was typed into a cell.
     *
     * @param seen the record that stood in the cell when it was typed; null for an empty cell
     * @param sure whether a large jump was asked about and kept
     * @return the cell as it is now
     * @throws Refusal 409 {@code conflict} with what stands there now when somebody else was first, 409 {@code unlikely} for a large jump
     */
    @Transactional
    public Entry save(int student, int measureId, int windowId, LocalDate takenOn, @Nullable Double value, String status, @Nullable Long seen, boolean sure) {
        Measure measure = measures.measure(measureId);
        Window window = measures.window(windowId);
        roster.requireStudent(student);
        Enrolled now = roster.enrolled(student, calendar.today());
        closing.requireOpen(window, now.schoolId());
        Score there = current(student, measureId, window);
        if (!Objects.equals(there == null ? null : there.id(), seen)) {
            throw overtaken(there, measure);
        }
        checkDay(window, takenOn);
        scores.check(measure, takenOn, value, status);
        Double last = lastSeason(student, measureId, window);
        if (!sure && value != null && last != null && measure.sem() != null && Math.abs(value - last) > JUMP * measure.sem()) {
            throw new Refusal(HttpStatus.CONFLICT, "unlikely", "value", "Sure? " + Words.plain(value) + " is " + Words.plain(Math.abs(value - last))
                    + (value > last ? " above" : " below") + " last season's " + Words.plain(last) + ". Press Enter again to keep it.");
        }
        Integer makeUp = takenOn.isBefore(window.starts()) || takenOn.isAfter(window.ends()) ? windowId : null;
        boolean later = there != null && !there.scored() && !there.takenOn().equals(takenOn) && !status.equals(Score.WITHDRAWN);
        if (there == null || later) {
            scores.enter(student, measureId, takenOn, value, status, makeUp);
        } else {
            scores.correct(there.id(), value, status, null);
        }
        Score saved = current(student, measureId, window);
        return entry(measure, saved, true, last);
    }

    private static Entry entry(Measure m, @Nullable Score s, boolean given, @Nullable Double last) {
        Double low = last == null || m.sem() == null ? null : (Double) (last - JUMP * m.sem());
        Double high = last == null || m.sem() == null ? null : (Double) (last + JUMP * m.sem());
        return s == null ? new Entry(m.id(), null, null, null, null, given, last, low, high)
                : new Entry(m.id(), s.id(), s.value(), s.status(), s.takenOn(), true, last, low, high);
    }

    private @Nullable Score current(int student, int measureId, Window window) {
        return scores.screening(List.of(student), List.of(measureId), List.of(window), calendar.today()).stream().findFirst().orElse(null);
    }

    private @Nullable Double lastSeason(int student, int measureId, Window window) {
        List<Window> before = measures.windows().stream().filter(w -> w.starts().isBefore(window.starts())).reduce((a, b) -> b).stream().toList();
        return scores.screening(List.of(student), List.of(measureId), before, calendar.today()).stream().findFirst().map(Score::value).orElse(null);
    }

    private void checkDay(Window window, LocalDate takenOn) {
        if (takenOn.isBefore(window.starts())) {
            throw Refusal.invalid("takenOn",
                    "The " + window.name().toLowerCase(Locale.ROOT) + " window begins on " + Words.day(window.starts()) + "; that day is before it.");
        }
        measures.windows().stream().filter(w -> w.id() != window.id() && !takenOn.isBefore(w.starts()) && w.starts().isAfter(window.ends())).findFirst()
                .ifPresent(w -> {
                    throw Refusal.invalid("takenOn", "By that day the " + w.name().toLowerCase(Locale.ROOT) + " window had begun; enter the score there.");
                });
    }

    private Refusal overtaken(@Nullable Score there, Measure measure) {
        if (there == null) {
            return Refusal.conflict("Somebody else has emptied this cell meanwhile. Yours was not saved; type it again to keep it.")
                    .with("theirs", entry(measure, null, true, null));
        }
        return Refusal.conflict("Somebody else entered " + (there.scored() ? Words.plain(requireNonNull(there.value())) : "'" + there.status() + "'")
                + " here meanwhile. Yours was not saved.").with("theirs", entry(measure, there, true, null));
    }
}
