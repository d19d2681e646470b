package org.zealousladder.server.platform.texts;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.UriUtils;
import org.zealousladder.server.platform.problems.ProblemWriter;
import org.zealousladder.server.platform.problems.Refusal;

/** What stands in an address is read once, here: what cannot be read is told, and what is read is clean. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 30)
class AddressFilter extends OncePerRequestFilter {
    private static final int MOST_VALUES = 200;

    private final ProblemWriter problems;

    AddressFilter(ProblemWriter problems) {
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        if (request.getRequestURI().equals("/error")) {
            problems.write(response, Refusal.notFound("There is nothing at this address."));
            return;
        }
        if (!request.getRequestURI().startsWith("/api/")) {
            chain.doFilter(request, response);
            return;
        }
        HttpServletRequest clean;
        try {
            Texts.clean(UriUtils.decode(request.getRequestURI(), "UTF-8"));
            clean = new Clean(request, values(request.getParameterMap()));
        } catch (IllegalArgumentException | IllegalStateException e) {
            // Tomcat and Spring say in words of their own what they cannot decode.
            problems.write(response, new Refusal(HttpStatus.BAD_REQUEST, "unreadable", null, e instanceof Texts.BadTextException
                    ? String.valueOf(e.getMessage()) : "The address could not be read. Nothing was saved."));
            return;
        }
        chain.doFilter(clean, response);
    }

    private static Map<String, String[]> values(Map<String, String[]> sent) {
        if (sent.values().stream().mapToInt(v -> v.length).sum() > MOST_VALUES) {
            throw new IllegalArgumentException();
        }
        Map<String, String[]> clean = new LinkedHashMap<>();
        sent.forEach((name, values) -> clean.put(Texts.clean(name), Arrays.stream(values).map(Texts::clean).toArray(String[]::new)));
        return clean;
    }

    private static final class Clean extends HttpServletRequestWrapper {
        private final Map<String, String[]> values;

        Clean(HttpServletRequest request, Map<String, String[]> values) {
            super(request);
            this.values = values;
        }

        @Override
        public @Nullable String getParameter(String name) {
            String[] all = values.get(name);
            return all == null || all.length == 0 ? null : all[0];
        }

        @Override
        public String @Nullable [] getParameterValues(String name) {
            return values.get(name);
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            return Collections.unmodifiableMap(values);
        }

        @Override
        public Enumeration<String> getParameterNames() {
            return Collections.enumeration(values.keySet());
        }
    }
}
