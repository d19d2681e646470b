package org.zealousladder.core.summary;

import static org.junit.jupiter.api.Assertions.assertEquals;

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
}
