package org.zealousladder.server.exchange.records.workbook;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.MathContext;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ExcelReaderException;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;
import org.jspecify.annotations.Nullable;

/** A workbook, one sheet of which is written out as a table in the product's own form. Rows are read one by one. */
public final class Workbook {
    private static final int MOST_COLUMNS = 1_000;
    private static final int TELL_EACH = 5_000;
    private static final String BROKEN = "The workbook cannot be read. Open it in a spreadsheet program, save it as .xlsx or CSV, and choose it again.";

    private Workbook() {}

    /** A workbook that is not read, with what to do about it. */
    public static final class BadWorkbookException extends Exception {
        private static final long serialVersionUID = 1L;

        public BadWorkbookException(String message) {
            super(message);
        }
    }

    /** Whether a file is a workbook, or some other archive, rather than text. */
    public static boolean looksLikeOne(Path path) throws IOException {
        try (InputStream in = Files.newInputStream(path)) {
            byte[] start = in.readNBytes(4);
            return start.length == 4 && start[0] == 'P' && start[1] == 'K' && start[2] == 3 && start[3] == 4;
        }
    }

    /** Told now and then how many of how many rows are written; of a sheet that does not say how many it has, of 0. */
    @FunctionalInterface
    public interface Rows {
        void written(int rows, int of);
    }

    /** As {@link #write(Path, String, Path, Rows)}, for whom nobody waits. */
    public static List<String> write(Path workbook, @Nullable String wanted, Path table) throws IOException, BadWorkbookException {
        return write(workbook, wanted, table, (rows, of) -> {});
    }

    /**
     * Writes a sheet into {@code table}.
     *
     * @param wanted the sheet's name; null: the first one with something in it
     * @return the names of all sheets, the one that was written first
     */
    public static List<String> write(Path workbook, @Nullable String wanted, Path table, Rows told) throws IOException, BadWorkbookException {
        int rows = Harmless.check(workbook);
        try (ReadableWorkbook book = new ReadableWorkbook(workbook.toFile(), new ReadingOptions(true, true))) {
            List<Sheet> sheets = book.getSheets().toList();
            for (Sheet sheet : sheets) {
                if (wanted == null || sheet.getName().equals(wanted)) {
                    if (write(sheet, table, rows, told) || wanted != null || sheets.size() == 1) {
                        List<String> names = new ArrayList<>(List.of(sheet.getName()));
                        sheets.stream().map(Sheet::getName).filter(n -> !n.equals(sheet.getName())).forEach(names::add);
                        return names;
                    }
                }
            }
            throw new BadWorkbookException(wanted == null ? "There is nothing in the workbook." : "There is no sheet of that name in the workbook.");
        } catch (ExcelReaderException | IllegalArgumentException | IllegalStateException | ClassCastException e) {
            throw new BadWorkbookException(BROKEN);
        }
    }

    private static boolean write(Sheet sheet, Path table, int of, Rows told) throws IOException, BadWorkbookException {
        boolean any = false;
        try (BufferedWriter out = Files.newBufferedWriter(table); CsvWriter csv = CsvWriter.builder().build(out); Stream<Row> rows = sheet.openStream()) {
            int written = 0;
            for (Row row : (Iterable<Row>) rows::iterator) {
                if (row.getCellCount() > MOST_COLUMNS) {
                    throw new BadWorkbookException("A row of the workbook has " + row.getCellCount() + " columns; at most " + MOST_COLUMNS
                            + " are read. Delete what is far to the right, and choose it again.");
                }
                // Rows that are not there keep the numbers of those below as the spreadsheet shows them.
                for (; written < row.getRowNum() - 1; written++) {
                    csv.writeRecord("");
                }
                List<String> cells = new ArrayList<>(row.getCellCount());
                for (int c = 0; c < row.getCellCount(); c++) {
                    cells.add(text(row.getCell(c)));
                }
                any |= cells.stream().anyMatch(t -> !t.isBlank());
                csv.writeRecord(cells);
                written = row.getRowNum();
                if (written % TELL_EACH == 0) {
                    told.written(written, of);
                }
            }
        } catch (UncheckedIOException e) {
            throw new BadWorkbookException(BROKEN);
        }
        return any;
    }

    /** As the product itself would write it. */
    private static String text(@Nullable Cell cell) {
        if (cell == null || cell.getType() == CellType.EMPTY || cell.getType() == CellType.ERROR) {
            return "";
        }
        String raw = cell.getRawValue();
        if (cell.getType() == CellType.NUMBER || cell.getType() == CellType.FORMULA && isNumber(raw)) {
            if (isDay(cell.getDataFormatString())) {
                LocalDateTime at = cell.asDate();
                return at.toLocalTime().equals(LocalTime.MIDNIGHT) ? at.toLocalDate().toString() : at.toString();
            }
            // What is shown: spreadsheets keep 15 digits, and a sum of tenths has a tail after that.
            return new BigDecimal(raw).round(new MathContext(15)).stripTrailingZeros().toPlainString();
        }
        return cell.getText() == null ? "" : cell.getText();
    }

    private static boolean isNumber(@Nullable String raw) {
        return raw != null && raw.matches("[+-]?\\d+(\\.\\d+)?([eE][+-]?\\d+)?");
    }

    /** Whether a number is shown as a day, by its format without what stands in quotes and brackets. */
    static boolean isDay(@Nullable String format) {
        if (format == null) {
            return false;
        }
        String plain = format.replaceAll("\"[^\"]*\"|\\[[^\\]]*\\]|\\\\.", "").toLowerCase(java.util.Locale.ROOT);
        return plain.contains("yy") || plain.contains("d") && plain.contains("m");
    }
}
