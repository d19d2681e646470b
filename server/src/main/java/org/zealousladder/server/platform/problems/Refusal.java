package org.zealousladder.server.platform.problems;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/** A request that is refused with a plain sentence; becomes a problem detail (RFC 9457) with a stable type. */
public class Refusal extends RuntimeException {
    private final HttpStatus status;
    private final String type;
    private final @Nullable String field;
    private final Map<String, Object> details = new LinkedHashMap<>();

    public Refusal(HttpStatus status, String type, @Nullable String field, String sentence) {
        super(sentence);
        this.status = status;
        this.type = type;
        this.field = field;
    }

    /** Adds what the page needs to help: it stands beside the sentence in the answer. */
    public Refusal with(String name, Object value) {
        details.put(name, value);
        return this;
    }

    /** For how many seconds trying again is of no use; sent as the header of that name, too. */
    public Refusal retryAfter(long seconds) {
        return with("retryAfter", seconds);
    }

    /** 422: what was sent cannot be right. */
    public static Refusal invalid(String field, String sentence) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, "invalid", field, sentence);
    }

    /** 409: somebody else was there first. */
    public static Refusal conflict(String sentence) {
        return new Refusal(HttpStatus.CONFLICT, "conflict", null, sentence);
    }

    public static Refusal forbidden(String sentence) {
        return new Refusal(HttpStatus.FORBIDDEN, "forbidden", null, sentence);
    }

    public static Refusal notFound(String sentence) {
        return new Refusal(HttpStatus.NOT_FOUND, "not-found", null, sentence);
    }

    public static Refusal unauthorized(String sentence) {
        return new Refusal(HttpStatus.UNAUTHORIZED, "sign-in", null, sentence);
    }

    Map<String, Object> details() {
        return details;
    }

    public HttpStatus status() {
        return status;
    }

    public String type() {
        return type;
    }

    @Nullable
    public String field() {
        return field;
    }
}
