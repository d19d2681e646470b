package org.zealousladder.server.screening.ladder;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.summary.FiveNumbers;
import org.zealousladder.core.summary.Histogram;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.screening.standings.Cell;

/**
 * What the Ladder view shows: up to four seasons of one measure, the earliest first.
 *
 * @param sem standard error of measurement, where the measure states one
 * @param summary moves and close calls in a sentence
 */
public record LadderView(MeasureRef measure, @Nullable Double sem, List<Season> seasons, List<LadderRow> rows, String summary) {

    /**
     * One screening window.
     *
     * @param bands from most to least support; empty where no cut scores are set or grades differ in their bands
     * @param expected students who were here then
     * @param screened those of them with a score
     * @param mixedGrades whether the students' ladders differ, so that no common rungs can be drawn
     * @param spread lowest, quartiles and highest; absent when nobody has a score
     * @param bins counts of scores in bins of a round width
     */
    public record Season(int windowId, String name, LocalDate starts, LocalDate ends, List<BandCount> bands, int expected, int screened,
            boolean mixedGrades, @Nullable FiveNumbers spread, List<Histogram.Bin> bins) {}

    /** A band with how many stand in it; {@code fromScore} is absent in the lowest. */
    public record BandCount(String name, int tier, @Nullable Double fromScore, int count) {}

    /**
     * One student, a cell per season in the seasons' order.
     *
     * @param gain between the last two seasons, when both have a score
     * @param percentile mid-rank in the newest season among the school's scores of the same grade; absent for fewer than ten
     */
    public record LadderRow(StudentRef student, @Nullable String support, List<Cell> cells, @Nullable Double gain, @Nullable Integer percentile) {}
}
