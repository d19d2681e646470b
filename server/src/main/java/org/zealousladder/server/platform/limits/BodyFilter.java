package org.zealousladder.server.platform.limits;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.zealousladder.server.platform.problems.ProblemWriter;
import org.zealousladder.server.platform.problems.Refusal;

/** Stands before everything else that may read what was sent. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 20)
public class BodyFilter extends OncePerRequestFilter {
    static final long JSON = 1 << 20;
    /** A little more than a file may have: that limit has a better sentence, said by who takes files. */
    static final long FILE = 101L << 20;
    private static final String BODY = BodyFilter.class.getName();

    private final ProblemWriter problems;

    BodyFilter(ProblemWriter problems) {
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        String type = request.getContentType();
        if (type != null && (type.startsWith(MediaType.APPLICATION_FORM_URLENCODED_VALUE) || type.startsWith("multipart/"))) {
            // Nothing here is sent so; whoever asked for a parameter would read it all.
            problems.write(response, new Refusal(HttpStatus.UNSUPPORTED_MEDIA_TYPE, "form", null,
                    "What was sent is of a kind that is not known here. Nothing was saved."));
            return;
        }
        long most = MediaType.APPLICATION_OCTET_STREAM_VALUE.equals(type) ? FILE : JSON;
        if (request.getContentLengthLong() > most) {
            problems.write(response, BodyStream.tooLarge(most));
            return;
        }
        chain.doFilter(new Limited(request, most), response);
    }

    /** Reads at most so much of what this request sends, whoever reads it. */
    public static void atMost(HttpServletRequest request, long bytes) {
        if (request.getAttribute(BODY) instanceof Limited limited) {
            limited.atMost(bytes);
        }
    }

    private static final class Limited extends HttpServletRequestWrapper {
        private long most;
        private @Nullable BodyStream stream;

        Limited(HttpServletRequest request, long most) {
            super(request);
            this.most = most;
            request.setAttribute(BODY, this);
        }

        void atMost(long bytes) {
            most = Math.min(most, bytes);
            if (stream != null) {
                stream.atMost(bytes);
            }
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (stream == null) {
                stream = new BodyStream(super.getInputStream(), most, System::nanoTime);
            }
            return stream;
        }

        @Override
        public BufferedReader getReader() throws IOException {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }
    }
}
