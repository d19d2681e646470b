package org.zealousladder.server.engagement.activity;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What a class's students did, week by week from a first Monday on. */
public record ClassActivity(int classId, List<Seat> seats) {

    /**
     * A student of the class.
     *
     * @param studentId null for a classmate whom the viewer does not see
     * @param minutes of each week
     * @param actions of each week
     * @param first the first day on record; null for none
     * @param last the last day on which something was done; null for none
     */
    public record Seat(@Nullable Integer studentId, double[] minutes, int[] actions, @Nullable LocalDate first, @Nullable LocalDate last) {}
}
