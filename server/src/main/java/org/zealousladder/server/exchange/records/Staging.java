package org.zealousladder.server.exchange.records;

import static java.util.Objects.requireNonNull;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyIn;
import org.postgresql.copy.CopyManager;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.problems.Refusal;

/** Streams a file into the temporary table {@code stage}, and the rows it cannot read into {@code refused}. */
final class Staging {
    private static final int FLUSH_AT = 1 << 16;
    private static final int REFUSALS_LIMIT = 100_000;

    private final Connection connection;
    private final FileKind kind;
    private final int[] positions;
    private final String[] line;
    private StringBuilder buffer = new StringBuilder(FLUSH_AT + 4096);
    private final List<ImportResult.RowRefusal> refusals = new ArrayList<>();
    private int rows;

    Staging(Connection connection, FileKind kind, List<String> header) {
        this.connection = connection;
        this.kind = kind;
        positions = kind.columns().stream().mapToInt(c -> header.indexOf(c.name())).toArray();
        line = new String[positions.length];
    }

    /** Reads {@code file} to its end; returns the number of data rows. */
    int load(CsvFile file, Forms forms, ImportProgress progress) throws SQLException, IOException, BadCsvException {
        String columns = kind.columns().stream().map(c -> '"' + c.name() + "\" " + c.type().sql()).collect(Collectors.joining(", "));
        execute("create temporary table stage (row_no integer not null, " + columns + ") on commit drop");
        execute("create temporary table refused (row_no integer not null, col text not null, value text not null, message text not null) on commit drop");
        CopyManager copies = connection.unwrap(PGConnection.class).getCopyAPI();
        CopyIn copy = copies.copyIn("copy stage from stdin");
        try {
            for (CsvRecord record = file.nextRow(); record != null; record = file.nextRow()) {
                rows++;
                if (file.breaksOff(record)) {
                    refuse(file.rowNumber(), file.header().get(record.getFieldCount() - 1), record.getField(record.getFieldCount() - 1), CsvFile.BROKEN_OFF);
                } else {
                    stage(record, forms, file.rowNumber(), file.header().size());
                }
                if (buffer.length() >= FLUSH_AT) {
                    flush(copy);
                    progress.at(ImportProgress.Step.READING, file.shareRead());
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
        execute("analyze stage");
        return rows;
    }

    private void stage(CsvRecord record, Forms forms, int rowNumber, int width) {
        if (record.getFieldCount() > width) {
            refuse(rowNumber, "", record.getField(width), "The row has " + record.getFieldCount() + " cells, the first row only " + width
                    + ". Put quotes around text that holds the delimiter.");
            return;
        }
        boolean good = true;
        for (int i = 0; i < positions.length; i++) {
            Column column = kind.columns().get(i);
            String text = positions[i] < 0 || positions[i] >= record.getFieldCount() ? "" : record.getField(positions[i]).strip();
            try {
                if (text.isEmpty()) {
                    if (!column.mayBeEmpty()) {
                        throw new IllegalArgumentException("The cell is empty; a " + column.name().replace('_', ' ') + " belongs here.");
                    }
                    line[i] = null;
                } else {
                    line[i] = column.read(text, forms);
                }
            } catch (IllegalArgumentException e) {
                refuse(rowNumber, column.name(), text, requireNonNull(e.getMessage()));
                good = false;
            }
        }
        if (good) {
            buffer.append(rowNumber);
            for (String cell : line) {
                appendCell(cell);
            }
            buffer.append('\n');
        }
    }

    private void refuse(int row, String column, String value, String message) {
        if (refusals.size() >= REFUSALS_LIMIT) {
            throw new Refusal(org.springframework.http.HttpStatus.UNPROCESSABLE_CONTENT, "wrong-file", null,
                    "More than " + REFUSALS_LIMIT + " cells of this file cannot be read. It is probably not the file you meant; nothing was saved.");
        }
        refusals.add(new ImportResult.RowRefusal(row, column, value.length() > 200 ? value.substring(0, 200) : value, message));
    }

    /** A cell in COPY's text format. */
    private void appendCell(String cell) {
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
        for (ImportResult.RowRefusal r : refusals) {
            buffer.append(r.row());
            appendCell(r.column());
            appendCell(r.value().replace("\0", ""));
            appendCell(r.message().replace("\0", ""));
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
