package org.zealousladder.server.school.roster;

import java.time.LocalDate;

/** A school year, first to last day. */
public record SchoolYear(int id, String name, LocalDate starts, LocalDate ends) {
    /** The day a view of this year shows when asked for {@code asOf}: never after the year's last day. */
    public LocalDate clamp(LocalDate asOf) {
        return asOf.isAfter(ends) ? ends : asOf;
    }
}
