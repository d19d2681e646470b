package org.zealousladder.core.summary;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.summary.Histogram.Bin;

class HistogramTest {
    /** By hand: 3..47 in at most 10 bins needs fives. */
    @Test
    void workedByHand() {
        assertEquals(List.of(new Bin(0, 5, 2), new Bin(5, 10, 1), new Bin(10, 15, 0), new Bin(15, 20, 0), new Bin(20, 25, 1),
                new Bin(25, 30, 0), new Bin(30, 35, 0), new Bin(35, 40, 0), new Bin(40, 45, 0), new Bin(45, 50, 1)),
                Histogram.of(new double[] {3, 4.9, 5, 20, 47}, 10));
    }

    @Test
    void everyValueIsInExactlyOneBin() {
        Random random = new Random(3);
        for (int run = 0; run < 200; run++) {
            double[] values = random.doubles(1 + run, -50 + run, 30 + 5 * run).toArray();
            List<Bin> bins = Histogram.of(values, 14);
            assertTrue(bins.size() <= 14);
            assertEquals(values.length, bins.stream().mapToInt(Bin::count).sum());
            for (Bin b : bins) {
                long inside = java.util.Arrays.stream(values).filter(v -> v >= b.from() && v < b.to()).count();
                assertEquals(inside, b.count());
            }
        }
    }

    @Test
    void edges() {
        assertEquals(List.of(), Histogram.of(new double[0], 5));
        assertEquals(1, Histogram.of(new double[] {7, 7, 7}, 5).size());
        assertThrows(IllegalArgumentException.class, () -> Histogram.of(new double[] {Double.NaN}, 5));
        assertThrows(IllegalArgumentException.class, () -> Histogram.of(new double[] {1}, 1));
    }

    @Test
    void fiveNumbersOfOneToNine() {
        assertEquals(new FiveNumbers(9, 1, 3, 5, 7, 9), FiveNumbers.of(9, 1, 8, 2, 7, 3, 6, 4, 5).orElseThrow());
        assertTrue(FiveNumbers.of().isEmpty());
    }
}
