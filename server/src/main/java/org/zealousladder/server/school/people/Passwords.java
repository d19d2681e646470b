package org.zealousladder.server.school.people;

import static java.util.Objects.requireNonNull;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import me.gosimple.nbvcxz.Nbvcxz;
import me.gosimple.nbvcxz.resources.ConfigurationBuilder;
import me.gosimple.nbvcxz.resources.Dictionary;
import me.gosimple.nbvcxz.resources.DictionaryBuilder;
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

    /** Of 0 to 4, as the library has it: ten to the eighth guesses. */
    private static final int ENOUGH = 3;
    /** What somebody would try who knows where this is. */
    private static final List<String> OF_THIS_PLACE = List.of("zealous", "ladder", "zealousladder", "skerrow", "school", "teacher", "coordinator",
            "administrator",
            "screening", "student", "password");

    private final PasswordEncoder encoder;
    private final String nobodys;

    Passwords(PasswordEncoder encoder) {
        this.encoder = encoder;
        this.nobodys = requireNonNull(encoder.encode("nobody has this password"));
    }

    /** Reads its lists when the first password is chosen: a start does not wait for them. */
    private static final class Guesses {
        static final Nbvcxz ALL = new Nbvcxz(new ConfigurationBuilder().setDictionaries(dictionaries()).createConfiguration());

        private static List<Dictionary> dictionaries() {
            List<Dictionary> all = new ArrayList<>(ConfigurationBuilder.getDefaultDictionaries());
            all.add(new DictionaryBuilder().setDictionaryName("place").setExclusion(false).addWords(OF_THIS_PLACE, 1).createDictionary());
            return all;
        }
    }

    /** @throws Refusal 422 when it cannot be one */
    String hash(String password) {
        if (password.length() < SHORTEST) {
            throw Refusal.invalid("password", "The password needs at least " + SHORTEST + " characters. Three words in a row do well.");
        }
        if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST) {
            throw Refusal.invalid("password", "The password is too long: at most " + LONGEST + " characters.");
        }
        // Lists of stolen passwords, words and names with the usual changes, patterns of the keyboard, and what belongs to this place.
        if (Guesses.ALL.estimate(password).getBasicScore() < ENOUGH) {
            throw Refusal.invalid("password",
                    "That is among the first passwords that are tried. Take three or four words that have nothing to do with each other.");
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
