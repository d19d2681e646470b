package org.zealousladder.server.platform.audit;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** The record is kept by months: new ones are there before they begin, those that are old enough go whole. */
@Component
@ConditionalOnWebApplication
class AuditMonths {
    private static final Logger LOG = LoggerFactory.getLogger(AuditMonths.class);

    private final AuditStore store;
    private final int years;

    AuditMonths(AuditStore store, @Value("${ladder.audit-years}") int years) {
        this.store = store;
        this.years = years;
    }

    @EventListener(ApplicationReadyEvent.class)
    @Scheduled(cron = "0 41 3 * * *")
    void turn() {
        store.months();
        int gone = store.forget(years);
        if (gone > 0) {
            LOG.info("months of the record that are older than {} years have gone: {}", years, gone);
        }
    }
}
