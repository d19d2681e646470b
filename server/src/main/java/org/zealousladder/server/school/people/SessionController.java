package org.zealousladder.server.school.people;

import static java.util.Objects.requireNonNull;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.http.HttpStatus;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.ElsewhereProperties;
import org.zealousladder.server.platform.who.LadderProperties;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.SignedIn;
import org.zealousladder.server.platform.who.Viewer;

/** The session: who is signed in, signing in and out, and the first administrator. */
@RestController
@ConditionalOnWebApplication
class SessionController {
    private final PeopleService people;
    private final SchoolCalendar calendar;
    private final LadderProperties properties;
    private final SigningIn signingIn;
    private final AccountService accounts;
    private final SessionKeeper sessions;
    private final Rights rights;
    private final ElsewhereProperties elsewhere;

    SessionController(PeopleService people, SchoolCalendar calendar, LadderProperties properties, SigningIn signingIn, AccountService accounts,
            SessionKeeper sessions, Rights rights, ElsewhereProperties elsewhere) {
        this.elsewhere = elsewhere;
        this.rights = rights;
        this.people = people;
        this.calendar = calendar;
        this.properties = properties;
        this.signingIn = signingIn;
        this.accounts = accounts;
        this.sessions = sessions;
    }

    /**
     * @param elsewhere what the school's own sign-in is called, where there is one
     * @param secondStepWanted whether nothing else is open to the person before a second step is set up
     */
    record SessionView(LocalDate today, boolean demo, @Nullable PersonView person, List<SamplePerson> samplePeople,
            boolean setupNeeded,
            boolean secondStepWanted, @Nullable String elsewhere) {}

    record PersonView(int id, String login, String name, Viewer.Role role) {}

    record SignIn(@NotBlank(message = "give your sign-in name") @Size(max = 100, message = "is too long") String login,
            @Nullable @Size(max = 200, message = "is too long") String password, @Nullable @Size(max = 50, message = "is too long") String code) {}

    record FirstAdministrator(@NotBlank @Size(max = 200, message = "is too long") String token,
            @NotBlank(message = "choose a sign-in name") @Size(max = 100, message = "is too long") String login,
            @NotBlank(message = "give your name") @Size(max = 100, message = "is too long") String name,
            @NotBlank(message = "choose a password") @Size(max = 200, message = "is too long") String password) {}

    @GetMapping("/api/session")
    SessionView session(@io.swagger.v3.oas.annotations.Parameter(hidden = true) CsrfToken csrf) {
        csrf.getToken(); // makes sure that the cookie is written before the first form is sent
        return view();
    }

    /** In the demo a sample person needs no password. */
    @PostMapping("/api/session")
    SessionView signIn(@Valid @RequestBody SignIn form, HttpServletRequest request, HttpServletResponse response) {
        boolean sample = properties.demo() && form.password() == null;
        if (!sample && (form.password() == null || form.password().isEmpty())) {
            throw Refusal.invalid("password", "Give your password.");
        }
        if (sample) {
            sessions.begin(people.sample(form.login()), false, false, request, response);
        } else {
            SigningIn.Place from = sessions.place(request);
            Viewer viewer = signingIn.signIn(form.login().strip(), requireNonNull(form.password()), form.code(), from);
            sessions.begin(viewer, accounts.endsWhenIdle(viewer.id()), false, request, response);
            signingIn.learn(from.device() == null ? sessions.mark(response) : from.device(), viewer.id());
        }
        return view();
    }

    @DeleteMapping("/api/session")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        sessions.end(request);
    }

    @PostMapping("/api/setup")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void setUp(@Valid @RequestBody FirstAdministrator form) {
        people.setUp(form.token(), form.login().strip(), form.name().strip(), form.password());
    }

    private SessionView view() {
        Viewer viewer = Viewer.currentOrNull();
        List<SamplePerson> samples = properties.demo() ? people.samples() : List.of();
        return new SessionView(calendar.today(), properties.demo(),
                viewer == null ? null : new PersonView(viewer.id(), viewer.login(), viewer.name(), viewer.role()), samples,
                viewer == null && people.nobodyYet(), viewer != null && !SignedIn.withBothSteps() && rights.wantsSecondStep(viewer),
                elsewhere.on() ? elsewhere.name() : null);
    }
}
