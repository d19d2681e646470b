package org.zealousladder.server.screening.table;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.bands.Band;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.CellStatus;
import org.zealousladder.server.screening.standings.Standings;
import org.zealousladder.server.screening.standings.StandingsService;
import org.zealousladder.server.screening.table.TableView.TableCell;
import org.zealousladder.server.screening.table.TableView.TableColumn;
import org.zealousladder.server.screening.table.TableView.TableRow;

/** Puts the table together: this year's windows, each with its namesake of the year before. */
@Service
@Transactional(readOnly = true)
public class TableService {
    private final RosterService roster;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final StandingsService standings;

    TableService(RosterService roster, MeasuresService measures, WindowsService allWindows, StandingsService standings) {
        this.roster = roster;
        this.measures = measures;
        this.allWindows = allWindows;
        this.standings = standings;
    }

    private record Place(Measure measure, int now, Optional<Integer> then) {}

    public TableView view(Who who, int yearId, LocalDate asked) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        List<Window> begun = allWindows.of(roster.school(who), asOf).stream().filter(w -> !w.starts().isAfter(asOf)).toList();
        List<Window> now = begun.stream().filter(w -> w.yearId() == yearId).toList();
        List<Window> then = now.stream().flatMap(w -> begun.stream().filter(b -> b.name().equals(w.name()) && b.starts().isBefore(w.starts()))
                .max(Comparator.comparing(Window::starts)).stream()).toList();
        List<Window> all = new ArrayList<>(then);
        all.addAll(now);
        List<Measure> known = measures.measures(asOf);
        Standings standing = standings.of(students, known, all, asOf);
        List<Place> places = new ArrayList<>();
        List<TableColumn> columns = new ArrayList<>();
        for (Measure m : known) {
            for (Window w : now) {
                int k = all.indexOf(w);
                if (students.stream().anyMatch(s -> standing.of(s.id(), m.id()).get(k).status() != CellStatus.NONE)) {
                    Optional<Integer> before = then.stream().filter(t -> t.name().equals(w.name())).findFirst().map(all::indexOf);
                    places.add(new Place(m, k, before));
                    columns.add(new TableColumn(m.id(), m.name(), m.area(), m.better().equals("higher"), m.decimals(), w.id(), w.name(), w.starts(),
                            bands(standing, m, w),
                            before.isPresent()));
                }
            }
        }
        List<TableRow> rows = students.stream().map(s -> new TableRow(s.ref(), s.grade(), s.support(), places.stream().map(p -> {
            List<Cell> cells = standing.of(s.id(), p.measure().id());
            return cell(cells.get(p.now()), p.then().map(cells::get));
        }).toList())).toList();
        return new TableView(columns, rows);
    }

    private static List<String> bands(Standings standing, Measure m, Window w) {
        List<List<String>> names = standing.grades(w).values().stream().distinct().flatMap(g -> standing.ladders().of(m.id(), w.id(), g).stream())
                .map(l -> l.bands().stream().map(Band::name).toList()).distinct().toList();
        return names.size() == 1 ? names.get(0) : List.of();
    }

    private static TableCell cell(Cell now, Optional<Cell> then) {
        return new TableCell(now.value(), now.scored() ? null : now.status(), now.band(), now.tier(), now.closeCall() ? true : null,
                then.map(Cell::value).orElse(null), then.map(Cell::band).orElse(null), then.map(Cell::tier).orElse(null));
    }
}
