package org.zealousladder.cli.rows;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.time.LocalDate;
import java.util.List;
import org.zealousladder.server.platform.files.Cells;

/** A row that is being read. What is wrong with it is put among the problems, cell by cell. */
public final class Row {
    private final Columns columns;
    private final CsvRecord record;
    private final int number;
    private final String prefix;
    private final List<Problem> problems;
    private boolean good = true;

    /** @param prefix what stands before each message, where a command reads several files */
    public Row(Columns columns, CsvRecord record, int number, String prefix, List<Problem> problems) {
        this.columns = columns;
        this.record = record;
        this.number = number;
        this.prefix = prefix;
        this.problems = problems;
    }

    /** Whether nothing was wrong with it so far. */
    public boolean good() {
        return good;
    }

    public int number() {
        return number;
    }

    public void bad(String column, String message) {
        problems.add(new Problem(number, column, prefix + message));
        good = false;
    }

    /** Empty where the cell is, or where there is no such column. */
    public String optional(String column) {
        Integer at = columns.of(column);
        return at == null || at >= record.getFieldCount() ? "" : record.getField(at).strip();
    }

    public String text(String column) {
        String text = optional(column);
        if (text.isEmpty()) {
            bad(column, "The cell is empty; a " + column.replace('_', ' ') + " belongs here.");
        }
        return text;
    }

    /** Null where it is wrong. */
    public LocalDate date(String column) {
        String text = text(column);
        try {
            return text.isEmpty() ? null : columns.date(text);
        } catch (IllegalArgumentException e) {
            bad(column, e.getMessage());
            return null;
        }
    }

    /** 0 where it is wrong. */
    public double number(String column) {
        String text = text(column);
        try {
            return text.isEmpty() ? 0 : Cells.number(text);
        } catch (IllegalArgumentException e) {
            bad(column, e.getMessage());
            return 0;
        }
    }
}
