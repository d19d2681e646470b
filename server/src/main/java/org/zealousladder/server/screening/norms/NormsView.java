package org.zealousladder.server.screening.norms;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;
import org.zealousladder.server.measures.measures.MeasureRef;

/**
 * The norms of one measure by one set.
 *
 * @param set the one shown; 0 where there is none yet
 * @param mayCompute whether the viewer may compute local norms for the school
 */
public record NormsView(MeasureRef measure, int school, List<NormSet> sets, int set, List<NormTable> tables, boolean mayCompute) {

    /** @param kind imported or local */
    /** Where a table of norms comes from. */
    public enum NormKind implements Coded {
        IMPORTED,
        /** Reckoned from the school's own scores. */
        LOCAL
    }

    public record NormSet(int id, String name, NormKind kind) {}

    /**
     * @param about score, or growth (score units per week)
     * @param season the window's name, for scores
     * @param restsOn how many students; absent where a file did not say
     */
    public record NormTable(int grade, String about, @Nullable String season, @Nullable Integer restsOn, LocalDate knownFrom, List<NormPoint> points) {}

    public record NormPoint(int percentile, double value) {}
}
