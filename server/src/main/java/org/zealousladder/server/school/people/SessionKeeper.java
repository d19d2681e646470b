package org.zealousladder.server.school.people;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Cookies;
import org.zealousladder.server.platform.who.SignedIn;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.people.SigningIn.Place;

/** Begins and ends sessions, knows a person's others, and marks a browser as one of theirs. */
@Component
@ConditionalOnWebApplication
public class SessionKeeper {
    static final Duration IDLE = Duration.ofMinutes(30);
    private static final String DEVICE = "LADDER_DEVICE";
    private static final String ADDRESS = "ladder.address";
    private static final String BROWSER = "ladder.browser";

    private final SecurityContextRepository contexts;
    private final CsrfTokenRepository tokens;
    private final FindByIndexNameSessionRepository<? extends Session> sessions;
    private final Clock clock;
    private final Cookies cookies;

    private final SigningIn signingIn;
    private final AccountService accounts;

    SessionKeeper(SecurityContextRepository contexts, CsrfTokenRepository tokens, FindByIndexNameSessionRepository<? extends Session> sessions, Clock clock,
            Cookies cookies, SigningIn signingIn, AccountService accounts) {
        this.signingIn = signingIn;
        this.accounts = accounts;
        this.contexts = contexts;
        this.tokens = tokens;
        this.sessions = sessions;
        this.clock = clock;
        this.cookies = cookies;
    }

    /** Where a request comes from. */
    Place place(HttpServletRequest request) {
        String device = request.getCookies() == null ? null
                : Arrays.stream(request.getCookies()).filter(c -> c.getName().equals(cookies.named(DEVICE))).map(Cookie::getValue).findFirst().orElse(null);
        return new Place(request.getRemoteAddr(), device);
    }

    /** A session of the person's own, under an id that nobody has seen before. */
    void begin(Viewer viewer, boolean endsWhenIdle, boolean bothSteps, HttpServletRequest request, HttpServletResponse response) {
        HttpSession before = request.getSession(false);
        if (before != null) {
            before.invalidate();
        }
        HttpSession session = request.getSession(true);
        session.setAttribute(ADDRESS, request.getRemoteAddr());
        session.setAttribute(BROWSER, Browsers.name(request.getHeader(HttpHeaders.USER_AGENT)));
        idle(session, endsWhenIdle);
        UsernamePasswordAuthenticationToken token = UsernamePasswordAuthenticationToken.authenticated(viewer, null,
                List.of(new SimpleGrantedAuthority("ROLE_" + viewer.role())));
        token.setDetails(new SignedIn(clock.instant(), bothSteps));
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(token);
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        // Whoever knew the token of before knows nothing of this session.
        tokens.saveToken(tokens.generateToken(request), request, response);
    }

    /** A session of somebody who has shown who they are by another way than the password, which is both steps in one. */
    public void admit(Viewer viewer, HttpServletRequest request, HttpServletResponse response) {
        begin(viewer, accounts.endsWhenIdle(viewer.id()), true, request, response);
    }

    /**
     * For what only the person themselves may do, not whoever sits at their desk. A wrong password counts as a try to sign in.
     *
     * @throws Refusal 422 for a wrong one
     */
    public void mustKnow(String current, HttpServletRequest request) {
        try {
            signingIn.known(Viewer.current().login(), current, place(request));
        } catch (Refusal refusal) {
            throw refusal.status() == HttpStatus.UNAUTHORIZED ? Refusal.invalid("current", "That is not your present password. Nothing was changed.") : refusal;
        }
    }

    static void idle(HttpSession session, boolean endsWhenIdle) {
        session.setMaxInactiveInterval((int) (endsWhenIdle ? IDLE : SignedIn.LONGEST).toSeconds());
    }

    void end(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
    }

    /** @return the token by which the browser will be known */
    String mark(HttpServletResponse response) {
        String token = SetupToken.fresh();
        response.addHeader(HttpHeaders.SET_COOKIE, cookies.line(DEVICE, token, Duration.ofDays(365)));
        return token;
    }

    /**
     * A session of the viewer's.
     *
     * @param key names it without giving its id away
     * @param here whether it is the one that asks
     */
    record OwnSession(String key, @Nullable String browser, @Nullable String address, Instant since, Instant lastUsed, boolean here) {}

    List<OwnSession> own(String login, String here) {
        return sessions.findByPrincipalName(login).values().stream().filter(s -> !s.isExpired())
                .map(s -> new OwnSession(key(s.getId()), s.getAttribute(BROWSER), s.getAttribute(ADDRESS), s.getCreationTime(), s.getLastAccessedTime(),
                        s.getId().equals(here)))
                .sorted(Comparator.comparing(OwnSession::here).thenComparing(OwnSession::lastUsed).reversed()).toList();
    }

    /** @return whether there was one */
    boolean endOwn(String login, String key) {
        List<String> ids = sessions.findByPrincipalName(login).values().stream().map(Session::getId).filter(id -> key(id).equals(key)).toList();
        ids.forEach(sessions::deleteById);
        return !ids.isEmpty();
    }

    private static String key(String id) {
        return SetupToken.hash(id).substring(0, 24);
    }
}
