package org.zealousladder.server.engagement.looks;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.zealousladder.core.engagement.EngagementSettings;
import org.zealousladder.server.engagement.work.WorkBook;

/**
 * Everybody's weeks.
 *
 * @param monday of the first week
 * @param classes by their number
 */
public record Looks(LocalDate monday, int weeks, Map<Integer, OfClass> classes, List<Look> all, WorkBook work) {

    /**
     * A class.
     *
     * @param medians its weeks, in minutes
     * @param still which weeks no rule counts
     * @param since the first week with anything on record; {@code weeks} where there is none
     */
    public record OfClass(double[] medians, boolean[] still, int since, EngagementSettings settings) {}
}
