package org.zealousladder.server.platform.limits;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.zealousladder.server.platform.problems.ProblemWriter;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.LadderProperties;
import org.zealousladder.server.platform.who.Viewer;

/** Gives each sender their turns. Stands where it is known who asks; whoever has not signed in has little to send. */
@Component
public class SenderFilter extends OncePerRequestFilter {
    static final long BEFORE_SIGN_IN = 64 << 10;

    private final ProblemWriter problems;
    private final Turns people;
    private final Turns addresses;

    SenderFilter(ProblemWriter problems, LadderProperties properties) {
        this.problems = problems;
        people = new Turns(Turns.PERSON.times(properties.pace(), properties.servers()));
        addresses = new Turns(Turns.ADDRESS.times(properties.pace(), properties.servers()));
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/api/") || request.getRequestURI().equals("/api/health");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        Viewer viewer = Viewer.currentOrNull();
        if (viewer == null) {
            if (request.getContentLengthLong() > BEFORE_SIGN_IN) {
                problems.write(response, BodyStream.tooLarge(BEFORE_SIGN_IN));
                return;
            }
            BodyFilter.atMost(request, BEFORE_SIGN_IN);
        }
        Turns.Turn turn;
        try {
            turn = viewer == null ? addresses.take(request.getRemoteAddr()) : people.take(Integer.toString(viewer.id()));
        } catch (Refusal refusal) {
            problems.write(response, refusal);
            return;
        }
        try (turn) {
            chain.doFilter(request, response);
        }
    }

    /** It belongs into the chain that knows who asks, not beside it. */
    @Configuration
    static class InTheChainOnly {
        @Bean
        FilterRegistrationBean<SenderFilter> notBesideTheChain(SenderFilter filter) {
            FilterRegistrationBean<SenderFilter> registration = new FilterRegistrationBean<>(filter);
            registration.setEnabled(false);
            return registration;
        }
    }
}
