package org.zealousladder.server.overview.find;

import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.List;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.downloads.CsvRows;
import org.zealousladder.server.platform.downloads.SheetRows;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.StudentRef;

/** The table of those who were found, with the code of each. */
public final class FindExport {
    private final FindService.FoundTable table;
    private final boolean codes;

    /** @param codes whether names are hidden */
    public FindExport(FindService.FoundTable table, boolean codes) {
        this.table = table;
        this.codes = codes;
    }

    private List<String> heads() {
        List<String> all = new ArrayList<>(List.of("student", "name"));
        all.addAll(table.columns());
        return all;
    }

    private List<Object> cells(FindService.FoundRow row) {
        StudentRef ref = row.student().ref();
        List<Object> all = new ArrayList<>(List.of(ref.code(), codes ? ref.code() : ref.name()));
        row.values().forEach(v -> all.add(cell(v)));
        return all;
    }

    /** Yes and no in words; a number to three decimals; nothing where nothing is on record. */
    static Object cell(@Nullable Object value) {
        return value == null ? ""
                : value instanceof Boolean b ? (b ? "yes" : "no") : value instanceof Double d ? (Object) (Math.round(d * 1000) / 1000.0) : value;
    }

    public void csv(CsvRows out) {
        out.add(heads());
        table.rows().forEach(r -> out.add(cells(r).stream().map(c -> c instanceof Double d ? Words.plain(d) : c.toString()).toList()));
    }

    public void xlsx(OutputStream out) throws IOException {
        try (Workbook book = new Workbook(out, "ZealousLadder", "1.0")) {
            Worksheet sheet = book.newWorksheet("Found");
            sheet.freezePane(2, 1);
            SheetRows.put(sheet, 0, heads());
            for (int r = 0; r < table.rows().size(); r++) {
                SheetRows.put(sheet, r + 1, cells(table.rows().get(r)));
                if (r % 500 == 499) {
                    sheet.flush();
                }
            }
        }
    }
}
