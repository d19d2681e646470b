package org.zealousladder.server.screening.entry;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.scores.Jump;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoreEntry;
import org.zealousladder.server.scores.scores.ScoresService;
import org.zealousladder.server.scores.scores.ScoresService.StudentMeasure;
import org.zealousladder.server.screening.entry.EntryView.Entry;
import org.zealousladder.server.screening.entry.EntryView.EntryRow;
import org.zealousladder.server.screening.standings.Screening;
import org.zealousladder.server.screening.standings.ScreeningService;
import org.zealousladder.server.screening.tiers.ClosingService;
import org.zealousladder.server.screening.tiers.RetestsService;

/** Reads the grid and saves one cell at a time. */
@Service
public class EntryService {
    private final ScreeningService screenings;
    private final ScoresService scores;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final RosterService roster;
    private final ClosingService closing;
    private final RetestsService retests;
    private final SchoolCalendar calendar;

    EntryService(ScreeningService screenings, ScoresService scores, MeasuresService measures, WindowsService allWindows, RosterService roster,
            ClosingService closing,
            RetestsService retests,
            SchoolCalendar calendar) {
        this.screenings = screenings;
        this.scores = scores;
        this.measures = measures;
        this.allWindows = allWindows;
        this.roster = roster;
        this.closing = closing;
        this.retests = retests;
        this.calendar = calendar;
    }

    @Transactional(readOnly = true)
    public EntryView view(Who who, int yearId, @Nullable Integer windowId, LocalDate asOf) {
        if (!who.small()) {
            throw Refusal.invalid("who", "Scores are entered class by class, group by group, or for a caseload. Choose one in the line at the top.");
        }
        Screening screening = screenings.open(who, yearId, windowId, asOf);
        List<Integer> ids = screening.everyone().map(Enrolled::id).toList();
        List<Integer> given = screening.withParts().stream().map(Measure::id).toList();
        Map<StudentMeasure, Score> current = new HashMap<>();
        scores.screening(ids, given, List.of(screening.window()), screening.asOf())
                .forEach(s -> current.put(new StudentMeasure(s.studentId(), s.measureId()), s));
        Map<StudentMeasure, Score> before = scores.lastBefore(ids, given, screening.window().starts());
        Set<StudentArea> again = retests.due(ids, List.of(screening.window()), screening.asOf()).stream().map(r -> new StudentArea(r.studentId(), r.area()))
                .collect(Collectors.toSet());
        Grid grid = new Grid(screening, current, before, again);
        List<EntryRow> rows = new ArrayList<>();
        screening.expected().forEach(e -> rows.add(grid.row(e, e.enrolledFrom().isAfter(screening.window().starts()) ? came(e) : null)));
        screening.later().forEach(e -> rows.add(grid.row(e, came(e))));
        return new EntryView(screening.window(), closing.state(screening, screening.measures().stream().map(Measure::area).distinct().toList()),
                screening.before().map(Window::name).orElse(null), screening.withParts().stream().map(Measure::ref).toList(), rows);
    }

    private static String came(Enrolled e) {
        return "came " + Words.day(e.enrolledFrom());
    }

    private record StudentArea(int studentId, String area) {}

    /** What the cells of a view are made from. */
    private record Grid(Screening screening, Map<StudentMeasure, Score> current, Map<StudentMeasure, Score> before, Set<StudentArea> again) {

        EntryRow row(Enrolled e, @Nullable String note) {
            return new EntryRow(e.ref(), note, screening.withParts().stream().map(m -> {
                StudentMeasure key = new StudentMeasure(e.id(), m.id());
                return entry(m, current.get(key), screening.given(e, m), before.get(key), again.contains(new StudentArea(e.id(), m.area())));
            }).toList());
        }
    }

    /**
     * Saves what was typed into a cell.
     *
     * @return the cell as it is now
     * @throws Refusal 409 {@code conflict} with what stands there now when somebody else was first, 409 {@code unlikely} for a large jump
     */
    @Transactional
    public Entry save(CellForm form) {
        Measure measure = measures.measure(form.measureId());
        Window window = allWindows.window(form.windowId());
        roster.requireStudent(form.studentId());
        Score there = current(form, window);
        Score before = scores.lastBefore(List.of(form.studentId()), List.of(form.measureId()), window.starts())
                .get(new StudentMeasure(form.studentId(), form.measureId()));
        LocalDate today = calendar.today();
        boolean again = there != null && there.scored() && form.seen() == null && form.status() != ScoreStatus.WITHDRAWN
                && retests.due(List.of(form.studentId()), List.of(window), today).stream().anyMatch(r -> r.area().equals(measure.area()));
        if (!again && there != null && there.status() == form.status() && Objects.equals(there.value(), form.value())) {
            return entry(measure, there, true, before, false);
        }
        if (!again && !Objects.equals(there == null ? null : there.id(), form.seen())) {
            throw overtaken(there, measure);
        }
        checkDay(form.studentId(), window, form.takenOn());
        Integer makeUp = form.takenOn().isBefore(window.starts()) || form.takenOn().isAfter(window.ends()) ? (Integer) window.id() : null;
        ScoreEntry entry = ScoreEntry.of(form.studentId(), form.measureId(), form.takenOn(), form.value(), form.status()).forWindow(makeUp).sure(form.sure());
        boolean later = there != null && !there.scored() && !there.takenOn().equals(form.takenOn()) && form.status() != ScoreStatus.WITHDRAWN;
        if (again) {
            enterAgain(requireNonNull(there), entry.forWindow(window.id()));
        } else if (there == null || later) {
            scores.enter(entry);
        } else {
            scores.correct(there.id(), entry);
        }
        return entry(measure, current(form, window), true, before, false);
    }

    /** The score that was doubted stays on record as invalid, and the new one takes its place. */
    private void enterAgain(Score first, ScoreEntry entry) {
        ScoreEntry doubted = ScoreEntry.of(first.studentId(), first.measureId(), first.takenOn(), null, ScoreStatus.INVALID).because("tested again on "
                + Words.day(entry.takenOn()));
        scores.correct(first.id(), doubted);
        if (first.takenOn().equals(entry.takenOn())) {
            scores.correct(scores.current(first.studentId(), first.measureId(), first.takenOn()).id(), entry);
        } else {
            scores.enter(entry);
        }
    }

    private static Entry entry(Measure m, @Nullable Score s, boolean given, @Nullable Score before, boolean again) {
        Jump likely = ScoresService.likely(m, before).orElse(null);
        Double last = before == null ? null : before.value();
        Double low = likely == null ? null : (Double) likely.low();
        Double high = likely == null ? null : (Double) likely.high();
        LocalDate lastDay = before == null ? null : before.takenOn();
        if (s != null && s.scored() && again) {
            return new Entry(m.id(), null, null, null, null, true, last, lastDay, s.value(), low, high);
        }
        return s == null ? new Entry(m.id(), null, null, null, null, given, last, lastDay, null, low, high)
                : new Entry(m.id(), s.id(), s.value(), s.status(), s.takenOn(), true, last, lastDay, null, low, high);
    }

    private @Nullable Score current(CellForm form, Window window) {
        return scores.screening(List.of(form.studentId()), List.of(form.measureId()), List.of(window), calendar.today()).stream().findFirst().orElse(null);
    }

    private void checkDay(int student, Window window, LocalDate takenOn) {
        if (takenOn.isBefore(window.starts())) {
            throw Refusal.invalid("takenOn",
                    "The " + window.name().toLowerCase(Locale.ROOT) + " window begins on " + Words.day(window.starts()) + "; that day is before it.");
        }
        LocalDate today = calendar.today();
        allWindows.of(roster.enrolled(student, today).schoolId(), today).stream()
                .filter(w -> w.id() != window.id() && !takenOn.isBefore(w.starts()) && w.starts().isAfter(window.ends())).findFirst()
                .ifPresent(w -> {
                    throw Refusal.invalid("takenOn", "By that day the " + w.name().toLowerCase(Locale.ROOT) + " window had begun; enter the score there.");
                });
    }

    private Refusal overtaken(@Nullable Score there, Measure measure) {
        if (there == null) {
            return Refusal.conflict("Somebody else has emptied this cell meanwhile. Yours was not saved; type it again to keep it.")
                    .with("theirs", entry(measure, null, true, null, false));
        }
        return Refusal.conflict("Somebody else entered " + (there.scored() ? Words.plain(requireNonNull(there.value())) : "'" + there.status().code() + "'")
                + " here meanwhile. Yours was not saved.").with("theirs", entry(measure, there, true, null, false));
    }
}
