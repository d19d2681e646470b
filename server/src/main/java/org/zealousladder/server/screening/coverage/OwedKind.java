package org.zealousladder.server.screening.coverage;

import org.zealousladder.core.Coded;
import org.zealousladder.server.screening.standings.CellStatus;

/** Why a score is still owed. */
public enum OwedKind implements Coded {
    ABSENT,
    INVALID,
    /** Nothing on record. */
    NONE,
    /** There is a score that the team wants tested again. */
    RETEST;

    static OwedKind of(CellStatus status) {
        return switch (status) {
            case ABSENT -> ABSENT;
            case INVALID -> INVALID;
            case NONE, ELSEWHERE -> NONE;
            case SCORED, EXEMPT -> throw new IllegalArgumentException(status + " is not owed");
        };
    }
}
