package org.zealousladder.server.school.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** For whoever comes by a link and is not signed in. The token is sent in the body, never in an address. */
@RestController
class JoinController {
    private final Invitations invitations;

    JoinController(Invitations invitations) {
        this.invitations = invitations;
    }

    record JoinToken(@NotBlank @Size(max = 200, message = "is too long") String token) {}

    record JoinForm(@NotBlank @Size(max = 200, message = "is too long") String token,
            @NotBlank(message = "choose a password") @Size(max = 200, message = "is too long") String password) {}

    record JoinWelcome(String login, String name) {}

    @PostMapping("/api/join/look")
    JoinWelcome look(@Valid @RequestBody JoinToken form) {
        return invitations.whom(form.token()).map(i -> new JoinWelcome(i.login(), i.name())).orElseThrow(Invitations::gone);
    }

    @PostMapping("/api/join")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void join(@Valid @RequestBody JoinForm form) {
        invitations.accept(form.token(), form.password());
    }
}
