package org.zealousladder.core.summary;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.Direction;

class SummaryTest {
    @Test
    void quantilesAreOfTypeSeven() {
        Quantiles q = Quantiles.of(10, 1, 9, 2, 8, 3, 7, 4, 6, 5);
        assertEquals(3.25, q.at(0.25).orElseThrow(), 1e-12);
        assertEquals(5.5, q.median().orElseThrow(), 1e-12);
        assertEquals(1.9, q.at(0.1).orElseThrow(), 1e-12);
        assertEquals(10, q.at(1).orElseThrow(), 1e-12);
        assertTrue(Quantiles.of().median().isEmpty());
        assertThrows(IllegalArgumentException.class, () -> q.at(1.2));
        assertThrows(IllegalArgumentException.class, () -> Quantiles.of(1, Double.NaN));
    }

    @Test
    void percentileRanksAgreeWithTheDefinitionComputedNaively() {
        Random random = new Random(4);
        for (int n = 10; n < 60; n++) {
            double[] group = random.doubles(n).map(v -> Math.floor(v * 15)).toArray();
            PercentileRanks up = PercentileRanks.of(group, Direction.HIGHER_IS_BETTER);
            PercentileRanks down = PercentileRanks.of(group, Direction.LOWER_IS_BETTER);
            for (double v = -1; v <= 16; v++) {
                double at = v;
                double below = Arrays.stream(group).filter(g -> g < at).count();
                double above = Arrays.stream(group).filter(g -> g > at).count();
                double equal = n - below - above;
                assertEquals(100 * (below + equal / 2) / n, up.of(v).orElseThrow(), 1e-9);
                assertEquals(100 * (above + equal / 2) / n, down.of(v).orElseThrow(), 1e-9);
            }
        }
    }

    @Test
    void nineScoresGiveNoPercentile() {
        assertTrue(PercentileRanks.of(new double[9], Direction.HIGHER_IS_BETTER).of(1).isEmpty());
    }
}
