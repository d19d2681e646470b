package org.zealousladder.server.school.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.who.Viewer;

/** Everybody with an account, for administrators. */
@RestController
class PeopleController {
    private final AccountService accounts;
    private final Invitations invitations;

    PeopleController(AccountService accounts, Invitations invitations) {
        this.invitations = invitations;
        this.accounts = accounts;
    }

    record People(List<AccountService.Person> people, List<Invitations.School> schools) {}

    /** @param schoolId absent for an administrator */
    record NewPerson(@NotBlank(message = "choose a sign-in name") @Size(max = 100, message = "is too long") String login,
            @NotBlank(message = "give the name") @Size(max = 100, message = "is too long") String name, @NotNull(message = "choose a role") Viewer.Role role,
            @Nullable Integer schoolId) {}

    record Active(boolean active) {}

    /** @param ends the last day; absent: the teaching goes on */
    record TeachingEnds(@Nullable LocalDate ends) {}

    @GetMapping("/api/people")
    People everyone() {
        return new People(accounts.everyone(), invitations.schools());
    }

    /** A new account, with the link by which its owner sets a password. */
    @PostMapping("/api/people")
    Invitations.Link invite(@Valid @RequestBody NewPerson form) {
        return invitations.invite(form.login().strip(), form.name().strip(), form.role(), form.schoolId());
    }

    /** A new link for somebody who has an account. */
    @PostMapping("/api/people/{id}/link")
    Invitations.Link link(@PathVariable int id) {
        return invitations.link(id);
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
