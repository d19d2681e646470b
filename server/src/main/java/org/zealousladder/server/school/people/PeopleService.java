package org.zealousladder.server.school.people;

import static java.util.Objects.requireNonNull;

import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/**
 * Accounts and signing in. After {@value #TRIES_PER_LOGIN} wrong passwords for one name, or {@value #TRIES_PER_ADDRESS} from
 * one address, within {@value #MINUTES} minutes no more are tried: the count is kept in the database, so that a second
 * server process sees it too.
 */
@Service
public class PeopleService {
    static final int TRIES_PER_LOGIN = 5;
    static final int TRIES_PER_ADDRESS = 60;
    static final int MINUTES = 15;
    private static final int SHORTEST_PASSWORD = 10;
    private static final Logger LOG = LoggerFactory.getLogger(PeopleService.class);

    private final PeopleStore store;
    private final PasswordEncoder passwords;
    private final String noAccountHash;

    PeopleService(PeopleStore store, PasswordEncoder passwords) {
        this.store = store;
        this.passwords = passwords;
        this.noAccountHash = requireNonNull(passwords.encode("nobody has this password"));
    }

    /** Checks name and password; a refusal never says which of the two was wrong. */
    @Transactional(noRollbackFor = Refusal.class)
    public Viewer signIn(String login, String password, String address) {
        if (store.failedTries(login, MINUTES) >= TRIES_PER_LOGIN || store.failedTriesFrom(address, MINUTES) >= TRIES_PER_ADDRESS) {
            LOG.warn("sign-in held back after too many tries");
            throw new Refusal(HttpStatus.TOO_MANY_REQUESTS, "too-many-tries", null,
                    "Too many tries. Wait " + MINUTES + " minutes, or ask your administrator for a new password.");
        }
        PeopleStore.Account account = store.byLogin(login).orElse(null);
        // The hash is checked either way, so that the time taken does not tell which names exist.
        String hash = account == null || account.passwordHash() == null ? noAccountHash : account.passwordHash();
        boolean right = passwords.matches(password, hash) && account != null && account.passwordHash() != null;
        store.recordTry(login, address, right);
        if (!right) {
            throw Refusal.unauthorized("That name and password do not go together. Check both and try again.");
        }
        LOG.info("signed in person={} role={}", requireNonNull(account).id(), account.role());
        return new Viewer(account.id(), account.login(), account.name(), account.role(), account.schoolId());
    }

    /** Signs a sample person in without a password; the caller has made sure that this is the demo. */
    @Transactional(readOnly = true)
    public Viewer sample(String login) {
        PeopleStore.Account a = store.byLogin(login).orElseThrow(() -> Refusal.notFound("There is no sample person of that name."));
        return new Viewer(a.id(), a.login(), a.name(), a.role(), a.schoolId());
    }

    @Transactional(readOnly = true)
    public List<SamplePerson> samples() {
        return store.samples();
    }

    @Transactional(readOnly = true)
    public boolean nobodyYet() {
        return store.nobodyYet();
    }

    /** @throws Refusal if there is no such person or the password is too short */
    @Transactional
    public void setPassword(String login, String password) {
        requirePassword(password);
        if (store.setPassword(login, requireNonNull(passwords.encode(password))) == 0) {
            throw Refusal.notFound("There is no person with the sign-in name '" + login + "'.");
        }
    }

    /** A new one-time token; any earlier one stops working. */
    @Transactional
    public String newSetupToken() {
        String token = SetupToken.fresh();
        store.newSetupLink(SetupToken.hash(token));
        return token;
    }

    @Transactional
    public void setUp(String token, String login, String name, String password) {
        requirePassword(password);
        if (!store.nobodyYet() || !store.useSetupLink(SetupToken.hash(token))) {
            throw Refusal.forbidden("This link has been used or is not the newest one. Start the server again for a new one, or sign in.");
        }
        store.addAdministrator(login, name, requireNonNull(passwords.encode(password)));
        LOG.info("first administrator set up");
    }

    private static void requirePassword(String password) {
        if (password.length() < SHORTEST_PASSWORD) {
            throw Refusal.invalid("password", "The password needs at least " + SHORTEST_PASSWORD + " characters. Three words in a row do well.");
        }
        if (password.getBytes(java.nio.charset.StandardCharsets.UTF_8).length > 72) {
            throw Refusal.invalid("password", "The password is too long: at most 72 characters.");
        }
    }

    @Scheduled(cron = "0 23 4 * * *")
    @Transactional
    void forgetOldTries() {
        store.forgetOldTries();
    }
}
