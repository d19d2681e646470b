package org.zealousladder.server.engagement.attendance;

import java.time.LocalDate;
import java.util.List;

/**
 * A student's days of a school year up to a day.
 *
 * @param days on which the school was open while the student was enrolled
 * @param away days away, the earliest first
 * @param late days late
 */
public record Attended(int days, List<LocalDate> away, List<LocalDate> late) {
    public double share() {
        return days == 0 ? 0 : away.size() / (double) days;
    }
}
