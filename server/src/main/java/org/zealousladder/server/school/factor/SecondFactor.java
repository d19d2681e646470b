package org.zealousladder.server.school.factor;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.commons.codec.binary.Base32;
import org.apache.commons.codec.digest.DigestUtils;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.database.PeopleDatabase;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.sealing.Sealed;

/** A person's second step: set up, asked for at sign-in, taken away. */
@Service
@Transactional(PeopleDatabase.TRANSACTIONS)
public class SecondFactor {
    private static final int RECOVERY_CODES = 8;
    /** 120 bits: nobody guesses one, so that a plain hash keeps it. */
    private static final int RECOVERY_BYTES = 15;

    private final FactorStore store;
    private final Clock clock;
    private final Sealed sealed;
    private final OneTimeCodes codes = new OneTimeCodes();
    private final SecureRandom random = new SecureRandom();

    SecondFactor(FactorStore store, Clock clock, @Value("${ladder.claim-key}") String serverKey) {
        this.store = store;
        this.clock = clock;
        this.sealed = new Sealed(serverKey, "second factor");
    }

    /**
     * What an authenticator takes in.
     *
     * @param secret to be typed, in base 32 (RFC 4648)
     * @param address the same as otpauth address
     * @param picture the address as a QR code (ISO/IEC 18004): a row of 0 and 1 a line
     */
    public record Begun(String secret, String address, List<String> picture) {}

    /** @throws Refusal 409 where one is in use */
    public Begun begin(int person, String login) {
        byte[] secret = bytes(OneTimeCodes.SECRET_BYTES);
        if (!store.begin(person, sealed.seal(secret, person))) {
            throw Refusal.conflict("A second step is in use already. Take it away first.");
        }
        String text = new Base32().encodeToString(secret);
        String address = "otpauth://totp/" + URLEncoder.encode("Zealous Ladder:" + login, StandardCharsets.UTF_8).replace("+", "%20") + "?secret=" + text
                + "&issuer=Zealous%20Ladder";
        return new Begun(text, address, picture(address));
    }

    /**
     * From now on it is asked for.
     *
     * @return the codes for the day the device is lost; told once
     * @throws Refusal 422 when the code is not the one that is shown, 409 when nothing was begun
     */
    public List<String> confirm(int person, String code) {
        byte[] secret = store.secret(person, false).map(s -> sealed.open(s, person))
                .orElseThrow(() -> Refusal.conflict("There is nothing to confirm. Begin again."));
        if (!counts(person, secret, code)) {
            throw Refusal.invalid("code", "That is not the code of now. Wait for the next one and type that; nothing was changed.");
        }
        List<String> recovery = new ArrayList<>();
        for (int i = 0; i < RECOVERY_CODES; i++) {
            recovery.add(new Base32().encodeToString(bytes(RECOVERY_BYTES)).toLowerCase(Locale.ROOT).replaceAll("(....)(?!$)", "$1-"));
        }
        store.confirm(person, recovery.stream().map(SecondFactor::hash).toList());
        return recovery;
    }

    @Transactional(transactionManager = PeopleDatabase.TRANSACTIONS, readOnly = true)
    public boolean inUse(int person) {
        return store.inUse(person);
    }

    @Transactional(transactionManager = PeopleDatabase.TRANSACTIONS, readOnly = true)
    public int recoveryLeft(int person) {
        return store.recoveryLeft(person);
    }

    /** Whether a code is right: one of now that has not been used, or one of those for a lost device. */
    public boolean right(int person, String code) {
        String typed = code.replaceAll("[\\s-]", "");
        if (typed.length() > 6) {
            return store.useRecovery(person, hash(typed));
        }
        return store.secret(person, true).map(s -> counts(person, sealed.open(s, person), typed)).orElse(false);
    }

    private boolean counts(int person, byte[] secret, String code) {
        OptionalLong step = codes.step(secret, code.replaceAll("\\s", ""), clock.instant());
        return step.isPresent() && store.use(person, step.getAsLong());
    }

    /** @return whether there was one */
    public boolean remove(int person) {
        return store.remove(person);
    }

    private byte[] bytes(int length) {
        byte[] bytes = new byte[length];
        random.nextBytes(bytes);
        return bytes;
    }

    private static String hash(String recovery) {
        return DigestUtils.sha256Hex(recovery.replace("-", "").toLowerCase(Locale.ROOT));
    }

    private static List<String> picture(String address) {
        try {
            BitMatrix code = new QRCodeWriter().encode(address, BarcodeFormat.QR_CODE, 0, 0, Map.of(EncodeHintType.MARGIN, 0));
            return IntStream.range(0, code.getHeight()).mapToObj(y -> IntStream.range(0, code.getWidth()).mapToObj(x -> code.get(x, y) ? "1" : "0")
                    .collect(Collectors.joining())).toList();
        } catch (WriterException e) {
            throw new IllegalStateException(e);
        }
    }
}
