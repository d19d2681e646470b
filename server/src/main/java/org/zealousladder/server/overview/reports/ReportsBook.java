package org.zealousladder.server.overview.reports;

import java.io.IOException;
import java.io.OutputStream;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.zealousladder.server.overview.reports.ReportTable.ColumnKind;
import org.zealousladder.server.overview.reports.ReportTable.ReportCell;
import org.zealousladder.server.overview.reports.ReportTable.ReportColumn;
import org.zealousladder.server.overview.reports.ReportTable.ReportFoot;
import org.zealousladder.server.overview.reports.ReportTable.ReportLine;
import org.zealousladder.server.overview.reports.ReportTable.ReportPart;
import org.zealousladder.server.platform.words.Words;

/** Everything of a report as one workbook: a sheet a table, and before them one that explains each column. */
final class ReportsBook {
    private static final int EVERY = 500;

    private final ReportsView view;
    private final boolean codes;

    /** @param codes whether names are hidden */
    ReportsBook(ReportsView view, boolean codes) {
        this.view = view;
        this.codes = codes;
    }

    void write(OutputStream out) throws IOException {
        try (Workbook book = new Workbook(out, "ZealousLadder", "1.0")) {
            readme(book.newWorksheet("README"));
            for (ReportTable table : view.tables()) {
                sheet(book.newWorksheet(table.name()), table);
            }
        }
    }

    private void readme(Worksheet sheet) throws IOException {
        int row = 0;
        for (String line : List.of(view.student() == null ? view.title() : view.student().called(codes),
                Words.day(view.from()) + " to " + Words.day(view.to()) + ", as known on " + Words.day(view.asOf()),
                view.students() == 1 ? "1 student" : view.students() + " students",
                "An empty cell: nothing is on record. Averages are of those who have a value; sums and averages stand in the last rows of a sheet.")) {
            text(sheet, row++, 0, line);
        }
        row++;
        for (int c = 0; c < 3; c++) {
            head(sheet, row, c, List.of("Sheet", "Column", "What it is").get(c));
        }
        for (ReportTable table : view.tables()) {
            text(sheet, ++row, 0, table.name());
            text(sheet, row, 2, table.says());
            for (String[] own : lead(table)) {
                text(sheet, ++row, 0, table.name());
                text(sheet, row, 1, own[0]);
                text(sheet, row, 2, own[1]);
            }
            for (ReportColumn column : table.columns()) {
                text(sheet, ++row, 0, table.name());
                text(sheet, row, 1, column.name());
                text(sheet, row, 2, column.explains());
            }
        }
        sheet.width(0, 24);
        sheet.width(1, 24);
        sheet.width(2, 90);
        sheet.finish();
    }

    private static boolean parted(ReportTable table) {
        return table.parts().stream().anyMatch(p -> p.title() != null) || table.kind() == ReportTable.ReportKind.RESULTS;
    }

    /** The columns before those of the table. */
    private static List<String[]> lead(ReportTable table) {
        List<String[]> all = new ArrayList<>();
        if (parted(table)) {
            all.add(new String[] {"Area", "Area that the measure belongs to."});
            all.add(new String[] {"Measure", "The measure."});
            all.add(new String[] {"Unit", "What its scores count."});
        }
        if (table.of().equals("Student")) {
            all.add(new String[] {"Code", "The school's code of the student."});
        }
        all.add(new String[] {table.of(), table.of().equals("Student") ? "What the student is called; the code again where names are hidden." : "The skill."});
        return all;
    }

    private void sheet(Worksheet sheet, ReportTable table) throws IOException {
        int column = 0;
        for (String[] own : lead(table)) {
            head(sheet, 0, column++, own[0]);
        }
        for (ReportColumn c : table.columns()) {
            head(sheet, 0, column++, c.name());
        }
        sheet.freezePane(lead(table).size(), 1);
        int row = 0;
        for (ReportPart part : table.parts()) {
            for (ReportLine line : part.lines()) {
                int at = before(sheet, ++row, table, part);
                if (line.student() != null) {
                    text(sheet, row, at++, line.student().code());
                    text(sheet, row, at++, line.student().called(codes));
                } else {
                    text(sheet, row, at++, line.name() == null ? "" : line.name());
                }
                cells(sheet, row, at, table, line.cells());
                if (row % EVERY == 0) {
                    sheet.flush();
                }
            }
            for (ReportFoot foot : part.foot()) {
                int at = before(sheet, ++row, table, part);
                at += table.of().equals("Student") ? 1 : 0;
                sheet.value(row, at, foot.name());
                sheet.style(row, at).bold().set();
                cells(sheet, row, at + 1, table, foot.cells());
            }
        }
        sheet.finish();
    }

    private static int before(Worksheet sheet, int row, ReportTable table, ReportPart part) {
        if (!parted(table)) {
            return 0;
        }
        text(sheet, row, 0, part.area() == null ? "" : part.area());
        text(sheet, row, 1, part.title() == null ? "" : part.title());
        text(sheet, row, 2, part.unit() == null ? "" : part.unit());
        return 3;
    }

    private static void cells(Worksheet sheet, int row, int from, ReportTable table, List<ReportCell> cells) {
        for (int c = 0; c < cells.size(); c++) {
            ReportCell cell = cells.get(c);
            ReportColumn column = table.columns().get(c);
            if (cell.number() != null) {
                sheet.value(row, from + c, Math.round(cell.number() * 10_000) / 10_000.0);
                if (column.kind() == ColumnKind.SHARE) {
                    sheet.style(row, from + c).format("0 %").set();
                }
            } else if (cell.text() != null && column.kind() == ColumnKind.DAY) {
                sheet.value(row, from + c, LocalDate.parse(cell.text()));
                sheet.style(row, from + c).format("yyyy-mm-dd").set();
            } else if (cell.text() != null) {
                text(sheet, row, from + c, cell.text());
            }
        }
    }

    private static void head(Worksheet sheet, int row, int column, String words) {
        text(sheet, row, column, words);
        sheet.style(row, column).bold().set();
    }

    private static void text(Worksheet sheet, int row, int column, String words) {
        sheet.value(row, column, words);
    }
}
