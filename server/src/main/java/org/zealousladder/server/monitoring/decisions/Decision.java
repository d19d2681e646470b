package org.zealousladder.server.monitoring.decisions;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A decision a person took. {@code proposed} is the kind that was proposed then, {@code because} its sentence.
 *
 * @param withdrawnOn the day it was taken back, where it was; then also by whom and why
 */
public record Decision(long id, int studentId, int measureId, String kind, LocalDate decidedOn, @Nullable LocalDate lookAgainOn,
        String proposed, String because, @Nullable String reason, @Nullable String by, @Nullable LocalDate withdrawnOn, @Nullable String withdrawnBy,
        @Nullable String withdrawnBecause) {
    public static final String PLAN_CHANGED = "plan-changed";
    public static final String SET_ASIDE = "set-aside";
    public static final String RAISE = "raise";

    /** One that stands. */
    public Decision(long id, int studentId, int measureId, String kind, LocalDate decidedOn, @Nullable LocalDate lookAgainOn, String proposed, String because,
            @Nullable String reason, @Nullable String by) {
        this(id, studentId, measureId, kind, decidedOn, lookAgainOn, proposed, because, reason, by, null, null, null);
    }

    /** Whether this decision keeps a proposal of kind {@code now} off the desk on {@code day}. */
    public boolean settles(String now, LocalDate day) {
        boolean stillWaiting = lookAgainOn != null && lookAgainOn.isAfter(day);
        return stillWaiting && (kind.equals(SET_ASIDE) || proposed.equals(now));
    }

    /** The day to look again on, once it has come; what is proposed by then does not matter. Null before it. */
    public @Nullable LocalDate due(LocalDate day) {
        return lookAgainOn != null && !lookAgainOn.isAfter(day) ? lookAgainOn : null;
    }
}
