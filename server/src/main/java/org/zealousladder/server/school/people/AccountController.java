package org.zealousladder.server.school.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.factor.SecondFactor;

/** One's own account: password, and where one is signed in. */
@RestController
@ConditionalOnWebApplication
class AccountController {
    private final AccountService accounts;
    private final SessionKeeper sessions;
    private final SecondFactor factor;

    AccountController(AccountService accounts, SessionKeeper sessions, SecondFactor factor) {
        this.factor = factor;
        this.accounts = accounts;
        this.sessions = sessions;
    }

    /**
     * @param secondStep whether a code is asked for at sign-in
     * @param codesLeft for the day the device is lost
     */
    record AccountView(String login, String name, boolean endsWhenIdle, List<SessionKeeper.OwnSession> sessions, boolean secondStep, int codesLeft) {}

    record NewPassword(@NotBlank(message = "give your present password") @Size(max = 200, message = "is too long") String current,
            @NotBlank(message = "choose a new password") @Size(max = 200, message = "is too long") String password) {}

    record Idle(boolean endsWhenIdle) {}

    @GetMapping("/api/account")
    AccountView account(HttpServletRequest request) {
        Viewer viewer = Viewer.current();
        return new AccountView(viewer.login(), viewer.name(), accounts.endsWhenIdle(viewer.id()), sessions.own(viewer.login(), here(request)),
                factor.inUse(viewer.id()), factor.recoveryLeft(viewer.id()));
    }

    /** The other sessions end; a wrong present password counts as a try to sign in. */
    @PutMapping("/api/account/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void password(@Valid @RequestBody NewPassword form, HttpServletRequest request) {
        sessions.mustKnow(form.current(), request);
        accounts.changeOwnPassword(form.password(), here(request));
    }

    record FactorForm(@NotBlank(message = "give your present password") @Size(max = 200, message = "is too long") String current) {}

    record FactorCode(@NotBlank(message = "type the code") @Size(max = 50, message = "is too long") String code) {}

    /** @param code one of now, or one of those for a lost device */
    record FactorRemoval(@NotBlank(message = "give your present password") @Size(max = 200, message = "is too long") String current,
            @NotBlank(message = "type the code") @Size(max = 50, message = "is too long") String code) {}

    /** @param codes for the day the device is lost; told this once */
    record FactorReady(List<String> codes) {}

    /** Begins to set up a second step at sign-in; it counts once a code of it has been typed. */
    @PostMapping("/api/account/factor")
    SecondFactor.Begun beginFactor(@Valid @RequestBody FactorForm form, HttpServletRequest request) {
        sessions.mustKnow(form.current(), request);
        return factor.begin(Viewer.current().id(), Viewer.current().login());
    }

    /** The other sessions end: they were begun without it. */
    @PostMapping("/api/account/factor/confirmation")
    FactorReady confirmFactor(@Valid @RequestBody FactorCode form, HttpServletRequest request) {
        List<String> codes = factor.confirm(Viewer.current().id(), form.code());
        accounts.factorSetUp(here(request));
        return new FactorReady(codes);
    }

    @PostMapping("/api/account/factor/removal")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeFactor(@Valid @RequestBody FactorRemoval form, HttpServletRequest request) {
        sessions.mustKnow(form.current(), request);
        if (!factor.right(Viewer.current().id(), form.code())) {
            throw Refusal.invalid("code", "That code is not right, or has been used. Nothing was changed.");
        }
        accounts.removeFactor();
    }

    /** Whether sessions of the viewer end after half an hour of nothing; counts for this one at once. */
    @PutMapping("/api/account/idle")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void idle(@Valid @RequestBody Idle form, HttpServletRequest request) {
        accounts.endWhenIdle(form.endsWhenIdle());
        SessionKeeper.idle(request.getSession(), form.endsWhenIdle());
    }

    @DeleteMapping("/api/account/sessions/{key}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable String key) {
        if (!sessions.endOwn(Viewer.current().login(), key)) {
            throw Refusal.notFound("That session has ended already.");
        }
    }

    /** All but the one that asks. */
    @DeleteMapping("/api/account/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endOthers(HttpServletRequest request) {
        accounts.endOtherSessions(here(request));
    }

    private static String here(HttpServletRequest request) {
        return request.getSession().getId();
    }
}
