package org.zealousladder.server.screening.ladder;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.screening.ladder.LadderView.LadderRow;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.CellStatus;

class LadderSummaryTest {
    private static final Window AUTUMN = new Window(1, 1, "Autumn", LocalDate.of(2025, 9, 8), LocalDate.of(2025, 9, 19));
    private static final Window WINTER = new Window(2, 1, "Winter", LocalDate.of(2026, 1, 12), LocalDate.of(2026, 1, 23));
    private static final StudentRef STUDENT = new StudentRef(1, "S1", "Ada Quill", "AQ", "Tern", 4);

    private static Cell in(int band, boolean close) {
        return new Cell(CellStatus.SCORED, 50.0, LocalDate.EPOCH, band, "Band " + band, 3 - band, 0.9, close);
    }

    private static Cell none() {
        return new Cell(CellStatus.NONE, null, null, null, null, null, null, false);
    }

    private static LadderRow row(Cell before, Cell now) {
        return new LadderRow(STUDENT, null, List.of(before, now), null, null);
    }

    @Test
    void movesAreCountedBothWaysAndTheUnsureAreNamed() {
        List<LadderRow> rows = List.of(row(in(0, false), in(1, true)), row(in(1, false), in(2, false)), row(in(2, false), in(1, true)),
                row(in(1, false), in(1, false)));
        assertEquals("Of 4 with both scores, two moved up a band since autumn and one moved down. Two stand close enough to a rung to be unsure.",
                LadderSummary.of(List.of(AUTUMN, WINTER), rows, false, 0));
    }

    @Test
    void whoHasOnlyOneScoreHasNotMoved() {
        assertEquals(0, LadderSummary.move(row(none(), in(2, false))));
        assertEquals("",
                LadderSummary.of(List.of(AUTUMN, WINTER), List.of(row(none(), in(2, false)), row(in(0, false), none())), false, 0));
    }

    @Test
    void oneCloseCallIsSingular() {
        List<LadderRow> rows = new ArrayList<>(List.of(row(in(1, false), in(1, true))));
        assertEquals("None of 1 with both scores changed band since autumn. One stands close enough to a rung to be unsure.",
                LadderSummary.of(List.of(AUTUMN, WINTER), rows, false, 0));
    }

    @Test
    void whoLeftSinceIsSaidSoThatTheCountsOfTwoPagesCanDiffer() {
        assertEquals("None of 1 with both scores changed band since autumn. Two who were here then have left since and are not shown.",
                LadderSummary.of(List.of(AUTUMN, WINTER), List.of(row(in(1, false), in(1, false))), false, 2));
        assertEquals("One who was here then has left since and is not shown.", LadderSummary.of(List.of(WINTER), List.of(row(none(), none())), false, 1));
    }

    @Test
    void withoutASeasonOrAStudentThereIsNothingToSay() {
        assertEquals("", LadderSummary.of(List.of(), List.of(row(none(), none())), false, 0));
        assertEquals("", LadderSummary.of(List.of(WINTER), List.of(), false, 0));
        assertEquals("", LadderSummary.of(List.of(WINTER), List.of(new LadderRow(STUDENT, null, List.of(in(1, false)), null, null)), false, 0));
    }
}
