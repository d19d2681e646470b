package org.zealousladder.server.exchange.records.csv;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.BufferedInputStream;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * A CSV file open for one streaming pass. The delimiter is the one of comma, semicolon and tab that the header row has
 * most of. Header names are compared without case and outer spaces. Rows are numbered as a spreadsheet numbers them, the
 * header being row 1; blank rows are passed over but counted.
 */
public final class CsvFile implements AutoCloseable {
    /** What to say of a row that {@link #breaksOff}. */
    public static final String BROKEN_OFF = "The row ends inside a quoted cell. Look for a quote (\") that is not closed.";

    private static final int HEADER_LIMIT = 64 * 1024;

    private final CsvReader<CsvRecord> reader;
    private final Iterator<CsvRecord> records;
    private final List<String> header;
    private final char delimiter;
    private final FileChannel channel;
    private final long size;
    private int row = 1;

    private CsvFile(CsvReader<CsvRecord> reader, char delimiter, FileChannel channel, long size) throws BadCsvException {
        this.channel = channel;
        this.size = size;
        this.reader = reader;
        this.delimiter = delimiter;
        this.records = reader.iterator();
        CsvRecord first = next();
        if (first == null) {
            throw new BadCsvException("The file is empty. The first row must name the columns.");
        }
        header = first.getFields().stream().map(name -> name.strip().toLowerCase(Locale.ROOT)).toList();
        List<String> seen = new ArrayList<>();
        for (String name : header) {
            if (!name.isEmpty() && seen.contains(name)) {
                throw new BadCsvException("The column '" + name + "' stands twice in the first row. Name each column once.");
            }
            seen.add(name);
        }
    }

    /** @throws BadCsvException with a plain sentence if the file is empty or is not UTF-8 text */
    public static CsvFile open(Path path) throws IOException, BadCsvException {
        FileChannel channel = FileChannel.open(path);
        InputStream in = new BufferedInputStream(Channels.newInputStream(channel), 1 << 16);
        try {
            in.mark(HEADER_LIMIT);
            byte[] start = in.readNBytes(HEADER_LIMIT - 1);
            in.reset();
            boolean bom = start.length >= 3 && start[0] == (byte) 0xEF && start[1] == (byte) 0xBB && start[2] == (byte) 0xBF;
            if (bom) {
                in.skipNBytes(3);
            } else if (start.length >= 2 && (start[0] == (byte) 0xFF || start[0] == (byte) 0xFE) && (start[1] & 0xFE) == 0xFE) {
                throw new BadCsvException("The file is UTF-16. Save it as 'CSV UTF-8' and choose it again.");
            }
            char delimiter = delimiter(start, bom ? 3 : 0);
            Reader text = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8.newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT).onUnmappableCharacter(CodingErrorAction.REPORT)), 1 << 16);
            return new CsvFile(CsvReader.builder().fieldSeparator(delimiter).skipEmptyLines(false).ofCsvRecord(text), delimiter, channel, channel.size());
        } catch (IOException | BadCsvException | RuntimeException e) {
            in.close();
            throw e;
        }
    }

    private static char delimiter(byte[] start, int from) {
        int[] counts = new int[128];
        boolean quoted = false;
        for (int i = from; i < start.length; i++) {
            byte b = start[i];
            if (b == '"') {
                quoted = !quoted;
            } else if (!quoted && (b == '\n' || b == '\r')) {
                break;
            } else if (!quoted && b > 0) {
                counts[b]++;
            }
        }
        char best = ',';
        for (char c : new char[] {';', '\t'}) {
            best = counts[c] > counts[best] ? c : best;
        }
        return best;
    }

    /** Column names in the file's order, lower case. */
    public List<String> header() {
        return header;
    }

    /** How much of the file has been read, from 0 to 1. */
    public double shareRead() throws IOException {
        return size == 0 ? 1 : (double) channel.position() / size;
    }

    public char delimiter() {
        return delimiter;
    }

    /** The spreadsheet's number of the row that {@link #nextRow} gave last. */
    public int rowNumber() {
        return row - 1;
    }

    /**
     * The next row that is not blank; null at the end.
     *
     * @throws BadCsvException if the file is broken from here on, such as a quote that is never closed
     */
    public @Nullable CsvRecord nextRow() throws BadCsvException {
        CsvRecord record = next();
        while (record != null && blank(record)) {
            record = next();
        }
        return record;
    }

    /** Whether a row ends inside a quoted cell: too few cells, and a line break in the last. */
    public boolean breaksOff(CsvRecord record) {
        int n = record.getFieldCount();
        return n < header.size() && record.getField(n - 1).indexOf('\n') >= 0;
    }

    private @Nullable CsvRecord next() throws BadCsvException {
        try {
            if (!records.hasNext()) {
                return null;
            }
            row++;
            return records.next();
        } catch (UncheckedIOException | CsvParseException e) {
            for (Throwable cause = e; cause != null; cause = cause.getCause()) {
                if (cause instanceof CharacterCodingException) {
                    throw new BadCsvException("The file is not UTF-8 text (near row " + row + "). Save it as 'CSV UTF-8' and choose it again.");
                }
            }
            throw new BadCsvException("The file cannot be read as CSV near row " + row + ". Look for a quote (\") that is not closed.");
        }
    }

    private static boolean blank(CsvRecord record) {
        for (int i = 0; i < record.getFieldCount(); i++) {
            if (!record.getField(i).isBlank()) {
                return false;
            }
        }
        return true;
    }

    @Override
    public void close() throws IOException {
        reader.close();
    }
}
