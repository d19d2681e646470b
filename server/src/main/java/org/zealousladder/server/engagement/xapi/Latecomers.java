package org.zealousladder.server.engagement.xapi;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.who.Viewer;

/** Looks now and then whether a student whom nobody knew has come with a roster meanwhile. */
@Component
@ConditionalOnWebApplication
class Latecomers {
    private static final Logger LOG = LoggerFactory.getLogger(Latecomers.class);

    private final StatementsService statements;

    Latecomers(StatementsService statements) {
        this.statements = statements;
    }

    @Scheduled(initialDelayString = "${ladder.xapi.again:600000}", fixedDelayString = "${ladder.xapi.again:600000}")
    void look() {
        try {
            Viewer.SYSTEM.run(statements::again);
        } catch (RuntimeException e) {
            // The records may be away for a moment; the next look finds what is left.
            LOG.debug("not looked: {}", e.getClass().getSimpleName());
        }
    }
}
