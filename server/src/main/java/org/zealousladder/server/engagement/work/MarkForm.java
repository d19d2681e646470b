package org.zealousladder.server.engagement.work;

import jakarta.validation.constraints.NotNull;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;

/**
 * A mark as it is typed, or what became of the work instead.
 *
 * @param value points; scored only
 * @param seen what stood there; null for nothing
 * @param sure in spite of being more than can be earned
 */
record MarkForm(int piece, int student, @NotNull Mark status, @Nullable Double value, @Nullable Long seen, boolean sure) {

    /** What a cell of work says. */
    enum Mark implements Coded {
        SCORED,
        HANDED_IN,
        LATE,
        IN_PROGRESS,
        MISSING,
        EXCUSED,
        WITHDRAWN
    }
}
