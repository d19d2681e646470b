package org.zealousladder.server.overview.compare;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.comparing.Comparison;
import org.zealousladder.core.comparing.FigureKind;
import org.zealousladder.core.comparing.Tally;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.overview.compare.YearsView.YearCell;
import org.zealousladder.server.overview.compare.YearsView.YearRow;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.people.TeachersService;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.Standings;
import org.zealousladder.server.screening.standings.StandingsService;

/** A class beside those of its grade in this year and the years before: a fixed number of reads, whatever their number. */
@Service
@Transactional(readOnly = true)
class YearsService {
    private final RosterService roster;
    private final MeasuresService measures;
    private final WindowsService windows;
    private final StandingsService standings;
    private final TeachersService teachers;

    YearsService(RosterService roster, MeasuresService measures, WindowsService windows, StandingsService standings, TeachersService teachers) {
        this.roster = roster;
        this.measures = measures;
        this.windows = windows;
        this.standings = standings;
        this.teachers = teachers;
    }

    /** @param area null: the first; @param window name of a window; null: the newest that has begun */
    record Asked(int classId, @Nullable String area, @Nullable String window, LocalDate asOf) {}

    YearsView view(Asked asked) {
        List<ClassRef> known = roster.classes();
        ClassRef own = known.stream().filter(c -> c.id() == asked.classId()).findFirst()
                .orElseThrow(() -> Refusal.forbidden("That class is not one of yours. Choose another in the line at the top."));
        Map<Integer, SchoolYear> years = roster.years(own.schoolId()).stream().filter(y -> !y.starts().isAfter(asked.asOf()))
                .collect(Collectors.toMap(SchoolYear::id, Function.identity()));
        List<ClassRef> classes = known.stream().filter(c -> c.schoolId() == own.schoolId() && c.grade() == own.grade() && years.containsKey(c.yearId()))
                .sorted(Comparator.comparing((ClassRef c) -> year(years, c).starts()).reversed().thenComparing(c -> c.id() != own.id())
                        .thenComparing(ClassRef::name))
                .toList();
        List<Window> begun = windows.of(own.schoolId(), asked.asOf()).stream().filter(w -> years.containsKey(w.yearId()) && !w.starts().isAfter(asked.asOf()))
                .toList();
        List<String> names = begun.stream().map(Window::name).distinct().toList();
        String window = asked.window() != null && names.contains(asked.window()) ? asked.window()
                : begun.isEmpty() ? null : begun.get(begun.size() - 1).name();
        String first = names.isEmpty() || names.get(0).equals(window) ? null : names.get(0);
        List<Measure> whole = measures.measures(asked.asOf()).stream().filter(Measure::whole).toList();
        List<String> areas = whole.stream().map(Measure::area).distinct().toList();
        String area = asked.area() != null && areas.contains(asked.area()) ? asked.area() : areas.isEmpty() ? "" : areas.get(0);
        List<Measure> within = whole.stream().filter(m -> m.area().equals(area)).toList();
        List<Integer> ids = classes.stream().map(ClassRef::id).toList();
        List<Enrolled> students = roster.enrolledIn(ids, asked.asOf());
        Map<Integer, List<String>> taughtBy = teachers.ofClasses(ids, asked.asOf());
        Reading reading = new Reading(standings.of(distinct(students), within, begun, asked.asOf()), begun, within);
        Map<Integer, List<Enrolled>> byClass = students.stream().collect(Collectors.groupingBy(Enrolled::classId));
        List<Map<Integer, Tally>> mine = within.stream().map(m -> reading.values(byClass.getOrDefault(own.id(), List.of()), m, own.yearId(), window)).toList();
        List<YearRow> rows = classes.stream().filter(c -> byClass.containsKey(c.id())).map(c -> {
            List<Enrolled> here = requireNonNull(byClass.get(c.id()));
            return new YearRow(c.id(), c.name(), year(years, c).name(), taughtBy.getOrDefault(c.id(), List.of()), here.size(),
                    reading.cells(c, here, window, first, c.id() == own.id() ? null : mine));
        }).toList();
        return new YearsView(own.id(), own.grade(), areas, area, names, window, first, within.stream().map(Measure::ref).toList(),
                Viewer.current().leads(own.schoolId()), rows);
    }

    private static SchoolYear year(Map<Integer, SchoolYear> years, ClassRef c) {
        return requireNonNull(years.get(c.yearId()));
    }

    /** A student may have sat in several of the classes. */
    private static List<Enrolled> distinct(List<Enrolled> students) {
        Map<Integer, Enrolled> once = new HashMap<>();
        students.forEach(e -> once.putIfAbsent(e.id(), e));
        return List.copyOf(once.values());
    }

    private record Reading(Standings standings, List<Window> windows, List<Measure> measures) {

        private int place(int year, @Nullable String window) {
            for (int i = 0; i < windows.size(); i++) {
                if (windows.get(i).yearId() == year && windows.get(i).name().equals(window)) {
                    return i;
                }
            }
            return -1;
        }

        private List<Cell> at(Collection<Enrolled> students, Measure m, int place) {
            return place < 0 ? List.of() : students.stream().map(e -> standings.of(e.id(), m.id()).get(place)).filter(Cell::scored).toList();
        }

        private Map<Integer, Tally> values(List<Enrolled> students, Measure m, int year, @Nullable String window) {
            int place = place(year, window);
            Map<Integer, Tally> all = new HashMap<>();
            if (place >= 0) {
                students.forEach(e -> {
                    Double value = standings.of(e.id(), m.id()).get(place).value();
                    if (value != null) {
                        all.put(e.id(), Tally.of(value));
                    }
                });
            }
            return all;
        }

        private List<YearCell> cells(ClassRef c, List<Enrolled> students, @Nullable String window, @Nullable String first,
                @Nullable List<Map<Integer, Tally>> beside) {
            int place = place(c.yearId(), window);
            return measures.stream().map(m -> {
                Map<Integer, Tally> now = values(students, m, c.yearId(), window);
                Map<Integer, Tally> before = first == null ? Map.of() : values(students, m, c.yearId(), first);
                List<Double> gains = now.keySet().stream().filter(before::containsKey)
                        .map(id -> requireNonNull(now.get(id)).sum() - requireNonNull(before.get(id)).sum()).toList();
                List<Cell> scored = at(students, m, place);
                List<Integer> tiers = scored.stream().map(Cell::tier).filter(Objects::nonNull).map(Objects::requireNonNull).toList();
                Comparison other = Comparison.of(FigureKind.MEAN, beside == null ? Map.of() : beside.get(measures.indexOf(m)), now, false, null);
                return new YearCell(now.size(), other.second(),
                        tiers.isEmpty() ? null : (Double) (tiers.stream().filter(t -> t == 1).count() / (double) tiers.size()),
                        gains.isEmpty() ? null : (Double) gains.stream().mapToDouble(d -> d).average().orElseThrow(), gains.size(),
                        other.difference().map(d -> d.value()).orElse(null), other.difference().map(d -> d.low()).orElse(null),
                        other.difference().map(d -> d.high()).orElse(null), other.settles());
            }).toList();
        }
    }
}
