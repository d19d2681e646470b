package org.zealousladder.server.platform.jobs;

import jakarta.annotation.PreDestroy;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * This process among the servers of one database: once something is begun here, it says every two seconds that it lives. What is begun by a server that has
 * said nothing for ten seconds is anybody's.
 */
@Component
public class ThisServer {
    private static final Logger LOG = LoggerFactory.getLogger(ThisServer.class);
    private static final int PULSE_SECONDS = 2;

    private final ServerStore store;
    private final UUID id = UUID.randomUUID();
    private final ScheduledExecutorService pulse = Executors.newSingleThreadScheduledExecutor(Threads.named("pulse"));
    private boolean begun;

    ThisServer(ServerStore store) {
        this.store = store;
    }

    /** The number that what is begun here carries; from now on others see this server live. */
    public synchronized UUID id() {
        if (!begun) {
            store.lives(id);
            pulse.scheduleWithFixedDelay(this::beat, PULSE_SECONDS, PULSE_SECONDS, TimeUnit.SECONDS);
            begun = true;
        }
        return id;
    }

    private void beat() {
        try {
            store.lives(id);
            store.bury();
        } catch (RuntimeException e) {
            // The next one tries again; until then others may think that this server is gone, and rightly.
            LOG.warn("no pulse: {}", e.getClass().getSimpleName());
        }
    }

    @PreDestroy
    synchronized void end() {
        pulse.shutdownNow();
        if (begun) {
            try {
                store.ends(id);
            } catch (RuntimeException e) {
                LOG.warn("went without saying so: {}", e.getClass().getSimpleName());
            }
        }
    }
}
