package org.zealousladder.server.exchange.records;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.zealousladder.server.exchange.records.workbook.Workbook;
import org.zealousladder.server.exchange.records.workbook.Workbook.BadWorkbookException;

/** Workbooks on their way in: as they are, and as somebody would harm with. */
class WorkbookTest {
    @TempDir
    Path folder;

    private interface Sheets {
        void fill(org.dhatim.fastexcel.Workbook book);
    }

    private Path book(Sheets sheets) throws IOException {
        Path path = folder.resolve("a.xlsx");
        try (OutputStream out = Files.newOutputStream(path); org.dhatim.fastexcel.Workbook book = new org.dhatim.fastexcel.Workbook(out, "Office", "1.0")) {
            sheets.fill(book);
        }
        return path;
    }

    private List<String> lines(Path path, String sheet) throws Exception {
        Path table = folder.resolve("table.csv");
        Workbook.write(path, sheet, table);
        return Files.readAllLines(table);
    }

    @Test
    void aSheetComesAsItIsShown() throws Exception {
        Path path = book(b -> {
            b.newWorksheet("Notes");
            Worksheet sheet = b.newWorksheet("Results");
            for (int c = 0; c < 4; c++) {
                sheet.value(1, c, List.of("Student", "Date", "Score", "Note").get(c));
            }
            sheet.value(2, 0, "S1");
            sheet.value(2, 1, LocalDate.of(2026, 3, 5));
            sheet.style(2, 1).format("dd/mm/yyyy").set();
            sheet.value(2, 2, 0.1 + 0.2);
            sheet.value(2, 3, "Zoë, \"tired\"");
            sheet.value(4, 0, "S2");
            sheet.value(4, 2, 12);
        });
        assertTrue(Workbook.looksLikeOne(path));
        assertEquals(List.of("", "Student,Date,Score,Note", "S1,2026-03-05,0.3,\"Zoë, \"\"tired\"\"\"", "", "S2,,12"), lines(path, null));
        assertEquals(List.of("Results", "Notes"), Workbook.write(path, null, folder.resolve("t.csv")));
        assertEquals("There is no sheet of that name in the workbook.", assertThrows(BadWorkbookException.class, () -> lines(path, "Other")).getMessage());
    }

    private Path archive(Map<String, byte[]> parts) throws IOException {
        Path path = folder.resolve("b.zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(path))) {
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                out.putNextEntry(new ZipEntry(part.getKey()));
                out.write(part.getValue());
            }
        }
        return path;
    }

    /** A part with so many megabytes of nothing, in a few hundred kilobytes. */
    private Path full(String part, int megabytes) throws IOException {
        Path path = folder.resolve("full.xlsx");
        byte[] piece = new byte[1 << 20];
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(path))) {
            out.putNextEntry(new ZipEntry(part));
            for (int i = 0; i < megabytes; i++) {
                out.write(piece);
            }
        }
        return path;
    }

    private String refused(Path path) {
        return String.valueOf(assertThrows(BadWorkbookException.class, () -> lines(path, null)).getMessage());
    }

    @Test
    void whatWouldHarmIsRefusedInASentence() throws Exception {
        byte[] some = "<x/>".getBytes(StandardCharsets.US_ASCII);
        assertEquals("This archive is no workbook. Take the CSV or .xlsx file out of it and choose that.", refused(archive(Map.of("scores.csv", some))));
        assertEquals("The archive names places outside of itself. It is not read.", refused(archive(Map.of("../../etc/passwd", some))));
        assertEquals("The workbook holds definitions of its own, which no spreadsheet program writes. It is not read.",
                refused(archive(
                        Map.of("xl/workbook.xml", "<?xml version='1.0'?><!DOCTYPE x [<!ENTITY a 'aaaa'>]><x>&a;</x>".getBytes(StandardCharsets.US_ASCII)))));
        assertTrue(refused(full("xl/sharedStrings.xml", 210)).startsWith("There is far more in the workbook"));
        assertTrue(refused(archive(Map.of("xl/workbook.xml", some))).startsWith("The workbook cannot be read."));
        byte[] whole = Files.readAllBytes(book(b -> b.newWorksheet("A").value(0, 0, "student")));
        Path half = Files.write(folder.resolve("half.xlsx"), java.util.Arrays.copyOf(whole, whole.length / 2));
        assertTrue(List
                .of("The file is broken off or damaged. Save it again and choose it anew.",
                        "This archive is no workbook. Take the CSV or .xlsx file out of it and choose that.")
                .contains(refused(half)), refused(half));
    }

    @Test
    void aRowOfAThousandColumnsAndMoreIsNoTable() throws Exception {
        Path wide = book(b -> {
            Worksheet sheet = b.newWorksheet("A");
            for (int c = 0; c < 1_001; c++) {
                sheet.value(0, c, "c" + c);
            }
        });
        assertTrue(refused(wide).startsWith("A row of the workbook has 1001 columns; at most 1000 are read."), refused(wide));
    }
}
