package org.zealousladder.server.monitoring.goals;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.goals.GoalKind;

/**
 * A goal as it is sent.
 *
 * @param replaces id of the goal the person saw, null when they saw none: guards against two people at once
 * @param kind how it was chosen; by hand when null
 * @param basis what it was reckoned from, as it stood on the screen
 */
public record GoalForm(int studentId, int measureId, @NotNull(message = "give the start date") LocalDate startDate, double startScore,
        @NotNull(message = "give the goal date") LocalDate goalDate, double goalScore, @Nullable Long replaces,
        @Nullable @Size(max = 500) String reason, @Nullable GoalKind kind,
        @Nullable @Min(1) @Max(99) Integer percentile, @Nullable @DecimalMin("0.1") @DecimalMax("5") Double factor,
        @Nullable @Size(max = 300) String basis) {

    /** The same in the place of another. */
    GoalForm replacing(long other) {
        return new GoalForm(studentId, measureId, startDate, startScore, goalDate, goalScore, other, reason, kind, percentile, factor, basis);
    }

    /** A goal by hand. */
    public static GoalForm byHand(int studentId, int measureId, LocalDate startDate, double startScore, LocalDate goalDate, double goalScore,
            @Nullable Long replaces, @Nullable String reason) {
        return new GoalForm(studentId, measureId, startDate, startScore, goalDate, goalScore, replaces, reason, GoalKind.BY_HAND, null, null, null);
    }
}
