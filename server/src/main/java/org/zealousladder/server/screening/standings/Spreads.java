package org.zealousladder.server.screening.standings;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.zealousladder.core.bands.TrueScores;

/** How the scores of a school lie, by window, measure and grade: what is needed to say where true scores are. */
public final class Spreads {
    private final Map<Key, TrueScores.Measured> measured = new HashMap<>();
    private final Map<Pair, Double> together = new HashMap<>();

    private record Key(int windowId, int measureId, int grade) {}

    private record Pair(int windowId, int one, int other, int grade) {}

    /** @param n scores, as many as are needed at least */
    record Spread(int windowId, int measureId, int grade, int n, double mean, double sd) {}

    /** @param one with the lower number @param n students with both */
    record Together(int windowId, int one, int other, int grade, int n, double correlation) {}

    /** @param sems standard errors of measurement by measure; 0: none is stated */
    Spreads(List<Spread> spreads, List<Together> pairs, Map<Integer, Double> sems) {
        spreads.forEach(s -> measured.put(new Key(s.windowId(), s.measureId(), s.grade()),
                new TrueScores.Measured(s.mean(), s.sd(), sems.getOrDefault(s.measureId(), 0.0))));
        pairs.forEach(p -> together.put(new Pair(p.windowId(), p.one(), p.other(), p.grade()), p.correlation()));
    }

    /** Empty where too few have a score to say. */
    public Optional<TrueScores.Measured> of(int windowId, int measureId, int grade) {
        return Optional.ofNullable(measured.get(new Key(windowId, measureId, grade)));
    }

    /** Correlation of the observed scores; assumed where too few have both. */
    public double correlation(int windowId, int one, int other, int grade) {
        return one == other ? 1 : together.getOrDefault(new Pair(windowId, Math.min(one, other), Math.max(one, other), grade), TrueScores.ASSUMED_CORRELATION);
    }
}
