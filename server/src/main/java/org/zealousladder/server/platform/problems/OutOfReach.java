package org.zealousladder.server.platform.problems;

import java.io.IOException;
import java.net.SocketTimeoutException;
import java.util.Map;
import java.util.Optional;
import org.apache.catalina.connector.ClientAbortException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;

/** What is no fault of what was sent: the records are out of reach for a while, or the line is. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class OutOfReach {
    private static final Logger LOG = LoggerFactory.getLogger(OutOfReach.class);
    private static final String NO_ROOM = "The server has no room left on its disk. Nothing was saved; tell your administrator.";
    private static final String AWAY = "The records cannot be reached at the moment. Nothing was saved; try again in a minute.";
    /** By the beginning of the SQLSTATE (PostgreSQL's appendix A). */
    private static final Map<String, String> SENTENCES = Map.of("53", NO_ROOM, "58", NO_ROOM,
            "25006", "The records can only be read at the moment. Nothing was saved; try again in a few minutes.",
            "57P", "The records are being started anew. Nothing was saved; try again in a minute.",
            "08", AWAY);

    /** @param state the SQLSTATE that the database, or the driver, gave */
    static Optional<ResponseEntity<ProblemDetail>> by(String state) {
        return SENTENCES.entrySet().stream().filter(s -> state.startsWith(s.getKey())).findFirst().map(s -> {
            LOG.error("records out of reach: {}", state);
            return notNow(s.getValue());
        });
    }

    /** No connection to be had, or one that broke off before a transaction had ended. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> transaction(TransactionException e) {
        String state = e.getMostSpecificCause() instanceof java.sql.SQLException sql && sql.getSQLState() != null ? sql.getSQLState() : "08";
        return by(state).orElseGet(() -> {
            LOG.error("transaction not finished: {}", state);
            return Problems.failed();
        });
    }

    /** Whoever sends has gone, or says nothing any more: nobody needs to be woken for it. A disk that is full somebody does. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> line(IOException e) {
        if (e instanceof SocketTimeoutException || e.getCause() instanceof SocketTimeoutException) {
            return ResponseEntity.status(HttpStatus.REQUEST_TIMEOUT)
                    .body(Problems.problem(HttpStatus.REQUEST_TIMEOUT, "too-slow", "What was sent stopped coming. Nothing was saved; send it again."));
        }
        if (e instanceof ClientAbortException || e instanceof AsyncRequestNotUsableException) {
            return ResponseEntity.badRequest().body(Problems.problem(HttpStatus.BAD_REQUEST, "broken-off", "The line broke off. Nothing was saved."));
        }
        if (e.getMessage() != null && e.getMessage().contains("No space left")) {
            LOG.error("disk full");
            return notNow(NO_ROOM);
        }
        LOG.error("unexpected error", e);
        return Problems.failed();
    }

    private static ResponseEntity<ProblemDetail> notNow(String sentence) {
        return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE).header(HttpHeaders.RETRY_AFTER, "30")
                .body(Problems.problem(HttpStatus.SERVICE_UNAVAILABLE, "not-now", sentence));
    }
}
