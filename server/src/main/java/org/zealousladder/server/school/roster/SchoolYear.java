package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A school year, first to last day.
 *
 * @param schoolId whose own it is; null: every school's
 */
public record SchoolYear(int id, String name, LocalDate starts, LocalDate ends, @Nullable Integer schoolId) {
    /** One of every school. */
    public SchoolYear(int id, String name, LocalDate starts, LocalDate ends) {
        this(id, name, starts, ends, null);
    }

    /** The day a view of this year shows when asked for {@code asOf}: never after the year's last day. */
    public LocalDate clamp(LocalDate asOf) {
        return asOf.isAfter(ends) ? ends : asOf;
    }
}
