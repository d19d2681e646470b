package org.zealousladder.server.engagement.xapi;

import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.who.Viewer;

/** Looks now and then whether a student whom nobody knew has come with a roster meanwhile. */
@Component
@ConditionalOnWebApplication
class Latecomers {
    private final StatementsService statements;

    Latecomers(StatementsService statements) {
        this.statements = statements;
    }

    @Scheduled(initialDelayString = "${ladder.xapi.again:600000}", fixedDelayString = "${ladder.xapi.again:600000}")
    void look() {
        Viewer.SYSTEM.run(statements::again);
    }
}
