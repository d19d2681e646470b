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
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.Iterator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.files.Forms;

/**
 * A CSV file open for one streaming pass. Header names are compared without case and outer spaces. Rows are numbered as a spreadsheet numbers them; blank rows are
 * passed over but counted. The header is the first row, or below a title the first that is about as wide as those after it.
 */
public final class CsvFile implements AutoCloseable {
    /** What to say of a row that {@link #breaksOff}. */
    public static final String BROKEN_OFF = "The row ends inside a quoted cell. Look for a quote (\") that is not closed.";

    /** Rows among which the header is looked for. */
    static final int TITLES_LIMIT = 12;
    static final int HEADER_LIMIT = 64 * 1024;
    private static final int BYTE_ORDER_MARK = 0xFEFF;

    private final CsvReader<CsvRecord> reader;
    private final Iterator<CsvRecord> records;
    private final List<String> header;
    private final List<String> headings;
    private final @Nullable String twice;
    private final Deque<CsvRecord> ahead = new ArrayDeque<>();
    private final FileChannel channel;
    private final long size;
    private int row = 1;
    private int read;

    private CsvFile(CsvReader<CsvRecord> reader, FileChannel channel, long size) throws BadCsvException {
        this.channel = channel;
        this.size = size;
        this.reader = reader;
        this.records = reader.iterator();
        look();
        CsvRecord first = belowTitles();
        headings = unique(first.getFields().stream().map(f -> f.replace("\0", "").strip()).toList());
        header = headings.stream().map(FormFinder::name).toList();
        List<String> names = first.getFields().stream().map(FormFinder::name).filter(n -> !n.isEmpty()).toList();
        twice = names.stream().filter(n -> names.indexOf(n) != names.lastIndexOf(n)).findFirst().orElse(null);
    }

    private void look() throws BadCsvException {
        for (int i = 0; i < TITLES_LIMIT; i++) {
            CsvRecord record = read();
            if (record == null) {
                return;
            }
            ahead.add(record);
        }
    }

    /** Takes what stands above the header, and the header. */
    private CsvRecord belowTitles() throws BadCsvException {
        long widest = ahead.stream().mapToLong(CsvFile::filled).max().orElse(0);
        for (CsvRecord record = nextRow(); record != null; record = nextRow()) {
            if (filled(record) * 2 > widest) {
                return record;
            }
        }
        throw new BadCsvException("The file is empty. The first row must name the columns.");
    }

    private static long filled(CsvRecord record) {
        return record.getFields().stream().filter(f -> !f.isBlank()).count();
    }

    /** Names columns that have none, and tells those of one name apart. */
    private static List<String> unique(List<String> names) {
        List<String> all = new ArrayList<>();
        for (String name : names) {
            String base = name.isEmpty() ? "column " + (all.size() + 1) : name;
            String own = base;
            for (int n = 2; all.stream().map(FormFinder::name).toList().contains(FormFinder.name(own)); n++) {
                own = base + " (" + n + ")";
            }
            all.add(own);
        }
        return List.copyOf(all);
    }

    /** Letters and what stands between the cells as they look; days and decimals are the reader's matter. */
    public static CsvFile open(Path path) throws IOException, BadCsvException {
        Forms.Letters letters = FormFinder.letters(path);
        return open(path, new Forms(letters, FormFinder.between(path, letters), Forms.OWN.days(), Forms.OWN.decimals()));
    }

    /** @throws BadCsvException with a plain sentence if the file is empty or is no text of that kind */
    public static CsvFile open(Path path, Forms forms) throws IOException, BadCsvException {
        FileChannel channel = FileChannel.open(path);
        InputStream in = new BufferedInputStream(Channels.newInputStream(channel), 1 << 16);
        try {
            Reader text = new BufferedReader(new InputStreamReader(in, forms.letters().charset().newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT).onUnmappableCharacter(CodingErrorAction.REPORT)), 1 << 16);
            text.mark(1);
            if (text.read() != BYTE_ORDER_MARK) {
                text.reset();
            }
            return new CsvFile(CsvReader.builder().fieldSeparator(forms.between().sign()).skipEmptyLines(false).ofCsvRecord(text), channel, channel.size());
        } catch (CharacterCodingException e) {
            in.close();
            throw new BadCsvException(notThatText(1));
        } catch (IOException | BadCsvException | RuntimeException e) {
            in.close();
            throw e;
        }
    }

    /** Column names as the file has them, those of one name told apart. */
    public List<String> headings() {
        return headings;
    }

    /** A name that stands over two columns; null when there is none. */
    public @Nullable String twice() {
        return twice;
    }

    /** Column names in the file's order, lower case. */
    public List<String> header() {
        return header;
    }

    /** How much of the file has been read, from 0 to 1. */
    public double shareRead() throws IOException {
        return size == 0 ? 1 : (double) channel.position() / size;
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
        CsvRecord record = ahead.isEmpty() ? read() : ahead.poll();
        row += record == null ? 0 : 1;
        return record;
    }

    private @Nullable CsvRecord read() throws BadCsvException {
        try {
            if (!records.hasNext()) {
                return null;
            }
            read++;
            return records.next();
        } catch (UncheckedIOException | CsvParseException e) {
            for (Throwable cause = e; cause != null; cause = cause.getCause()) {
                if (cause instanceof CharacterCodingException) {
                    throw new BadCsvException(notThatText(read + 1));
                }
            }
            throw new BadCsvException("The file cannot be read as CSV near row " + (read + 1) + ". Look for a quote (\") that is not closed.");
        }
    }

    private static String notThatText(int row) {
        return "The file is not text of that kind (near row " + row + "). Choose other letters, or save it as 'CSV UTF-8' and choose it again.";
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
