package org.zealousladder.server.screening.coverage;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.coverage.CoverageView.Apart;
import org.zealousladder.server.screening.coverage.CoverageView.ClassRow;
import org.zealousladder.server.screening.coverage.CoverageView.CoverageCount;
import org.zealousladder.server.screening.coverage.CoverageView.Untested;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.CellStatus;
import org.zealousladder.server.screening.standings.Screening;
import org.zealousladder.server.screening.standings.ScreeningService;
import org.zealousladder.server.screening.tiers.ClosingService;
import org.zealousladder.server.screening.tiers.RetestsService;

/** Counts who is tested, lists who is not, and keeps make-up dates. */
@Service
public class CoverageService {
    private final CoverageStore store;
    private final ScreeningService screenings;
    private final ClosingService closing;
    private final RetestsService retests;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    CoverageService(CoverageStore store, ScreeningService screenings, ClosingService closing, RetestsService retests, MeasuresService measures,
            WindowsService allWindows,
            RosterService roster,
            SchoolCalendar calendar) {
        this.store = store;
        this.screenings = screenings;
        this.closing = closing;
        this.retests = retests;
        this.measures = measures;
        this.allWindows = allWindows;
        this.roster = roster;
        this.calendar = calendar;
    }

    @Transactional(readOnly = true)
    public CoverageView view(Who who, int yearId, @Nullable Integer windowId, LocalDate asOf) {
        Screening screening = screenings.open(who, yearId, windowId, asOf);
        List<Untested> untested = untested(screening);
        return new CoverageView(screening.window(), closing.state(screening, screening.measures().stream().map(Measure::area).distinct().toList()),
                screening.measures().stream().map(Measure::ref).toList(), classes(screening), summary(screening) + retestWords(untested), untested,
                apart(screening));
    }

    private static List<ClassRow> classes(Screening screening) {
        Map<Integer, List<Enrolled>> byClass = new LinkedHashMap<>();
        screening.expected().stream().sorted(Comparator.comparing(Enrolled::grade).thenComparing(Enrolled::className))
                .forEach(e -> byClass.computeIfAbsent(e.classId(), k -> new ArrayList<>()).add(e));
        return byClass.values().stream().map(own -> {
            Enrolled first = own.get(0);
            return new ClassRow(first.classId(), first.className(), first.grade(), own.size(),
                    screening.measures().stream().map(m -> count(screening, own, m)).toList());
        }).toList();
    }

    /** Counts of one measure among some of the expected. */
    public static CoverageCount count(Screening screening, List<Enrolled> students, Measure measure) {
        Map<CellStatus, Integer> by = new EnumMap<>(CellStatus.class);
        int expected = 0;
        for (Enrolled e : students) {
            if (screening.given(e, measure)) {
                expected++;
                by.merge(screening.cell(e.id(), measure.id()).status(), 1, Integer::sum);
            }
        }
        return new CoverageCount(measure.id(), expected, by.getOrDefault(CellStatus.SCORED, 0), by.getOrDefault(CellStatus.ABSENT, 0),
                by.getOrDefault(CellStatus.EXEMPT, 0), by.getOrDefault(CellStatus.INVALID, 0),
                by.getOrDefault(CellStatus.NONE, 0) + by.getOrDefault(CellStatus.ELSEWHERE, 0));
    }

    private List<Untested> untested(Screening screening) {
        Map<String, LocalDate> makeUps = new HashMap<>();
        store.makeUps(screening.everyone().map(Enrolled::id).toList(), screening.window().id(), screening.asOf())
                .forEach(m -> makeUps.put(m.studentId() + "/" + m.measureId(), m.onDay()));
        List<Untested> owed = new ArrayList<>();
        Set<String> again = retests.due(screening.expected().stream().map(Enrolled::id).toList(), List.of(screening.window()), screening.asOf()).stream()
                .map(r -> r.studentId() + "/" + r.area()).collect(Collectors.toSet());
        for (Enrolled e : screening.expected()) {
            for (Measure m : screening.measures()) {
                Cell cell = screening.cell(e.id(), m.id());
                boolean retest = cell.scored() && again.contains(e.id() + "/" + m.area());
                if (retest) {
                    owed.add(new Untested(e.ref(), m.id(), m.name(), OwedKind.RETEST, cell.date(), makeUps.get(e.id() + "/" + m.id()), null));
                }
                if (!cell.scored() && cell.status() != CellStatus.EXEMPT && screening.given(e, m)) {
                    String note = e.enrolledFrom().isAfter(screening.window().starts()) ? "came on " + Words.day(e.enrolledFrom()) : null;
                    owed.add(new Untested(e.ref(), m.id(), m.name(), OwedKind.of(cell.status()), cell.date(),
                            makeUps.get(e.id() + "/" + m.id()), note));
                }
            }
        }
        owed.sort(Comparator.comparing((Untested u) -> u.student().className()).thenComparing(Untested::student, StudentRef.BY_NAME));
        return owed;
    }

    private static List<Apart> apart(Screening screening) {
        List<Apart> apart = new ArrayList<>();
        screening.left().forEach(e -> apart.add(new Apart(e.ref(), "left on " + Words.day(requireNonNull(e.enrolledTo())), tested(screening, e))));
        screening.later().forEach(e -> apart.add(new Apart(e.ref(), "came on " + Words.day(e.enrolledFrom()) + ", after the window", tested(screening, e))));
        return apart;
    }

    private static int tested(Screening screening, Enrolled student) {
        return (int) screening.measures().stream().filter(m -> screening.cell(student.id(), m.id()).scored()).count();
    }

    private static String retestWords(List<Untested> untested) {
        long again = untested.stream().filter(u -> u.status() == OwedKind.RETEST).map(u -> u.student().id()).distinct().count();
        return again == 0 ? "" : " " + Words.sentence(Words.number(again) + (again == 1 ? " is" : " are") + " to be tested again");
    }

    private static String summary(Screening screening) {
        int students = screening.expected().size();
        if (students == 0) {
            return "Nobody was enrolled here then.";
        }
        long whole = screening.expected().stream().filter(e -> screening.measures().stream().filter(m -> screening.given(e, m))
                .allMatch(m -> screening.cell(e.id(), m.id()).scored() || screening.cell(e.id(), m.id()).status() == CellStatus.EXEMPT)).count();
        return whole == students ? "All " + students + " students are screened on everything."
                : whole + " of " + students + " students are screened on everything; " + Words.number(students - whole)
                        + (students - whole == 1 ? " still owes a score." : " still owe a score.");
    }

    /** Sets a make-up day for students on measures, or takes it back when {@code onDay} is null. */
    @Transactional
    public void setMakeUp(List<Integer> students, List<Integer> measureIds, int windowId, @Nullable LocalDate onDay) {
        if (students.isEmpty() || students.size() != measureIds.size()) {
            throw Refusal.invalid("students", "Choose at least one student for the make-up.");
        }
        Window window = allWindows.window(windowId);
        LocalDate today = calendar.today();
        if (onDay != null && onDay.isBefore(today)) {
            throw Refusal.invalid("onDay", "A make-up is set for today or a later day.");
        }
        if (onDay != null && onDay.isAfter(roster.year(window.yearId()).ends())) {
            throw Refusal.invalid("onDay", "That day is after the end of the " + window.name().toLowerCase(Locale.ROOT) + " window's school year.");
        }
        List<Enrolled> here = roster.enrolledAmong(students, today);
        if (here.stream().map(Enrolled::id).distinct().count() < students.stream().distinct().count()) {
            throw Refusal.forbidden("A student among these is not one of yours, or has left. Nothing was saved.");
        }
        Map<Integer, Measure> known = measures.byId();
        Map<Integer, Enrolled> byId = here.stream().collect(Collectors.toMap(Enrolled::id, e -> e, (x, y) -> x));
        Map<Place, Set<Integer>> classes = new HashMap<>();
        for (int i = 0; i < students.size(); i++) {
            Enrolled e = requireNonNull(byId.get(students.get(i)));
            classes.computeIfAbsent(new Place(e.schoolId(), MeasuresService.required(known.get(measureIds.get(i))).area()), k -> new HashSet<>())
                    .add(e.classId());
        }
        classes.forEach((place, of) -> closing.requireOpen(window, place.school(), of, place.area()));
        store.set(students.toArray(Integer[]::new), measureIds.stream().map(Integer::shortValue).toArray(Short[]::new), windowId, onDay, today,
                Viewer.current().id());
    }

    private record Place(int school, String area) {}
}
