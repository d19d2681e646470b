package org.zealousladder.server.school.passkeys;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.net.URI;
import java.time.Duration;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.http.HttpStatus;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialCreationOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRequestOptions;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.people.SessionKeeper;
import org.zealousladder.server.school.people.SigningIn;

/** Passkeys: one's own, and signing in with one. What a device was asked waits in the session for its answer. */
@RestController
@ConditionalOnWebApplication
class PasskeyController {
    private static final String MAKING = "ladder.passkey.making";
    private static final String ASKING = "ladder.passkey.asking";
    /** How long somebody may look for the key. */
    private static final Duration PATIENCE = Duration.ofMinutes(5);

    private final Passkeys passkeys;
    private final SigningIn signingIn;
    private final SessionKeeper sessions;

    PasskeyController(Passkeys passkeys, SigningIn signingIn, SessionKeeper sessions) {
        this.passkeys = passkeys;
        this.signingIn = signingIn;
        this.sessions = sessions;
    }

    /** @param options as the browser's call takes them, in JSON */
    record Asked(String options) {}

    /** @param credential the browser's answer, in JSON */
    record Answer(@NotBlank @Size(max = 20_000) String credential) {}

    record NewKey(@NotBlank @Size(max = 20_000) String credential,
            @NotBlank(message = "give it a name") @Size(max = 60, message = "is too long") String name) {}

    record MayMake(@NotBlank(message = "give your present password") @Size(max = 200, message = "is too long") String current) {}

    record OwnPasskeys(List<Passkeys.Own> passkeys) {}

    @GetMapping("/api/account/passkeys")
    OwnPasskeys own() {
        return new OwnPasskeys(passkeys.own());
    }

    /** For whoever knows the present password: a session that was left open makes no lasting way in. */
    @PostMapping("/api/account/passkeys/options")
    Asked make(@Valid @RequestBody MayMake form, HttpServletRequest request) {
        sessions.mustKnow(form.current(), request);
        PublicKeyCredentialCreationOptions options = passkeys.creation(page(request));
        request.getSession().setAttribute(MAKING, options);
        return new Asked(passkeys.written(options));
    }

    @PostMapping("/api/account/passkeys")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@Valid @RequestBody NewKey form, HttpServletRequest request) {
        HttpSession session = request.getSession();
        if (!(session.getAttribute(MAKING) instanceof PublicKeyCredentialCreationOptions asked)) {
            throw Refusal.conflict("Begin anew: nothing was asked of a device, or it was answered already.");
        }
        session.removeAttribute(MAKING);
        passkeys.keep(page(request), asked, form.credential(), form.name().strip());
    }

    @DeleteMapping("/api/account/passkeys/{key}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String key) {
        passkeys.remove(key);
    }

    @PostMapping("/api/passkey/options")
    Asked ask(HttpServletRequest request) {
        PublicKeyCredentialRequestOptions options = passkeys.request(page(request));
        HttpSession session = request.getSession();
        if (session.isNew()) {
            session.setMaxInactiveInterval((int) PATIENCE.toSeconds());
        }
        session.setAttribute(ASKING, options);
        return new Asked(passkeys.written(options));
    }

    @PostMapping("/api/passkey/session")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signIn(@Valid @RequestBody Answer form, HttpServletRequest request, HttpServletResponse response) {
        HttpSession session = request.getSession(false);
        if (session == null || !(session.getAttribute(ASKING) instanceof PublicKeyCredentialRequestOptions asked)) {
            throw Refusal.conflict("That took too long. Try again.");
        }
        session.removeAttribute(ASKING);
        int person = passkeys.signer(page(request), asked, form.credential());
        sessions.admit(signingIn.admit(person, "signed in with a passkey"), request, response);
    }

    /** The address of the page that asks, as its browser sees it. */
    private static URI page(HttpServletRequest request) {
        int port = request.getServerPort();
        boolean usual = port == (request.getScheme().equals("https") ? 443 : 80);
        return URI.create(request.getScheme() + "://" + request.getServerName() + (usual ? "" : ":" + port));
    }
}
