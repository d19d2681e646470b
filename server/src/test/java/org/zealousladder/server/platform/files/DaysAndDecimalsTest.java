package org.zealousladder.server.platform.files;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.zealousladder.server.platform.files.Column.Type;
import org.zealousladder.server.platform.files.Forms.Between;
import org.zealousladder.server.platform.files.Forms.DayForm;
import org.zealousladder.server.platform.files.Forms.Decimals;
import org.zealousladder.server.platform.files.Forms.Letters;

/** Cells as offices write them. */
class DaysAndDecimalsTest {
    private static Forms forms(DayForm days, Decimals decimals) {
        return new Forms(Letters.UTF_8, Between.COMMA, days, decimals);
    }

    @ParameterizedTest
    @CsvSource({"2026-03-05,YEAR_FIRST,2026-03-05", "2026-03-05,DAY_FIRST,2026-03-05", "05/03/2026,DAY_FIRST,2026-03-05", "05/03/2026,MONTH_FIRST,2026-05-03",
            "5.3.26,DAY_FIRST,2026-03-05", "5. 3. 2026,DAY_FIRST,2026-03-05", "2026/3/5,MONTH_FIRST,2026-03-05", "2026-03-05 00:00:00,YEAR_FIRST,2026-03-05",
            "05-03-2026 00:00,DAY_FIRST,2026-03-05"})
    void daysOfAnyFormAreTheSameDay(String text, DayForm form, String day) {
        assertEquals(day, Column.of("date", Type.DATE).read(text, forms(form, Decimals.POINT)));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~',
            value = {"05/03/2026|YEAR_FIRST|'05/03/2026' can be two days; say whether the day or the month comes first.",
                    "13/14/2026|DAY_FIRST|'13/14/2026' is not a day in the calendar.", "30/02/2026|DAY_FIRST|'30/02/2026' is not a day in the calendar.",
                    "05/03/1026|DAY_FIRST|'05/03/1026' is too far away; check the year.",
                    "5 March|DAY_FIRST|'5 March' is not a date; write it like 2026-03-13.",
                    "05/03/2026 14:30|DAY_FIRST|'05/03/2026 14:30' is not a date; write it like 2026-03-13.",
                    "٠٥/٠٣/٢٠٢٦|DAY_FIRST|'٠٥/٠٣/٢٠٢٦' is not a date; write it like 2026-03-13."})
    void whatIsNoDaySaysSo(String text, DayForm form, String sentence) {
        assertEquals(sentence,
                assertThrows(IllegalArgumentException.class, () -> Column.of("date", Type.DATE).read(text, forms(form, Decimals.POINT))).getMessage());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"12|12", "12,5|12.5", "-1.234,5|-1234.5", "1 234 567,25|1234567.25", "12.5|12.5"})
    void decimalsWithACommaAreRead(String text, String number) {
        assertEquals(number, Column.of("score", Type.NUMBER).read(text, forms(DayForm.YEAR_FIRST, Decimals.COMMA)));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"12,5,3", "1.23,5", ",5", "12,", "a,5", "12,5 %"})
    void whatIsNoNumberSaysSo(String text) {
        String sentence = assertThrows(IllegalArgumentException.class,
                () -> Column.of("score", Type.NUMBER).read(text, forms(DayForm.YEAR_FIRST, Decimals.COMMA))).getMessage();
        assertTrue(sentence.startsWith("'" + text + "' is not a number"), sentence);
    }
}
