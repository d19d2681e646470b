package org.zealousladder.server.platform.pages;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.web.filter.OncePerRequestFilter;
import org.zealousladder.server.platform.who.Viewer;

/**
 * A page says for whom it asks. Where somebody else has signed in in the same browser meanwhile, in another tab, it is told so instead of being
 * served as the other person: nothing that one has typed is saved in another's name.
 */
class SamePersonFilter extends OncePerRequestFilter {
    static final String PERSON = "X-Ladder-Person";

    /** How the refusal is written. */
    interface Refuse {
        void to(HttpServletResponse response) throws IOException;
    }

    private final Refuse refuse;

    SamePersonFilter(Refuse refuse) {
        this.refuse = refuse;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        String meant = request.getHeader(PERSON);
        Viewer viewer = Viewer.currentOrNull();
        if (meant != null && viewer != null && !meant.equals(Integer.toString(viewer.id()))) {
            refuse.to(response);
            return;
        }
        chain.doFilter(request, response);
    }
}
