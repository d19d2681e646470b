package org.zealousladder.server.engagement.effort;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * Points of a scatter.
 *
 * @param medians which part the fields
 * @param together null where too few points or no spread allow nothing to be said
 * @param noScore students with effort and no score
 * @param noEffort students with a score of whom nothing is on record
 */
record EffortView(String measure, String unit, boolean higherIsBetter, By by, List<EffortPoint> points, double medianEffort, double medianScore,
        @Nullable Together together,
        List<StudentRef> noScore, List<StudentRef> noEffort) {

    /** What stands for effort. */
    enum By implements Coded {
        MINUTES,
        ACTIONS,
        /** Percent of the course work that was due and handed in, by its points. */
        WORK_DONE,
        DAYS_ABSENT
    }

    /** Which of the four parts: little or much effort, a low or a high score. */
    enum Field implements Coded {
        LITTLE_LOW,
        MUCH_LOW,
        LITTLE_HIGH,
        MUCH_HIGH
    }

    /** @param effort a week, or days in all */
    record EffortPoint(StudentRef student, double effort, double score, LocalDate taken, Field field) {}

    /** Spearman's rank correlation with its 95 % interval. */
    record Together(int n, double rho, double low, double high) {}
}
