package org.zealousladder.server.screening.entry;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.screening.tiers.WindowState;

/** The entry grid: a row a student, a cell a measure. */
public record EntryView(Window window, WindowState state, @Nullable String before, List<MeasureRef> measures, List<EntryRow> rows) {

    /** @param note why somebody has an unusual place here: came later, left */
    public record EntryRow(StudentRef student, @Nullable String note, List<Entry> cells) {}

    /**
     * What is on record for a cell.
     *
     * @param scoreId the record that a change would replace; absent when nothing is there
     * @param given whether the measure is one for this student's grade
     * @param last the score before the window began, whenever that was
     * @param again the score that the team wants tested again; the cell is to be filled anew
     * @param likelyLow below it the page asks whether the score is right; absent where nothing is known to go by
     */
    public record Entry(int measureId, @Nullable Long scoreId, @Nullable Double value, @Nullable ScoreStatus status, @Nullable LocalDate takenOn, boolean given,
            @Nullable Double last, @Nullable LocalDate lastDay, @Nullable Double again, @Nullable Double likelyLow, @Nullable Double likelyHigh) {}
}
