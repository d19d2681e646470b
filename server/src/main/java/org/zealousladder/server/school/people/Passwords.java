package org.zealousladder.server.school.people;

import static java.util.Objects.requireNonNull;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.problems.Refusal;

/** What a password must be, and whether one is right. */
@Component
class Passwords {
    private static final int SHORTEST = 10;
    /** As many bytes as the hash takes in. */
    private static final int LONGEST = 72;

    private final PasswordEncoder encoder;
    private final String nobodys;

    Passwords(PasswordEncoder encoder) {
        this.encoder = encoder;
        this.nobodys = requireNonNull(encoder.encode("nobody has this password"));
    }

    /** @throws Refusal 422 when it cannot be one */
    String hash(String password) {
        if (password.length() < SHORTEST) {
            throw Refusal.invalid("password", "The password needs at least " + SHORTEST + " characters. Three words in a row do well.");
        }
        if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST) {
            throw Refusal.invalid("password", "The password is too long: at most " + LONGEST + " characters.");
        }
        return requireNonNull(encoder.encode(password));
    }

    /** @return the hash in today's form, where the one that was matched is of an earlier one */
    Optional<String> renewed(String password, String hash) {
        return encoder.upgradeEncoding(hash) ? Optional.ofNullable(encoder.encode(password)) : Optional.empty();
    }

    /** Takes as long where there is no hash, so that the time does not tell which names exist. */
    boolean right(String password, @Nullable String hash) {
        return encoder.matches(password, hash == null ? nobodys : hash) && hash != null;
    }
}
