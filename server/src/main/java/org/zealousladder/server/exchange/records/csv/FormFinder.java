package org.zealousladder.server.exchange.records.csv;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CoderResult;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.zealousladder.server.platform.files.Cells;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.files.Forms.Between;
import org.zealousladder.server.platform.files.Forms.DayForm;
import org.zealousladder.server.platform.files.Forms.Decimals;
import org.zealousladder.server.platform.files.Forms.Letters;

/** Finds out how a file writes things, by looking at it. */
public final class FormFinder {
    /** So many rows without a doubt are enough. */
    private static final int ENOUGH = 2_000;
    private static final int PIECE = 1 << 16;

    private FormFinder() {}

    /**
     * What was found.
     *
     * @param sureOfDays false where days are written with the year last and every one of them could begin with the day or with the month
     */
    public record Found(Forms forms, boolean sureOfDays) {}

    /** Which columns hold days, and which numbers, by their places; asked once the names of the columns are known. */
    public interface Kinds {
        boolean[] days(List<String> header) throws BadCsvException;

        boolean[] numbers(List<String> header) throws BadCsvException;
    }

    /** @throws BadCsvException when it is no table at all */
    public static Found find(Path path, Kinds kinds) throws IOException, BadCsvException {
        Letters letters = letters(path);
        Forms forms = new Forms(letters, between(path, letters), DayForm.YEAR_FIRST, Decimals.POINT);
        try (CsvFile file = CsvFile.open(path, forms)) {
            return look(file, forms, kinds.days(file.header()), kinds.numbers(file.header()));
        }
    }

    private static Found look(CsvFile file, Forms forms, boolean[] days, boolean[] numbers) throws BadCsvException {
        boolean yearLast = false;
        boolean dayFirst = false;
        boolean monthFirst = false;
        boolean comma = false;
        int rows = 0;
        for (CsvRecord row = file.nextRow(); row != null; row = file.nextRow()) {
            rows++;
            for (int c = 0; c < Math.min(row.getFieldCount(), days.length); c++) {
                if (days[c]) {
                    int[] parts = Cells.dayAndMonth(row.getField(c).strip());
                    boolean byDay = parts != null && parts[0] <= 31 && parts[1] <= 12;
                    boolean byMonth = parts != null && parts[1] <= 31 && parts[0] <= 12;
                    yearLast |= byDay || byMonth;
                    dayFirst |= byDay && !byMonth;
                    monthFirst |= byMonth && !byDay;
                } else if (numbers[c] && !comma) {
                    comma = Cells.hasComma(row.getField(c).strip());
                }
            }
            // Where days are in doubt, one far down may settle it.
            if (rows >= ENOUGH && (!yearLast || dayFirst || monthFirst)) {
                break;
            }
        }
        DayForm form = !yearLast ? DayForm.YEAR_FIRST : monthFirst && !dayFirst ? DayForm.MONTH_FIRST : DayForm.DAY_FIRST;
        return new Found(new Forms(forms.letters(), forms.between(), form, comma ? Decimals.COMMA : Decimals.POINT), !yearLast || dayFirst != monthFirst);
    }

    /** By a byte order mark; by every second byte being nought; UTF-8 where all of it can be that; otherwise the usual one of old spreadsheets. */
    public static Letters letters(Path path) throws IOException {
        byte[] start;
        try (InputStream in = Files.newInputStream(path)) {
            start = in.readNBytes(4096);
        }
        if (start.length >= 2 && start[0] == (byte) 0xFF && start[1] == (byte) 0xFE) {
            return Letters.UTF_16LE;
        }
        if (start.length >= 2 && start[0] == (byte) 0xFE && start[1] == (byte) 0xFF) {
            return Letters.UTF_16BE;
        }
        int even = 0;
        int odd = 0;
        for (int i = 0; i < start.length; i++) {
            even += start[i] == 0 && i % 2 == 0 ? 1 : 0;
            odd += start[i] == 0 && i % 2 == 1 ? 1 : 0;
        }
        if (odd > start.length / 4 && even < odd / 4) {
            return Letters.UTF_16LE;
        }
        if (even > start.length / 4 && odd < even / 4) {
            return Letters.UTF_16BE;
        }
        return canBeUtf8(path) ? Letters.UTF_8 : Letters.WINDOWS_1252;
    }

    /** One wrong place in a text that has letters of UTF-8 before it is a wrong place, and told as such; it is not another kind of text. */
    private static boolean canBeUtf8(Path path) throws IOException {
        CharsetDecoder decoder = StandardCharsets.UTF_8.newDecoder().onMalformedInput(CodingErrorAction.REPORT).onUnmappableCharacter(CodingErrorAction.REPORT);
        ByteBuffer bytes = ByteBuffer.allocate(PIECE);
        CharBuffer text = CharBuffer.allocate(PIECE);
        boolean others = false;
        try (FileChannel file = FileChannel.open(path)) {
            for (boolean end = false; !end;) {
                end = file.read(bytes) < 0;
                bytes.flip();
                CoderResult result = decoder.decode(bytes, text, end);
                text.flip();
                others |= text.chars().anyMatch(c -> c > 127);
                text.clear();
                if (result.isError()) {
                    return others;
                }
                bytes.compact();
            }
            return true;
        }
    }

    /** What the first row has most of, outside of quotes; below a title, the first that has about as many as those after it. */
    static Between between(Path path, Letters letters) throws IOException {
        byte[] start;
        try (InputStream in = Files.newInputStream(path)) {
            start = in.readNBytes(CsvFile.HEADER_LIMIT);
        }
        List<int[]> lines = new ArrayList<>();
        int[] counts = new int[Between.values().length];
        boolean quoted = false;
        for (char c : letters.charset().decode(ByteBuffer.wrap(start)).toString().toCharArray()) {
            if (c == '"') {
                quoted = !quoted;
            } else if (!quoted && (c == '\n' || c == '\r')) {
                lines.add(counts);
                counts = new int[counts.length];
                if (lines.size() == CsvFile.TITLES_LIMIT) {
                    break;
                }
            } else if (!quoted) {
                for (Between b : Between.values()) {
                    counts[b.ordinal()] += c == b.sign() ? 1 : 0;
                }
            }
        }
        lines.add(counts);
        int most = lines.stream().mapToInt(FormFinder::most).max().orElse(0);
        int[] header = lines.stream().filter(l -> most(l) * 2 >= most).findFirst().orElse(counts);
        Between best = Between.COMMA;
        for (Between b : Between.values()) {
            best = header[b.ordinal()] > header[best.ordinal()] ? b : best;
        }
        return best;
    }

    private static int most(int[] counts) {
        return Arrays.stream(counts).max().orElse(0);
    }

    /** How names of columns are compared. */
    static String name(String cell) {
        return cell.strip().toLowerCase(Locale.ROOT);
    }
}
