package org.zealousladder.server.goals;

import java.time.LocalDate;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.goals.GoalLine;

/** A goal as known on a day. */
public record Goal(long id, int studentId, int measureId, LocalDate startDate, double startScore, LocalDate goalDate, double goalScore) {
    /** The goal's line, in weeks from {@code origin}. */
    public GoalLine line(LocalDate origin, Direction direction) {
        return new GoalLine(ScoreSeries.weeks(origin, startDate), startScore, ScoreSeries.weeks(origin, goalDate), goalScore, direction);
    }
}
