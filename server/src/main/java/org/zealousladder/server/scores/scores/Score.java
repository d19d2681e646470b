package org.zealousladder.server.scores.scores;

import java.time.LocalDate;
import java.util.Comparator;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.scores.ScoreStatus;

/**
 * A score as known on a day. {@code value} is there exactly when the status is {@code scored}.
 *
 * @param windowId the screening window that a make-up was taken for; otherwise null, and the day tells
 * @param form what the form or passage that it was taken on is called; null where nothing is known of it, and in screening, where it is not asked for
 */
public record Score(long id, int studentId, int measureId, LocalDate takenOn, @Nullable Double value, ScoreStatus status, @Nullable Integer windowId,
        @Nullable String form) {
    public Score(long id, int studentId, int measureId, LocalDate takenOn, @Nullable Double value, ScoreStatus status) {
        this(id, studentId, measureId, takenOn, value, status, null, null);
    }

    /**
     * The first is a student's screening score on a measure in a window, of all that belong to it: the same order as in the database's
     * {@code scores_screening}, for those who have the scores at hand.
     */
    public static final Comparator<Score> SCREENING_FIRST = Comparator.comparing((Score s) -> !s.scored()).thenComparing(s -> s.windowId == null)
            .thenComparing(s -> s.scored() && s.windowId == null ? s.takenOn.toEpochDay() : -s.takenOn.toEpochDay());

    public boolean scored() {
        return value != null;
    }

    public boolean belongsTo(int window, LocalDate starts, LocalDate ends) {
        return windowId == null ? !takenOn.isBefore(starts) && !takenOn.isAfter(ends) : windowId == window;
    }
}
