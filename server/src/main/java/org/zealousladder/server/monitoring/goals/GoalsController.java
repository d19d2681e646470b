package org.zealousladder.server.monitoring.goals;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
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

    @PostMapping("/api/goals")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(@Valid @RequestBody GoalForm form) {
        goals.set(form);
    }

    record GoalTakenBack(@NotBlank(message = "say in a few words why") @Size(max = 500) String reason) {}

    /** The goal before it comes back, where there was one that still runs. */
    @PostMapping("/api/goals/{id}/withdrawal")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable long id, @Valid @RequestBody GoalTakenBack form) {
        goals.withdraw(id, form.reason().strip());
    }
}
