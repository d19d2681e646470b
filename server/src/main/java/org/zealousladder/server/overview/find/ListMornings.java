package org.zealousladder.server.overview.find;

import java.time.LocalTime;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.who.SchoolCalendar;

/** Brings lists up to date before the morning letters are written; a server that was away does it when it is back. */
@Component
@ConditionalOnWebApplication
class ListMornings {
    private static final LocalTime FROM = LocalTime.of(4, 0);

    private final LivingLists lists;
    private final SchoolCalendar calendar;

    ListMornings(LivingLists lists, SchoolCalendar calendar) {
        this.lists = lists;
        this.calendar = calendar;
    }

    @Scheduled(initialDelayString = "${ladder.lists.look:120000}", fixedDelayString = "${ladder.lists.look:600000}")
    void look() {
        if (LocalTime.now(calendar.zone()).isBefore(FROM)) {
            return;
        }
        lists.freshAll();
    }
}
