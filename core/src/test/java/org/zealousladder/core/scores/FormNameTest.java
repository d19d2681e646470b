package org.zealousladder.core.scores;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class FormNameTest {
    @Test
    void spacesArePutRightAndNothingIsNoName() {
        assertEquals(Optional.of("The tide mill"), FormName.of("  The \t tide  mill ").map(FormName::text));
        assertEquals(Optional.empty(), FormName.of("   "));
        assertEquals(Optional.empty(), FormName.of(""));
        assertEquals(Optional.empty(), FormName.of(null));
    }

    @Test
    void aNameThatCannotBeSaysWhy() {
        assertEquals(60, FormName.of("x".repeat(60)).orElseThrow().text().length());
        assertEquals("The name of a form or passage has at most 60 letters; this one has 61.",
                assertThrows(IllegalArgumentException.class, () -> FormName.of("x".repeat(61))).getMessage());
        assertEquals("The name of a form or passage cannot have characters that are not seen. Type it anew.",
                assertThrows(IllegalArgumentException.class, () -> FormName.of("A\u0007B")).getMessage());
    }

    @Test
    void aLongTitleIsShortened() {
        assertEquals("The ferry", FormName.shortened(" The ferry "));
        assertEquals("x".repeat(59) + "…", FormName.shortened("x".repeat(61)));
        // A letter of two halves is not cut through.
        assertEquals("x".repeat(58) + "…", FormName.shortened("x".repeat(58) + "\uD83D\uDC1F".repeat(3)));
    }

    @Test
    void capitalsAreNoOtherForm() {
        assertEquals(FormName.number("Passage B"), FormName.number(" passage  b "));
        assertNotEquals(FormName.number("Passage B"), FormName.number("Passage C"));
        assertNotEquals(FormName.of("Passage B"), FormName.of("passage b"));
    }

    /** 0 says that nothing is known; a school's forms of many years are told apart. */
    @Test
    void numbersTellFormsApart() {
        assertEquals(0, FormName.number(null));
        Set<Integer> numbers = new HashSet<>();
        for (String kind : new String[] {"", "form ", "Passage ", "Blatt "}) {
            for (int i = 1; i <= 2_000; i++) {
                numbers.add(FormName.number(kind + i));
            }
        }
        assertEquals(8_000, numbers.size());
        assertFalse(numbers.contains(0));
        // Java's own hash takes these for the same.
        assertNotEquals(FormName.number("Aa"), FormName.number("BB"));
    }
}
