package org.zealousladder.server.exchange.records.csv;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.zealousladder.server.exchange.records.csv.FormFinder.Found;
import org.zealousladder.server.platform.files.Forms.Between;
import org.zealousladder.server.platform.files.Forms.DayForm;
import org.zealousladder.server.platform.files.Forms.Decimals;

class FormFinderTest {
    private static final FormFinder.Kinds KINDS = new FormFinder.Kinds() {
        @Override
        public boolean[] days(List<String> header) {
            return places(header, "date");
        }

        @Override
        public boolean[] numbers(List<String> header) {
            return places(header, "score");
        }

        private boolean[] places(List<String> header, String name) {
            boolean[] places = new boolean[header.size()];
            for (int i = 0; i < places.length; i++) {
                places[i] = header.get(i).equals(name);
            }
            return places;
        }
    };

    @TempDir
    Path folder;

    private Found find(String text) throws IOException, BadCsvException {
        return FormFinder.find(Files.writeString(folder.resolve("a.csv"), text), KINDS);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|',
            value = {"2026-03-05 2026-03-13|YEAR_FIRST|true", "05/09/2025 13/09/2025|DAY_FIRST|true", "05/09/2025 09/13/2025|MONTH_FIRST|true",
                    "5.9.25 1.10.25|DAY_FIRST|false", "13/09/2025 09/13/2025|DAY_FIRST|false", "2026-03-05 31.3.2026|DAY_FIRST|true", "|YEAR_FIRST|true",
                    "soon later|YEAR_FIRST|true"})
    void daysAreToldByOneThatCannotBeOtherwise(String days, DayForm form, boolean sure) throws Exception {
        StringBuilder file = new StringBuilder("student,date\n");
        for (String day : days == null ? new String[0] : days.split(" ")) {
            file.append("S1,").append(day).append('\n');
        }
        Found found = find(file.toString());
        assertEquals(form, found.forms().days());
        assertEquals(sure, found.sureOfDays());
    }

    @Test
    void aDayFarDownMayTell() throws Exception {
        StringBuilder file = new StringBuilder("student,date\n");
        for (int i = 0; i < 9_000; i++) {
            file.append("S").append(i).append(",05/09/2025\n");
        }
        assertEquals(false, find(file.toString()).sureOfDays());
        Found found = find(file + "S9,09/30/2025\n");
        assertEquals(DayForm.MONTH_FIRST, found.forms().days());
        assertEquals(true, found.sureOfDays());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"12;12,5|COMMA", "12;1.234,5|COMMA", "12;12.5|POINT", "ABS;12|POINT", "1,2,3;x|POINT", "-3,25;4|COMMA"})
    void decimalsAreToldByOneWithAComma(String scores, Decimals decimals) throws Exception {
        Found found = find("student;score;note\nS1;" + scores.replace(";", ";a, b\nS2;") + ";c,d\n");
        assertEquals(decimals, found.forms().decimals());
        assertEquals(Between.SEMICOLON, found.forms().between());
    }
}
