package org.zealousladder.server.platform.pages;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import org.zealousladder.server.platform.problems.ProblemWriter;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.SignedIn;
import org.zealousladder.server.platform.who.Viewer;

/** A session says who signed in; what they may do is asked anew with each request. An ended account and a session that is over end here. */
class RightsFilter extends OncePerRequestFilter {
    private final Rights rights;
    private final ProblemWriter problems;

    RightsFilter(Rights rights, ProblemWriter problems) {
        this.rights = rights;
        this.problems = problems;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/api/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        Authentication kept = SecurityContextHolder.getContext().getAuthentication();
        if (kept != null && kept.getPrincipal() instanceof Viewer before && kept.getDetails() instanceof SignedIn since) {
            Viewer now = since.over(Instant.now()) ? null : rights.now(before.id()).orElse(null);
            SecurityContext context = SecurityContextHolder.createEmptyContext();
            if (now == null) {
                end(request.getSession(false));
            } else {
                context.setAuthentication(authentication(now, since));
            }
            SecurityContextHolder.setContext(context);
            if (now != null && !since.bothSteps() && !open(request.getRequestURI()) && rights.wantsSecondStep(now)) {
                problems.write(response, new Refusal(HttpStatus.FORBIDDEN, "second-step-wanted", null,
                        "In your role a second step at sign-in is wanted. Set it up under your name, Your account; nothing else is open before."));
                return;
            }
        }
        chain.doFilter(request, response);
    }

    /** What is open without a second step: the sign-in and the own account, where it is set up. */
    private static boolean open(String address) {
        return address.equals("/api/session") || address.equals("/api/account") || address.startsWith("/api/account/");
    }

    private static void end(@Nullable HttpSession session) {
        if (session != null) {
            session.invalidate();
        }
    }

    private static Authentication authentication(Viewer viewer, SignedIn since) {
        UsernamePasswordAuthenticationToken token = UsernamePasswordAuthenticationToken.authenticated(viewer, null,
                List.of(new SimpleGrantedAuthority("ROLE_" + viewer.role())));
        token.setDetails(since);
        return token;
    }
}
