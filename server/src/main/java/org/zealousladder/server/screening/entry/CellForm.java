package org.zealousladder.server.screening.entry;

import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.scores.ScoreStatus;

/**
 * One cell as typed.
 *
 * @param status scored, absent, exempt, invalid, or withdrawn for an emptied cell
 * @param seen the record that stood there; absent for an empty cell
 */
public record CellForm(int studentId, int measureId, int windowId, @NotNull(message = "give the date") LocalDate takenOn, @Nullable Double value,
        @NotNull(message = "say what it is: scored, absent, exempt or invalid") ScoreStatus status, @Nullable Long seen, boolean sure) {}
