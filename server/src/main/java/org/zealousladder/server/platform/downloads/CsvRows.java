package org.zealousladder.server.platform.downloads;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.StringWriter;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import org.zealousladder.server.platform.words.Spreadsheet;

/** Rows of a CSV file, one by one. No cell, whose ever it is, is a formula where the file is opened. */
public final class CsvRows {
    private final CsvWriter csv;

    CsvRows(CsvWriter csv) {
        this.csv = csv;
    }

    /** A small table as text. */
    public static String text(Consumer<CsvRows> rows) {
        StringWriter out = new StringWriter();
        rows.accept(new CsvRows(CsvWriter.builder().build(out)));
        return out.toString();
    }

    /** The first row names the columns. */
    public void add(String... cells) {
        add(Arrays.asList(cells));
    }

    public void add(List<String> cells) {
        csv.writeRecord(cells.stream().map(Spreadsheet::safe).toList());
    }
}
