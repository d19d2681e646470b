package org.zealousladder.server.screening.standings;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BinaryOperator;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.bands.Standing;
import org.zealousladder.server.measures.ladders.Ladders;
import org.zealousladder.server.measures.ladders.LaddersService;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;
import org.zealousladder.server.scores.scores.ScoresService.SchoolAsked;

/** Reads scores against the cut scores that count for the students' school. */
@Service
@Transactional(readOnly = true)
public class StandingsService {
    private final RosterService roster;
    private final LaddersService allLadders;
    private final ScoresService scores;
    private final SpreadsStore spreads;

    StandingsService(RosterService roster, LaddersService allLadders, ScoresService scores, SpreadsStore spreads) {
        this.roster = roster;
        this.allLadders = allLadders;
        this.scores = scores;
        this.spreads = spreads;
    }

    /** All students must be of one school. How sure a band is, is said of the newest two windows: what has been since is nobody's question any more. */
    public Standings of(List<Enrolled> students, Collection<Measure> on, List<Window> windows, LocalDate asOf) {
        return of(students, on, windows, asOf, allLadders.defaultSet(school(students), asOf));
    }

    /** As {@link #of(List, Collection, List, LocalDate)}, and how sure it is of every window. */
    public Standings sureOf(List<Enrolled> students, Collection<Measure> on, List<Window> windows, LocalDate asOf) {
        return read(students, on, windows, asOf, allLadders.defaultSet(school(students), asOf), windows);
    }

    /** As {@link #of(List, Collection, List, LocalDate)}, by another set of cut scores than the one that counts. */
    public Standings of(List<Enrolled> students, Collection<Measure> on, List<Window> windows, LocalDate asOf, int cutSet) {
        return read(students, on, windows, asOf, cutSet, newest(windows));
    }

    private Standings read(List<Enrolled> students, Collection<Measure> on, List<Window> windows, LocalDate asOf, int cutSet, List<Window> sure) {
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        return of(students, on, windows, asOf, allLadders.ladders(windows, asOf, cutSet),
                scores.inWindows(ids, on.stream().map(Measure::id).toList(), windows, asOf), sure);
    }

    /** For views that have the students' scores from the first window on at hand already. */
    public Standings of(List<Enrolled> students, Collection<Measure> on, List<Window> windows, LocalDate asOf, List<Score> all) {
        return of(students, on, windows, asOf, allLadders.ladders(windows, asOf, allLadders.defaultSet(school(students), asOf)), all, newest(windows));
    }

    private static List<Window> newest(List<Window> windows) {
        return windows.subList(Math.max(0, windows.size() - 2), windows.size());
    }

    /** How the school's grades of some students score in some windows, and how measures go together. */
    public Spreads spreads(List<Enrolled> students, Collection<Window> windows, Collection<Measure> on, Collection<Integer> grades, LocalDate asOf) {
        Integer school = school(students);
        return school == null ? SpreadsStore.none() : spreads.together(school, windows, on, grades, asOf);
    }

    /** The school's scores in the grades of some students, in a window: for holding them against. All students must be of one school. */
    public SchoolScores ofSchool(List<Enrolled> students, Window window, Collection<Measure> on, LocalDate asOf) {
        Integer school = school(students);
        return new SchoolScores(school == null ? List.of()
                : scores.ofSchool(new SchoolAsked(school, window, on.stream().map(Measure::id).toList(),
                        // Also the grade before: the window may be of the year before.
                        students.stream().flatMap(e -> Stream.of(e.grade(), e.grade() - 1)).distinct().toList()), asOf));
    }

    private static @Nullable Integer school(List<Enrolled> students) {
        return students.isEmpty() ? null : students.get(0).schoolId();
    }

    private Standings of(List<Enrolled> students, Collection<Measure> on, List<Window> windows, LocalDate asOf, Ladders ladders, List<Score> all,
            List<Window> sure) {
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        Map<LocalDate, Map<Integer, Integer>> grades = roster.gradesOn(ids, windows.stream().map(Window::ends).toList(), asOf);
        Map<Integer, Map<Integer, Map<Integer, Score>>> found = byMeasureAndWindow(all, windows);
        Integer school = school(students);
        Spreads lie = school == null ? SpreadsStore.none() : spreads.of(school, sure, on,
                sure.stream().flatMap(w -> requireNonNull(grades.get(w.ends())).values().stream()).distinct().toList(), asOf);
        Map<Integer, Map<Integer, List<Cell>>> cells = new HashMap<>();
        ids.forEach(id -> cells.put(id, new HashMap<>()));
        for (Measure measure : on) {
            List<Place> places = windows.stream().map(w -> new Place(found.getOrDefault(measure.id(), Map.of()).getOrDefault(w.id(), Map.of()),
                    requireNonNull(grades.get(w.ends())), ladders.byGrade(measure.id(), w.id()), sure.contains(w) ? w.id() : null, lie)).toList();
            cells.forEach((id, own) -> own.put(measure.id(), places.stream().map(p -> p.cell(id, measure)).toList()));
        }
        return new Standings(windows, ladders, grades, cells);
    }

    /** The screening score of each student on each measure in each window. */
    private static Map<Integer, Map<Integer, Map<Integer, Score>>> byMeasureAndWindow(List<Score> all, List<Window> windows) {
        Map<Integer, Map<Integer, Map<Integer, Score>>> found = new HashMap<>();
        for (Score s : all) {
            for (Window w : windows) {
                if (s.belongsTo(w.id(), w.starts(), w.ends())) {
                    found.computeIfAbsent(s.measureId(), k -> new HashMap<>()).computeIfAbsent(w.id(), k -> new HashMap<>())
                            .merge(s.studentId(), s, BinaryOperator.minBy(Score.SCREENING_FIRST));
                }
            }
        }
        return found;
    }

    /** What a measure's cells in a window are made from. @param sure the window's number, where it is said how sure bands are */
    private record Place(Map<Integer, Score> scores, Map<Integer, Integer> grades, Map<Integer, BandLadder> ladders, @Nullable Integer sure, Spreads lie) {
        Cell cell(Integer student, Measure measure) {
            Score score = scores.get(student);
            Integer grade = grades.get(student);
            if (score == null) {
                return new Cell(grade != null ? CellStatus.NONE : CellStatus.ELSEWHERE, null, null, null, null, null, null, false);
            }
            if (!score.scored()) {
                return new Cell(CellStatus.of(score.status()), null, score.takenOn(), null, null, null, null, false);
            }
            double value = requireNonNull(score.value());
            BandLadder ladder = grade == null ? null : ladders.get(grade);
            if (grade == null || ladder == null) {
                return new Cell(CellStatus.of(score.status()), value, score.takenOn(), null, null, null, null, false);
            }
            Standing s = sure == null ? ladder.standing(value)
                    : lie.of(sure, measure.id(), grade).map(m -> ladder.standing(value, m)).orElseGet(() -> ladder.standing(value, measure.semOrZero()));
            Double certainty = s.certainty().isPresent() ? s.certainty().getAsDouble() : null;
            return new Cell(CellStatus.of(score.status()), value, score.takenOn(), s.index(), s.band().name(), s.band().tier(), certainty, s.closeCall());
        }
    }
}
