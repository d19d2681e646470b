package org.zealousladder.server.screening.standings;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.summary.PercentileRanks;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.scores.scores.ScoresService;

/** All scores of a school in one window, without names, by measure and grade. */
public final class SchoolScores {
    private record Key(int measureId, int grade) {}

    private final Map<Key, double[]> values = new HashMap<>();
    private final Map<Key, PercentileRanks> ranks = new HashMap<>();

    SchoolScores(List<ScoresService.SchoolValue> all) {
        Map<Key, List<Double>> lists = new HashMap<>();
        all.forEach(v -> lists.computeIfAbsent(new Key(v.measureId(), v.grade()), k -> new ArrayList<>()).add(v.value()));
        lists.forEach((k, list) -> values.put(k, list.stream().mapToDouble(Double::doubleValue).toArray()));
    }

    public double[] of(int measureId, int grade) {
        return values.getOrDefault(new Key(measureId, grade), new double[0]);
    }

    /** Mid-rank of a score among the school's of the grade; null for fewer than ten. */
    public @Nullable Integer percentile(Measure measure, int grade, double score) {
        var rank = ranks.computeIfAbsent(new Key(measure.id(), grade), k -> PercentileRanks.of(of(k.measureId(), k.grade()), measure.direction())).of(score);
        return rank.isPresent() ? (Integer) (int) Math.round(rank.getAsDouble()) : null;
    }
}
