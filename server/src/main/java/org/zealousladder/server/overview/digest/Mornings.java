package org.zealousladder.server.overview.digest;

import java.time.LocalTime;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.zealousladder.server.contacts.outbox.MailProperties;
import org.zealousladder.server.platform.who.SchoolCalendar;

/** Looks whether it is morning. A server that was away then sends it later in the morning, and no longer at noon. */
@Component
@ConditionalOnWebApplication
class Mornings {
    private static final LocalTime FROM = LocalTime.of(6, 30);
    private static final LocalTime TO = LocalTime.of(11, 0);

    private final DigestService digests;
    private final MailProperties mail;
    private final SchoolCalendar calendar;

    Mornings(DigestService digests, MailProperties mail, SchoolCalendar calendar) {
        this.digests = digests;
        this.mail = mail;
        this.calendar = calendar;
    }

    static boolean morning(LocalTime now) {
        return !now.isBefore(FROM) && now.isBefore(TO);
    }

    @Scheduled(initialDelayString = "${ladder.digest.look:60000}", fixedDelayString = "${ladder.digest.look:60000}")
    void look() {
        if (!mail.set() || !morning(LocalTime.now(calendar.zone()))) {
            return;
        }
        digests.send();
    }
}
