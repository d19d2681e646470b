package org.zealousladder.server.overview.report;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.screening.standings.CellStatus;

/**
 * A screening report on one measure.
 *
 * @param title whose it is
 * @param before name of the season before, where there is one
 * @param next name of the next window of the year, where there is one
 * @param coverage "21 of 24 screened, 2 absent, 1 not on record."
 * @param school how many of the school's students of these grades the comparison rests on; 0 where it is left out
 * @param bands from least to most support, as on the ladder from the top
 * @param untested who has no score, with the reason
 * @param questions what to ask in the meeting
 */
public record ReportView(String title, MeasureRef measure, Window window, @Nullable String before, @Nullable String next, LocalDate asOf, String coverage,
        int screened, int screenedBefore, int school, List<ReportBand> bands, List<ReportUntested> untested, List<String> questions) {

    /**
     * One band.
     *
     * @param share of those screened, 0 to 1
     * @param shareInSchool of the school's students of these grades; absent where the comparison is left out
     * @param shareBefore of the same students the season before; absent where there was none
     */
    public record ReportBand(String name, int tier, int count, double share, @Nullable Double shareInSchool, @Nullable Double shareBefore,
            List<ReportStudent> students) {}

    /**
     * @param percentile among the school's scores of the grade; absent for fewer than ten
     * @param goalScore score with which the next better band begins at the next window; absent in the best band
     * @param goalBand that band
     * @param bandBefore where the student stood the season before
     */
    public record ReportStudent(StudentRef student, LocalDate date, double value, boolean close, @Nullable Integer percentile, @Nullable Double goalScore,
            @Nullable String goalBand, @Nullable String bandBefore, @Nullable String support) {}

    public record ReportUntested(StudentRef student, CellStatus status) {}
}
