package org.zealousladder.server.platform.who;

import java.time.LocalDate;
import org.springframework.stereotype.Component;

/** Today, as the school sees it: the real date, or the demo's fixed one. */
@Component
public class SchoolCalendar {
    private final LocalDate fixed;

    SchoolCalendar(LadderProperties properties) {
        String today = properties.today();
        fixed = today == null || today.isBlank() ? null : LocalDate.parse(today);
    }

    public LocalDate today() {
        return fixed == null ? LocalDate.now() : fixed;
    }
}
