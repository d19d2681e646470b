package org.zealousladder.server.overview.compare;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.measures.measures.MeasureRef;

/**
 * Classes of one grade over the years.
 *
 * @param areas of which one can be looked at; @param area the one that is
 * @param windows names of windows, of which one can be looked at; @param window the one that is; null where there is none
 * @param first the window that begins a year, from which gains are counted; null where {@code window} is it
 * @param all whether every class of the grade is there; else only those that the viewer sees
 */
record YearsView(int classId, int grade, List<String> areas, String area, List<String> windows, @Nullable String window, @Nullable String first,
        List<MeasureRef> measures, boolean all, List<YearRow> rows) {

    /** A class. @param cells one a measure */
    record YearRow(int classId, String className, String year, List<String> teachers, int students, List<YearCell> cells) {}

    /**
     * A class on a measure in the window.
     *
     * @param mean null without a score
     * @param tierOne share in tier 1 of {@code n}; null where no cut scores count
     * @param gain mean from the first window of the year, of {@code gained} who have both
     * @param difference of the mean from that of the class looked at, with its 95 % interval; null where the counts give none
     */
    record YearCell(int n, @Nullable Double mean, @Nullable Double tierOne, @Nullable Double gain, int gained, @Nullable Double difference,
            @Nullable Double low,
            @Nullable Double high, boolean settles) {}
}
