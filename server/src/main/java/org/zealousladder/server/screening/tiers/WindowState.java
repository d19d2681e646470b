package org.zealousladder.server.screening.tiers;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Whether a screening window is closed for a school, and what led there, the newest first.
 *
 * @param closed whether nothing more can be entered or decided for it
 */
public record WindowState(boolean closed, List<Event> events) {

    /** @param kind closed or reopened */
    public record Event(String kind, LocalDate onDay, @Nullable String by, @Nullable String reason) {}
}
