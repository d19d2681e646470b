package org.zealousladder.server.exchange.records.matching;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;
import org.zealousladder.server.platform.files.Cells;

/**
 * The first rows of a table, to look at.
 *
 * @param headings as the table has them
 * @param rows each with a cell for each heading
 */
public record Sample(List<String> headings, List<List<String>> rows) {
    private static final int MOST = 300;

    public static Sample of(CsvFile file) throws BadCsvException {
        List<List<String>> rows = new ArrayList<>();
        for (CsvRecord r = file.nextRow(); r != null && rows.size() < MOST; r = file.nextRow()) {
            List<String> cells = new ArrayList<>();
            for (int i = 0; i < file.headings().size(); i++) {
                cells.add(i < r.getFieldCount() ? r.getField(i).replace("\0", "").strip() : "");
            }
            rows.add(cells);
        }
        return new Sample(file.headings(), rows);
    }

    /** The different cells of one column that hold something. */
    Set<String> texts(int column) {
        Set<String> all = new LinkedHashSet<>();
        rows.forEach(r -> all.add(r.get(column)));
        all.remove("");
        return all;
    }

    /** The share of a column's filled cells of which something holds; 0 where none is filled. */
    double share(int column, Predicate<String> holds) {
        long filled = rows.stream().filter(r -> !r.get(column).isEmpty()).count();
        return filled == 0 ? 0 : (double) rows.stream().map(r -> r.get(column)).filter(t -> !t.isEmpty() && holds.test(t)).count() / filled;
    }

    static boolean isNumber(String text) {
        return text.matches("[+-]?\\d{1,6}([.,]\\d{1,4})?");
    }

    static boolean isDay(String text) {
        return Cells.dayAndMonth(text) != null || text.matches("\\d{4}[-/.]\\d{1,2}[-/.]\\d{1,2}([ T].*)?");
    }

    /** The first {@code most} rows, long cells cut. */
    public List<List<String>> shown(int most) {
        return rows.stream().limit(most).map(r -> r.stream().map(t -> t.length() > 40 ? t.substring(0, 39) + "…" : t).toList()).toList();
    }
}
