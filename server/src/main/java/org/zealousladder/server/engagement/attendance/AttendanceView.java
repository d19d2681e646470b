package org.zealousladder.server.engagement.attendance;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * Days away of everybody in scope.
 *
 * @param rule what often absent means here
 * @param weeks of the year so far
 * @param students the often absent first
 * @param lastYear share away of the same students in the year before; null where nothing is on record
 * @param untold students of whose class nothing is on record
 */
record AttendanceView(String rule, List<WeekAway> weeks, List<StudentAway> students, List<AwayReason> reasons, double share, @Nullable Double lastYear,
        int untold) {

    /** @param days school days of all students in the week; @param away of these */
    record WeekAway(LocalDate monday, int days, int away) {}

    /**
     * A student's days.
     *
     * @param byWeek days away in each week
     * @param daysSince school days since the last day away; null for one who never was
     * @param often whether the rule speaks
     */
    record StudentAway(StudentRef student, int days, int away, int late, double share, List<Integer> byWeek, @Nullable Integer daysSince, boolean often,
            @Nullable Double lastYear) {}

    record AwayReason(String reason, long days) {}
}
