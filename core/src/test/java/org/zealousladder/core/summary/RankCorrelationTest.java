package org.zealousladder.core.summary;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class RankCorrelationTest {
    @Test
    void withoutTiesItIsOneLessSixSumsOfSquares() {
        // Ranks of y against 1 to 10; the squares of the differences add up to 24: 1 − 6·24 / (10·99) = 0.854545.
        double[] x = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10};
        double[] y = {3, 1, 2, 6, 4, 5, 9, 7, 8, 10};
        double squares = 0;
        for (int i = 0; i < 10; i++) {
            squares += (x[i] - y[i]) * (x[i] - y[i]);
        }
        RankCorrelation r = RankCorrelation.of(x, y).orElseThrow();
        assertEquals(1 - 6 * squares / 990, r.rho(), 1e-12);
        // z = atanh(rho); half = 1.96 · √((1 + rho²/2) / 7).
        double z = 0.5 * Math.log((1 + r.rho()) / (1 - r.rho()));
        double half = 1.959964 * Math.sqrt((1 + r.rho() * r.rho() / 2) / 7);
        assertEquals(Math.tanh(z - half), r.low(), 1e-6);
        assertEquals(Math.tanh(z + half), r.high(), 1e-6);
    }

    @Test
    void tiesHaveTheMeanOfTheirRanks() {
        double[] x = {1, 1, 2, 3, 4, 5, 6, 7, 8, 9};
        double[] y = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10};
        // Ranks of x: 1.5, 1.5, 3 … 10. Pearson's of the ranks: 82 / √(82·82.5).
        assertEquals(82 / Math.sqrt(82 * 82.5), RankCorrelation.of(x, y).orElseThrow().rho(), 1e-12);
    }

    @Test
    void ofFewerThanTenOrOfWhatDoesNotVaryNothingIsSaid() {
        assertEquals(Optional.empty(), RankCorrelation.of(new double[9], new double[9]));
        double[] up = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10};
        assertEquals(Optional.empty(), RankCorrelation.of(up, new double[10]));
        RankCorrelation same = RankCorrelation.of(up, up).orElseThrow();
        assertEquals("1.0 1.0 1.0", same.rho() + " " + same.low() + " " + same.high());
        assertThrows(IllegalArgumentException.class, () -> RankCorrelation.of(up, new double[3]));
    }

    @RepeatedTest(30)
    void stretchingEitherByAnythingThatKeepsTheOrderChangesNothing(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        double[] x = random.doubles(25).toArray();
        double[] y = random.doubles(25).toArray();
        RankCorrelation r = RankCorrelation.of(x, y).orElseThrow();
        assertEquals(r, RankCorrelation.of(Arrays.stream(x).map(v -> Math.exp(5 * v)).toArray(), y).orElseThrow());
        assertTrue(-1 <= r.low() && r.low() <= r.rho() && r.rho() <= r.high() && r.high() <= 1);
    }
}
