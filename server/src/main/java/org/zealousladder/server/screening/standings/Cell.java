package org.zealousladder.server.screening.standings;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A student's standing on one measure in one window.
 *
 * @param status scored, absent, exempt, invalid, none (nothing on record), or elsewhere (not here then)
 * @param certainty chance that the true score is in the band
 */
public record Cell(CellStatus status, @Nullable Double value, @Nullable LocalDate date, @Nullable Integer band, @Nullable String bandName,
        @Nullable Integer tier, @Nullable Double certainty, boolean closeCall) {

    public boolean scored() {
        return value != null;
    }

    /** Whether a score is still owed: here then, and neither tested nor exempt. */
    public boolean owed() {
        return value == null && status != CellStatus.ELSEWHERE && status != CellStatus.EXEMPT;
    }
}
