package org.zealousladder.core.summary;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.zealousladder.core.Interval;

class SharesTest {
    @Test
    void theIntervalIsWilsons() {
        // 15 of 20: (0.75 + 1.9207/20 ∓ 1.96·√(0.75·0.25/20 + 0.9604/400)) / (1 + 3.8415/20), worked by hand.
        Interval share = Shares.wilson(15, 20);
        assertEquals(0.5313, share.low(), 0.0001);
        assertEquals(0.8881, share.high(), 0.0001);
        assertEquals(0, Shares.wilson(0, 20).low(), 1e-12);
        assertEquals(1, Shares.wilson(20, 20).high(), 1e-12);
        assertTrue(Shares.wilson(0, 1).high() < 1);
        assertThrows(IllegalArgumentException.class, () -> Shares.wilson(0, 0));
        assertThrows(IllegalArgumentException.class, () -> Shares.wilson(3, 2));
    }
}
