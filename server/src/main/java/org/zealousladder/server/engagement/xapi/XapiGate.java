package org.zealousladder.server.engagement.xapi;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import org.zealousladder.server.platform.limits.Turns;
import org.zealousladder.server.platform.problems.ProblemWriter;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/** Who sends, in which version, and not too often. The version stands on every answer. */
final class XapiGate extends OncePerRequestFilter {
    static final String VERSION = "X-Experience-API-Version";
    static final String SENDER = XapiGate.class.getName();
    private static final String FIRST = "1.0.3";
    private static final String SECOND = "2.0.0";

    private final SendersService senders;
    private final ProblemWriter problems;
    private final Turns turns;

    XapiGate(SendersService senders, ProblemWriter problems, Turns turns) {
        this.senders = senders;
        this.problems = problems;
        this.turns = turns;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        String asked = request.getHeader(VERSION);
        boolean second = asked != null && asked.matches("2\\.0(\\.\\d+)?");
        response.setHeader(VERSION, second ? SECOND : FIRST);
        if (request.getRequestURI().equals("/xapi/about")) {
            chain.doFilter(request, response);
            return;
        }
        if (asked == null || !second && !asked.matches("1\\.0(\\.\\d+)?")) {
            problems.write(response, new Refusal(HttpStatus.BAD_REQUEST, "version", null, "Say " + VERSION + ": " + FIRST + " or " + SECOND + "."));
            return;
        }
        Turns.Turn turn;
        Sender sender;
        try {
            Optional<Sender> known = sender(request.getHeader(HttpHeaders.AUTHORIZATION));
            // Who has no key is counted by the address, so that keys cannot be tried out.
            turn = turns.take(known.map(Sender::key).orElse("address " + request.getRemoteAddr()));
            if (known.isEmpty()) {
                turn.close();
                response.setHeader(HttpHeaders.WWW_AUTHENTICATE, "Basic realm=\"xapi\", charset=\"UTF-8\"");
                throw new Refusal(HttpStatus.UNAUTHORIZED, "sender", null, "The key and the secret belong to no program that may send here.");
            }
            sender = known.get();
        } catch (Refusal refusal) {
            problems.write(response, refusal);
            return;
        }
        SecurityContext own = SecurityContextHolder.createEmptyContext();
        own.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(Viewer.SYSTEM, null, List.of()));
        SecurityContextHolder.setContext(own);
        request.setAttribute(SENDER, sender);
        try (turn) {
            chain.doFilter(request, response);
        } finally {
            SecurityContextHolder.clearContext();
        }
    }

    private Optional<Sender> sender(@Nullable String authorization) {
        if (authorization == null || !authorization.regionMatches(true, 0, "Basic ", 0, 6)) {
            return Optional.empty();
        }
        String both;
        try {
            both = new String(Base64.getDecoder().decode(authorization.substring(6).strip()), StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
        int colon = both.indexOf(':');
        return colon < 0 ? Optional.empty() : senders.known(both.substring(0, colon), both.substring(colon + 1));
    }
}
