package org.zealousladder.server.exchange.records;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.springframework.http.HttpStatus;
import org.zealousladder.server.exchange.records.workbook.Workbook;
import org.zealousladder.server.platform.problems.Refusal;

/** An archive of tables, unpacked: each is a file as if it had been chosen by itself. What the archive says of names and sizes is not believed. */
final class Archive {
    private static final Set<String> TABLES = Set.of("csv", "tsv", "txt", "xlsx", "xml");

    private Archive() {}

    /** A table that somebody gave, by itself or in an archive. */
    record Table(String name, Path path) {}

    /** Tables for as long as they are looked at; what was unpacked for them goes when they are closed. */
    record Tables(List<Table> all, List<Unpacked> unpacked) implements AutoCloseable {
        @Override
        public void close() {
            unpacked.forEach(u -> u.file().discard());
        }
    }

    /**
     * The tables of a file: those of an archive, or the file itself.
     *
     * @param most files, at most
     * @throws Refusal 422 with what to do, for an archive that is none of tables
     */
    static Tables tables(Path path, String name, int most) throws IOException {
        if (!isOne(path)) {
            return new Tables(List.of(new Table(name, path)), List.of());
        }
        List<Unpacked> all = unpack(path, most);
        return new Tables(all.stream().map(u -> new Table(u.name(), u.file().path())).toList(), all);
    }

    /** One of the tables in it. */
    record Unpacked(String name, ReceivedFile file) {}

    /** Whether it is an archive, and no workbook, which is one by its make. */
    static boolean isOne(Path path) throws IOException {
        if (!Workbook.looksLikeOne(path)) {
            return false;
        }
        try (ZipFile zip = new ZipFile(path.toFile())) {
            return zip.getEntry("xl/workbook.xml") == null;
        } catch (ZipException | IllegalArgumentException e) {
            throw refused("The archive is broken off or damaged. Make it again and choose it anew.");
        }
    }

    /**
     * Unpacks the tables.
     *
     * @param most files, at most
     * @throws Refusal 422 with what to do, for an archive that is none of tables
     */
    static List<Unpacked> unpack(Path archive, int most) throws IOException {
        List<Unpacked> all = new ArrayList<>();
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            long left = ImportService.LIMIT;
            for (ZipEntry part : (Iterable<ZipEntry>) zip.stream().map(p -> (ZipEntry) p)::iterator) {
                String whole = part.getName();
                if (whole.startsWith("/") || whole.contains("..") || whole.indexOf('\\') >= 0) {
                    throw refused("The archive names places outside of itself. It is not read.");
                }
                String name = whole.substring(whole.lastIndexOf('/') + 1);
                if (part.isDirectory() || whole.startsWith("__MACOSX/") || name.startsWith(".")) {
                    continue;
                }
                String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
                if (!TABLES.contains(ending)) {
                    throw refused("The archive holds " + name + ", which is no table. Keep the CSV or .xlsx files in it, and choose it again.");
                }
                if (all.size() == most) {
                    throw refused("The archive holds more than " + most + " tables. Bring them in by several smaller ones.");
                }
                ReceivedFile file = ReceivedFile.empty();
                all.add(new Unpacked(name.length() > 200 ? name.substring(0, 200) : name, file));
                left -= copy(zip, part, file, left);
            }
            if (all.isEmpty()) {
                throw refused("There is no table in the archive.");
            }
            return all;
        } catch (ZipException | java.io.EOFException | IllegalArgumentException e) {
            all.forEach(u -> u.file().discard());
            throw refused("The archive is broken off or damaged. Make it again and choose it anew.");
        } catch (IOException | RuntimeException e) {
            all.forEach(u -> u.file().discard());
            throw e;
        }
    }

    private static long copy(ZipFile zip, ZipEntry part, ReceivedFile file, long left) throws IOException {
        byte[] piece = new byte[1 << 16];
        long size = 0;
        try (InputStream in = zip.getInputStream(part); OutputStream out = Files.newOutputStream(file.path())) {
            for (int n = in.read(piece); n >= 0; n = in.read(piece)) {
                size += n;
                if (size > left) {
                    throw refused("There is far more in the archive than it looks: over 100 MB. Bring its tables in by several smaller ones.");
                }
                out.write(piece, 0, n);
            }
        }
        return size;
    }

    private static Refusal refused(String sentence) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, "unreadable-file", null, sentence + " Nothing was saved.");
    }
}
