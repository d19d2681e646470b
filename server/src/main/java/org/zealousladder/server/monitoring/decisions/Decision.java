package org.zealousladder.server.monitoring.decisions;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.decisions.Proposal;

/**
 * A decision a person took. {@code proposed} is the kind that was proposed then, {@code because} its sentence.
 *
 * @param withdrawnOn the day it was taken back, where it was; then also by whom and why
 */
public record Decision(long id, int studentId, int measureId, DecisionKind kind, LocalDate decidedOn, @Nullable LocalDate lookAgainOn,
        Proposal.@Nullable Kind proposed, String because, @Nullable String reason, @Nullable String by, @Nullable LocalDate withdrawnOn,
        @Nullable String withdrawnBy,
        @Nullable String withdrawnBecause) {
    /** One that stands. */
    public Decision(long id, int studentId, int measureId, DecisionKind kind, LocalDate decidedOn, @Nullable LocalDate lookAgainOn,
            Proposal.@Nullable Kind proposed,
            String because,
            @Nullable String reason, @Nullable String by) {
        this(id, studentId, measureId, kind, decidedOn, lookAgainOn, proposed, because, reason, by, null, null, null);
    }

    /** Whether this decision keeps a proposal of kind {@code now} off the desk on {@code day}. */
    public boolean settles(Proposal.Kind now, LocalDate day) {
        boolean stillWaiting = lookAgainOn != null && lookAgainOn.isAfter(day);
        return stillWaiting && (kind == DecisionKind.SET_ASIDE || proposed == now);
    }

    /** The day to look again on, once it has come; what is proposed by then does not matter. Null before it. */
    public @Nullable LocalDate due(LocalDate day) {
        return lookAgainOn != null && !lookAgainOn.isAfter(day) ? lookAgainOn : null;
    }
}
