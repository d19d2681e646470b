package org.zealousladder.server.scores.scores;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.platform.once.OnceService;

/** Entering and correcting scores. */
@RestController
class ScoresController {
    private final ScoresService scores;
    private final OnceService once;

    ScoresController(ScoresService scores, OnceService once) {
        this.scores = scores;
        this.once = once;
    }

    /**
     * @param sure whether an unlikely jump was asked about and is kept
     * @param form the name of the form or passage it was taken on
     */
    record NewScore(int studentId, int measureId, @NotNull(message = "give the date") LocalDate takenOn, @Nullable Double value,
            @NotNull(message = "say what it is: scored, absent, exempt or invalid") ScoreStatus status, @Nullable Boolean sure, @Nullable String form) {}

    /** @param form the name of the form or passage; empty for none, absent: as it is on record */
    record Correction(@Nullable Double value, @NotNull(message = "say what it is: scored, absent, exempt or invalid") ScoreStatus status,
            @Nullable @Size(max = 500) String reason, @Nullable Boolean sure, @Nullable String form) {}

    @PostMapping("/api/scores")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void enter(@Valid @RequestBody NewScore form, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        once.run(key, form, () -> scores.enter(ScoreEntry.of(form.studentId(), form.measureId(), form.takenOn(), form.value(), form.status())
                .sure(Boolean.TRUE.equals(form.sure())).named(form.form())));
    }

    @PostMapping("/api/scores/{id}/corrections")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void correct(@PathVariable long id, @Valid @RequestBody Correction form, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        once.run(key, List.of(id, form), () -> scores.correct(id, new ScoreEntry(0, 0, LocalDate.EPOCH, form.value(), form.status(), null, null, form.reason(),
                Boolean.TRUE.equals(form.sure()), form.form())));
    }
}
