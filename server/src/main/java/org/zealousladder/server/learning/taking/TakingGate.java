package org.zealousladder.server.learning.taking;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpMethod;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import org.zealousladder.server.platform.limits.BodyFilter;
import org.zealousladder.server.platform.limits.Turns;
import org.zealousladder.server.platform.problems.ProblemWriter;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Cookies;
import org.zealousladder.server.platform.who.Viewer;

/**
 * Lets in who carries the sign-in of a card. The server asks the database in its own name here; each statement names the student. A change carries a header that
 * no page of another origin can send without being asked for it first (cross-origin requests with headers of one's own are asked for, Fetch standard, 3.2.2).
 */
final class TakingGate extends OncePerRequestFilter {
    static final String COOKIE = "ladder-card";
    static final String TAKER = "org.zealousladder.taker";
    static final String HEADER = "X-Ladder-Taking";
    private static final long LARGEST = 16 << 10;
    static final String SIGN_IN = "/api/taking/sign-in";

    private final TakingService taking;
    private final ProblemWriter problems;
    private final Cookies cookies;
    private final Turns turns;

    TakingGate(TakingService taking, ProblemWriter problems, Cookies cookies, Turns turns) {
        this.taking = taking;
        this.problems = problems;
        this.cookies = cookies;
        this.turns = turns;
    }

    static Optional<String> session(HttpServletRequest request, Cookies cookies) {
        Cookie @Nullable [] all = request.getCookies();
        return all == null ? Optional.empty()
                : Arrays.stream(all).filter(c -> c.getName().equals(cookies.named(COOKIE))).map(Cookie::getValue).findFirst();
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        response.setHeader("Cache-Control", "no-store");
        // An answer has some hundred letters.
        BodyFilter.atMost(request, LARGEST);
        SecurityContext own = SecurityContextHolder.createEmptyContext();
        own.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(Viewer.SYSTEM, null, List.of()));
        SecurityContextHolder.setContext(own);
        try (Turns.Turn turn = turns.take(request.getRemoteAddr())) {
            if (!request.getRequestURI().equals(SIGN_IN)) {
                request.setAttribute(TAKER, session(request, cookies).flatMap(taking::taker)
                        .orElseThrow(() -> Refusal.unauthorized("Sign in with the words on your card.")));
            }
            if (Stream.of(HttpMethod.GET, HttpMethod.HEAD).noneMatch(m -> m.matches(request.getMethod())) && request.getHeader(HEADER) == null) {
                throw Refusal.forbidden("This request was not allowed. Open the page again.");
            }
            chain.doFilter(request, response);
        } catch (Refusal refusal) {
            problems.write(response, refusal);
        } finally {
            SecurityContextHolder.clearContext();
        }
    }
}
