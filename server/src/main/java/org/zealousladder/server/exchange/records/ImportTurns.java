package org.zealousladder.server.exchange.records;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.jobs.ThisServer;
import org.zealousladder.server.platform.jobs.Threads;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/**
 * Files are read two at a time, whatever the number of servers, and one of each person: they are the longest work there is, and everybody else's views need the
 * database, too. Who waits, and whose file is how far, stands in the database, so that any server can tell.
 */
@Component
class ImportTurns {
    private static final Logger LOG = LoggerFactory.getLogger(ImportTurns.class);
    private static final Duration PATIENCE = Duration.ofMinutes(3);
    private static final long LOOK_EVERY_MS = 200;
    private static final long TELL_EVERY_MS = 700;

    private final TurnsStore store;
    private final ThisServer server;
    private final Map<Integer, ImportProgress> reading = new ConcurrentHashMap<>();
    private final ScheduledExecutorService teller = Executors.newSingleThreadScheduledExecutor(Threads.named("import-progress"));

    ImportTurns(TurnsStore store, ThisServer server) {
        this.store = store;
        this.server = server;
        teller.scheduleWithFixedDelay(this::tell, TELL_EVERY_MS, TELL_EVERY_MS, TimeUnit.MILLISECONDS);
    }

    /**
     * Waits without holding a connection.
     *
     * @throws Refusal 409 when another file of the viewer is being read, 503 when the wait is too long
     */
    <T> T inTurn(Function<ImportProgress, T> work) {
        int person = Viewer.current().id();
        UUID here = server.id();
        if (!store.ask(person, here)) {
            throw Refusal.conflict("Another file of yours is being read just now. Wait until it is done; this one was not looked at.");
        }
        try {
            waitFor(person);
            ImportProgress progress = new ImportProgress();
            reading.put(person, progress);
            return work.apply(progress);
        } finally {
            reading.remove(person);
            store.end(person, here);
        }
    }

    private void waitFor(int person) {
        long until = System.nanoTime() + PATIENCE.toNanos();
        try {
            while (!store.begin(person)) {
                if (System.nanoTime() > until) {
                    throw new Refusal(HttpStatus.SERVICE_UNAVAILABLE, "busy", null,
                            "Other people's files are being read, and it takes long. Nothing was saved; choose the file again in some minutes.")
                            .retryAfter(120);
                }
                Thread.sleep(LOOK_EVERY_MS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Refusal(HttpStatus.SERVICE_UNAVAILABLE, "busy", null,
                    "The server is being stopped. Nothing was saved; choose the file again afterwards.");
        }
    }

    /** Where the viewer's file is; empty when there is none. */
    Optional<TurnsStore.Place> place() {
        return store.place(Viewer.current().id());
    }

    private void tell() {
        try {
            reading.forEach((person, progress) -> store.tell(person, progress.at()));
        } catch (RuntimeException e) {
            // How far a file is, is told again in a moment.
            LOG.debug("progress not told: {}", e.getClass().getSimpleName());
        }
    }

    @PreDestroy
    void stop() {
        teller.shutdownNow();
    }
}
