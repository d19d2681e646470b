package org.zealousladder.server.school.people;

import jakarta.validation.Valid;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Everybody with an account, for administrators. */
@RestController
class PeopleController {
    private final AccountService accounts;

    PeopleController(AccountService accounts) {
        this.accounts = accounts;
    }

    record People(List<AccountService.Person> people) {}

    record Active(boolean active) {}

    /** @param ends the last day; absent: the teaching goes on */
    record TeachingEnds(@Nullable LocalDate ends) {}

    @GetMapping("/api/people")
    People everyone() {
        return new People(accounts.everyone());
    }

    @PutMapping("/api/people/{id}/active")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void active(@PathVariable int id, @Valid @RequestBody Active form) {
        accounts.setActive(id, form.active());
    }

    @PutMapping("/api/people/{id}/classes/{classId}/ends")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void ends(@PathVariable int id, @PathVariable int classId, @Valid @RequestBody TeachingEnds form) {
        accounts.endTeaching(id, classId, form.ends());
    }
}
