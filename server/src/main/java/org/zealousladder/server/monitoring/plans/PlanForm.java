package org.zealousladder.server.monitoring.plans;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.monitoring.goals.GoalForm;
import org.zealousladder.server.platform.words.Words;

/**
 * A new plan as it is sent, for one student or for several at once.
 *
 * @param groupName what the plan's group is called, when several have it
 * @param success what counts as success, in words
 * @param goals of those students who get a new one with the plan
 */
public record PlanForm(@NotEmpty(message = "choose at least one student") @Size(max = 40) List<Integer> students, int measureId,
        @Nullable @Size(max = 80) String groupName, @NotBlank(message = "say what worries us") @Size(max = 1000) String worry,
        @Nullable @Size(max = 1000) String success, @NotNull(message = "give the first day") LocalDate starts,
        @NotNull(message = "give the last day") LocalDate ends, @NotNull @Valid Way way, @Nullable @Size(max = 40) List<@Valid GoalForm> goals) {

    /** How it is carried out: a strategy from the list, or written. */
    public record Way(@Nullable Integer strategyId, @Nullable @Size(max = 200) String strategy, @Nullable @Size(max = 80) String place,
            @Nullable @Size(max = 80) String leader, @Nullable @Min(1) @Max(300) Integer minutes, @Min(1) @Max(10) int perWeek,
            @Nullable @Size(max = 1000) String reason) {

        /** @param name the strategy's, from the list or as it was written */
        Plan.PlanPhase phase(LocalDate from, String name) {
            return new Plan.PlanPhase(from, name, Words.orNull(place), Words.orNull(leader), minutes, perWeek, Words.orNull(reason));
        }
    }
}
