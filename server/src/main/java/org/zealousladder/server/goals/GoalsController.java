package org.zealousladder.server.goals;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Setting goals. */
@RestController
class GoalsController {
    private final GoalsService goals;

    GoalsController(GoalsService goals) {
        this.goals = goals;
    }

    record GoalForm(int studentId, int measureId, @NotNull(message = "give the start date") LocalDate startDate, double startScore,
            @NotNull(message = "give the goal date") LocalDate goalDate, double goalScore, @Nullable Long replaces,
            @Nullable @Size(max = 500) String reason) {}

    @PostMapping("/api/goals")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(@Valid @RequestBody GoalForm form) {
        goals.set(form.studentId(), form.measureId(), form.startDate(), form.startScore(), form.goalDate(), form.goalScore(),
                form.replaces(), form.reason());
    }
}
