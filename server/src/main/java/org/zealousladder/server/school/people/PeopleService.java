package org.zealousladder.server.school.people;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.database.PeopleDatabase;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/** The sample people of the demo, and the first administrator. */
@Service
public class PeopleService {
    private final PeopleStore store;
    private final Passwords passwords;
    private final Audit audit;

    PeopleService(PeopleStore store, Passwords passwords, Audit audit) {
        this.store = store;
        this.passwords = passwords;
        this.audit = audit;
    }

    /** Signs a sample person in without a password; the caller has made sure that this is the demo. */
    @Transactional(PeopleDatabase.TRANSACTIONS)
    public Viewer sample(String login) {
        PeopleStore.Account a = store.byLogin(login).orElseThrow(() -> Refusal.notFound("There is no sample person of that name."));
        store.signedIn(a.id());
        audit.note(a.id(), Note.of(Kind.SIGN_IN, "signed in as a sample person"));
        return a.viewer();
    }

    @Transactional(transactionManager = PeopleDatabase.TRANSACTIONS, readOnly = true)
    public List<SamplePerson> samples() {
        return store.samples();
    }

    @Transactional(transactionManager = PeopleDatabase.TRANSACTIONS, readOnly = true)
    public boolean nobodyYet() {
        return store.nobodyYet();
    }

    /** A new one-time token; any earlier one stops working. */
    @Transactional(PeopleDatabase.TRANSACTIONS)
    public String newSetupToken() {
        String token = SetupToken.fresh();
        store.newSetupLink(SetupToken.hash(token));
        return token;
    }

    @Transactional(PeopleDatabase.TRANSACTIONS)
    public void setUp(String token, String login, String name, String password) {
        String hash = passwords.hash(password);
        if (!store.nobodyYet() || !store.useSetupLink(SetupToken.hash(token))) {
            throw Refusal.forbidden("This link has been used or is not the newest one. Start the server again for a new one, or sign in.");
        }
        store.addAdministrator(login, name, hash);
        audit.note(Note.of(Kind.RIGHTS, "first administrator set up"));
    }
}
