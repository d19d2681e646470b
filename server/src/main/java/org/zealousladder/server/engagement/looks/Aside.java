package org.zealousladder.server.engagement.looks;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;
import org.zealousladder.core.engagement.EngagementRule;

/**
 * Flags that are set aside, or a student who is watched, until a day.
 *
 * @param rules that spoke when they were set aside; none for a watch
 * @param by who did it
 */
public record Aside(long id, int studentId, What what, List<EngagementRule> rules, LocalDate until, @Nullable String reason, LocalDate knownFrom,
        @Nullable String by) {

    /** Which of the two. */
    public enum What implements Coded {
        ASIDE,
        WATCH
    }

    /** Whether the day has come. */
    boolean due(LocalDate asOf) {
        return !asOf.isBefore(until);
    }
}
