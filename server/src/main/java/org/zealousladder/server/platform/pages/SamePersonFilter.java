package org.zealousladder.server.platform.pages;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.web.filter.OncePerRequestFilter;
import org.zealousladder.server.platform.problems.ProblemWriter;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/**
 * A page says for whom it asks. Where somebody else has signed in in the same browser meanwhile, in another tab, it is told so instead of being
 * served as the other person: nothing that one has typed is saved in another's name.
 */
class SamePersonFilter extends OncePerRequestFilter {
    static final String PERSON = "X-Ladder-Person";

    private final ProblemWriter problems;

    SamePersonFilter(ProblemWriter problems) {
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        String meant = request.getHeader(PERSON);
        Viewer viewer = Viewer.currentOrNull();
        if (meant != null && viewer != null && !meant.equals(Integer.toString(viewer.id()))) {
            problems.write(response, new Refusal(HttpStatus.UNAUTHORIZED, "other-person", null,
                    "Somebody else has signed in in this browser meanwhile. Nothing was saved."));
            return;
        }
        chain.doFilter(request, response);
    }
}
