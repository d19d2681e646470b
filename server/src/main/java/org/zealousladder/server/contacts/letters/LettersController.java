package org.zealousladder.server.contacts.letters;

import jakarta.validation.Valid;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.contacts.outbox.OutboxService;
import org.zealousladder.server.platform.once.OnceService;

/** Writing to students' people. */
@RestController
class LettersController {
    private final LettersService letters;
    private final OutboxService outbox;
    private final OnceService once;

    LettersController(LettersService letters, OutboxService outbox, OnceService once) {
        this.letters = letters;
        this.outbox = outbox;
        this.once = once;
    }

    @PostMapping("/api/contacts/letters/preview")
    LettersView preview(@Valid @RequestBody LetterForm form) {
        return letters.preview(form);
    }

    /** @param letters how many were put into the outbox */
    record LettersSent(int letters) {}

    @PostMapping("/api/contacts/letters")
    LettersSent send(@Valid @RequestBody LetterForm form, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        return once.answer(key, form, LettersSent.class, () -> new LettersSent(letters.send(form)));
    }

    @PostMapping("/api/contacts/letters/{id}/stop")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stop(@PathVariable long id) {
        outbox.stop(id);
    }
}
