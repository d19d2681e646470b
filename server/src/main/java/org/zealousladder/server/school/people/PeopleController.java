package org.zealousladder.server.school.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.words.Words;

/** Everybody with an account, for administrators. */
@RestController
class PeopleController {
    private final AccountService accounts;
    private final Invitations invitations;

    PeopleController(AccountService accounts, Invitations invitations) {
        this.invitations = invitations;
        this.accounts = accounts;
    }

    record People(List<AccountService.Person> people, List<Invitations.School> schools, List<AccountService.TaughtClass> classes) {}

    record Teaches(int classId) {}

    /** @param schoolId absent for an administrator */
    record NewPerson(@NotBlank(message = "choose a sign-in name") @Size(max = 100, message = "is too long") String login,
            @NotBlank(message = "give the name") @Size(max = 100, message = "is too long") String name, @NotNull(message = "choose a role") PersonRole role,
            @Nullable Integer schoolId, @Nullable @Email(message = "is no e-mail address") @Size(max = 200, message = "is too long") String email) {}

    /** @param schoolId absent for an administrator; @param ends absent: it goes on */
    record RoleForm(@NotNull(message = "choose a role") PersonRole role, @Nullable Integer schoolId, @NotNull(message = "give the first day") LocalDate starts,
            @Nullable LocalDate ends) {}

    /** @param ends the last day; absent: the role goes on */
    record RoleEnds(@Nullable LocalDate ends) {}

    record EmailForm(@Nullable @Email(message = "is no e-mail address") @Size(max = 200, message = "is too long") String email) {}

    record Active(boolean active) {}

    /** @param ends the last day; absent: the teaching goes on */
    record TeachingEnds(@Nullable LocalDate ends) {}

    @GetMapping("/api/people")
    People everyone() {
        return new People(accounts.everyone(), invitations.schools(), accounts.classes());
    }

    /** A new account, with the link by which its owner sets a password. */
    @PostMapping("/api/people")
    Invitations.Link invite(@Valid @RequestBody NewPerson form) {
        return invitations.invite(form.login().strip(), form.name().strip(), form.role(), form.schoolId(), Words.orNull(form.email()));
    }

    /** A new link for somebody who has an account. */
    @PostMapping("/api/people/{id}/link")
    Invitations.Link link(@PathVariable int id) {
        return invitations.link(id);
    }

    @DeleteMapping("/api/people/{id}/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endSessions(@PathVariable int id) {
        accounts.endSessions(id);
    }

    @PutMapping("/api/people/{id}/active")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void active(@PathVariable int id, @Valid @RequestBody Active form) {
        accounts.setActive(id, form.active());
    }

    @PostMapping("/api/people/{id}/classes")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void teach(@PathVariable int id, @Valid @RequestBody Teaches form) {
        accounts.teach(id, form.classId());
    }

    /** A role beside the first, at a school and with dates. */
    @PostMapping("/api/people/{id}/roles")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void addRole(@PathVariable int id, @Valid @RequestBody RoleForm form) {
        accounts.addRole(id, form.role(), form.schoolId(), form.starts(), form.ends());
    }

    @PutMapping("/api/people/{id}/roles/{role}/ends")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endRole(@PathVariable int id, @PathVariable int role, @Valid @RequestBody RoleEnds form) {
        accounts.endRole(id, role, form.ends());
    }

    @PutMapping("/api/people/{id}/email")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void email(@PathVariable int id, @Valid @RequestBody EmailForm form) {
        accounts.changeEmail(id, Words.orNull(form.email()));
    }

    @PutMapping("/api/people/{id}/classes/{classId}/ends")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void ends(@PathVariable int id, @PathVariable int classId, @Valid @RequestBody TeachingEnds form) {
        accounts.endTeaching(id, classId, form.ends());
    }
}
