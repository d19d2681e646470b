package org.zealousladder.server.platform.sealing;

import java.nio.ByteBuffer;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Arrays;
import javax.crypto.Cipher;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.digest.DigestUtils;

/** Seals what the database keeps and only the server reads: AES-256-GCM (NIST SP 800-38D), bound to whose it is. */
public final class Sealed {
    private static final int NONCE = 12;
    private static final int TAG_BITS = 128;

    private final SecretKeySpec key;
    private final SecureRandom random = new SecureRandom();

    /** @param serverKey any secret of the server's; another use of it gives another key */
    public Sealed(String serverKey, String use) {
        key = new SecretKeySpec(DigestUtils.sha256(use + ":" + serverKey), "AES");
    }

    /** @return nonce, then what is sealed with its tag */
    public byte[] seal(byte[] open, int whose) {
        byte[] nonce = new byte[NONCE];
        random.nextBytes(nonce);
        byte[] sealed = run(Cipher.ENCRYPT_MODE, nonce, open, whose);
        return ByteBuffer.allocate(NONCE + sealed.length).put(nonce).put(sealed).array();
    }

    /** @throws IllegalStateException when it was sealed by another key, for somebody else, or changed since */
    public byte[] open(byte[] sealed, int whose) {
        return run(Cipher.DECRYPT_MODE, Arrays.copyOf(sealed, NONCE), Arrays.copyOfRange(sealed, NONCE, sealed.length), whose);
    }

    private byte[] run(int mode, byte[] nonce, byte[] text, int whose) {
        try {
            Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
            cipher.init(mode, key, new GCMParameterSpec(TAG_BITS, nonce));
            cipher.updateAAD(ByteBuffer.allocate(4).putInt(whose).array());
            return cipher.doFinal(text);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("not sealed by this server", e);
        }
    }
}
