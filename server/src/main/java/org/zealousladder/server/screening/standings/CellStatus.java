package org.zealousladder.server.screening.standings;

import org.zealousladder.core.Coded;
import org.zealousladder.core.scores.ScoreStatus;

/** What there is to see of a student on a measure in a window. */
public enum CellStatus implements Coded {
    SCORED,
    ABSENT,
    EXEMPT,
    INVALID,
    /** Nothing on record. */
    NONE,
    /** Not here then. */
    ELSEWHERE;

    /** @throws IllegalArgumentException for a score that is withdrawn: nothing is seen of it */
    static CellStatus of(ScoreStatus status) {
        return valueOf(status.name());
    }
}
