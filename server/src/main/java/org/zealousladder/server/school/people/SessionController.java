package org.zealousladder.server.school.people;

import static java.util.Objects.requireNonNull;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.LadderProperties;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;

/** The session: who is signed in, signing in and out, and the first administrator. */
@RestController
class SessionController {
    private final PeopleService people;
    private final SchoolCalendar calendar;
    private final LadderProperties properties;
    private final SecurityContextRepository contexts;

    SessionController(PeopleService people, SchoolCalendar calendar, LadderProperties properties,
            SecurityContextRepository contexts) {
        this.people = people;
        this.calendar = calendar;
        this.properties = properties;
        this.contexts = contexts;
    }

    record SessionView(LocalDate today, boolean demo, @Nullable PersonView person, List<SamplePerson> samplePeople,
            boolean setupNeeded) {}

    record PersonView(int id, String login, String name, Viewer.Role role) {}

    record SignIn(@NotBlank(message = "give your sign-in name") String login, @Nullable String password) {}

    record FirstAdministrator(@NotBlank String token, @NotBlank(message = "choose a sign-in name") String login,
            @NotBlank(message = "give your name") String name, @NotBlank(message = "choose a password") String password) {}

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
        Viewer viewer = sample ? people.sample(form.login())
                : people.signIn(form.login().strip(), requireNonNull(form.password()), request.getRemoteAddr());
        HttpSession before = request.getSession(false);
        if (before != null) {
            request.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(viewer, null,
                List.of(new SimpleGrantedAuthority("ROLE_" + viewer.role()))));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        return view();
    }

    @DeleteMapping("/api/session")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
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
                viewer == null && people.nobodyYet());
    }
}
