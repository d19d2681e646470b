package org.zealousladder.server.exchange.records;

import java.time.Duration;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/** Files are read two at a time, and one of each person: they are the longest work there is, and everybody else's views need the database, too. */
@Component
class ImportTurns {
    private static final Duration PATIENCE = Duration.ofMinutes(3);

    private final Semaphore turns = new Semaphore(2, true);
    private final Set<Integer> busy = ConcurrentHashMap.newKeySet();

    /**
     * Waits without holding a connection.
     *
     * @throws Refusal 409 when another file of the viewer is being read, 503 when the wait is too long
     */
    <T> T inTurn(Supplier<T> work) {
        int person = Viewer.current().id();
        if (!busy.add(person)) {
            throw Refusal.conflict("Another file of yours is being read just now. Wait until it is done; this one was not looked at.");
        }
        try {
            if (!turns.tryAcquire(PATIENCE.toSeconds(), TimeUnit.SECONDS)) {
                throw new Refusal(HttpStatus.SERVICE_UNAVAILABLE, "busy", null,
                        "Other people's files are being read, and it takes long. Nothing was saved; choose the file again in some minutes.").retryAfter(120);
            }
            try {
                return work.get();
            } finally {
                turns.release();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Refusal(HttpStatus.SERVICE_UNAVAILABLE, "busy", null,
                    "The server is being stopped. Nothing was saved; choose the file again afterwards.");
        } finally {
            busy.remove(person);
        }
    }
}
