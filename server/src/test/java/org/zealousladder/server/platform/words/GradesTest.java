package org.zealousladder.server.platform.words;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class GradesTest {
    @ParameterizedTest
    @CsvSource({"3,3", "03,3", "Grade 3,3", "3rd grade,3", "3. Klasse,3", "Year 12,12", "3e,3", "13,13", "KG,0", "k,0", "Kindergarten,0", "0,0", "Klasse 4,4",
            "2º,2"})
    void aGradeIsReadAsSchoolsWriteIt(String text, int grade) {
        assertEquals(grade, Grades.parse(text));
    }

    @ParameterizedTest
    @ValueSource(strings = {"14", "third", "3.5", "-1", "", "3B4", "2025"})
    void whatIsNoneSaysWhatWouldBeRight(String text) {
        assertTrue(assertThrows(IllegalArgumentException.class, () -> Grades.parse(text)).getMessage().contains("write KG, or a whole number from 1 to 13"));
    }

    @Test
    void theYearBeforeTheFirstHasAWord() {
        assertEquals("KG, grade 1, Grade 13, KG", Grades.words(0) + ", " + Grades.words(1) + ", " + Grades.title(13) + ", " + Grades.title(0));
    }
}
