package org.zealousladder.server.platform.texts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TextsTest {
    @ParameterizedTest
    @ValueSource(strings = {"", "Óscar Ó Briain", "two\nlines\tand a tab\r\n", "नेहा", "ไทย", "👩‍🏫", "O’Malley", "שלום"})
    void lettersOfAllScriptsStay(String text) {
        assertEquals(text, Texts.clean(text));
    }

    @Test
    void whatLooksTheSameIsWrittenTheSame() {
        assertEquals("é", Texts.clean("e\u0301"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"a\0b", "\u0007", "\u0085", "\uD800", "a\uDC00", "\uFFFF", "\uFDD0", "\u202Eabc", "\u2066"})
    void whatIsNoCharacterIsRefusedByName(String text) {
        String said = assertThrows(Texts.BadTextException.class, () -> Texts.clean(text)).getMessage();
        assertTrue(said.matches("The text has a character that cannot be written \\(U\\+[0-9A-F]{4}\\)\\. .*"), said);
    }
}
