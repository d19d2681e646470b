package org.zealousladder.server.exchange.history;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.audit.Audit;

/** The record of looks, files, sign-ins and changes of rights. */
@RestController
class HistoryController {
    private final HistoryService history;
    private final Audit audit;

    HistoryController(HistoryService history, Audit audit) {
        this.history = history;
        this.audit = audit;
    }

    /** @param before the number of the last one that is shown already, with its time in {@code beforeAt} */
    @GetMapping("/api/history")
    HistoryView history(@RequestParam(required = false) Audit.@Nullable Kind kind, @RequestParam(required = false) @Nullable String words,
            @RequestParam(required = false) @Nullable LocalDate from, @RequestParam(required = false) @Nullable LocalDate to,
            @RequestParam(required = false) @Nullable Instant beforeAt, @RequestParam(required = false) @Nullable Long before) {
        return history.search(kind, words, from, to, beforeAt, before);
    }

    /** @param view what is printed, as its page is called */
    record Printed(@NotBlank @Size(max = 100, message = "is too long") String view, @Nullable @Size(max = 40, message = "is too long") String who) {}

    /** A page goes to paper by the browser, which tells of it. */
    @PostMapping("/api/history/prints")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void printed(@Valid @RequestBody Printed printed) {
        audit.note(Audit.Note.of(Audit.Kind.PRINT, printed.view()).about(printed.who()));
    }
}
