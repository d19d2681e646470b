package org.zealousladder.server.school.people;

import static java.util.Objects.requireNonNull;

import java.time.Clock;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionOperations;
import org.zealousladder.server.platform.database.PeopleDatabase;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;

/**
 * Checks names and passwords, and makes who errs wait (see {@link SignInPauses}). What is counted is kept in the database, so that a second server
 * process sees it too; a try is counted before its password is looked at, so that many at once are no way around.
 */
@Service
public class SigningIn {
    private static final Logger LOG = LoggerFactory.getLogger(SigningIn.class);

    private final SignInStore store;
    private final PeopleStore people;
    private final Passwords passwords;
    private final TransactionOperations transaction;
    private final Clock clock;

    SigningIn(SignInStore store, PeopleStore people, Passwords passwords, TransactionOperations springSessionTransactionOperations, Clock clock) {
        this.store = store;
        this.people = people;
        this.passwords = passwords;
        this.transaction = springSessionTransactionOperations;
        this.clock = clock;
    }

    /**
     * Where a try comes from.
     *
     * @param device the token that the browser carries, if any
     */
    public record Place(String address, @Nullable String device) {}

    /**
     * A refusal never says which of the two was wrong. The password is checked between two transactions, since that takes a while.
     *
     * @throws Refusal 401 when name and password do not go together, 429 with the seconds to wait after too many tries
     */
    public Viewer signIn(String login, String password, Place from) {
        String device = from.device() == null ? null : SetupToken.hash(from.device());
        long tried = begin(login, from.address(), device);
        PeopleStore.Account account = people.byLogin(login).orElse(null);
        if (!passwords.right(password, account == null ? null : account.passwordHash()) || account == null) {
            throw Refusal.unauthorized("That name and password do not go together. Check both and try again.");
        }
        store.succeeded(tried);
        passwords.renewed(password, requireNonNull(account.passwordHash())).ifPresent(hash -> people.setPassword(login, hash));
        LOG.info("signed in person={} role={}", account.id(), account.role());
        return account.viewer();
    }

    private long begin(String login, String address, @Nullable String device) {
        Long tried = transaction.execute(status -> {
            store.oneAtATime(login);
            boolean known = device != null && store.knows(login, device);
            String place = known ? "device:" + device : address;
            Duration left = SignInPauses.left(store.record(login, place, SignInPauses.MEMORY), known, clock.instant());
            if (left.compareTo(Duration.ZERO) > 0) {
                throw tooMany(left);
            }
            return store.begin(login, place);
        });
        return java.util.Objects.requireNonNull(tried);
    }

    private static Refusal tooMany(Duration left) {
        LOG.warn("sign-in held back after too many tries");
        long seconds = Math.max(1, left.toSeconds() + (left.getNano() > 0 ? 1 : 0));
        String wait = seconds < 90 ? Words.number(seconds) + (seconds == 1 ? " second" : " seconds") : Words.number((seconds + 59) / 60) + " minutes";
        return new Refusal(HttpStatus.TOO_MANY_REQUESTS, "too-many-tries", null,
                "Too many tries. Wait " + wait + " and try again, or ask your administrator for a new password.").retryAfter(seconds);
    }

    /** The browser has shown that it is one of the person's: others' wrong passwords do not delay it. */
    public void learn(String device, int person) {
        store.learn(SetupToken.hash(device), person);
    }

    @Scheduled(cron = "0 23 4 * * *")
    @Transactional(PeopleDatabase.TRANSACTIONS)
    void forgetOld() {
        store.forgetOld();
    }
}
