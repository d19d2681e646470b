package org.zealousladder.server.contacts.outbox;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.who.Viewer;

/** Looks every few seconds for letters that are due. */
@Component
@ConditionalOnWebApplication
class Postman {
    private static final Logger LOG = LoggerFactory.getLogger(Postman.class);

    private final OutboxService outbox;
    private final MailProperties settings;

    Postman(OutboxService outbox, MailProperties settings) {
        this.outbox = outbox;
        this.settings = settings;
    }

    @Scheduled(fixedDelayString = "${ladder.mail.look:2000}")
    void look() {
        if (!settings.set()) {
            return;
        }
        try {
            Viewer.SYSTEM.run(outbox::work);
        } catch (RuntimeException e) {
            // The records may be away for a moment; the next look finds what is left.
            LOG.debug("no letters: {}", e.getClass().getSimpleName());
        }
    }
}
