package org.zealousladder.server.measures.ladders;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A ladder of a set, with the version it is.
 *
 * @param bands from most to least support
 */
public record DrawnLadder(int id, int setId, int measureId, int grade, int windowId, LocalDate knownFrom, @Nullable String recordedBy, @Nullable String reason,
        List<DrawnBand> bands) {

    /** @param fromScore where the band begins; absent in the lowest */
    public record DrawnBand(String name, int tier, @Nullable Double fromScore) {}
}
