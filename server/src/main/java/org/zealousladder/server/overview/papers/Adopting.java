package org.zealousladder.server.overview.papers;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Looks every few seconds for papers whose server has ended. */
@Component
@ConditionalOnWebApplication
class Adopting {
    private static final Logger LOG = LoggerFactory.getLogger(Adopting.class);

    private final PapersService papers;

    Adopting(PapersService papers) {
        this.papers = papers;
    }

    @Scheduled(fixedDelay = 5_000)
    void look() {
        try {
            papers.adopt();
        } catch (RuntimeException e) {
            // The records may be away for a moment; the next look finds what is left.
            LOG.debug("not adopted: {}", e.getClass().getSimpleName());
        }
    }
}
