package org.zealousladder.server.ladder;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.measures.MeasureRef;
import org.zealousladder.server.roster.StudentRef;

/**
 * What the Ladder view shows: two seasons of one measure.
 *
 * @param sem standard error of measurement, where the measure states one
 * @param summary moves and close calls in a sentence
 */
public record LadderView(MeasureRef measure, @Nullable Double sem, List<Season> seasons, List<Row> rows, String summary) {

    /**
     * One screening window.
     *
     * @param bands from most to least support; empty where no cut scores are set or grades differ
     * @param expected students who were here then
     * @param screened those of them with a score
     * @param mixedGrades whether the students' ladders differ, so that no common rungs can be drawn
     */
    public record Season(int windowId, String name, LocalDate starts, LocalDate ends, List<BandCount> bands, int expected, int screened,
            boolean mixedGrades) {}

    /** A band with how many stand in it; {@code fromScore} is absent in the lowest. */
    public record BandCount(String name, int tier, @Nullable Double fromScore, int count) {}

    /** One student, a cell per season in the seasons' order. {@code gain} is there when both seasons have a score. */
    public record Row(StudentRef student, List<Cell> cells, @Nullable Double gain) {}

    /**
     * A student's standing in one season.
     *
     * @param status scored, absent, exempt, invalid, none (nothing on record), or elsewhere (not here then)
     * @param certainty chance that the true score is in the band
     */
    public record Cell(String status, @Nullable Double value, @Nullable LocalDate date, @Nullable Integer band, @Nullable String bandName,
            @Nullable Integer tier, @Nullable Double certainty, boolean closeCall, @Nullable Integer percentile) {}
}
