package org.zealousladder.server.school.roster;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.zealousladder.server.platform.problems.Refusal;

class WhoTest {
    @ParameterizedTest
    @ValueSource(strings = {"class-12", "school-3", "grade-0-3", "grade-13-80"})
    void anAddressComesBackAsItWent(String text) {
        assertEquals(text, Who.parse(text).toString());
    }

    @Test
    void aGradeIsOfASchool() {
        assertEquals(new Who(Who.Kind.GRADE, 7, 3), Who.parse("grade-3-7"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "class", "class-", "class-x", "class--1", "grade-3", "student-4", "class-12;drop table", "class-99999999999"})
    void anythingElseIsRefused(String text) {
        assertThrows(Refusal.class, () -> Who.parse(text));
    }

    @Test
    void aYearShowsNoDayAfterItsLast() {
        SchoolYear year = new SchoolYear(1, "2024-25", LocalDate.of(2024, 8, 26), LocalDate.of(2025, 6, 27));
        assertEquals(LocalDate.of(2025, 6, 27), year.clamp(LocalDate.of(2026, 3, 13)));
        assertEquals(LocalDate.of(2025, 3, 13), year.clamp(LocalDate.of(2025, 3, 13)));
    }

    @Test
    void initialsAreOfWholeLettersAlsoBeyondTheBasicPlane() {
        Enrolled e = new Enrolled(1, "S1", "ökö", "𝒜da", null, 1, "Tern", 2, LocalDate.EPOCH, null, 1);
        assertEquals("Ö𝒜", e.ref().initials());
        Enrolled single = new Enrolled(1, "S1", "Pelé", "", null, 1, "Tern", 2, LocalDate.EPOCH, null, 1);
        assertEquals("P", single.ref().initials());
        assertEquals("Pelé", single.ref().name());
    }
}
