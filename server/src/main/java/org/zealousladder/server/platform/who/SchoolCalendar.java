package org.zealousladder.server.platform.who;

import java.time.LocalDate;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Today, as the school sees it: the real date where the school is, or the demo's fixed one. */
@Component
public class SchoolCalendar {
    private final @Nullable LocalDate fixed;
    private final ZoneId zone;

    /** @throws java.time.DateTimeException for a zone that is none, such as a slip in its name: better at the start than a wrong day at midnight */
    SchoolCalendar(LadderProperties properties) {
        String today = properties.today();
        fixed = today == null || today.isBlank() ? null : LocalDate.parse(today);
        String named = properties.zone();
        zone = named == null || named.isBlank() ? ZoneId.systemDefault() : ZoneId.of(named);
    }

    /** Where the school is. */
    public ZoneId zone() {
        return zone;
    }

    public LocalDate today() {
        return fixed == null ? LocalDate.now(zone) : fixed;
    }
}
