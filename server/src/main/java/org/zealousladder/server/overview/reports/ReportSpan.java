package org.zealousladder.server.overview.reports;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;
import org.zealousladder.server.school.roster.SchoolYear;

/** Which days a kept report is of. All but the last go with the day on which it is looked at. */
public enum ReportSpan implements Coded {
    /** The last seven days. */
    WEEK,
    /** The last 28. */
    FOUR_WEEKS,
    /** From the first day of the school year on. */
    YEAR,
    /** Two days that were named. */
    DATES;

    /** @param named first day of {@link #DATES} */
    LocalDate from(LocalDate on, SchoolYear year, @Nullable LocalDate named) {
        return switch (this) {
            case WEEK -> on.minusDays(6);
            case FOUR_WEEKS -> on.minusDays(27);
            case YEAR -> year.starts().isAfter(on) ? on : year.starts();
            case DATES -> named == null ? year.starts() : named;
        };
    }
}
