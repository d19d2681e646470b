package org.zealousladder.server.learning.reading;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.reading.LevelTable;
import org.zealousladder.core.reading.Mark.Kind;
import org.zealousladder.server.learning.reading.ReadingForm.Answer;
import org.zealousladder.server.learning.reading.ReadingForm.MarkAt;
import org.zealousladder.server.learning.reading.ReadingForm.Seen;
import org.zealousladder.server.learning.reading.ReadingViews.Behaviour;
import org.zealousladder.server.learning.reading.ReadingViews.Outcome;
import org.zealousladder.server.learning.reading.ReadingViews.ReadingRecord;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.StudentRef;

/** From marks, answers and observations to what a reading comes to, worked by hand on a passage of 20 words. */
class CountingTest {
    private static final String BODY = "The boat came in late and\nnobody on the pier\nhad a lamp to show\nit the way home again.";
    private static final Passage PASSAGE = new Passage(5, "The boat", 3, Passage.split(BODY), 20, false,
            List.of(new Passage.Question(1, Passage.QuestionKind.LITERAL, "What was late?", 1),
                    new Passage.Question(2, Passage.QuestionKind.LITERAL, "Who had a lamp?", 1),
                    new Passage.Question(3, Passage.QuestionKind.INFERENTIAL, "What time of day is it?", 2)));
    private static final LevelTable LEVELS = new LevelTable(List.of(new LevelTable.Level("Alone", 0.95, 0.75), new LevelTable.Level("With help", 0.85, 0.5),
            new LevelTable.Level("Too hard", 0, 0)));
    private static final List<Behaviour> LIBRARY = List.of(new Behaviour(1, null, "Reads in phrases", "Mark phrases.", false),
            new Behaviour(2, null, "Stops at full stops", "Tap at each stop.", false));

    private static final Counting.Standards STANDARDS = new Counting.Standards(LEVELS, LIBRARY);

    private static Outcome of(List<MarkAt> marks, Integer retelling, List<Answer> answers, List<Seen> seen) {
        return Counting.of(PASSAGE, new Counting.Heard(30, 20, marks, retelling, answers, seen), STANDARDS);
    }

    @Test
    void thePassageHasTheWordsThatAreCountedHere() {
        assertEquals(20, PASSAGE.lines().stream().mapToInt(List::size).sum());
        assertEquals(List.of(6, 4, 5, 5), PASSAGE.lines().stream().map(List::size).toList());
    }

    @Test
    void figuresLinesAndSentence() {
        Outcome o = of(List.of(new MarkAt(2, Kind.ERROR, 2), new MarkAt(7, Kind.SELF_CORRECTED, 9), new MarkAt(14, Kind.TOLD, 20)), null, List.of(), List.of());
        assertEquals(36, o.correctPerMinute(), 1e-9, "18 words in half a minute");
        assertEquals(0.9, o.accuracy(), 1e-9);
        assertEquals(10, o.errorRatio(), 1e-9);
        assertEquals(3, o.selfCorrectionRatio(), 1e-9);
        assertEquals(List.of(1, 0, 1, 0), o.lines().stream().map(ReadingViews.LineOutcome::errors).toList());
        assertEquals(List.of(0, 1, 0, 0), o.lines().stream().map(ReadingViews.LineOutcome::selfCorrected).toList());
        assertEquals("36 words correct per minute, 90 % right, 1 error in 10 words.", o.sentence());
        assertNull(o.comprehension(), "nothing was asked");
        assertEquals("With help", o.proposedLevel(), "by accuracy alone then");
        assertEquals("40 words correct per minute, 100 % right.", of(List.of(), null, List.of(), List.of()).sentence());
    }

    @Test
    void understandingIsTheShareOfThePointsThatWereAskedFor() {
        Outcome o = of(List.of(), 3, List.of(new Answer(1, 1), new Answer(3, 1)), List.of());
        assertEquals(5 / 7.0, o.comprehension(), 1e-12, "three of four, one of one, one of two");
        assertEquals(1, o.literal());
        assertEquals(0.5, o.inferential());
        assertEquals("With help", o.proposedLevel(), "every word right, but 71 % understood is under 75 %");
        assertEquals("Alone", of(List.of(), 4, List.of(), List.of()).proposedLevel());
        assertEquals("Too hard", of(List.of(), 0, List.of(), List.of()).proposedLevel());
        assertNull(of(List.of(), null, List.of(new Answer(1, 0)), List.of()).inferential());
    }

    @Test
    void onlyWhatWasNotShownYetIsTaughtNext() {
        Outcome o = of(List.of(), null, List.of(), List.of(new Seen(1, true), new Seen(2, false), new Seen(99, false)));
        assertEquals(List.of("Tap at each stop."), o.teach().stream().map(ReadingViews.TeachNext::teach).toList());
        assertTrue(of(List.of(), null, List.of(), List.of(new Seen(1, true), new Seen(2, true))).teach().isEmpty());
    }

    @Test
    void whatCannotBeIsToldInASentence() {
        assertEquals("The passage has 20 words; the last word read cannot be number 21.",
                assertThrows(Refusal.class, () -> Counting.of(PASSAGE, new Counting.Heard(30, 21, List.of(), null, List.of(), List.of()), STANDARDS))
                        .getMessage());
        assertEquals("Word 4 has two marks.",
                assertThrows(Refusal.class, () -> of(List.of(new MarkAt(4, Kind.ERROR, 1), new MarkAt(4, Kind.TOLD, 2)), null, List.of(), List.of()))
                        .getMessage());
        assertEquals("'What was late?' has at most 1 point.",
                assertThrows(Refusal.class, () -> of(List.of(), null, List.of(new Answer(1, 2)), List.of())).getMessage());
        assertEquals("A question does not belong to this passage.",
                assertThrows(Refusal.class, () -> of(List.of(), null, List.of(new Answer(8, 0)), List.of())).getMessage());
    }

    private static ReadingRecord reading(long id, LocalDate on, List<MarkAt> marks) {
        return new ReadingRecord(id, new StudentRef(1, "S1", "Ada", "A", "Tern", 4), PASSAGE, on, 30, null, 20, marks, null, List.of(), List.of(), "Alone",
                null, null, null,
                of(marks, null, List.of(), List.of()));
    }

    @Test
    void ofTwoReadingsTheEarlierOneIsTheOneBefore() {
        ReadingRecord autumn = reading(8, LocalDate.of(2025, 10, 6), List.of(new MarkAt(2, Kind.ERROR, 2), new MarkAt(9, Kind.ERROR, 9)));
        ReadingRecord spring = reading(3, LocalDate.of(2026, 3, 5), List.of(new MarkAt(9, Kind.TOLD, 8), new MarkAt(12, Kind.ERROR, 11)));
        String words = "Of the 20 words both reached, 2 were missed on 6 Oct 2025: 1 again, 1 no longer; 1 new on 5 Mar 2026.";
        assertEquals(words, Counting.compare(spring, autumn).sentence());
        assertEquals(words, Counting.compare(autumn, spring).sentence(), "whichever is open");
        assertEquals("Of the 20 words both reached, 0 were missed on 6 Oct 2025; 2 new on 5 Mar 2026.",
                Counting.compare(reading(9, autumn.readOn(), List.of()), spring).sentence());
        ReadingRecord twice = reading(4, spring.readOn(), List.of());
        assertEquals(2, Counting.compare(spring, twice).missedBefore(), "on one day the one recorded first is the earlier");
    }
}
