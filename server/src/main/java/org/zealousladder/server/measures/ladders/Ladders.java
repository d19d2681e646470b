package org.zealousladder.server.measures.ladders;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.zealousladder.core.bands.BandLadder;

/** The ladders of some measures and windows as known on a day. */
public final class Ladders {
    record Key(int measureId, int windowId, int grade) {}

    private final Map<Key, BandLadder> byKey;

    Ladders(Map<Key, BandLadder> byKey) {
        this.byKey = byKey;
    }

    /** The grades that have cut scores on a measure in a window. */
    public Set<Integer> grades(int measureId, int windowId) {
        return byGrade(measureId, windowId).keySet();
    }

    /** The ladders of a measure in a window, by grade. */
    public Map<Integer, BandLadder> byGrade(int measureId, int windowId) {
        return byKey.entrySet().stream().filter(e -> e.getKey().measureId() == measureId && e.getKey().windowId() == windowId)
                .collect(Collectors.toMap(e -> e.getKey().grade(), Map.Entry::getValue));
    }

    /** Empty where no cut scores are set. */
    public Optional<BandLadder> of(int measureId, int windowId, int grade) {
        return Optional.ofNullable(byKey.get(new Key(measureId, windowId, grade)));
    }
}
