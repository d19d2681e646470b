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
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.SignedIn;
import org.zealousladder.server.platform.who.Viewer;

/** A session says who signed in; what they may do is asked anew with each request. An ended account and a session that is over end here. */
class RightsFilter extends OncePerRequestFilter {
    private final Rights rights;

    RightsFilter(Rights rights) {
        this.rights = rights;
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
        }
        chain.doFilter(request, response);
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
