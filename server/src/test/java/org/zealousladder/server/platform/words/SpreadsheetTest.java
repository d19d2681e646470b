package org.zealousladder.server.platform.words;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SpreadsheetTest {
    @ParameterizedTest
    @CsvSource({"=1+1,true", "@cmd,true", "+cmd,true", "-cmd,true", "-1-1,true", "12,false", "-3.5,false", "+4,false", "Óscar,false", "a=b,false"})
    void whatWouldRunIsWrittenAsText(String cell, boolean runs) {
        String safe = Spreadsheet.safe(cell);
        assertEquals(runs ? "'" + cell : cell, safe);
        assertEquals(cell, Spreadsheet.plain(safe));
    }

    @Test
    void anApostropheOfTheirOwnStays() {
        assertEquals("'t Hart", Spreadsheet.plain("'t Hart"));
        assertEquals("'", Spreadsheet.plain("'"));
        assertEquals("", Spreadsheet.safe(""));
    }

    @Test
    void everyCellOfAFileIsLookedAt() {
        assertEquals("student,name\r\n'=1+1,\"'+Eve, or not\"\r\n", CsvAnswer.text(List.of(List.of("student", "name"), List.of("=1+1", "+Eve, or not")))
                .replaceAll("\r?\n", "\r\n"));
    }
}
