package org.zealousladder.server.platform.jobs;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.jdbc.BadSqlGrammarException;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;
import org.springframework.transaction.CannotCreateTransactionException;

@ExtendWith(OutputCaptureExtension.class)
class TimedLooksTest {
    /** Runs something three times, a moment apart, as the server would. */
    private static void threeTimes(Runnable look) throws InterruptedException {
        ThreadPoolTaskScheduler scheduler = new ThreadPoolTaskScheduler();
        new TimedLooks().customize(scheduler);
        scheduler.initialize();
        try {
            CountDownLatch left = new CountDownLatch(3);
            scheduler.scheduleWithFixedDelay(() -> {
                left.countDown();
                look.run();
            }, Duration.ofMillis(5));
            assertTrue(left.await(20, TimeUnit.SECONDS), "it goes on after a failure");
        } finally {
            scheduler.shutdown();
        }
    }

    @Test
    void recordsThatAreAwayAreNoNews(CapturedOutput output) throws InterruptedException {
        threeTimes(() -> {
            throw new CannotCreateTransactionException("refused");
        });
        threeTimes(() -> {
            throw new DataAccessResourceFailureException("ended");
        });
        assertFalse(output.getAll().contains("WARN"), output.getAll());
    }

    @Test
    void aFaultIsToldWithWhereItIsAndDoesNotEndTheLooking(CapturedOutput output) throws InterruptedException {
        threeTimes(() -> {
            throw new BadSqlGrammarException("looking", "select nothing", new java.sql.SQLException("no such column"));
        });
        assertTrue(output.getAll().contains("done again at its next time"), output.getAll());
        assertTrue(output.getAll().contains("no such column"), output.getAll());
        assertEquals(false, TimedLooks.away(new IllegalStateException("a fault")));
    }
}
