package org.zealousladder.server.contacts.outbox;

import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.who.Viewer;

/** Looks every few seconds for letters that are due. */
@Component
@ConditionalOnWebApplication
class Postman {
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
        Viewer.SYSTEM.run(outbox::work);
    }
}
