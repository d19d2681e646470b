package org.zealousladder.server.exchange.records;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** At its start a server takes away the files that one before it was killed over. */
@Component
@ConditionalOnWebApplication
class ClearUp {
    private static final Logger LOG = LoggerFactory.getLogger(ClearUp.class);
    /** No file is received and read for so long. */
    private static final Duration OLD = Duration.ofHours(6);

    private final Clock clock;

    ClearUp(Clock clock) {
        this.clock = clock;
    }

    @EventListener(ApplicationReadyEvent.class)
    void leftovers() {
        try {
            ReceivedFile.clearUp(Path.of(System.getProperty("java.io.tmpdir")), clock.instant().minus(OLD));
        } catch (IOException e) {
            // Nothing waits for it: the next start tries again.
            LOG.warn("leftover files stay: {}", e.getClass().getSimpleName());
        }
    }
}
