package org.zealousladder.server.screening.tiers;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;

/**
 * Whether a screening window is closed for what is looked at, and what led there, the newest first.
 *
 * @param closed whether nothing more can be entered or decided in all of it
 * @param parts the classes and areas that are closed where not all of it is
 */
public record WindowState(boolean closed, List<ClassInArea> parts, List<Event> events) {

    /** One class in one area. */
    public record ClassInArea(int classId, String area) {}

    /** What was done to a window. */
    public enum Kind implements Coded {
        CLOSED,
        REOPENED
    }

    /** @param about for which classes and areas, in words; empty for everything */
    public record Event(Kind kind, LocalDate onDay, @Nullable String by, @Nullable String reason, String about) {}

    /** @return whether a class is closed in an area */
    public boolean closed(int classId, String area) {
        return closed || parts.contains(new ClassInArea(classId, area));
    }
}
