package org.zealousladder.server.screening.changes;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Changes of how scores are read. */
@RestController
class ChangesController {
    private final ChangesService changes;

    ChangesController(ChangesService changes) {
        this.changes = changes;
    }

    record ChangeToShow(@NotNull @Valid SetupChange change) {}

    /** @param seen what the preview said of how it was */
    record ChangeForm(@NotNull @Valid SetupChange change, @Nullable @Size(max = 500) String reason, @Nullable String seen) {}

    record BackForm(@Nullable @Size(max = 500) String reason) {}

    /** @param kind which kinds */
    @GetMapping("/api/changes")
    List<ChangesService.Recorded> list(@RequestParam List<ChangeKind> kind, @RequestParam(required = false) @Nullable Integer school,
            @RequestParam LocalDate asOf) {
        return changes.list(kind, school, asOf);
    }

    @PostMapping("/api/changes/preview")
    ChangePreview preview(@Valid @RequestBody ChangeToShow form) {
        return changes.preview(form.change());
    }

    @PostMapping("/api/changes")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void save(@Valid @RequestBody ChangeForm form) {
        changes.save(form.change(), form.reason(), form.seen());
    }

    /** Brings back how it was before a change. */
    @PostMapping("/api/changes/{id}/back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(@PathVariable long id, @Valid @RequestBody BackForm form) {
        changes.takeBack(id, form.reason());
    }
}
