package org.zealousladder.server.contacts.texts;

import jakarta.validation.Valid;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The school's own texts. */
@RestController
class TextsController {
    private final TextsService texts;

    TextsController(TextsService texts) {
        this.texts = texts;
    }

    /** @param fields what a text can hold, by name, with what stands there */
    record TextsView(List<SchoolText> texts, List<Fields.About> fields) {}

    @GetMapping("/api/contacts/texts")
    TextsView texts() {
        return new TextsView(texts.all(), Fields.ALL);
    }

    @PostMapping("/api/contacts/texts")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@Valid @RequestBody SchoolText text) {
        texts.keep(text);
    }

    @PostMapping("/api/contacts/texts/{id}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int id) {
        texts.end(id);
    }
}
