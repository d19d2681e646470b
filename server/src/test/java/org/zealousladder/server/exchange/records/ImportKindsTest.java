package org.zealousladder.server.exchange.records;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.zealousladder.server.platform.words.Spreadsheet;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.exchange.records.csv.BadCsvException;

/** Kinds are told apart by their columns alone. */
class ImportKindsTest {
    static Stream<ImportKind> kinds() {
        return ImportKinds.ALL.stream();
    }

    private static List<String> names(ImportKind kind, boolean withOptional) {
        return new ArrayList<>(kind.columns().stream().filter(c -> withOptional || c.required()).map(Column::name).toList());
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void itsOwnColumnsMakeAKindInAnyOrderAndWithOthersBetween(ImportKind kind) throws BadCsvException {
        for (boolean optional : new boolean[] {true, false}) {
            List<String> header = names(kind, optional);
            assertEquals(kind.code(), ImportKinds.of(header).code());
            Collections.reverse(header);
            header.add(1, "remarks");
            assertEquals(kind.code(), ImportKinds.of(header).code());
        }
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void aMissingColumnIsNamed(ImportKind kind) {
        List<String> header = names(kind, true);
        String last = names(kind, false).get(names(kind, false).size() - 1);
        header.remove(last);
        try {
            assertFalse(ImportKinds.of(header).code().equals(kind.code()), "without " + last + " it is another kind, if any");
        } catch (BadCsvException e) {
            assertTrue(e.getMessage().contains(last), e.getMessage());
        }
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void everyKindIsInTheFormatsPageWithItsColumns(ImportKind kind) throws IOException {
        String page = Files.readString(Path.of("..", "docs", "formats.md"));
        assertTrue(page.contains("**" + kind.code() + "**"), kind.code());
        assertTrue(page.lines().anyMatch(l -> l.startsWith(String.join(",", names(kind, false).subList(0, 2)))), kind.code());
    }

    @Test
    void onlyFilesAboutStudentsWorkAreForTeachers() {
        assertEquals(List.of("scores", "goals", "plan-changes", "concerns", "plans", "plan-phases", "sessions", "readings", "reading-marks"),
                ImportKinds.ALL.stream().filter(k -> k.least() == Viewer.Role.TEACHER).map(ImportKind::code).toList());
    }

    @Test
    void nothingInCommonIsSaid() {
        String message = assertThrows(BadCsvException.class, () -> ImportKinds.of(List.of("foo", "bar"))).getMessage();
        assertTrue(message.contains("foo, bar") && message.contains("student, measure, date, score"), message);
    }

    @Test
    void cellsForSpreadsheetsAreNoFormulas() {
        assertEquals("'=1+1", Spreadsheet.safe("=1+1"));
        assertEquals("'@cmd", Spreadsheet.safe("@cmd"));
        assertEquals("12", Spreadsheet.safe("12"));
        assertEquals("", Spreadsheet.safe(""));
    }
}
