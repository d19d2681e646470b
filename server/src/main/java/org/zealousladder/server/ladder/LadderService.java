package org.zealousladder.server.ladder;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.bands.Band;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.bands.Standing;
import org.zealousladder.core.summary.PercentileRanks;
import org.zealousladder.server.ladder.LadderView.BandCount;
import org.zealousladder.server.ladder.LadderView.Cell;
import org.zealousladder.server.ladder.LadderView.Row;
import org.zealousladder.server.ladder.LadderView.Season;
import org.zealousladder.server.measures.Ladders;
import org.zealousladder.server.measures.Measure;
import org.zealousladder.server.measures.MeasuresService;
import org.zealousladder.server.measures.Window;
import org.zealousladder.server.roster.Enrolled;
import org.zealousladder.server.roster.RosterService;
import org.zealousladder.server.roster.SchoolYear;
import org.zealousladder.server.roster.Who;
import org.zealousladder.server.scores.Score;
import org.zealousladder.server.scores.ScoresService;

/** Standings of students on ladders, season by season. */
@Service
@Transactional(readOnly = true)
public class LadderService {
    private final RosterService roster;
    private final MeasuresService measures;
    private final ScoresService scores;

    LadderService(RosterService roster, MeasuresService measures, ScoresService scores) {
        this.roster = roster;
        this.measures = measures;
        this.scores = scores;
    }

    /** Standings of some students on some measures in some windows, each list in the windows' order. */
    public record Standings(List<Window> windows, Map<Integer, Map<Integer, List<Cell>>> cells) {
        /** Cells of a student on a measure, one per window. */
        public List<Cell> of(int studentId, int measureId) {
            return cells.getOrDefault(studentId, Map.of()).getOrDefault(measureId, List.of());
        }

        /** The newest tier the student has on the measure. */
        public Optional<Integer> tier(int studentId, int measureId) {
            List<Cell> own = of(studentId, measureId);
            for (int i = own.size() - 1; i >= 0; i--) {
                if (own.get(i).tier() != null) {
                    return Optional.of(own.get(i).tier());
                }
            }
            return Optional.empty();
        }
    }

    public LadderView view(Who who, int measureId, int yearId, LocalDate asked) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        Measure measure = measures.measure(measureId);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        List<Window> windows = measures.seasons(asOf, 2);
        Ladders ladders = measures.ladders(windows, asOf);
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        Map<LocalDate, Map<Integer, Integer>> grades = grades(ids, windows);
        List<Score> all = windows.isEmpty() ? List.of() : scores.of(ids, List.of(measureId), windows.get(0).starts(), asOf);
        Standings standings = standings(ids, List.of(measure), windows, ladders, grades, all);
        List<Row> rows = students.stream().map(s -> {
            List<Cell> cells = standings.of(s.id(), measureId);
            return new Row(s.ref(), cells, gain(cells));
        }).toList();
        List<Season> seasons = new ArrayList<>();
        for (int k = 0; k < windows.size(); k++) {
            seasons.add(season(windows.get(k), k, rows, measure, ladders, grades));
        }
        return new LadderView(measure.ref(), measure.sem(), seasons, rows, LadderSummary.of(windows, rows));
    }

    /**
     * Standings for other views. {@code all} holds the students' scores from the first window on, of any measures.
     */
    public Standings standings(List<Integer> ids, Collection<Measure> of, List<Window> windows, LocalDate asOf, List<Score> all) {
        return standings(ids, of, windows, measures.ladders(windows, asOf), grades(ids, windows), all);
    }

    private Map<LocalDate, Map<Integer, Integer>> grades(List<Integer> ids, List<Window> windows) {
        return roster.gradesOn(ids, windows.stream().map(Window::ends).toList());
    }

    private static Standings standings(List<Integer> ids, Collection<Measure> of, List<Window> windows, Ladders ladders,
            Map<LocalDate, Map<Integer, Integer>> grades, List<Score> all) {
        Map<Integer, Measure> byId = new HashMap<>();
        of.forEach(m -> byId.put(m.id(), m));
        Map<Integer, Map<Integer, Map<Integer, Score>>> found = new HashMap<>();
        for (Score s : all) {
            for (Window w : windows) {
                if (byId.containsKey(s.measureId()) && !s.takenOn().isBefore(w.starts()) && !s.takenOn().isAfter(w.ends())) {
                    // Scores come by date. The first one in the window is the screening: what follows are weekly probes of those
                    // who are monitored. An absence is replaced by what comes after it.
                    found.computeIfAbsent(s.measureId(), k -> new HashMap<>()).computeIfAbsent(w.id(), k -> new HashMap<>())
                            .merge(s.studentId(), s, (a, b) -> a.scored() ? a : b);
                }
            }
        }
        Map<Integer, Map<Integer, List<Cell>>> cells = new HashMap<>();
        for (Measure measure : of) {
            for (Window w : windows) {
                Map<Integer, Score> inWindow = found.getOrDefault(measure.id(), Map.of()).getOrDefault(w.id(), Map.of());
                double[] group = inWindow.values().stream().filter(Score::scored).mapToDouble(Score::value).toArray();
                PercentileRanks ranks = PercentileRanks.of(group, measure.direction());
                for (Integer id : ids) {
                    Integer grade = grades.get(w.ends()).get(id);
                    BandLadder ladder = grade == null ? null : ladders.of(measure.id(), w.id(), grade).orElse(null);
                    cells.computeIfAbsent(id, k -> new HashMap<>()).computeIfAbsent(measure.id(), k -> new ArrayList<>())
                            .add(cell(inWindow.get(id), grade != null, ladder, measure, ranks));
                }
            }
        }
        return new Standings(windows, cells);
    }

    private static Cell cell(@Nullable Score score, boolean here, @Nullable BandLadder ladder, Measure measure, PercentileRanks ranks) {
        if (score == null) {
            return new Cell(here ? "none" : "elsewhere", null, null, null, null, null, null, false, null);
        }
        if (!score.scored()) {
            return new Cell(score.status(), null, score.takenOn(), null, null, null, null, false, null);
        }
        double value = score.value();
        OptionalDouble rank = ranks.of(value);
        Integer percentile = rank.isPresent() ? (int) Math.round(rank.getAsDouble()) : null;
        if (ladder == null) {
            return new Cell(score.status(), value, score.takenOn(), null, null, null, null, false, percentile);
        }
        Standing s = ladder.standing(value, measure.semOrZero());
        Double certainty = s.certainty().isPresent() ? s.certainty().getAsDouble() : null;
        return new Cell(score.status(), value, score.takenOn(), s.index(), s.band().name(), s.band().tier(), certainty, s.closeCall(), percentile);
    }

    private static @Nullable Double gain(List<Cell> cells) {
        if (cells.size() < 2 || cells.get(0).value() == null || cells.get(1).value() == null) {
            return null;
        }
        return cells.get(1).value() - cells.get(0).value();
    }

    private static Season season(Window w, int k, List<Row> rows, Measure measure, Ladders ladders,
            Map<LocalDate, Map<Integer, Integer>> grades) {
        Map<Integer, Integer> then = grades.get(w.ends());
        Set<Integer> distinct = new HashSet<>(then.values());
        List<BandLadder> drawn = distinct.stream().map(g -> ladders.of(measure.id(), w.id(), g).orElse(null)).filter(Objects::nonNull).toList();
        boolean common = drawn.size() == 1 && distinct.size() == 1;
        List<BandCount> bands = new ArrayList<>();
        if (!drawn.isEmpty() && (common || sameBands(drawn))) {
            List<Band> names = drawn.get(0).bands();
            for (int i = 0; i < names.size(); i++) {
                int band = i;
                int count = (int) rows.stream().filter(r -> Objects.equals(r.cells().get(k).band(), band)).count();
                bands.add(new BandCount(names.get(i).name(), names.get(i).tier(), common && i > 0 ? (Double) drawn.get(0).cuts()[i - 1] : null, count));
            }
        }
        int expected = (int) rows.stream().filter(r -> !r.cells().get(k).status().equals("elsewhere")).count();
        int screened = (int) rows.stream().filter(r -> r.cells().get(k).value() != null).count();
        return new Season(w.id(), w.name(), w.starts(), w.ends(), bands, expected, screened, drawn.size() > 1);
    }

    private static boolean sameBands(List<BandLadder> ladders) {
        return ladders.stream().map(BandLadder::bands).distinct().count() == 1;
    }
}
