package org.zealousladder.server.screening.coverage;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.screening.tiers.WindowState;

/**
 * Who is tested in a window, class by class and measure by measure.
 *
 * @param summary the total in a sentence
 * @param untested everyone who still owes a score, by class and name
 * @param apart who is not in the totals: left within the window, or came after it
 */
public record CoverageView(Window window, WindowState state, List<MeasureRef> measures, List<ClassRow> classes, String summary, List<Untested> untested,
        List<Apart> apart) {

    /** A class's counts, one per measure in the measures' order. */
    public record ClassRow(int classId, String className, int grade, int students, List<CoverageCount> counts) {}

    /** How many of those expected are what; the last five add up to the first. All 0 where the measure is not given in this grade. */
    public record CoverageCount(int measureId, int expected, int tested, int absent, int exempt, int invalid, int none) {}

    /**
     * A score still owed.
     *
     * @param status absent, invalid or none; retest where there is a score that the team wants tested again
     * @param makeUp the day set for it
     * @param note why the dates matter, for somebody who came within the window
     */
    public record Untested(StudentRef student, int measureId, String measure, OwedKind status, @Nullable LocalDate date, @Nullable LocalDate makeUp,
            @Nullable String note) {}

    /** @param why in words, with the date */
    public record Apart(StudentRef student, String why, int tested) {}
}
