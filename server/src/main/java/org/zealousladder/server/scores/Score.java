package org.zealousladder.server.scores;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** A score as known on a day. {@code value} is there exactly when the status is {@code scored}. */
public record Score(long id, int studentId, int measureId, LocalDate takenOn, @Nullable Double value, String status) {
    public static final String SCORED = "scored";

    public boolean scored() {
        return value != null;
    }
}
