package org.zealousladder.server.screening.standings;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.scores.scores.ScoresService.SchoolValue;

class SchoolScoresTest {
    private static final Measure HIGHER = new Measure(1, "m", "M", "probe", "Reading", "points", 0, 300, 0, "higher", null, Rule.CHANCE, 6, 4, 4, 0.25, 0.9);
    private static final Measure LOWER = new Measure(2, "t", "T", "probe", "Reading", "seconds", 0, 300, 0, "lower", null, Rule.CHANCE, 6, 4, 4, 0.25, 0.9);

    private static SchoolScores of(double... values) {
        List<SchoolValue> all = new ArrayList<>();
        for (double v : values) {
            all.add(new SchoolValue(1, 3, v));
            all.add(new SchoolValue(2, 3, v));
        }
        all.add(new SchoolValue(1, 4, 999));
        return new SchoolScores(all);
    }

    @Test
    void gradesAndMeasuresAreKeptApart() {
        SchoolScores scores = of(1, 2, 3);
        assertArrayEquals(new double[] {1, 2, 3}, scores.of(1, 3));
        assertArrayEquals(new double[] {999}, scores.of(1, 4));
        assertEquals(0, scores.of(3, 3).length);
    }

    @Test
    void percentilesAgreeWithCounting() {
        Random random = new Random(23);
        double[] values = random.doubles(60, 0, 30).map(Math::rint).toArray();
        SchoolScores scores = of(values);
        for (double v : values) {
            double below = java.util.Arrays.stream(values).filter(x -> x < v).count();
            double equal = java.util.Arrays.stream(values).filter(x -> x == v).count();
            assertEquals((int) Math.round(100 * (below + equal / 2) / 60), scores.percentile(HIGHER, 3, v));
            assertEquals((int) Math.round(100 * (60 - below - equal + equal / 2) / 60), scores.percentile(LOWER, 3, v));
        }
        assertNull(of(1, 2, 3).percentile(HIGHER, 3, 2));
        assertTrue(scores.percentile(HIGHER, 3, 1000) == 100);
    }
}
