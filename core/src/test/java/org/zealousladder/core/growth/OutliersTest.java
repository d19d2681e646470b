package org.zealousladder.core.growth;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;
import org.zealousladder.core.ScoreSeries;

class OutliersTest {
    private static int[] mark(double... scores) {
        double[] t = new double[scores.length];
        for (int i = 0; i < t.length; i++) {
            t[i] = i;
        }
        return Outliers.mark(ScoreSeries.of(t, scores));
    }

    @Test
    void aScoreFarOffIsMarked() {
        assertArrayEquals(new int[] {4}, mark(50, 52, 51, 55, 20, 57, 58, 60));
    }

    @Test
    void ordinaryScatterIsNot() {
        assertArrayEquals(new int[0], mark(50, 54, 51, 55, 53, 57, 56, 60));
    }

    @Test
    void anExactLineHasNone() {
        assertArrayEquals(new int[0], mark(50, 52, 54, 56, 58, 60));
        assertArrayEquals(new int[0], mark(0.1, 0.2, 0.3, 0.4, 0.5, 0.6));
        assertArrayEquals(new int[0], mark(7, 7, 7, 7, 7, 7));
    }

    @Test
    void whenMostLieOnTheLineTheMeanDeviationIsTheScale() {
        assertArrayEquals(new int[] {5}, mark(50, 52, 54, 56, 58, 90, 62, 64));
    }

    @Test
    void fourScoresAreTooFewToCallOneWild() {
        assertEquals(0, mark(50, 51, 10, 52).length);
    }
}
