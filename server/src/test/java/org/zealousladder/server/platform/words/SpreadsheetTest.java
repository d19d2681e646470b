package org.zealousladder.server.platform.words;

import static org.junit.jupiter.api.Assertions.assertEquals;

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
}
