package org.zealousladder.server.contacts.contacts;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.once.OnceService;
import org.zealousladder.server.school.roster.Who;

/** What was said and written. */
@RestController
class ContactsController {
    private final ContactsService contacts;
    private final OnceService once;

    ContactsController(ContactsService contacts, OnceService once) {
        this.contacts = contacts;
        this.once = once;
    }

    @GetMapping("/api/contacts")
    ContactsView contacts(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf) {
        return contacts.view(Who.parse(who), year, asOf);
    }

    @GetMapping("/api/contacts/home")
    List<HomeSpoken> home(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf) {
        return contacts.home(Who.parse(who), year, asOf);
    }

    @PostMapping("/api/contacts/notes")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void note(@Valid @RequestBody NoteForm note, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        once.run(key, note, () -> contacts.note(note));
    }

    @PostMapping("/api/contacts/{id}/looked")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void looked(@PathVariable long id) {
        contacts.looked(id);
    }

    /** Why a note is taken back. */
    record NoteTakenBack(@NotBlank(message = "say why") @Size(max = 200, message = "is too long") String because) {}

    @PostMapping("/api/contacts/{id}/withdraw")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable long id, @Valid @RequestBody NoteTakenBack form) {
        contacts.withdraw(id, form.because());
    }
}
