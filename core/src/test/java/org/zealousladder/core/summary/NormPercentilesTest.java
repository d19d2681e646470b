package org.zealousladder.core.summary;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.Direction;
import org.zealousladder.core.summary.NormPercentiles.Point;

class NormPercentilesTest {
    /** 0..100 has its p-th percentile at p. */
    @Test
    void workedByHand() {
        double[] scores = IntStream.rangeClosed(0, 100).asDoubleStream().toArray();
        NormPercentiles.of(scores, Direction.HIGHER_IS_BETTER).orElseThrow().forEach(p -> assertEquals(p.percentile(), p.value(), 1e-9));
        NormPercentiles.of(scores, Direction.LOWER_IS_BETTER).orElseThrow().forEach(p -> assertEquals(100 - p.percentile(), p.value(), 1e-9));
    }

    @Test
    void nineScoresGiveNoTable() {
        assertTrue(NormPercentiles.of(new double[9], Direction.HIGHER_IS_BETTER).isEmpty());
        assertTrue(NormPercentiles.of(new double[10], Direction.HIGHER_IS_BETTER).isPresent());
    }

    @Test
    void aBetterPercentileIsNeverAWorseScore() {
        Random random = new Random(5);
        for (int run = 0; run < 100; run++) {
            double[] scores = random.doubles(10 + run, 0, 200).toArray();
            for (Direction d : Direction.values()) {
                List<Point> points = NormPercentiles.of(scores, d).orElseThrow();
                for (int i = 1; i < points.size(); i++) {
                    assertTrue(d.sign() * (points.get(i).value() - points.get(i - 1).value()) >= 0);
                }
            }
        }
    }
}
