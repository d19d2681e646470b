package org.zealousladder.server.platform.files;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CellsTest {
    @Test
    void isoDatesAreRead() {
        assertEquals(LocalDate.of(2026, 3, 13), Cells.date("2026-03-13"));
        assertEquals(LocalDate.of(2024, 2, 29), Cells.date("2024-02-29"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"13.03.2026", "2026-3-13", "03/13/2026", "2026-03-1x", "20260313", "2026-03-13T00:00", "٢٠٢٦-٠٣-١٣"})
    void otherDatesSayHowToWriteThem(String text) {
        assertTrue(assertThrows(IllegalArgumentException.class, () -> Cells.date(text)).getMessage().contains("write it like 2026-03-13"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"2026-02-30", "2026-13-01", "2025-02-29", "2026-00-10"})
    void daysThatAreNotAreTold(String text) {
        assertTrue(assertThrows(IllegalArgumentException.class, () -> Cells.date(text)).getMessage().contains("not a day in the calendar"));
    }

    @ParameterizedTest
    @CsvSource({"12,12", "-3.5,-3.5", "0.25,0.25", "1e2,100", "+4,4", ".5,0.5", "0,0", "-0.0,-0.0", "0e9,0", "1e-300,1e-300"})
    void numbersAreRead(String text, double value) {
        assertEquals(value, Cells.number(text));
    }

    @ParameterizedTest
    @ValueSource(strings = {"NaN", "Infinity", "-Infinity", "1e999", "1e301", "-1.7976931348623157e308", "1e-400", "0.1e-320"})
    void numbersThatTheDatabaseCannotReckonWithAreRefused(String text) {
        assertEquals("'" + text + "' is not a number that can be kept.", assertThrows(IllegalArgumentException.class, () -> Cells.number(text)).getMessage());
    }

    @ParameterizedTest
    @ValueSource(strings = {"twelve", "12d", "12f", "0x1p3", "1 000", "--4", "12%"})
    void whatIsNoNumberIsRefused(String text) {
        assertThrows(IllegalArgumentException.class, () -> Cells.number(text));
    }

    @Test
    void aDecimalCommaIsExplained() {
        assertTrue(assertThrows(IllegalArgumentException.class, () -> Cells.number("12,5")).getMessage().contains("with a point, like 12.5"));
    }

    @Test
    void wholeNumbersAreWhole() {
        assertEquals(3, Cells.whole("3"));
        assertThrows(IllegalArgumentException.class, () -> Cells.whole("3.0"));
        assertThrows(IllegalArgumentException.class, () -> Cells.whole("99999999999"));
        assertThrows(IllegalArgumentException.class, () -> Cells.whole("٣"), "digits of other scripts");
    }
}
