package org.zealousladder.server.platform.texts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DaysTest {
    @Test
    void aDayIsReadAsItIsWritten() {
        assertEquals(LocalDate.of(2024, 2, 29), Days.parse("2024-02-29"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~',
            value = {"2026-02-30 | '2026-02-30' is not a day in the calendar.", "0000-01-01 | '0000-01-01' is too far away; check the year.",
                    "9999-12-31 | '9999-12-31' is too far away; check the year.", "13.03.2026 | '13.03.2026' is not a date; write it like 2026-03-13.",
                    "२०२६-०३-१३ | '२०२६-०३-१३' is not a date; write it like 2026-03-13.", "-001-01-01 | '-001-01-01' is not a date; write it like 2026-03-13.",
                    "+12026-01-01 | '+12026-01-01' is not a date; write it like 2026-03-13."})
    void whatIsNoneIsTold(String text, String sentence) {
        assertEquals(sentence.replace("''", "'"), assertThrows(IllegalArgumentException.class, () -> Days.parse(text)).getMessage());
    }
}
