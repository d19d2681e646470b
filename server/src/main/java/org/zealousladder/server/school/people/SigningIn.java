package org.zealousladder.server.school.people;

import static java.util.Objects.requireNonNull;

import java.time.Clock;
import java.time.Duration;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionOperations;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.database.PeopleDatabase;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.factor.SecondFactor;

/**
 * Checks names and passwords, and makes who errs wait (see {@link SignInPauses}). What is counted is kept in the database, so that a second server
 * process sees it too; a try is counted before its password is looked at, so that many at once are no way around.
 */
@Service
public class SigningIn {
    private final SignInStore store;
    private final PeopleStore people;
    private final Passwords passwords;
    private final TransactionOperations transaction;
    private final Clock clock;
    private final Audit audit;
    private final SecondFactor factor;

    SigningIn(SignInStore store, PeopleStore people, Passwords passwords, TransactionOperations springSessionTransactionOperations, Clock clock,
            Audit audit, SecondFactor factor) {
        this.factor = factor;
        this.store = store;
        this.people = people;
        this.passwords = passwords;
        this.transaction = springSessionTransactionOperations;
        this.clock = clock;
        this.audit = audit;
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
     * @param code of the second step; null where none was given
     * @throws Refusal 401 when name and password do not go together, or a code is wanted or wrong, 429 with the seconds to wait after too many tries
     */
    public Viewer signIn(String login, String password, @Nullable String code, Place from) {
        PeopleStore.Account account = checked(login, password, from, a -> secondStep(a, code));
        people.signedIn(account.id());
        audit.note(account.id(), Note.of(Kind.SIGN_IN, "signed in"));
        return account.viewer();
    }

    /**
     * Lets somebody in who has shown who they are by another way than a password.
     *
     * @param how for the record
     * @throws Refusal 401 when the account has ended
     */
    public Viewer admit(int person, String how) {
        PeopleStore.Account account = people.byId(person).orElseThrow(() -> Refusal.unauthorized("Your account has ended. Ask your administrator."));
        people.signedIn(person);
        audit.note(person, Note.of(Kind.SIGN_IN, how));
        return account.viewer();
    }

    /** Whether a person who is signed in knows the password: a wrong one counts as a try to sign in. */
    public void known(String login, String password, Place from) {
        checked(login, password, from, account -> true);
    }

    /** The password is right; is the second step, where the person has one? Without a code it is asked for, and that is no wrong try. */
    private boolean secondStep(PeopleStore.Account account, @Nullable String code) {
        if (!factor.inUse(account.id())) {
            return true;
        }
        if (code == null || code.isBlank()) {
            return false;
        }
        if (!factor.right(account.id(), code)) {
            audit.note(null, Note.of(Kind.REFUSED, "sign-in with a wrong code").whom(account.id()));
            throw new Refusal(HttpStatus.UNAUTHORIZED, "code-wrong", "code", "That code is not right, or has been used. Type the one that is shown now.");
        }
        return true;
    }

    private PeopleStore.Account checked(String login, String password, Place from, Predicate<PeopleStore.Account> further) {
        String device = from.device() == null ? null : SetupToken.hash(from.device());
        long tried = begin(login, from.address(), device);
        PeopleStore.Account account = people.byLogin(login).orElse(null);
        if (!passwords.right(password, account == null ? null : account.passwordHash()) || account == null) {
            // Not the name that was typed: it may be a password in the wrong field.
            audit.note(null, Note.of(Kind.REFUSED, account == null ? "sign-in with a name that nobody has" : "sign-in with a wrong password")
                    .whom(account == null ? null : account.id()));
            throw Refusal.unauthorized("That name and password do not go together. Check both and try again.");
        }
        if (!further.test(account)) {
            store.forget(tried);
            throw new Refusal(HttpStatus.UNAUTHORIZED, "code-wanted", "code", "Type the six digits that your authenticator shows now.");
        }
        store.succeeded(tried);
        passwords.renewed(password, requireNonNull(account.passwordHash())).ifPresent(hash -> people.setPassword(login, hash));
        return account;
    }

    /** @param left how long there is to wait; then the try was not counted */
    private record Try(long id, Duration left) {}

    private long begin(String login, String address, @Nullable String device) {
        Try tried = requireNonNull(transaction.execute(status -> {
            store.oneAtATime(login);
            boolean known = device != null && store.knows(login, device);
            String place = known ? "device:" + device : address;
            Duration left = SignInPauses.left(store.record(login, place, SignInPauses.MEMORY), known, clock.instant());
            return left.compareTo(Duration.ZERO) > 0 ? new Try(0, left) : new Try(store.begin(login, place), Duration.ZERO);
        }));
        if (!tried.left().isZero()) {
            audit.note(null,
                    Note.of(Kind.REFUSED, "sign-in held back after too many tries").whom(people.byLogin(login).map(PeopleStore.Account::id).orElse(null)));
            throw tooMany(tried.left());
        }
        return tried.id();
    }

    private static Refusal tooMany(Duration left) {
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
