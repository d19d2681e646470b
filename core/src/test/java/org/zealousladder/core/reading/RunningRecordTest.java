package org.zealousladder.core.reading;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.reading.LevelTable.Level;
import org.zealousladder.core.reading.Mark.Kind;
import org.zealousladder.core.reading.RunningRecord.LineCount;

/** A running record worked by hand. */
class RunningRecordTest {
    /** 90 words in a minute: three errors, one left out, one told, one inserted, two put right; one mark beyond the last word. */
    private static final List<Mark> MARKS = List.of(new Mark(4, Kind.ERROR), new Mark(17, Kind.LEFT_OUT), new Mark(23, Kind.SELF_CORRECTED),
            new Mark(23, Kind.INSERTED),
            new Mark(40, Kind.ERROR), new Mark(41, Kind.TOLD), new Mark(66, Kind.SELF_CORRECTED), new Mark(88, Kind.ERROR), new Mark(95, Kind.ERROR));

    @Test
    void theFiguresAreThoseWorkedByHand() {
        RunningRecord r = RunningRecord.of(90, 60, MARKS);
        assertEquals(6, r.errors());
        assertEquals(2, r.selfCorrected());
        assertEquals(84, r.correctPerMinute(), 1e-12);
        assertEquals(84 / 90.0, r.accuracy(), 1e-12);
        assertEquals(15, r.errorRatio().getAsDouble(), 1e-12);
        assertEquals(4, r.selfCorrectionRatio().getAsDouble(), 1e-12);
        assertEquals(3, r.counts().get(Kind.ERROR));
        assertEquals(1, r.counts().get(Kind.INSERTED));
    }

    @Test
    void aPassageFinishedEarlyIsProrated() {
        assertEquals(112, RunningRecord.of(90, 45, MARKS).correctPerMinute(), 1e-12);
    }

    @Test
    void withoutErrorsThereIsNoRatioAndWithMoreErrorsThanWordsNothingIsNegative() {
        RunningRecord clean = RunningRecord.of(20, 30, List.of());
        assertTrue(clean.errorRatio().isEmpty() && clean.selfCorrectionRatio().isEmpty());
        assertEquals(1, clean.accuracy());
        RunningRecord wild = RunningRecord.of(1, 5, List.of(new Mark(1, Kind.ERROR), new Mark(0, Kind.INSERTED), new Mark(1, Kind.INSERTED)));
        assertEquals(0, wild.accuracy());
        assertEquals(0, wild.correctPerMinute());
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThrows(IllegalArgumentException.class, () -> RunningRecord.of(0, 60, List.of()));
        assertThrows(IllegalArgumentException.class, () -> RunningRecord.of(10, 0, List.of()));
        assertThrows(IllegalArgumentException.class, () -> RunningRecord.of(10, 60, List.of(new Mark(3, Kind.ERROR), new Mark(3, Kind.TOLD))));
        assertThrows(IllegalArgumentException.class, () -> new Mark(0, Kind.ERROR));
        assertThrows(IllegalArgumentException.class, () -> Kind.of("mumbled"));
        for (Kind kind : Kind.values()) {
            assertEquals(kind, Kind.of(kind.code()));
        }
    }

    @Test
    void linesAreCountedAsFarAsWasRead() {
        List<LineCount> lines = RunningRecord.perLine(new int[] {10, 24, 50, 100, 120}, 90, MARKS);
        assertEquals(List.of(new LineCount(1, 10, 1, 0), new LineCount(11, 24, 2, 1), new LineCount(25, 50, 2, 0), new LineCount(51, 90, 1, 1)), lines);
        assertEquals(6, lines.stream().mapToInt(LineCount::errors).sum(), "the lines add up to the whole");
    }

    @Test
    void aLevelNeedsBothFloors() {
        LevelTable table = new LevelTable(List.of(new Level("Alone", 0.96, 0.8), new Level("With help", 0.9, 0.5), new Level("Too hard", 0, 0)));
        assertEquals("Alone", table.propose(0.96, 0.8).name());
        assertEquals("With help", table.propose(0.99, 0.79).name());
        assertEquals("Too hard", table.propose(0.99, 0.1).name());
        assertEquals("With help", table.propose(0.93, null).name());
        assertThrows(IllegalArgumentException.class, () -> new LevelTable(List.of(new Level("A", 0.9, 0.5), new Level("B", 0.95, 0))));
        assertThrows(IllegalArgumentException.class, () -> new LevelTable(List.of(new Level("A", 0.9, 0.5), new Level("B", 0.5, 0))));
        assertThrows(IllegalArgumentException.class, () -> new LevelTable(List.of(new Level("A", 0, 0))));
        assertThrows(IllegalArgumentException.class, () -> new LevelTable(List.of(new Level(" ", 0.9, 0), new Level("B", 0, 0))));
    }

    @Test
    void aReadingOfNoTimeOrNoWordIsNone() {
        assertThrows(IllegalArgumentException.class, () -> new RunningRecord(20, 0, 1, 0, java.util.Map.of()));
        assertThrows(IllegalArgumentException.class, () -> new RunningRecord(0, 60, 0, 0, java.util.Map.of()));
        assertThrows(IllegalArgumentException.class, () -> new RunningRecord(20, Double.NaN, 1, 0, java.util.Map.of()));
    }
}
