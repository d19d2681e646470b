package org.zealousladder.server.monitoring.decisions;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** A decision a person took. {@code proposed} is the kind that was proposed then, {@code because} its sentence. */
public record Decision(long id, int studentId, int measureId, String kind, LocalDate decidedOn, @Nullable LocalDate lookAgainOn,
        String proposed, String because, @Nullable String reason, @Nullable String by) {
    public static final String PLAN_CHANGED = "plan-changed";
    public static final String SET_ASIDE = "set-aside";

    /** Whether this decision keeps a proposal of kind {@code now} off the desk on {@code day}. */
    public boolean settles(String now, LocalDate day) {
        boolean stillWaiting = lookAgainOn != null && lookAgainOn.isAfter(day);
        return stillWaiting && (kind.equals(SET_ASIDE) || proposed.equals(now));
    }
}
