package org.zealousladder.server.school.factor;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.OptionalLong;
import javax.crypto.spec.SecretKeySpec;

/** Codes of six digits that change every thirty seconds (RFC 6238 with its usual SHA-1, which every authenticator knows). */
final class OneTimeCodes {
    static final int SECRET_BYTES = 20;
    private static final int STEP_SECONDS = 30;
    /** Clocks may differ by one step (RFC 6238, section 5.2). */
    private static final int EITHER_WAY = 1;

    private final TimeBasedOneTimePasswordGenerator generator = new TimeBasedOneTimePasswordGenerator();

    String at(byte[] secret, Instant when) {
        try {
            return generator.generateOneTimePasswordString(new SecretKeySpec(secret, generator.getAlgorithm()), when);
        } catch (InvalidKeyException e) {
            throw new IllegalStateException(e);
        }
    }

    /** @return the step that the code belongs to, if it is one of now */
    OptionalLong step(byte[] secret, String code, Instant now) {
        long step = now.getEpochSecond() / STEP_SECONDS;
        OptionalLong found = OptionalLong.empty();
        for (long s = step - EITHER_WAY; s <= step + EITHER_WAY; s++) {
            if (MessageDigest.isEqual(at(secret, Instant.ofEpochSecond(s * STEP_SECONDS)).getBytes(StandardCharsets.US_ASCII),
                    code.getBytes(StandardCharsets.US_ASCII))) {
                found = OptionalLong.of(s);
            }
        }
        return found;
    }
}
