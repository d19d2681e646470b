package org.zealousladder.server.monitoring.decisions;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;

/** What a person can decide about a student's course. */
public enum DecisionKind implements Coded {
    HOLD(28),
    RAISE(28),
    PLAN_CHANGED(28),
    /** Not now; comes back on a day that is given. */
    SET_ASIDE(null);

    private final @Nullable Integer lookAgain;

    DecisionKind(@Nullable Integer lookAgain) {
        this.lookAgain = lookAgain;
    }

    /** Days after which it is looked at again when no day is given; empty where one must be given. */
    Optional<Integer> lookAgain() {
        return Optional.ofNullable(lookAgain);
    }
}
