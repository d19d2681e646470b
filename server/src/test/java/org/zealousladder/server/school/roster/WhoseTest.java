package org.zealousladder.server.school.roster;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.platform.problems.Refusal;

class WhoseTest {
    @Test
    void studentsByNumberOrAScope() {
        assertEquals(List.of(4, 9), Whose.parse("students-4,9,4").students());
        assertEquals(List.of(12), Whose.parse("student-12").students());
        assertEquals(new Who(Who.Kind.GRADE, 1, 3), Whose.parse("grade-3-1").who());
        for (String text : List.of("students-4,9", "class-12", "grade-3-1", "list-4")) {
            assertEquals(text, Whose.parse(text).toString());
        }
    }

    @Test
    void nothingElse() {
        String many = "students-" + IntStream.rangeClosed(1, 201).mapToObj(String::valueOf).collect(Collectors.joining(","));
        for (String text : List.of("", "students-", "students-4,", "students-a", "everybody", many, "students-1234567890")) {
            assertThrows(Refusal.class, () -> Whose.parse(text), text);
        }
    }
}
