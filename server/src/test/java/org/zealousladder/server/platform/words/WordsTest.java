package org.zealousladder.server.platform.words;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;

class WordsTest {
    @Test
    void smallNumbersAreWordsAndLargeOnesFigures() {
        assertEquals("none", Words.number(0));
        assertEquals("twelve", Words.number(12));
        assertEquals("13", Words.number(13));
        assertEquals("-1", Words.number(-1));
    }

    @Test
    void aSentenceHasACapitalAndAStop() {
        assertEquals("Two plans want changing.", Words.sentence("two plans want changing"));
        assertEquals("", Words.sentence(""));
    }
}
