package org.zealousladder.server.platform.sealing;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class SealedTest {
    private static final byte[] OPEN = {1, 2, 3, 4, 5};
    private final Sealed sealed = new Sealed("the server's key", "second factor");

    @Test
    void whatWasSealedIsOpenedForTheSamePersonByTheSameServer() {
        byte[] one = sealed.seal(OPEN, 7);
        assertArrayEquals(OPEN, sealed.open(one, 7));
        assertArrayEquals(OPEN, new Sealed("the server's key", "second factor").open(one, 7));
        assertFalse(Arrays.equals(one, sealed.seal(OPEN, 7)), "never twice the same");
    }

    @Test
    void forNobodyElseAndNotWhenItWasChanged() {
        byte[] one = sealed.seal(OPEN, 7);
        assertThrows(IllegalStateException.class, () -> sealed.open(one, 8), "copied to another person");
        assertThrows(IllegalStateException.class, () -> new Sealed("another key", "second factor").open(one, 7));
        assertThrows(IllegalStateException.class, () -> new Sealed("the server's key", "another use").open(one, 7));
        one[one.length - 1] ^= 1;
        assertThrows(IllegalStateException.class, () -> sealed.open(one, 7));
    }
}
