package org.zealousladder.server.platform.problems;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.SocketTimeoutException;
import java.sql.SQLException;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.TransactionSystemException;

/** A disk that is full, records that can only be read, a database that is away: a sentence, and a status at which what waits goes on waiting. */
class OutOfReachTest {
    private final Problems problems = new Problems();
    private final OutOfReach outOfReach = new OutOfReach();

    @ParameterizedTest
    @CsvSource({"53100, no room left", "58030, no room left", "25006, can only be read", "57P03, started anew", "57P01, started anew",
            "08006, cannot be reached"})
    void theRecordsAreOutOfReach(String state, String words) {
        ResponseEntity<ProblemDetail> answer = problems.database(new DataAccessResourceFailureException("x", new SQLException("what was typed", state)));
        assertEquals(503, answer.getStatusCode().value());
        assertEquals("30", answer.getHeaders().getFirst("Retry-After"));
        String sentence = Objects.requireNonNull(Objects.requireNonNull(answer.getBody()).getDetail());
        assertTrue(sentence.contains(words) && sentence.contains("Nothing was saved") && !sentence.contains("typed"), sentence);
    }

    @Test
    void alsoWhereATransactionDoesNotBeginOrEnd() {
        assertEquals(503, outOfReach.transaction(new CannotCreateTransactionException("x", new IOException("no connection"))).getStatusCode().value());
        assertEquals(503, outOfReach.transaction(new TransactionSystemException("x", new SQLException("x", "53100"))).getStatusCode().value());
        assertEquals(500, outOfReach.transaction(new TransactionSystemException("x", new SQLException("x", "XX000"))).getStatusCode().value());
    }

    @Test
    void theLineIsOutOfReachOrTheDiskFull() {
        assertEquals(408, outOfReach.line(new SocketTimeoutException("Read timed out")).getStatusCode().value());
        assertEquals(408, outOfReach.line(new IOException(new SocketTimeoutException())).getStatusCode().value());
        assertEquals(503, outOfReach.line(new IOException("No space left on device")).getStatusCode().value());
        assertEquals(500, outOfReach.line(new IOException("something else")).getStatusCode().value());
    }
}
