package org.zealousladder.server.exchange.records;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.zealousladder.server.platform.problems.Refusal;

/** Archives on their way in: as they are, and as somebody would harm with. */
class ArchiveTest {
    @TempDir
    Path folder;

    private Path zip(String... names) throws IOException {
        Path path = folder.resolve("a.zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(path))) {
            for (String name : names) {
                zip.putNextEntry(new ZipEntry(name));
                zip.write(("of " + name).getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
        return path;
    }

    private static String sentence(Path archive) {
        return assertThrows(Refusal.class, () -> Archive.unpack(archive, 3)).getMessage();
    }

    @Test
    void itsTablesComeByTheirOwnNamesWhateverFolderTheyAreIn() throws IOException {
        Path path = zip("roster/users.csv", "roster/", "__MACOSX/roster/._users.csv", "roster/.DS_Store", "roster/Year 3.XLSX");
        assertTrue(Archive.isOne(path));
        List<Archive.Unpacked> all = Archive.unpack(path, 3);
        assertEquals(List.of("users.csv", "Year 3.XLSX"), all.stream().map(Archive.Unpacked::name).toList());
        assertEquals("of roster/users.csv", Files.readString(all.get(0).file().path()));
        all.forEach(u -> u.file().discard());
    }

    @Test
    void aWorkbookIsNone() throws IOException {
        assertFalse(Archive.isOne(zip("xl/workbook.xml", "xl/worksheets/sheet1.xml")));
        assertFalse(Archive.isOne(Files.writeString(folder.resolve("a.csv"), "student,measure\n")));
    }

    @Test
    void namesThatLeadOutsideAreRefused() throws IOException {
        for (String name : List.of("../users.csv", "/etc/users.csv", "a\\..\\users.csv")) {
            assertEquals("The archive names places outside of itself. It is not read. Nothing was saved.", sentence(zip("orgs.csv", name)));
        }
    }

    @Test
    void whatIsNoTableIsNamedAndTooManyAreToldSo() throws IOException {
        assertEquals("The archive holds inner.zip, which is no table. Keep the CSV or .xlsx files in it, and choose it again. Nothing was saved.",
                sentence(zip("orgs.csv", "inner.zip")));
        assertEquals("The archive holds more than 3 tables. Bring them in by several smaller ones. Nothing was saved.",
                sentence(zip("a.csv", "b.csv", "c.csv", "d.csv")));
        assertEquals("There is no table in the archive. Nothing was saved.", sentence(zip("folder/")));
    }

    @Test
    void farMoreThanItLooksIsNotUnpackedToItsEnd() throws IOException {
        Path path = folder.resolve("b.zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(path))) {
            zip.putNextEntry(new ZipEntry("users.csv"));
            byte[] zeros = new byte[1 << 20];
            for (int i = 0; i < 130; i++) {
                zip.write(zeros);
            }
            zip.closeEntry();
        }
        assertTrue(Files.size(path) < 1 << 20);
        long before = left();
        assertTrue(sentence(path).startsWith("There is far more in the archive than it looks"));
        assertEquals(before, left(), "nothing stays on the disk");
    }

    @Test
    void aBrokenOneSaysSo() throws IOException {
        byte[] whole = Files.readAllBytes(zip("users.csv", "orgs.csv"));
        Path path = Files.write(folder.resolve("c.zip"), java.util.Arrays.copyOf(whole, whole.length - 30));
        assertEquals("The archive is broken off or damaged. Make it again and choose it anew. Nothing was saved.",
                assertThrows(Refusal.class, () -> Archive.isOne(path)).getMessage());
    }

    private static long left() throws IOException {
        try (var files = Files.list(Path.of(System.getProperty("java.io.tmpdir")))) {
            return files.filter(f -> f.getFileName().toString().startsWith(ReceivedFile.OWN_PREFIX)).count();
        }
    }
}
