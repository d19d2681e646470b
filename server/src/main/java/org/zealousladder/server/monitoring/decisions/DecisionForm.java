package org.zealousladder.server.monitoring.decisions;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.server.monitoring.plans.PlanForm;

/**
 * A decision as it is sent.
 *
 * @param proposed the kind that was on the screen; null where there is no goal, so that nothing was proposed
 * @param because the sentence that was on the screen
 * @param newGoal with {@code raise} only
 * @param planChange with {@code plan-changed} only: how the running plan is carried out from today on
 */
public record DecisionForm(int studentId, int measureId, @NotNull(message = "say what is decided") DecisionKind kind,
        Proposal.@Nullable Kind proposed,
        @NotBlank @Size(max = 1000) String because, @Nullable @Size(max = 2000) String reason, @Nullable LocalDate lookAgainOn,
        @Nullable @Valid NewGoal newGoal, @Nullable @Valid PlanChanged planChange) {

    /** The plan's next phase. */
    public record PlanChanged(long planId, @NotNull @Valid PlanForm.Way way) {}

    /** The goal that replaces {@code replaces}. */
    public record NewGoal(@NotNull LocalDate startDate, double startScore, @NotNull LocalDate goalDate, double goalScore,
            @Nullable Long replaces) {}
}
