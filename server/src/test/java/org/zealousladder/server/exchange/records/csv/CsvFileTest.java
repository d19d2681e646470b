package org.zealousladder.server.exchange.records.csv;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CsvFileTest {
    @TempDir
    Path folder;

    private Path file(String text, Charset charset) throws IOException {
        return Files.write(folder.resolve("a.csv"), text.getBytes(charset));
    }

    private List<List<String>> rows(String text) throws IOException, BadCsvException {
        List<List<String>> rows = new ArrayList<>();
        try (CsvFile csv = CsvFile.open(file(text, StandardCharsets.UTF_8))) {
            for (CsvRecord r = csv.nextRow(); r != null; r = csv.nextRow()) {
                List<String> row = new ArrayList<>(List.of(Integer.toString(csv.rowNumber())));
                row.addAll(r.getFields());
                rows.add(row);
            }
        }
        return rows;
    }

    @Test
    void rowsAreNumberedAsASpreadsheetNumbersThem() throws Exception {
        assertEquals(List.of(List.of("2", "1", "2"), List.of("4", "3", "4"), List.of("5", "5\n6", "7"), List.of("6", "8", "9")),
                rows("a,b\n1,2\n\n3,4\n\"5\n6\",7\n8,9\n"));
    }

    @Test
    void rowsOfEmptyCellsArePassedOverButCounted() throws Exception {
        assertEquals(List.of(List.of("4", "x", "y")), rows("a,b\n,\n  ,\nx,y\n"));
    }

    @ParameterizedTest
    @ValueSource(strings = {",", ";", "\t"})
    void theDelimiterIsTheOneTheHeaderHas(String delimiter) throws Exception {
        try (CsvFile csv = CsvFile.open(file(String.join(delimiter, "student", "measure", "\"a,b;c\td\"") + "\n", StandardCharsets.UTF_8))) {
            assertEquals(3, csv.header().size());
        }
    }

    @Test
    void aByteOrderMarkAndWindowsLineEndsAreNoMatter() throws Exception {
        try (CsvFile csv = CsvFile.open(file("\uFEFF Student ,DATE\r\nA,2026-01-05\r\n", StandardCharsets.UTF_8))) {
            assertEquals(List.of("student", "date"), csv.header());
            assertEquals("2026-01-05", csv.nextRow().getField(1));
            assertNull(csv.nextRow());
        }
    }

    @Test
    void lettersOfAllScriptsComeThrough() throws Exception {
        assertEquals("Søren Łukasz 春 أمل", rows("name\nSøren Łukasz 春 أمل\n").get(0).get(1));
    }

    @Test
    void otherEncodingsAreReadAndOneWrongPlaceIsNamed() throws Exception {
        for (Charset charset : List.of(StandardCharsets.UTF_8, StandardCharsets.UTF_16LE, StandardCharsets.UTF_16BE, Charset.forName("windows-1252"))) {
            for (String mark : charset.name().startsWith("UTF") ? List.of("", "\uFEFF") : List.of("")) {
                try (CsvFile csv = CsvFile.open(file(mark + "name;other\nJosé, Zoë;x\n", charset))) {
                    assertEquals(List.of("name", "other"), csv.header(), charset + mark);
                    assertEquals("José, Zoë", csv.nextRow().getField(0), charset + mark);
                }
            }
        }
        byte[] broken = "name\nJosé\nZo?\n".getBytes(StandardCharsets.UTF_8);
        broken[broken.length - 2] = (byte) 0xEB;
        Path path = Files.write(folder.resolve("broken.csv"), broken);
        BadCsvException e = assertThrows(BadCsvException.class, () -> {
            try (CsvFile csv = CsvFile.open(path)) {
                while (csv.nextRow() != null) {}
            }
        });
        assertTrue(e.getMessage().contains("not text of that kind"), e.getMessage());
    }

    @Test
    void anEmptyFileIsRefused() throws IOException {
        Path empty = file("", StandardCharsets.UTF_8);
        assertTrue(assertThrows(BadCsvException.class, () -> CsvFile.open(empty)).getMessage().contains("empty"));
    }

    @Test
    void columnsOfOneNameAndOfNoneAreToldApart() throws Exception {
        try (CsvFile csv = CsvFile.open(file("Score, score,,Score (2)\n1,2,3,4\n", StandardCharsets.UTF_8))) {
            assertEquals(List.of("Score", "score (2)", "column 3", "Score (2) (2)"), csv.headings());
            assertEquals("score", csv.twice());
        }
    }

    @Test
    void theHeaderIsFoundBelowATitle() throws Exception {
        try (CsvFile csv = CsvFile.open(file("Class list;;\n\nas of September;;\nName;Class;Points\nAda;Tern;4,5\n", StandardCharsets.UTF_8))) {
            assertEquals(List.of("name", "class", "points"), csv.header());
            assertEquals("Ada", csv.nextRow().getField(0));
            assertEquals(5, csv.rowNumber());
        }
    }

    @Test
    void aQuoteThatIsNeverClosedIsSeen() throws Exception {
        try (CsvFile csv = CsvFile.open(file("a,b\n\"1,2\n3,4\n", StandardCharsets.UTF_8))) {
            assertTrue(csv.breaksOff(csv.nextRow()));
        }
    }
}
