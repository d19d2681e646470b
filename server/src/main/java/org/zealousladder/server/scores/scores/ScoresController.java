package org.zealousladder.server.scores.scores;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Entering and correcting scores. */
@RestController
class ScoresController {
    private final ScoresService scores;

    ScoresController(ScoresService scores) {
        this.scores = scores;
    }

    record NewScore(int studentId, int measureId, @NotNull(message = "give the date") LocalDate takenOn, @Nullable Double value,
            @NotBlank String status) {}

    record Correction(@Nullable Double value, @NotBlank String status, @Nullable @Size(max = 500) String reason) {}

    @PostMapping("/api/scores")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void enter(@Valid @RequestBody NewScore form) {
        scores.enter(form.studentId(), form.measureId(), form.takenOn(), form.value(), form.status());
    }

    @PostMapping("/api/scores/{id}/corrections")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void correct(@PathVariable long id, @Valid @RequestBody Correction form) {
        scores.correct(id, form.value(), form.status(), form.reason());
    }
}
