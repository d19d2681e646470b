package org.zealousladder.server.school.elsewhere;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URI;
import java.time.Duration;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.util.HtmlUtils;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Cookies;
import org.zealousladder.server.school.people.SessionKeeper;
import org.zealousladder.server.school.people.SigningIn;

/**
 * To the school's own sign-in and back. The answer comes from another site, and the session's cookie goes with nothing that does; so it is answered by a page of our own,
 * which goes on by itself.
 */
@RestController
@ConditionalOnWebApplication
class ElsewhereController {
    private static final String COOKIE = "LADDER_SENT";
    private static final Duration PATIENCE = Duration.ofMinutes(15);
    private static final String PAGE = """
            <!doctype html><html lang="en"><head><meta charset="utf-8"><title>Zealous Ladder</title>%s</head>
            <body><p>%s <a href="/">Go on to Zealous Ladder</a></p></body></html>
            """;

    private final Elsewhere elsewhere;
    private final SigningIn signingIn;
    private final SessionKeeper sessions;
    private final Cookies cookies;

    ElsewhereController(Elsewhere elsewhere, SigningIn signingIn, SessionKeeper sessions, Cookies cookies) {
        this.elsewhere = elsewhere;
        this.signingIn = signingIn;
        this.sessions = sessions;
        this.cookies = cookies;
    }

    @GetMapping("/api/elsewhere")
    ResponseEntity<String> begin() {
        try {
            Sent sent = Sent.fresh();
            String there = elsewhere.begin(sent);
            return ResponseEntity.status(HttpStatus.FOUND).header(HttpHeaders.SET_COOKIE, cookie(sent.kept(), PATIENCE))
                    .location(URI.create(there)).build();
        } catch (Refusal refusal) {
            return page(refusal.status(), "", String.valueOf(refusal.getMessage()));
        }
    }

    @GetMapping(Elsewhere.BACK)
    ResponseEntity<String> back(HttpServletRequest request, HttpServletResponse response) {
        Map<String, String> said = new HashMap<>();
        request.getParameterMap().forEach((name, values) -> said.put(name, values[0]));
        try {
            int person = elsewhere.person(kept(request), said);
            sessions.admit(signingIn.admit(person, "signed in by the school's own sign-in"), request, response);
            response.addHeader(HttpHeaders.SET_COOKIE, cookie("", Duration.ZERO));
            return page(HttpStatus.OK, "<meta http-equiv=\"refresh\" content=\"0;url=/\">", "You are signed in.");
        } catch (Refusal refusal) {
            return page(refusal.status(), "", String.valueOf(refusal.getMessage()));
        }
    }

    private Sent kept(HttpServletRequest request) {
        try {
            return Sent.of(request.getCookies() == null ? "" : Arrays.stream(request.getCookies()).filter(c -> c.getName().equals(cookies.named(COOKIE)))
                    .map(Cookie::getValue).findFirst().orElse(""));
        } catch (IllegalArgumentException e) {
            throw Refusal.unauthorized("This sign-in was not begun in this browser, or too long ago. Begin again.");
        }
    }

    /** Lax, since it has to come back with what comes from the issuer's site. */
    private String cookie(String value, Duration lasts) {
        return ResponseCookie.from(cookies.named(COOKIE), value).httpOnly(true).secure(cookies.secure()).sameSite("Lax").path("/").maxAge(lasts).build()
                .toString();
    }

    private static ResponseEntity<String> page(HttpStatus status, String head, String words) {
        return ResponseEntity.status(status).contentType(MediaType.TEXT_HTML).body(PAGE.formatted(head, HtmlUtils.htmlEscape(words)));
    }
}
