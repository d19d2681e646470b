package org.zealousladder.core.summary;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.zealousladder.core.Interval;

/** Differences of shares. */
class DifferencesTest {
    /** Newcombe's own worked example: 56/70 and 48/80, method 10: 0.0524 to 0.3339. */
    @Test
    void asInThePaper() {
        Interval d = Shares.difference(56, 70, 48, 80);
        assertEquals(0.2, d.value(), 1e-12);
        assertEquals(0.0524, d.low(), 5e-5);
        assertEquals(0.3339, d.high(), 5e-5);
    }

    @Test
    void theOtherWayRoundIsTheSameTurned() {
        Interval d = Shares.difference(3, 9, 7, 8);
        Interval e = Shares.difference(7, 8, 3, 9);
        assertEquals(-d.value(), e.value(), 1e-12);
        assertEquals(-d.low(), e.high(), 1e-12);
    }

    /** By hand: 8 one way and 1 the other, twice (1 + 9) / 512. */
    @Test
    void changesBothWays() {
        assertEquals(20.0 / 512, Shares.mcNemar(8, 1), 1e-12);
        assertEquals(20.0 / 512, Shares.mcNemar(1, 8), 1e-12);
        assertEquals(1, Shares.mcNemar(0, 0), 0);
        assertEquals(1, Shares.mcNemar(4, 4), 1e-12);
        assertEquals(2 * Math.pow(0.5, 30), Shares.mcNemar(30, 0), 1e-15);
    }

    /** Newcombe's own worked example of pairs: 36, 12, 2 and 0 of 50, method 10: 0.0569 to 0.3404. */
    @Test
    void pairsAsInThePaper() {
        Interval d = Shares.pairedDifference(36, 12, 2, 0);
        assertEquals(0.2, d.value(), 1e-12);
        assertEquals(0.0569, d.low(), 5e-5);
        assertEquals(0.3404, d.high(), 5e-5);
        Interval turned = Shares.pairedDifference(36, 2, 12, 0);
        assertEquals(-d.value(), turned.value(), 1e-12);
        assertEquals(-d.low(), turned.high(), 1e-12);
        assertThrows(IllegalArgumentException.class, () -> Shares.pairedDifference(3, -1, 0, 0));
        assertThrows(IllegalArgumentException.class, () -> Shares.pairedDifference(0, 0, 0, 0));
    }

    /** Alike both times: those who agree make the range shorter than that of strangers. */
    @Test
    void pairsThatAgreeTellMore() {
        assertTrue(Shares.pairedDifference(20, 6, 1, 20).width() < Shares.difference(26, 47, 21, 47).width());
        assertEquals(0, Shares.pairedDifference(9, 0, 0, 0).value(), 0);
    }

    /**
     * In R: t.test(c(27.5, 21, 19, 23.6, 17, 17.9, 16.9, 20.1, 21.9, 22.6, 23.1, 19.6, 19, 21.7, 21.4), c(27.1, 22, 20.8, 23.4, 23.4, 23.5, 25.8, 22, 24.8,
     * 20.2, 21.9, 22.1, 22.9, 30.5, 31.3)): t = -2.8 on 27.9 degrees; by hand from the sums.
     */
    @Test
    void meansOfStrangers() {
        double[] a = {27.5, 21, 19, 23.6, 17, 17.9, 16.9, 20.1, 21.9, 22.6, 23.1, 19.6, 19, 21.7, 21.4};
        double[] b = {27.1, 22, 20.8, 23.4, 23.4, 23.5, 25.8, 22, 24.8, 20.2, 21.9, 22.1, 22.9, 30.5, 31.3};
        Interval d = Means.difference(a, b).orElseThrow();
        double va = 0;
        double vb = 0;
        double ma = Means.mean(a);
        double mb = Means.mean(b);
        for (int i = 0; i < 15; i++) {
            va += (a[i] - ma) * (a[i] - ma) / 14;
            vb += (b[i] - mb) * (b[i] - mb) / 14;
        }
        assertEquals(ma - mb, d.value(), 1e-12);
        // 2.0484 is the 0.975 quantile of t with 27.99 degrees; those of this pair, by the formula, are a little fewer.
        double df = (va + vb) * (va + vb) / (va * va / 14 + vb * vb / 14);
        assertTrue(df > 26 && df < 28, () -> String.valueOf(df));
        double half = d.width() / 2 / Math.sqrt((va + vb) / 15);
        assertTrue(half > 2.048 && half < 2.056, () -> String.valueOf(half));
    }

    /** By hand: differences 1, 2, 3, 4, 5 have mean 3 and standard error sqrt(0.5); t with 4 degrees is 2.776445. */
    @Test
    void meansOfTheSamePeople() {
        Interval d = Means.pairedDifference(new double[] {11, 12, 13, 14, 15}, new double[] {10, 10, 10, 10, 10}).orElseThrow();
        assertEquals(3, d.value(), 1e-12);
        assertEquals(3 - 2.776445 * Math.sqrt(0.5), d.low(), 1e-6);
        assertEquals(3 + 2.776445 * Math.sqrt(0.5), d.high(), 1e-6);
    }

    @Test
    void withoutScatterNothingIsSaid() {
        assertTrue(Means.difference(new double[] {1}, new double[] {2, 3}).isEmpty());
        assertTrue(Means.difference(new double[] {1, 1}, new double[] {2, 2}).isEmpty());
        assertTrue(Means.difference(new double[] {1, 1}, new double[] {2, 3}).isPresent(), "one side that scatters is enough");
        assertTrue(Means.pairedDifference(new double[] {1}, new double[] {2}).isEmpty());
        assertTrue(Means.pairedDifference(new double[] {1, 2}, new double[] {2, 3}).isEmpty(), "all by the same");
        assertThrows(IllegalArgumentException.class, () -> Means.pairedDifference(new double[2], new double[3]));
        assertThrows(IllegalArgumentException.class, () -> Means.mean(new double[0]));
    }
}
