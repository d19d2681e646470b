package org.zealousladder.server.school.people;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.database.PeopleDatabase;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.factor.SecondFactor;

/** Passwords, whether an account is open, and what somebody teaches. What is changed here counts from the next request on. */
@Service
@Transactional(PeopleDatabase.TRANSACTIONS)
public class AccountService {
    private final PeopleStore people;
    private final SignInStore signIn;
    private final Passwords passwords;
    private final Rights rights;
    private final Audit audit;
    private final SecondFactor factor;

    AccountService(PeopleStore people, SignInStore signIn, Passwords passwords, Rights rights, Audit audit, SecondFactor factor) {
        this.factor = factor;
        this.people = people;
        this.signIn = signIn;
        this.passwords = passwords;
        this.rights = rights;
        this.audit = audit;
    }

    /**
     * By somebody who may do so for others, at the machine itself. Every session of the person ends, and no device is known any more.
     *
     * @throws Refusal if there is no such person or the password cannot be one
     */
    public void setPassword(String login, String password) {
        String hash = passwords.hash(password);
        int person = people.setPassword(login, hash).orElseThrow(() -> Refusal.notFound("There is no person with the sign-in name '" + login + "'."));
        signIn.endSessions(login.toLowerCase(Locale.ROOT), null);
        signIn.forgetDevices(person);
        audit.note(Note.of(Kind.RIGHTS, "password set at the machine").whom(person));
    }

    /**
     * One's own, after the old one was given and checked. The other sessions end.
     *
     * @param here the session that stays
     */
    public void changeOwnPassword(String password, String here) {
        Viewer viewer = Viewer.current();
        people.setPassword(viewer.login(), passwords.hash(password)).orElseThrow();
        signIn.endSessions(viewer.login(), here);
        signIn.forgetDevices(viewer.id());
        audit.note(Note.of(Kind.RIGHTS, "own password changed").whom(viewer.id()));
    }

    /** A second step is asked for from now on. The other sessions end: they were begun without it. */
    public void factorSetUp(String here) {
        Viewer viewer = Viewer.current();
        signIn.endSessions(viewer.login(), here);
        rights.changed(viewer.id());
        audit.note(Note.of(Kind.RIGHTS, "second step at sign-in set up").whom(viewer.id()));
    }

    public void removeFactor() {
        Viewer viewer = Viewer.current();
        factor.remove(viewer.id());
        rights.changed(viewer.id());
        audit.note(Note.of(Kind.RIGHTS, "second step at sign-in taken away").whom(viewer.id()));
    }

    /**
     * For somebody who has lost the device and the codes, by whoever is at the machine itself.
     *
     * @throws Refusal if there is no such person, or no second step
     */
    public void forgetFactor(String login) {
        int person = people.byLogin(login).orElseThrow(() -> Refusal.notFound("There is no person with the sign-in name '" + login + "'.")).id();
        if (!factor.remove(person)) {
            throw Refusal.notFound(login + " has no second step at sign-in.");
        }
        signIn.endSessions(login.toLowerCase(Locale.ROOT), null);
        audit.note(Note.of(Kind.RIGHTS, "second step at sign-in taken away at the machine").whom(person));
    }

    /** @return how many were ended */
    public int endOtherSessions(String here) {
        return signIn.endSessions(Viewer.current().login(), here);
    }

    @Transactional(transactionManager = PeopleDatabase.TRANSACTIONS, readOnly = true)
    public boolean endsWhenIdle(int person) {
        return signIn.endsWhenIdle(person).orElse(false);
    }

    public void endWhenIdle(boolean ends) {
        signIn.endWhenIdle(Viewer.current().id(), ends);
    }

    /**
     * Somebody with an account.
     *
     * @param signedInAt when they last signed in
     * @param linkEndsAt until when the link that they were given counts; absent where there is none that counts
     * @param teaches their classes, of every year
     * @param caseload students on it today
     */
    public record Person(int id, String login, String name, Viewer.Role role, @Nullable Integer schoolId, boolean active, boolean hasPassword,
            boolean secondStep, @Nullable Instant signedInAt, @Nullable Instant linkEndsAt, List<Teaching> teaches, int caseload) {}

    /** @param ends the last day of the teaching; absent while it goes on */
    public record Teaching(int classId, String className, @Nullable LocalDate ends) {}

    @Transactional(transactionManager = PeopleDatabase.TRANSACTIONS, readOnly = true)
    public List<Person> everyone() {
        requireAdministrator();
        return people.everyone();
    }

    /** Ends an account or opens it again. Nothing of what the person entered is touched. */
    public void setActive(int person, boolean active) {
        Viewer by = requireAdministrator();
        if (person == by.id() && !active) {
            throw Refusal.conflict("This is your own account. Another administrator can end it; nothing was changed.");
        }
        String login = people.setActive(person, active).orElseThrow(() -> Refusal.notFound("There is no such person."));
        if (!active) {
            signIn.endSessions(login, null);
            signIn.forgetDevices(person);
        }
        rights.changed(person);
        audit.note(Note.of(Kind.RIGHTS, active ? "account opened" : "account ended").whom(person));
    }

    /** @param ends the last day on which the person teaches the class; null: it goes on */
    public void endTeaching(int person, int classId, @Nullable LocalDate ends) {
        requireAdministrator();
        if (people.endTeaching(person, classId, ends) == 0) {
            throw Refusal.notFound("This person does not teach that class.");
        }
        audit.note(Note.of(Kind.RIGHTS, ends == null ? "teaches again" : "teaching ends on " + ends).about("class-" + classId).whom(person));
    }

    private static Viewer requireAdministrator() {
        return Viewer.administrator("Accounts are an administrator's to change. Nothing was changed.");
    }
}
