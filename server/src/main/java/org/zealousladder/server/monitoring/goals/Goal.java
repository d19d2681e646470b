package org.zealousladder.server.monitoring.goals;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.goals.GoalKind;
import org.zealousladder.core.goals.GoalLine;

/**
 * A goal as known on a day.
 *
 * @param kind how it was chosen: benchmark, norm-growth, own-pace or by-hand
 * @param percentile of growth among the norms, for norm-growth
 * @param factor on the student's own pace, for own-pace
 * @param basis what it was reckoned from, in words
 */
public record Goal(long id, int studentId, int measureId, LocalDate startDate, double startScore, LocalDate goalDate, double goalScore,
        GoalKind kind, @Nullable Integer percentile, @Nullable Double factor, @Nullable String basis) {
    /** Whether it came due before a school year began: nobody is monitored by it any more. @param year first day of the year */
    public boolean over(LocalDate year) {
        return goalDate.isBefore(year);
    }

    /** The same goal, set once more in the place of another. */
    public GoalForm again(long replaces, @Nullable String reason) {
        return new GoalForm(studentId, measureId, startDate, startScore, goalDate, goalScore, replaces, reason, kind, percentile, factor, basis);
    }

    /** The goal's line, in weeks from {@code origin}. */
    public GoalLine line(LocalDate origin, Direction direction) {
        return new GoalLine(ScoreSeries.weeks(origin, startDate), startScore, ScoreSeries.weeks(origin, goalDate), goalScore, direction);
    }
}
