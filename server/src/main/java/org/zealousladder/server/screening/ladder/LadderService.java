package org.zealousladder.server.screening.ladder;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.bands.Band;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.summary.FiveNumbers;
import org.zealousladder.core.summary.Histogram;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.ladder.LadderView.BandCount;
import org.zealousladder.server.screening.ladder.LadderView.LadderRow;
import org.zealousladder.server.screening.ladder.LadderView.Season;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.CellStatus;
import org.zealousladder.server.screening.standings.SchoolScores;
import org.zealousladder.server.screening.standings.Standings;
import org.zealousladder.server.screening.standings.StandingsService;

/** Puts the Ladder view together. */
@Service
@Transactional(readOnly = true)
public class LadderService {
    private static final int MOST_SEASONS = 4;
    private static final int MOST_BINS = 16;

    private final RosterService roster;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final StandingsService standings;

    LadderService(RosterService roster, MeasuresService measures, WindowsService allWindows, StandingsService standings) {
        this.roster = roster;
        this.measures = measures;
        this.allWindows = allWindows;
        this.standings = standings;
    }

    /** @param seasons how many windows, the newest being the last that had begun; 1 to 4 */
    public LadderView view(Who who, int measureId, int yearId, LocalDate asked, int seasons) {
        if (seasons < 1 || seasons > MOST_SEASONS) {
            throw Refusal.invalid("seasons", "The Ladder shows 1 to " + MOST_SEASONS + " seasons.");
        }
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        Measure measure = measures.measure(measureId, asOf);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        List<Window> windows = allWindows.seasons(roster.school(who), asOf, seasons);
        Standings standing = standings.sureOf(students, List.of(measure), windows, asOf);
        SchoolScores school = windows.isEmpty() ? null : standings.ofSchool(students, windows.get(windows.size() - 1), List.of(measure), asOf);
        List<LadderRow> rows = students.stream().map(s -> {
            List<Cell> cells = standing.of(s.id(), measureId);
            return new LadderRow(s.ref(), s.support(), cells, gain(cells), percentile(school, measure,
                    windows.isEmpty() ? s.grade() : standing.grade(s.id(), windows.get(windows.size() - 1)).orElse(s.grade()), cells));
        }).toList();
        List<Season> drawn = new ArrayList<>();
        for (int k = 0; k < windows.size(); k++) {
            drawn.add(season(windows.get(k), k, rows, measure, standing));
        }
        return new LadderView(measure.ref(), measure.sem(), drawn, rows,
                LadderSummary.of(windows, rows, measure.semOrZero() == 0, gone(who, yearId, students, windows, asOf)));
    }

    /** Who was here on the newest window's last day, and so counts in its coverage and report, and has left since. */
    private int gone(Who who, int yearId, List<Enrolled> here, List<Window> windows, LocalDate asOf) {
        if (windows.isEmpty() || !windows.get(windows.size() - 1).ends().isBefore(asOf)) {
            return 0;
        }
        LocalDate last = windows.get(windows.size() - 1).ends();
        Set<Integer> ids = here.stream().map(Enrolled::id).collect(Collectors.toSet());
        return (int) roster.enrolledDuring(who, yearId, last, last, last, asOf).stream().filter(e -> !ids.contains(e.id())).count();
    }

    private static @Nullable Integer percentile(@Nullable SchoolScores school, Measure measure, int grade, List<Cell> cells) {
        Double value = cells.isEmpty() ? null : cells.get(cells.size() - 1).value();
        return school == null || value == null ? null : school.percentile(measure, grade, value);
    }

    private static @Nullable Double gain(List<Cell> cells) {
        int last = cells.size() - 1;
        return last < 1 || !cells.get(last - 1).scored() || !cells.get(last).scored() ? null
                : (Double) (requireNonNull(cells.get(last).value()) - requireNonNull(cells.get(last - 1).value()));
    }

    private static Season season(Window w, int k, List<LadderRow> rows, Measure measure, Standings standing) {
        Map<Integer, Integer> then = standing.grades(w);
        Set<Integer> distinct = new HashSet<>(then.values());
        List<BandLadder> drawn = distinct.stream().map(g -> standing.ladders().of(measure.id(), w.id(), g).orElse(null)).filter(Objects::nonNull).toList();
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
        int expected = (int) rows.stream().filter(r -> r.cells().get(k).status() != CellStatus.ELSEWHERE).count();
        double[] values = rows.stream().map(r -> r.cells().get(k)).filter(Cell::scored).mapToDouble(Cell::value).toArray();
        return new Season(w.id(), w.name(), w.starts(), w.ends(), bands, expected, values.length, drawn.size() > 1,
                FiveNumbers.of(values).orElse(null), Histogram.of(values, MOST_BINS));
    }

    private static boolean sameBands(List<BandLadder> ladders) {
        return ladders.stream().map(BandLadder::bands).distinct().count() == 1;
    }
}
