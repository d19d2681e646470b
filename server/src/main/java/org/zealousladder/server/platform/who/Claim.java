package org.zealousladder.server.platform.who;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/**
 * The server's word to the database about who is asking: 'person:role:today:until:mac', the mac by HMAC-SHA-256 over what stands before it
 * (RFC 2104). The database's role cannot read the key, so that by plain SQL nobody can claim to be somebody else.
 */
public final class Claim {
    /** What the key's two pads are made with. */
    public static final byte INNER = 0x36;
    public static final byte OUTER = 0x5c;
    private static final int BLOCK = 64;
    /** Asked at the start of a transaction; a transaction that goes on goes on. */
    private static final long SECONDS = 300;
    private static final String ALGORITHM = "HmacSHA256";

    private final SecretKeySpec key;

    public Claim(String key) {
        this.key = new SecretKeySpec(key.getBytes(StandardCharsets.UTF_8), ALGORITHM);
    }

    /** What is set for a transaction of {@code viewer}; good for five minutes. */
    public String of(Viewer viewer, LocalDate today, Instant now) {
        String body = viewer.id() + ":" + viewer.role().code() + ":" + today + ":" + (now.getEpochSecond() + SECONDS);
        try {
            Mac mac = Mac.getInstance(ALGORITHM);
            mac.init(key);
            return body + ":" + HexFormat.of().formatHex(mac.doFinal(body.getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * The key as the database keeps it.
     *
     * @return 64 bytes
     * @throws IllegalArgumentException when the key has fewer than 16 bytes or more than 64
     */
    public static byte[] pad(String key, byte with) {
        byte[] bytes = key.getBytes(StandardCharsets.UTF_8);
        if (bytes.length < 16 || bytes.length > BLOCK) {
            throw new IllegalArgumentException("The key by which the server vouches for people has 16 to 64 bytes.");
        }
        byte[] pad = Arrays.copyOf(bytes, BLOCK);
        for (int i = 0; i < BLOCK; i++) {
            pad[i] ^= with;
        }
        return pad;
    }
}
