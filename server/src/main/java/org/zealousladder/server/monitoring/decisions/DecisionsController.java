package org.zealousladder.server.monitoring.decisions;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Recording decisions. */
@RestController
class DecisionsController {
    private final DecisionsService decisions;
    private final TakingBack takingBack;

    DecisionsController(DecisionsService decisions, TakingBack takingBack) {
        this.decisions = decisions;
        this.takingBack = takingBack;
    }

    @PostMapping("/api/decisions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void take(@Valid @RequestBody DecisionForm form) {
        decisions.take(form);
    }

    record TakenBack(@NotBlank(message = "say in a few words why") @Size(max = 1000) String reason) {}

    @PostMapping("/api/decisions/{id}/withdrawal")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable long id, @Valid @RequestBody TakenBack form) {
        takingBack.withdraw(id, form.reason());
    }
}
