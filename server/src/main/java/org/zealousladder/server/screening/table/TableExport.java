package org.zealousladder.server.screening.table;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.screening.standings.CellStatus;
import org.zealousladder.server.screening.table.TableView.TableCell;
import org.zealousladder.server.screening.table.TableView.TableColumn;
import org.zealousladder.server.screening.table.TableView.TableRow;

/** Exactly the rows and columns that somebody sees, in their order. A score has its band beside it, and last year's score. */
final class TableExport {
    private final List<String> heads = new ArrayList<>();
    private final List<List<Object>> rows = new ArrayList<>();

    /**
     * @param students in the order shown
     * @param chosen places of the shown columns in the view's columns, in the order shown
     * @param codes whether names are hidden
     */
    TableExport(TableView view, List<Integer> students, List<Integer> chosen, boolean codes) {
        if (chosen.stream().anyMatch(c -> c < 0 || c >= view.columns().size())) {
            throw Refusal.conflict("The table has changed meanwhile. Look at it again and repeat the export.");
        }
        heads.add("Code");
        if (!codes) {
            heads.add("Student");
        }
        heads.addAll(List.of("Class", "Support"));
        for (int c : chosen) {
            TableColumn column = view.columns().get(c);
            String name = column.measure() + ", " + column.window();
            heads.addAll(column.lastYear() ? List.of(name, name + ", band", name + ", a year before") : List.of(name, name + ", band"));
        }
        Map<Integer, TableRow> byId = view.rows().stream().collect(Collectors.toMap(r -> r.student().id(), r -> r));
        for (int id : students) {
            TableRow row = byId.get(id);
            if (row != null) {
                rows.add(row(row, view, chosen, codes));
            }
        }
    }

    private static List<Object> row(TableRow row, TableView view, List<Integer> chosen, boolean codes) {
        List<Object> cells = new ArrayList<>(List.of(row.student().code()));
        if (!codes) {
            cells.add(row.student().name());
        }
        cells.add(row.student().className());
        cells.add(row.support() == null ? "" : row.support());
        for (int c : chosen) {
            TableColumn column = view.columns().get(c);
            TableCell cell = row.cells().get(c);
            cells.add(cell.value() != null ? cell.value()
                    : cell.status() == CellStatus.NONE ? "not screened" : cell.status() == CellStatus.ELSEWHERE ? "not here" : text(cell.status()));
            cells.add(cell.band() == null ? "" : column.bands().isEmpty() ? "tier " + cell.tier() : column.bands().get(cell.band()));
            if (column.lastYear()) {
                cells.add(cell.thenValue() == null ? "" : cell.thenValue());
            }
        }
        return cells;
    }

    private static String text(@Nullable CellStatus status) {
        return status == null ? "" : status.code();
    }

    List<List<String>> csv() {
        List<List<String>> all = new ArrayList<>(List.of(heads));
        rows.forEach(r -> all.add(r.stream().map(c -> c instanceof Double d ? Words.plain(d) : c.toString()).toList()));
        return all;
    }

    byte[] xlsx() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(bytes, "ZealousLadder", "1.0")) {
            Worksheet sheet = book.newWorksheet("Screening");
            for (int c = 0; c < heads.size(); c++) {
                sheet.value(0, c, heads.get(c));
            }
            for (int r = 0; r < rows.size(); r++) {
                for (int c = 0; c < heads.size(); c++) {
                    if (rows.get(r).get(c) instanceof Double d) {
                        sheet.value(r + 1, c, d);
                    } else {
                        sheet.value(r + 1, c, rows.get(r).get(c).toString());
                    }
                }
            }
            sheet.freezePane(2, 1);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }
}
