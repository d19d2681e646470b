package org.zealousladder.server.overview.papers;

import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Looks every few seconds for papers whose server has ended. */
@Component
@ConditionalOnWebApplication
class Adopting {
    private final PapersService papers;

    Adopting(PapersService papers) {
        this.papers = papers;
    }

    @Scheduled(fixedDelay = 5_000)
    void look() {
        papers.adopt();
    }
}
