package org.zealousladder.server.platform.problems;

import static java.util.Objects.requireNonNull;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Writes a refusal where no controller is there to throw it. */
@Component
public class ProblemWriter {
    private final JsonMapper json;

    ProblemWriter(JsonMapper json) {
        this.json = json;
    }

    public void write(HttpServletResponse response, Refusal refusal) throws IOException {
        var answer = Problems.answer(refusal);
        response.setStatus(answer.getStatusCode().value());
        String wait = answer.getHeaders().getFirst(HttpHeaders.RETRY_AFTER);
        if (wait != null) {
            response.setHeader(HttpHeaders.RETRY_AFTER, wait);
        }
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding("UTF-8");
        ProblemDetail problem = requireNonNull(answer.getBody());
        json.writeValue(response.getWriter(), problem);
    }
}
