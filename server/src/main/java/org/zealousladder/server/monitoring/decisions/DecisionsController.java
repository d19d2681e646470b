package org.zealousladder.server.monitoring.decisions;

import jakarta.validation.Valid;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Recording decisions. */
@RestController
class DecisionsController {
    private final DecisionsService decisions;

    DecisionsController(DecisionsService decisions) {
        this.decisions = decisions;
    }

    @PostMapping("/api/decisions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void take(@Valid @RequestBody DecisionForm form) {
        decisions.take(form);
    }
}
