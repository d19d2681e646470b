package org.zealousladder.server.monitoring.goals;

import jakarta.validation.Valid;
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

    @PostMapping("/api/goals")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(@Valid @RequestBody GoalForm form) {
        goals.set(form);
    }
}
