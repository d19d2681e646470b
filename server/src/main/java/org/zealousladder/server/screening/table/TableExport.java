package org.zealousladder.server.screening.table;

import java.io.IOException;
import java.io.OutputStream;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.downloads.CsvRows;
import org.zealousladder.server.platform.downloads.SheetRows;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.SpokenHome;
import org.zealousladder.server.screening.standings.CellStatus;
import org.zealousladder.server.screening.table.TableView.TableCell;
import org.zealousladder.server.screening.table.TableView.TableColumn;
import org.zealousladder.server.screening.table.TableView.TableRow;

/** Exactly the rows and columns that somebody sees, in their order. A score has its band beside it, and last year's score. */
final class TableExport {
    private final List<TableRow> rows;
    private final List<TableColumn> columns;
    private final List<Integer> chosen;
    private final boolean codes;
    private final @Nullable Map<Integer, LocalDate> spoken;

    /**
     * @param students in the order shown
     * @param chosen places of the shown columns in the view's columns, in the order shown
     * @param codes whether names are hidden
     * @param spoken when home was last spoken to, by student; null where that is not shown
     */
    TableExport(TableView view, List<Integer> students, List<Integer> chosen, boolean codes, @Nullable Map<Integer, LocalDate> spoken) {
        this.spoken = spoken;
        if (chosen.stream().anyMatch(c -> c < 0 || c >= view.columns().size())) {
            throw Refusal.conflict("The table has changed meanwhile. Look at it again and repeat the export.");
        }
        Map<Integer, TableRow> byId = view.rows().stream().collect(Collectors.toMap(r -> r.student().id(), r -> r));
        this.rows = students.stream().map(byId::get).filter(Objects::nonNull).toList();
        this.columns = view.columns();
        this.chosen = chosen;
        this.codes = codes;
    }

    void csv(CsvRows out) {
        out.add(heads());
        rows.forEach(r -> out.add(cells(r).stream().map(c -> c instanceof Double d ? Words.plain(d) : c.toString()).toList()));
    }

    void xlsx(OutputStream out) throws IOException {
        try (Workbook book = new Workbook(out, "ZealousLadder", "1.0")) {
            Worksheet sheet = book.newWorksheet("Screening");
            sheet.freezePane(2, 1);
            SheetRows.put(sheet, 0, heads());
            for (int r = 0; r < rows.size(); r++) {
                SheetRows.put(sheet, r + 1, cells(rows.get(r)));
                if (r % 500 == 499) {
                    sheet.flush();
                }
            }
        }
    }

    /** The words that stand for a score where there is none. */
    static List<String> words() {
        return Arrays.stream(CellStatus.values()).filter(s -> s != CellStatus.SCORED).map(TableExport::words).toList();
    }

    private List<String> heads() {
        return declared().stream().map(Column::name).toList();
    }

    List<Column> declared() {
        List<Column> heads = new ArrayList<>(List.of(Column.of("Code", Column.Type.TEXT)));
        if (!codes) {
            heads.add(Column.of("Student", Column.Type.TEXT));
        }
        heads.addAll(List.of(Column.of("Class", Column.Type.TEXT), Column.optional("Support", Column.Type.TEXT)));
        if (spoken != null) {
            heads.add(Column.optional(SpokenHome.COLUMN, Column.Type.DATE));
        }
        for (int c : chosen) {
            TableColumn column = columns.get(c);
            String name = column.measure() + ", " + column.window();
            heads.add(Column.optional(name, Column.Type.NUMBER));
            heads.add(Column.optional(name + ", band", Column.Type.TEXT));
            if (column.lastYear()) {
                heads.add(Column.optional(name + ", a year before", Column.Type.NUMBER));
            }
        }
        return heads;
    }

    private List<Object> cells(TableRow row) {
        List<Object> cells = new ArrayList<>(List.of(row.student().code()));
        if (!codes) {
            cells.add(row.student().name());
        }
        cells.add(row.student().className());
        cells.add(row.support() == null ? "" : row.support());
        if (spoken != null) {
            LocalDate last = spoken.get(row.student().id());
            cells.add(last == null ? "" : last.toString());
        }
        for (int c : chosen) {
            TableColumn column = columns.get(c);
            TableCell cell = row.cells().get(c);
            cells.add(cell.value() != null ? cell.value() : words(cell.status()));
            cells.add(cell.band() == null ? "" : column.bands().isEmpty() ? "tier " + cell.tier() : column.bands().get(cell.band()));
            if (column.lastYear()) {
                cells.add(cell.thenValue() == null ? "" : cell.thenValue());
            }
        }
        return cells;
    }

    private static String words(@Nullable CellStatus status) {
        return status == null ? "" : status == CellStatus.NONE ? "not screened" : status == CellStatus.ELSEWHERE ? "not here" : status.code();
    }
}
