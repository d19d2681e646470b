package org.zealousladder.server.platform.database;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Arrays;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.security.web.util.OnCommittedResponseWrapper;
import org.springframework.web.filter.OncePerRequestFilter;
import org.zealousladder.server.platform.who.Cookies;

/**
 * Whoever has changed something carries how far the records were then, so that the replica is asked for their next views only when it has that. A cookie, since
 * the next view may be another tab's, another page's, or a file, and another server may answer it.
 */
class SeenFilter extends OncePerRequestFilter {
    static final String COOKIE = "LADDER_SEEN";
    /** The replica is never further behind than this. */
    private static final Duration LASTS = Duration.ofMinutes(1);

    private final Replica replica;
    private final Cookies cookies;

    SeenFilter(Replica replica, Cookies cookies) {
        this.replica = replica;
        this.cookies = cookies;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return HttpMethod.GET.matches(request.getMethod()) || !request.getRequestURI().startsWith("/api/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        Committed answer = new Committed(response);
        chain.doFilter(request, answer);
        answer.tell();
    }

    /** Told just before the answer's head goes out, when all that was changed is changed. */
    private final class Committed extends OnCommittedResponseWrapper {
        Committed(HttpServletResponse response) {
            super(response);
        }

        @Override
        protected void onResponseCommitted() {
            disableOnResponseCommitted();
            tell();
        }

        private boolean told;

        void tell() {
            if (told || isCommitted() || getStatus() >= 400) {
                return;
            }
            told = true;
            addHeader(HttpHeaders.SET_COOKIE, cookies.line(COOKIE, Long.toHexString(far()), LASTS));
        }
    }

    /** Where nobody can say how far the records are, the replica is not far enough. */
    private long far() {
        try {
            return replica.written();
        } catch (RuntimeException e) {
            return Long.MAX_VALUE;
        }
    }

    /** What the sender of a request has seen; 0 where that is nothing in particular. */
    static long of(HttpServletRequest request) {
        Cookie[] cookies = request.getCookies();
        return cookies == null ? 0 : Arrays.stream(cookies).filter(c -> c.getName().endsWith(COOKIE)).mapToLong(c -> number(c.getValue())).max().orElse(0);
    }

    private static long number(String hex) {
        try {
            return Math.max(0, Long.parseLong(hex, 16));
        } catch (NumberFormatException e) {
            return 0;
        }
    }
}
