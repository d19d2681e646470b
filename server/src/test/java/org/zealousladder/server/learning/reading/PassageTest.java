package org.zealousladder.server.learning.reading;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.reading.LevelTable;
import org.zealousladder.core.reading.LevelTable.Level;
import org.zealousladder.server.learning.reading.ReadingViews.Behaviour;
import org.zealousladder.server.learning.reading.ReadingViews.Outcome;
import org.zealousladder.server.platform.problems.Refusal;

/** A plain text becomes numbered words, and marks on them figures. */
class PassageTest {
    private static final LevelTable LEVELS = new LevelTable(List.of(new Level("Alone", 0.95, 0.5), new Level("Hard", 0, 0)));
    private static final List<Behaviour> LIBRARY = List.of(new Behaviour(1, null, "Stops at full stops", "Tap the table", false));
    private static final Passage PASSAGE = passage("The tide comes in.\r\n\n  It goes – out again,\nas it always does.");

    private static Passage passage(String text) {
        List<List<String>> lines = Passage.split(text);
        return new Passage(1, "Tide", 3, lines, lines.stream().mapToInt(List::size).sum(), false,
                List.of(new Passage.Question(7, Passage.QuestionKind.LITERAL, "What comes in?", 2)));
    }

    private static Outcome count(int lastWord, List<ReadingForm.MarkAt> marks, Integer retelling, List<ReadingForm.Answer> answers,
            List<ReadingForm.Seen> seen) {
        return Counting.of(PASSAGE, new Counting.Heard(30, lastWord, marks, retelling, answers, seen), new Counting.Standards(LEVELS, LIBRARY));
    }

    @Test
    void linesAreKeptEmptyOnesAndLoneDashesAreNot() {
        assertEquals(List.of(List.of("The", "tide", "comes", "in."), List.of("It", "goes", "out", "again,"), List.of("as", "it", "always", "does.")),
                PASSAGE.lines());
        assertArrayEquals(new int[] {4, 8, 12}, PASSAGE.lineEnds());
        assertEquals(List.of(), Passage.split(" \n – \n"));
    }

    @Test
    void withoutQuestionsAccuracyAloneDecides() {
        Outcome o = count(12, List.of(), null, List.of(), List.of());
        assertEquals("Alone", o.proposedLevel());
        assertEquals(null, o.comprehension());
        assertEquals(24, o.correctPerMinute(), 1e-9);
        assertEquals("24 words correct per minute, 100 % right.", o.sentence());
        assertEquals("Hard", count(12, List.of(), 1, List.of(), List.of()).proposedLevel(), "one of four retold");
    }

    @Test
    void onlyWhatWasLookedForAndNotShownIsTaughtNext() {
        assertTrue(count(12, List.of(), null, List.of(), List.of(new ReadingForm.Seen(1, true))).teach().isEmpty());
        assertEquals("Tap the table", count(12, List.of(), null, List.of(), List.of(new ReadingForm.Seen(1, false))).teach().get(0).teach());
        assertTrue(count(12, List.of(), null, List.of(), List.of(new ReadingForm.Seen(99, false))).teach().isEmpty(), "a behaviour of another school");
    }

    @Test
    void answersMustBelongAndStayWithinTheirPoints() {
        assertEquals(0.5, count(12, List.of(), null, List.of(new ReadingForm.Answer(7, 1)), List.of()).literal());
        assertThrows(Refusal.class, () -> count(12, List.of(), null, List.of(new ReadingForm.Answer(7, 3)), List.of()));
        assertThrows(Refusal.class, () -> count(12, List.of(), null, List.of(new ReadingForm.Answer(8, 1)), List.of()));
        assertThrows(Refusal.class, () -> count(13, List.of(), null, List.of(), List.of()));
    }
}
