package org.zealousladder.server.scores.scores;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.scores.ScoreStatus;

/**
 * A score on its way onto the record.
 *
 * @param value there exactly when the status is {@code scored}
 * @param makeUpFor the screening window that the score is a make-up for, when its day is not within it
 * @param forms what was scored on the two or three forms that {@code value} is the median of
 * @param reason why a score on record is replaced
 * @param sure whether an unlikely jump has been asked about
 * @param form the name of the form or passage; empty for none, null: as it is on record
 */
public record ScoreEntry(int studentId, int measureId, LocalDate takenOn, @Nullable Double value, ScoreStatus status, @Nullable Integer makeUpFor,
        @Nullable List<Double> forms, @Nullable String reason, boolean sure, @Nullable String form) {

    /** A score of a day, asked about where it is unlikely. */
    public static ScoreEntry of(int student, int measure, LocalDate takenOn, @Nullable Double value, ScoreStatus status) {
        return new ScoreEntry(student, measure, takenOn, value, status, null, null, null, false, null);
    }

    public ScoreEntry forWindow(@Nullable Integer window) {
        return new ScoreEntry(studentId, measureId, takenOn, value, status, window, forms, reason, sure, form);
    }

    /** As the median of {@code all}, where there are several. */
    public ScoreEntry onForms(List<Double> all) {
        return new ScoreEntry(studentId, measureId, takenOn, value, status, makeUpFor, all.size() > 1 ? List.copyOf(all) : null, reason, sure, form);
    }

    public ScoreEntry because(@Nullable String why) {
        return new ScoreEntry(studentId, measureId, takenOn, value, status, makeUpFor, forms, why, sure, form);
    }

    public ScoreEntry sure(boolean asked) {
        return new ScoreEntry(studentId, measureId, takenOn, value, status, makeUpFor, forms, reason, asked, form);
    }

    /** Taken on a form or passage of that name. */
    public ScoreEntry named(@Nullable String name) {
        return new ScoreEntry(studentId, measureId, takenOn, value, status, makeUpFor, forms, reason, sure, name);
    }

    boolean withdraws() {
        return status == ScoreStatus.WITHDRAWN;
    }
}
