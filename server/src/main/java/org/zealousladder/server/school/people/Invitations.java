package org.zealousladder.server.school.people;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.database.PeopleDatabase;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/** Accounts that administrators make, and the links by which people set their own passwords: nobody's password is ever known to somebody else. */
@Service
@Transactional(PeopleDatabase.TRANSACTIONS)
public class Invitations {
    static final Duration LASTS = Duration.ofDays(7);
    private static final Pattern LOGIN = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{N}._@+-]{0,99}");

    private final InvitationStore store;
    private final PeopleStore people;
    private final SignInStore signIn;
    private final Passwords passwords;
    private final Audit audit;
    private final Clock clock;

    Invitations(InvitationStore store, PeopleStore people, SignInStore signIn, Passwords passwords, Audit audit, Clock clock) {
        this.store = store;
        this.people = people;
        this.signIn = signIn;
        this.passwords = passwords;
        this.audit = audit;
        this.clock = clock;
    }

    /** Somebody for whom a link is. */
    public record Invited(int id, String login, String name) {}

    /** A school that somebody may work at. */
    public record School(int id, String name) {}

    /**
     * A link that has just been made; its token is told this once.
     *
     * @param token stands behind the # of the address and so never reaches a log
     */
    public record Link(int person, String token, Instant endsAt) {}

    @Transactional(transactionManager = PeopleDatabase.TRANSACTIONS, readOnly = true)
    public List<School> schools() {
        return store.schools();
    }

    /** @throws Refusal 422 for what cannot be, 409 where the sign-in name is taken */
    public Link invite(String login, String name, PersonRole role, @Nullable Integer school, @Nullable String email) {
        Viewer by = requireAdministrator();
        if (!LOGIN.matcher(login).matches()) {
            throw Refusal.invalid("login", "A sign-in name has letters, digits and . _ - @ +, and begins with a letter or a digit.");
        }
        if (role != PersonRole.ADMINISTRATOR && school == null) {
            throw Refusal.invalid("schoolId", (role == PersonRole.INTERVENTIONIST ? "An " : "A ") + role.code() + " needs a school.");
        }
        if (school != null && store.schools().stream().noneMatch(s -> s.id() == school)) {
            throw Refusal.invalid("schoolId", "There is no such school.");
        }
        int person = store.add(login, name, role, role == PersonRole.ADMINISTRATOR ? null : school, email)
                .orElseThrow(() -> Refusal.conflict("There is somebody with the sign-in name '" + login + "' already. Choose another."));
        audit.note(Note.of(Kind.RIGHTS, "account made").whom(person));
        return link(by, person);
    }

    /** For somebody who has none yet, or has forgotten the password. The link before stops counting; the password stays until another is set. */
    public Link link(int person) {
        Viewer by = requireAdministrator();
        if (!store.open(person)) {
            throw Refusal.notFound("There is no such account, or it has ended.");
        }
        return link(by, person);
    }

    private Link link(Viewer by, int person) {
        String token = SetupToken.fresh();
        Instant ends = clock.instant().plus(LASTS);
        store.make(SetupToken.hash(token), person, by.id(), ends);
        audit.note(Note.of(Kind.RIGHTS, "link for a password made").whom(person));
        return new Link(person, token, ends);
    }

    @Transactional(transactionManager = PeopleDatabase.TRANSACTIONS, readOnly = true)
    public Optional<Invited> whom(String token) {
        return store.whom(SetupToken.hash(token), clock.instant());
    }

    /**
     * Sets the password of whom the link is for. Their sessions end, and no device is known any more, and passkeys go; a second step stays.
     *
     * @throws Refusal 403 when the link does not count, 422 when the password cannot be one
     */
    public void accept(String token, String password) {
        Invited whom = whom(token).orElseThrow(Invitations::gone);
        String hash = passwords.hash(password);
        if (!store.use(SetupToken.hash(token))) {
            throw gone();
        }
        people.setPassword(whom.login(), hash).orElseThrow(Invitations::gone);
        signIn.endSessions(whom.login(), null);
        signIn.forgetDevices(whom.id());
        signIn.forgetOtherWays(whom.id());
        audit.note(whom.id(), Note.of(Kind.RIGHTS, "password set by a link").whom(whom.id()));
    }

    static Refusal gone() {
        return Refusal.forbidden("This link has been used, is older than a week, or a newer one was made. Ask your administrator for another.");
    }

    private static Viewer requireAdministrator() {
        return Viewer.administrator("Accounts are an administrator's to make. Nothing was changed.");
    }
}
