package org.zealousladder.server.learning.checks;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The words of cards: plain, short, each once, and enough of them. */
class CardWordsTest {
    @Test
    void wordsAreShortAndEachStandsOnce() {
        List<String> words = SignInCardsService.list();
        assertEquals(words.size(), new HashSet<>(words).size());
        assertEquals(List.of(), words.stream().filter(w -> !w.matches("[a-z]{3,8}")).toList());
    }

    /** Who tries one a second for a year, and is never made to wait, has tried a thousandth of what there is. */
    @Test
    void thereAreTooManyCardsToTryThemAll() {
        assertTrue(Math.pow(SignInCardsService.list().size(), SignInCardsService.WORDS) > 1000.0 * 365 * 24 * 3600);
    }

    /** A word that begins like another by five letters is taken for it. */
    @Test
    void noWordIsAnotherWithALetterMore() {
        List<String> words = SignInCardsService.list();
        assertEquals(List.of(), words.stream().filter(w -> words.contains(w + "s")).toList());
    }
}
