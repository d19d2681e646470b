package org.zealousladder.core.work;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work handed in.
 *
 * @param on the day
 * @param points null: not marked yet
 * @param possible points that this attempt could earn, above 0
 */
public record Attempt(LocalDate on, @Nullable Double points, double possible) {

    /** Share earned; not for one that is not marked. */
    double share() {
        if (points == null) {
            throw new IllegalStateException("not marked");
        }
        return points / possible;
    }
}
