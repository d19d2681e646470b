package org.zealousladder.server.platform.problems;

import static java.util.Objects.requireNonNull;

import java.net.URI;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.validation.FieldError;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.zealousladder.core.Coded;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.exc.InvalidFormatException;

/** Turns every error into a problem detail: a stable type, a plain sentence, the field at fault, what was kept. */
@RestControllerAdvice
public class Problems extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);
    /** Data that is out of range or malformed, a reference to nothing, an empty or impossible value (SQLSTATE classes and codes of PostgreSQL). */
    private static final List<String> CANNOT_BE = List.of("22", "23502", "23503", "23514");

    @ExceptionHandler
    ResponseEntity<ProblemDetail> refused(Refusal refusal) {
        return answer(refusal);
    }

    /** A refusal as it is sent, with its headers. */
    public static ResponseEntity<ProblemDetail> answer(Refusal refusal) {
        ProblemDetail problem = problem(refusal.status(), refusal.type(), requireNonNull(refusal.getMessage()));
        if (refusal.field() != null) {
            problem.setProperty("field", refusal.field());
        }
        refusal.details().forEach(problem::setProperty);
        ResponseEntity.BodyBuilder answer = ResponseEntity.status(refusal.status());
        if (refusal.details().get("retryAfter") instanceof Long seconds) {
            answer.header(HttpHeaders.RETRY_AFTER, Long.toString(seconds));
        }
        return answer.body(problem);
    }

    /** Two people at once: the constraint that the second one ran into has kept the first one's entry. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> database(DataAccessException e) {
        String state = e.getMostSpecificCause() instanceof java.sql.SQLException sql && sql.getSQLState() != null ? sql.getSQLState() : "";
        if ("23505".equals(state) || "40001".equals(state) || "23P01".equals(state)) {
            return ResponseEntity.status(HttpStatus.CONFLICT).body(problem(HttpStatus.CONFLICT, "conflict",
                    "Somebody else changed this just now. Nothing of yours was saved; look again and repeat it if it is still right."));
        }
        if ("42501".equals(state)) {
            return ResponseEntity.status(HttpStatus.FORBIDDEN).body(problem(HttpStatus.FORBIDDEN, "forbidden",
                    "That is not yours to enter: the student is not one of yours, or it is hidden from your role. Nothing was saved."));
        }
        if (CANNOT_BE.stream().anyMatch(state::startsWith)) {
            LOG.info("refused by the database: {}", state);
            return ResponseEntity.unprocessableContent().body(problem(HttpStatus.UNPROCESSABLE_CONTENT, "invalid",
                    "Something in what was sent cannot be: a number or a day out of every range, or a thing that is not there. Nothing was saved."));
        }
        Optional<ResponseEntity<ProblemDetail>> away = OutOfReach.by(state);
        if (away.isPresent()) {
            return away.get();
        }
        // Not the error's own words: they can hold what somebody typed.
        LOG.error("database error {} at {}", state, e.getStackTrace()[0]);
        return failed();
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unexpected(Exception e) throws Exception {
        if (e instanceof org.springframework.security.core.AuthenticationException
                || e instanceof org.springframework.security.access.AccessDeniedException) {
            throw e;
        }
        LOG.error("unexpected error", e);
        return failed();
    }

    static ResponseEntity<ProblemDetail> failed() {
        return ResponseEntity.internalServerError().body(problem(HttpStatus.INTERNAL_SERVER_ERROR, "failed",
                "Something went wrong on our side. Nothing was saved; what was saved before is safe. Try again in a moment."));
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(MethodArgumentNotValidException e, HttpHeaders headers,
            HttpStatusCode status, WebRequest request) {
        FieldError error = e.getBindingResult().getFieldError();
        ProblemDetail problem = problem(HttpStatus.UNPROCESSABLE_CONTENT, "invalid",
                error == null ? "Something is missing." : name(error) + ": " + error.getDefaultMessage() + ".");
        if (error != null) {
            problem.setProperty("field", name(error));
        }
        return ResponseEntity.unprocessableContent().body(problem);
    }

    /** The field as the form calls it, wherever the form stands in what was sent. */
    private static String name(FieldError error) {
        return error.getField().substring(error.getField().lastIndexOf('.') + 1);
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(HttpMessageNotReadableException e, HttpHeaders headers,
            HttpStatusCode status, WebRequest request) {
        // What stopped the reading may be a limit of ours.
        for (Throwable cause = e.getCause(); cause != null; cause = cause.getCause()) {
            if (cause instanceof Refusal refusal) {
                ResponseEntity<ProblemDetail> answer = answer(refusal);
                return ResponseEntity.status(answer.getStatusCode()).headers(answer.getHeaders()).body(answer.getBody());
            }
        }
        if (e.getCause() instanceof InvalidFormatException bad && bad.getTargetType().isEnum() && Coded.class.isAssignableFrom(bad.getTargetType())) {
            ProblemDetail problem = problem(HttpStatus.UNPROCESSABLE_CONTENT, "invalid",
                    "'" + bad.getValue() + "' is not known here; use " + Coded.known(bad.getTargetType().asSubclass(Coded.class)) + ".");
            field(bad).ifPresent(field -> problem.setProperty("field", field));
            return ResponseEntity.unprocessableContent().body(problem);
        }
        if (e.getCause() instanceof InvalidFormatException bad && bad.getTargetType() == String.class) {
            ProblemDetail problem = problem(HttpStatus.UNPROCESSABLE_CONTENT, "invalid", bad.getOriginalMessage());
            field(bad).ifPresent(field -> problem.setProperty("field", field));
            return ResponseEntity.unprocessableContent().body(problem);
        }
        return ResponseEntity.badRequest().body(problem(HttpStatus.BAD_REQUEST, "unreadable",
                "The request could not be read: a number, a date (like 2026-03-13) or a name in it is not well formed. Nothing was saved."));
    }

    private static Optional<String> field(InvalidFormatException bad) {
        return bad.getPath().stream().map(JacksonException.Reference::getPropertyName).filter(Objects::nonNull).reduce((a, b) -> b);
    }

    /** What the framework refuses, in our words: an address or a value in it that cannot be, a method or a form that is not known. */
    @Override
    protected ResponseEntity<Object> handleExceptionInternal(Exception e, @Nullable Object body, HttpHeaders headers, HttpStatusCode code, WebRequest request) {
        HttpStatus status = HttpStatus.valueOf(code.value());
        if (status.is5xxServerError()) {
            LOG.error("unexpected error", e);
        }
        ProblemDetail problem = switch (status) {
            case NOT_FOUND -> problem(status, "not-found", "There is nothing at this address.");
            case METHOD_NOT_ALLOWED -> problem(status, "method", "This cannot be done at this address.");
            case NOT_ACCEPTABLE,
                    UNSUPPORTED_MEDIA_TYPE -> problem(status, "form", "What was sent, or asked for, is of a kind that is not known here. Nothing was saved.");
            case CONTENT_TOO_LARGE -> problem(status, "too-large", "What was sent is too large. Nothing was saved.");
            default -> status.is4xxClientError()
                    ? problem(status, "unreadable",
                            "A number, a date (like 2026-03-13) or a name in the address is missing or not well formed. Nothing was saved.")
                    : problem(status, "failed", "Something went wrong on our side. Nothing was saved; what was saved before is safe. Try again in a moment.");
        };
        if (e instanceof TypeMismatchException mismatch && mismatch.getPropertyName() != null) {
            problem.setProperty("field", mismatch.getPropertyName());
        } else if (e instanceof MissingServletRequestParameterException missing) {
            problem.setProperty("field", missing.getParameterName());
        }
        return ResponseEntity.status(status).headers(headers).body(problem);
    }

    public static ProblemDetail problem(HttpStatus status, String type, String sentence) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, sentence);
        problem.setType(URI.create("urn:zealous-ladder:" + type));
        return problem;
    }
}
