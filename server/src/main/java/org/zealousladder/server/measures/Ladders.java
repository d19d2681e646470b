package org.zealousladder.server.measures;

import java.util.Map;
import java.util.Optional;
import org.zealousladder.core.bands.BandLadder;

/** The ladders of some measures and windows as known on a day. */
public final class Ladders {
    record Key(int measureId, int windowId, int grade) {}

    private final Map<Key, BandLadder> byKey;

    Ladders(Map<Key, BandLadder> byKey) {
        this.byKey = byKey;
    }

    /** Empty where no cut scores are set. */
    public Optional<BandLadder> of(int measureId, int windowId, int grade) {
        return Optional.ofNullable(byKey.get(new Key(measureId, windowId, grade)));
    }
}
