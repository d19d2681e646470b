package org.zealousladder.server.school.people;

import java.security.SecureRandom;
import java.util.Base64;
import org.apache.commons.codec.digest.DigestUtils;

/** The token of the one-time setup link: 192 random bits; only its SHA-256 is stored. */
final class SetupToken {
    private SetupToken() {}

    static String fresh() {
        byte[] bytes = new byte[24];
        new SecureRandom().nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    static String hash(String token) {
        return DigestUtils.sha256Hex(token);
    }
}
