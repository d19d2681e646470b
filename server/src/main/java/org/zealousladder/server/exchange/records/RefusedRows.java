package org.zealousladder.server.exchange.records;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;
import org.zealousladder.server.exchange.records.workbook.Workbook;
import org.zealousladder.server.platform.downloads.CsvRows;

/** The rows of a file that were refused, as they stand there. */
final class RefusedRows {
    /** Heading of the column that says what is wrong; it is passed over when the rows come again. */
    static final String REASON = "what is wrong";

    private RefusedRows() {}

    /** @param reasons by the row's number as a spreadsheet shows it */
    static void write(Path content, ImportResult.FileRead read, Map<Integer, String> reasons, CsvRows rows) throws IOException {
        try (ReceivedFile sheet = ReceivedFile.empty()) {
            boolean book = !read.sheets().isEmpty();
            if (book) {
                Workbook.write(content, read.sheets().get(0), sheet.path());
            }
            try (CsvFile file = CsvFile.open(book ? sheet.path() : content, read.forms())) {
                int last = file.headings().size() - 1;
                boolean again = file.headings().get(last).equals(REASON);
                int width = again ? last : last + 1;
                rows.add(with(file.headings(), width, REASON));
                for (CsvRecord record = file.nextRow(); record != null; record = file.nextRow()) {
                    String reason = reasons.get(file.rowNumber());
                    if (reason != null) {
                        rows.add(with(record.getFields(), width, reason));
                    }
                }
            }
        } catch (BadCsvException | Workbook.BadWorkbookException e) {
            throw new IllegalStateException("a file that was read once", e);
        }
    }

    private static List<String> with(List<String> cells, int width, String last) {
        List<String> all = new ArrayList<>(cells.subList(0, Math.min(width, cells.size())));
        while (all.size() < width) {
            all.add("");
        }
        all.add(last);
        return all;
    }
}
