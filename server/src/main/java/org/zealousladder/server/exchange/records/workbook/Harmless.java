package org.zealousladder.server.exchange.records.workbook;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.zealousladder.server.exchange.records.workbook.Workbook.BadWorkbookException;

/** Looks through an archive once before it is read: how much there really is in it, where its parts say they belong, and that no text defines what others mean. */
final class Harmless {
    /** A hundred times what may be sent would still be read in a minute; nobody's results are as large. */
    static final long MOST_BYTES = 1L << 30;
    /** Names and formats are kept in memory while the rows go by. */
    private static final long MOST_SHARED = 200L << 20;
    private static final int MOST_PARTS = 2_000;
    private static final Pattern DIMENSION = Pattern.compile("<dimension ref=\"[A-Z]{1,3}\\d{1,7}:[A-Z]{1,3}(\\d{1,7})\"");
    private static final String TOO_LARGE = "There is far more in the workbook than it looks. Keep the one sheet with the results, save it as CSV, and choose that.";

    private Harmless() {}

    /** @return rows of its longest sheet, as far as it says so; 0 where none does */
    static int check(Path archive) throws IOException, BadWorkbookException {
        long total = 0;
        int parts = 0;
        boolean workbook = false;
        int rows = 0;
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            for (ZipEntry part : (Iterable<ZipEntry>) zip.stream().map(p -> (ZipEntry) p)::iterator) {
                String name = part.getName();
                if (++parts > MOST_PARTS) {
                    throw new BadWorkbookException(TOO_LARGE);
                }
                if (name.startsWith("/") || name.contains("..") || name.indexOf('\\') >= 0) {
                    throw new BadWorkbookException("The archive names places outside of itself. It is not read.");
                }
                workbook |= name.equals("xl/workbook.xml");
                total += size(zip, part, MOST_BYTES - total);
                rows = Math.max(rows, name.startsWith("xl/worksheets/") ? rows(zip, part) : 0);
            }
        } catch (ZipException | java.io.EOFException | IllegalArgumentException e) {
            throw new BadWorkbookException("The file is broken off or damaged. Save it again and choose it anew.");
        }
        if (!workbook) {
            throw new BadWorkbookException("This archive is no workbook. Take the CSV or .xlsx file out of it and choose that.");
        }
        return rows;
    }

    private static int rows(ZipFile zip, ZipEntry part) throws IOException {
        try (InputStream in = zip.getInputStream(part)) {
            Matcher dimension = DIMENSION.matcher(new String(in.readNBytes(4096), StandardCharsets.ISO_8859_1));
            return dimension.find() ? Integer.parseInt(dimension.group(1)) : 0;
        }
    }

    /** What there really is in it, whatever it says of itself. */
    private static long size(ZipFile zip, ZipEntry part, long left) throws IOException, BadWorkbookException {
        byte[] piece = new byte[1 << 16];
        long size = 0;
        try (InputStream in = zip.getInputStream(part)) {
            for (int n = in.readNBytes(piece, 0, piece.length); n > 0; n = in.readNBytes(piece, 0, piece.length)) {
                if (size == 0 && new String(piece, 0, Math.min(n, 4096), StandardCharsets.ISO_8859_1).toUpperCase(Locale.ROOT).contains("<!DOCTYPE")) {
                    throw new BadWorkbookException("The workbook holds definitions of its own, which no spreadsheet program writes. It is not read.");
                }
                size += n;
                if (size > left || size > MOST_SHARED && !part.getName().startsWith("xl/worksheets/")) {
                    throw new BadWorkbookException(TOO_LARGE);
                }
            }
        }
        return size;
    }
}
