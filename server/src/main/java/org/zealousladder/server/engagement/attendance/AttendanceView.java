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
 * @param beside scores of one measure on the same weeks; null without a measure
 */
record AttendanceView(String rule, List<WeekAway> weeks, List<StudentAway> students, List<AwayReason> reasons, double share, @Nullable Double lastYear,
        int untold, @Nullable ScoresBeside beside) {

    /** Scores month by month of those who are often absent and of the others, each with their newest of the month. */
    record ScoresBeside(String measure, String unit, boolean higherIsBetter, List<MonthBeside> months) {}

    /** @param week in which the middle of the month lies, counted from the year's first */
    record MonthBeside(LocalDate month, int week, GroupScores often, GroupScores others) {}

    /** @param median null under {@value #FEWEST} students; @param low the lower quartile, @param high the upper; null under {@value #ENOUGH} */
    record GroupScores(int n, @Nullable Double median, @Nullable Double low, @Nullable Double high) {
        static final int FEWEST = 3;
        static final int ENOUGH = 8;
    }

    /** The newest score of a week. */
    record WeekScore(int week, double score) {}

    /** @param days school days of all students in the week; @param away of these */
    record WeekAway(LocalDate monday, int days, int away) {}

    /**
     * A student's days.
     *
     * @param byWeek days away in each week
     * @param daysSince school days since the last day away; null for one who never was
     * @param often whether the rule speaks
     * @param scores on the same weeks
     */
    record StudentAway(StudentRef student, int days, int away, int late, double share, List<Integer> byWeek, @Nullable Integer daysSince, boolean often,
            @Nullable Double lastYear, List<WeekScore> scores) {}

    record AwayReason(String reason, long days) {}
}
