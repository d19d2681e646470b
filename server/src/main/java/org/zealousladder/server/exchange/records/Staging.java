package org.zealousladder.server.exchange.records;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyIn;
import org.postgresql.copy.CopyManager;
import org.springframework.http.HttpStatus;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;
import org.zealousladder.server.exchange.records.matching.Cause;
import org.zealousladder.server.exchange.records.matching.Lines;
import org.zealousladder.server.platform.problems.Refusal;

/** Streams a file into a temporary table with {@code row_no} and a column for each field, and the cells it cannot read into {@code refused}. */
final class Staging {
    /** What a run begins with: the refused, of all its files. */
    static final String REFUSED = """
            create temporary table refused (file_no smallint not null default 0, row_no integer not null, col text not null, value text not null, message text not null,
                                            cause text not null default 'other') on commit drop""";

    private static final int FLUSH_AT = 1 << 16;
    private static final int REFUSALS_LIMIT = 100_000;
    private static final int SHOWN_OF_A_CELL = 200;

    private final Connection connection;
    private final Lines lines;
    private final int fileNo;
    private StringBuilder buffer = new StringBuilder(FLUSH_AT + 4096);
    private final List<Refused> refusals = new ArrayList<>();

    private record Refused(int row, String column, String value, String message, Cause cause) {}

    Staging(Connection connection, Lines lines, int fileNo) {
        this.connection = connection;
        this.lines = lines;
        this.fileNo = fileNo;
    }

    /**
     * Reads {@code file} to its end into {@code table}; returns the number of its rows.
     *
     * @param from share of the reading that is done when it begins
     */
    int load(CsvFile file, String table, double from, ImportProgress progress) throws SQLException, IOException, BadCsvException {
        String columns = lines.columns().stream().map(c -> '"' + c.name() + "\" " + c.type().sql()).collect(Collectors.joining(", "));
        execute("create temporary table " + table + " (row_no integer not null, " + columns + ") on commit drop");
        CopyManager copies = connection.unwrap(PGConnection.class).getCopyAPI();
        CopyIn copy = copies.copyIn("copy " + table + " from stdin");
        Lines.Sink sink = new Lines.Sink() {
            @Override
            public void line(int number, @Nullable String[] cells) {
                buffer.append(number);
                for (String cell : cells) {
                    appendCell(cell);
                }
                buffer.append('\n');
            }

            @Override
            public void refuse(int number, String heading, String value, String message, Cause cause) {
                Staging.this.refuse(number, heading, value, message, cause);
            }
        };
        int rows = 0;
        try {
            for (CsvRecord record = file.nextRow(); record != null; record = file.nextRow()) {
                rows++;
                int width = file.header().size();
                int number = file.rowNumber() * lines.width();
                if (file.breaksOff(record)) {
                    refuse(number, file.header().get(record.getFieldCount() - 1), record.getField(record.getFieldCount() - 1), CsvFile.BROKEN_OFF, Cause.OTHER);
                } else if (record.getFieldCount() > width && !blankFrom(record, width)) {
                    refuse(number, "", record.getField(width), "The row has " + record.getFieldCount() + " cells, the first row only " + width
                            + ". Put quotes around text that holds the delimiter.", Cause.OTHER);
                } else {
                    lines.of(record, file.rowNumber(), sink);
                }
                if (buffer.length() >= FLUSH_AT) {
                    flush(copy);
                    progress.at(ImportProgress.Step.READING, from + (1 - from) * file.shareRead());
                }
            }
            flush(copy);
            copy.endCopy();
        } finally {
            if (copy.isActive()) {
                copy.cancelCopy();
            }
        }
        copyRefusals(copies);
        execute("analyze " + table);
        return rows;
    }

    /** Spreadsheets write delimiters for cells that once had a format. */
    private static boolean blankFrom(CsvRecord record, int width) {
        for (int i = width; i < record.getFieldCount(); i++) {
            if (!record.getField(i).isBlank()) {
                return false;
            }
        }
        return true;
    }

    private void refuse(int row, String column, String value, String message, Cause cause) {
        if (refusals.size() >= REFUSALS_LIMIT) {
            throw new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, "wrong-file", null,
                    "More than " + REFUSALS_LIMIT + " cells of this file cannot be read. It is probably not the file you meant; nothing was saved.");
        }
        refusals.add(new Refused(row, column, value.length() > SHOWN_OF_A_CELL ? value.substring(0, SHOWN_OF_A_CELL) : value, message, cause));
    }

    /** A cell in COPY's text format. */
    private void appendCell(@Nullable String cell) {
        buffer.append('\t');
        if (cell == null) {
            buffer.append("\\N");
            return;
        }
        for (int i = 0; i < cell.length(); i++) {
            char c = cell.charAt(i);
            switch (c) {
                case '\\' -> buffer.append("\\\\");
                case '\t' -> buffer.append("\\t");
                case '\n' -> buffer.append("\\n");
                case '\r' -> buffer.append("\\r");
                default -> buffer.append(c);
            }
        }
    }

    private void flush(CopyIn copy) throws SQLException {
        byte[] bytes = buffer.toString().getBytes(StandardCharsets.UTF_8);
        copy.writeToCopy(bytes, 0, bytes.length);
        buffer.setLength(0);
    }

    private void copyRefusals(CopyManager copies) throws SQLException {
        CopyIn copy = copies.copyIn("copy refused from stdin");
        for (Refused r : refusals) {
            buffer.append(fileNo).append('\t').append(r.row());
            appendCell(r.column());
            appendCell(r.value().replace("\0", ""));
            appendCell(r.message().replace("\0", ""));
            appendCell(r.cause().code());
            buffer.append('\n');
        }
        flush(copy);
        copy.endCopy();
    }

    private void execute(String sql) throws SQLException {
        try (var statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }
}
