package org.zealousladder.server.learning.items;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

/** What a picture is, is told by its first bytes alone. */
class PictureTypeTest {
    private static byte[] bytes(int... all) {
        byte[] b = new byte[all.length];
        for (int i = 0; i < all.length; i++) {
            b[i] = (byte) all[i];
        }
        return b;
    }

    private static byte[] text(String all) {
        return all.getBytes(StandardCharsets.ISO_8859_1);
    }

    @Test
    void theUsualFormsAreKnown() {
        assertEquals("image/png", BankService.type(bytes(0x89, 'P', 'N', 'G', 13, 10)));
        assertEquals("image/jpeg", BankService.type(bytes(0xff, 0xd8, 0xff, 0xe0)));
        assertEquals("image/gif", BankService.type(text("GIF89a")));
        assertEquals("image/webp", BankService.type(text("RIFF....WEBPVP8 ")));
    }

    @Test
    void everythingElseIsNone() {
        assertNull(BankService.type(text("<svg xmlns='http://www.w3.org/2000/svg'/>")));
        assertNull(BankService.type(text("RIFF....WAVEfmt ")));
        assertNull(BankService.type(bytes(0x89, 'P')));
        assertNull(BankService.type(bytes()));
        assertFalse(BankService.canBeShown(text("%PDF-1.7")));
        byte[] large = new byte[1_000_001];
        System.arraycopy(bytes(0x89, 'P', 'N', 'G'), 0, large, 0, 4);
        assertFalse(BankService.canBeShown(large));
    }
}
