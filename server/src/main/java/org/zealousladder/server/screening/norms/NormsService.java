package org.zealousladder.server.screening.norms;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Direction;
import org.zealousladder.core.goals.GrowthNorms;
import org.zealousladder.core.summary.NormPercentiles;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.norms.NormsView.NormPoint;
import org.zealousladder.server.screening.norms.NormsView.NormTable;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.Standings;
import org.zealousladder.server.screening.standings.StandingsService;

/** Shows norms and computes a school's own. */
@Service
public class NormsService {
    private final NormsStore store;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final RosterService roster;
    private final StandingsService standings;
    private final SetupRights rights;
    private final SchoolCalendar calendar;

    NormsService(NormsStore store, MeasuresService measures, WindowsService allWindows, RosterService roster, StandingsService standings, SetupRights rights,
            SchoolCalendar calendar) {
        this.store = store;
        this.measures = measures;
        this.allWindows = allWindows;
        this.roster = roster;
        this.standings = standings;
        this.rights = rights;
        this.calendar = calendar;
    }

    /** A table that was computed; without a season it is about growth. */
    record Computed(int measureId, int grade, @Nullable String season, int restsOn, List<NormPercentiles.Point> points) {}

    /** Growth per week at percentiles, and the name of the norms it comes from. */
    public record GrowthTable(String name, List<NormsView.NormPoint> points) {
        public GrowthNorms norms(Direction direction) {
            return GrowthNorms.of(points.stream().map(p -> new GrowthNorms.Point(p.percentile(), p.value())).toList(), direction);
        }
    }

    /** The tables of growth by grade: the newest that was brought in, else the school's own. A grade without one is left out. */
    @Transactional(readOnly = true)
    public Map<Integer, GrowthTable> growth(int school, int measure, Collection<Integer> grades, LocalDate asOf) {
        Map<Integer, GrowthTable> tables = new TreeMap<>();
        store.growth(school, measure, grades, asOf).stream().collect(Collectors.groupingBy(NormsStore.GrowthRow::grade)).forEach((grade, rows) -> {
            if (rows.size() > 1) {
                tables.put(grade, new GrowthTable(rows.get(0).name(), rows.stream().map(r -> new NormsView.NormPoint(r.percentile(), r.value())).toList()));
            }
        });
        return tables;
    }

    @Transactional(readOnly = true)
    public NormsView view(int school, int measureId, @Nullable Integer asked, LocalDate asOf) {
        Measure measure = measures.measure(measureId);
        List<NormsView.NormSet> sets = store.sets(school);
        int set = sets.stream().map(NormsView.NormSet::id).filter(id -> asked == null || id.equals(asked)).findFirst()
                .orElse(sets.isEmpty() ? 0 : sets.get(0).id());
        Map<Integer, List<NormsStore.PointRow>> byTable = new LinkedHashMap<>();
        store.points(set, measureId, asOf).forEach(p -> byTable.computeIfAbsent(p.tableId(), k -> new ArrayList<>()).add(p));
        List<NormTable> tables = byTable.values().stream().map(points -> {
            NormsStore.PointRow t = points.get(0);
            return new NormTable(t.grade(), t.about(), t.season(), t.restsOn(), t.knownFrom(),
                    points.stream().map(p -> new NormPoint(p.percentile(), p.value())).toList());
        }).toList();
        return new NormsView(measure.ref(), school, sets, set, tables, asOf.equals(calendar.today()) && rights.mayChange(school));
    }

    /** Computes percentiles by grade and window, and of growth per week by grade, from a year's scores of the whole school. */
    @Transactional
    NormsController.LocalMade compute(int school, int yearId) {
        rights.require(school, "Norms");
        LocalDate asOf = roster.year(yearId).clamp(calendar.today());
        List<Window> windows = allWindows.windows().stream().filter(w -> w.yearId() == yearId && !w.starts().isAfter(asOf)).toList();
        List<Enrolled> students = roster.enrolled(new Who(Who.Kind.SCHOOL, school, null), yearId, asOf);
        Standings standing = standings.of(students, measures.measures(), windows, asOf);
        List<Computed> tables = new ArrayList<>();
        for (Measure m : measures.measures()) {
            for (int k = 0; k < windows.size(); k++) {
                int place = k;
                tables.addAll(tables(m, windows.get(k).name(), byGrade(students, s -> standing.of(s.id(), m.id()).get(place).value())));
            }
            if (windows.size() > 1) {
                tables.addAll(tables(m, null, byGrade(students, s -> growth(standing.of(s.id(), m.id())))));
            }
        }
        if (tables.isEmpty()) {
            throw Refusal.conflict("No grade has ten scores in a window of this year yet, so there is nothing to compute norms from.");
        }
        int set = store.localSet(school);
        store.replace(set, tables, calendar.today(), Viewer.current().id());
        return new NormsController.LocalMade(set, tables.size());
    }

    /** From the first to the last window with a score, per week. */
    private static @Nullable Double growth(List<Cell> cells) {
        List<Cell> scored = cells.stream().filter(Cell::scored).toList();
        if (scored.size() < 2) {
            return null;
        }
        Cell first = scored.get(0);
        Cell last = scored.get(scored.size() - 1);
        long days = ChronoUnit.DAYS.between(first.date(), last.date());
        return days < 28 ? null : (Double) ((requireNonNull(last.value()) - requireNonNull(first.value())) / (days / 7.0));
    }

    private static Map<Integer, List<Double>> byGrade(List<Enrolled> students, java.util.function.Function<Enrolled, @Nullable Double> value) {
        Map<Integer, List<Double>> grades = new TreeMap<>();
        students.forEach(s -> {
            Double v = value.apply(s);
            if (v != null) {
                grades.computeIfAbsent(s.grade(), k -> new ArrayList<>()).add(v);
            }
        });
        return grades;
    }

    private static List<Computed> tables(Measure m, @Nullable String season, Map<Integer, List<Double>> grades) {
        List<Computed> tables = new ArrayList<>();
        grades.forEach((grade, values) -> NormPercentiles.of(values.stream().mapToDouble(Double::doubleValue).toArray(), m.direction())
                .ifPresent(points -> tables.add(new Computed(m.id(), grade, season, values.size(), points))));
        return tables;
    }
}
