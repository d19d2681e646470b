package org.zealousladder.server.screening.tiers;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.tiers.TierRule;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.screening.standings.CellStatus;

/**
 * The tiers of one area in one window, the ones to talk about first.
 *
 * @param before name of the window that movement is counted from
 * @param rule how measures are combined
 * @param assumed measures that state no error of measurement, so that their reliability is taken to be {@code assumedReliability}
 * @param tiers all tiers that can be given
 * @param mayDecide whether the viewer may confirm, override and close
 */
public record TiersView(Window window, @Nullable String before, WindowState state, int school, List<String> areas, String area, RuleInUse rule,
        List<MeasureRef> measures, List<String> assumed, double assumedReliability, List<Integer> tiers, String summary, List<Flow> flows, List<TierRow> rows,
        boolean mayDecide) {

    /** @param chosen whether the school has chosen it; otherwise it is what the program begins with */
    public record RuleInUse(TierRule rule, List<Weighed> measures, boolean chosen) {
        boolean counts(int measure) {
            return measures.stream().anyMatch(m -> m.measureId() == measure);
        }
    }

    public record Weighed(int measureId, double weight) {}

    /** Students who went from one tier to another, or stayed. */
    public record Flow(int from, int to, List<Integer> students) {}

    /** @param proposal absent for a student who was not tested */
    public record TierRow(StudentRef student, @Nullable String support, @Nullable ProposedTier proposal, List<Evidence> evidence,
            @Nullable LastSeason lastSeason,
            @Nullable Opinion opinion, @Nullable DecidedTier decided) {}

    /**
     * @param certainty 0 to 1; absent when no measure states an error
     * @param chances how likely each tier is, the one with least support first; where it is a close call
     */
    public record ProposedTier(int tier, @Nullable Double certainty, boolean closeCall, String reason, List<Likely> chances) {}

    public record Likely(int tier, double chance) {}

    /** @param status as in the ladder's cells */
    public record Evidence(int measureId, CellStatus status, @Nullable Double value, @Nullable String bandName, @Nullable Integer tier, boolean closeCall) {}

    /** @param confirmed whether the team decided it; otherwise it is what the rule gives */
    public record LastSeason(int tier, boolean confirmed) {}

    /** The teacher's view. */
    public record Opinion(long id, int tier, @Nullable String note, @Nullable String by, LocalDate onDay) {}

    /**
     * @param outcome confirmed, overridden or retest (which has no tier)
     * @param retested whether the retest that was asked for is on record by now, so that the tier is open again
     */
    public record DecidedTier(long id, TierOutcome outcome, @Nullable Integer tier, @Nullable Integer proposed, String because, @Nullable String reason,
            @Nullable String by, LocalDate onDay, boolean retested) {

        /** A retest settles nothing. */
        public boolean settled() {
            return tier != null;
        }
    }
}
