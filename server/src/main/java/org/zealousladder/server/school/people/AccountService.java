package org.zealousladder.server.school.people;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataIntegrityViolationException;
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
        signIn.forgetOtherWays(person);
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
     * @param beside roles beside the first
     */
    public record Person(int id, String login, String name, PersonRole role, @Nullable Integer schoolId, boolean active, boolean hasPassword,
            boolean secondStep, @Nullable Instant signedInAt, @Nullable Instant linkEndsAt, List<Teaching> teaches, int caseload, @Nullable String email,
            List<Beside> beside) {}

    /**
     * A role beside the first.
     *
     * @param ends the last day; absent while it goes on
     */
    public record Beside(int id, PersonRole role, @Nullable Integer schoolId, LocalDate starts, @Nullable LocalDate ends) {}

    /** @param ends the last day of the teaching; absent while it goes on */
    public record Teaching(int classId, String className, String year, @Nullable LocalDate ends) {}

    /** A class that somebody can be given, of a year that runs or is to come. */
    public record TaughtClass(int id, String name, String year, int schoolId) {}

    @Transactional(transactionManager = PeopleDatabase.TRANSACTIONS, readOnly = true)
    public List<TaughtClass> classes() {
        requireAdministrator();
        return people.classes();
    }

    /** From today on the person teaches the class, also where they had ended. */
    public void teach(int person, int classId) {
        requireAdministrator();
        try {
            people.teach(person, classId);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.notFound("There is no such person or class.");
        }
        audit.note(Note.of(Kind.RIGHTS, "teaches").about("class-" + classId).whom(person));
    }

    @Transactional(transactionManager = PeopleDatabase.TRANSACTIONS, readOnly = true)
    public List<Person> everyone() {
        requireAdministrator();
        return people.everyone();
    }

    /** Signs somebody out everywhere. */
    public void endSessions(int person) {
        requireAdministrator();
        String login = people.login(person).orElseThrow(() -> Refusal.notFound("There is no such person."));
        signIn.endSessions(login, null);
        signIn.forgetDevices(person);
        audit.note(Note.of(Kind.RIGHTS, "signed out everywhere").whom(person));
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

    /** @param ends the last day; null: it goes on */
    public void addRole(int person, PersonRole role, @Nullable Integer school, LocalDate starts, @Nullable LocalDate ends) {
        requireAdministrator();
        if ((role == PersonRole.ADMINISTRATOR) != (school == null)) {
            throw Refusal.invalid("schoolId", school == null ? "A " + role.code() + " needs a school." : "An administrator's role is for every school.");
        }
        if (ends != null && ends.isBefore(starts)) {
            throw Refusal.invalid("ends", "The last day is before the first.");
        }
        boolean added;
        try {
            added = people.addRole(person, role, school, starts, ends);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.notFound("There is no such person or school.");
        }
        if (!added) {
            throw Refusal.invalid("role", "They have that role at that time already.");
        }
        rights.changed(person);
        audit.note(Note.of(Kind.RIGHTS, "role given: " + role.code()).about(school == null ? null : "school-" + school).whom(person));
    }

    /** @param ends the last day; null: it goes on */
    public void endRole(int person, int id, @Nullable LocalDate ends) {
        requireAdministrator();
        if (people.endRole(person, id, ends) == 0) {
            throw Refusal.invalid("ends", "There is no such role, or the day is before it begins.");
        }
        rights.changed(person);
        audit.note(Note.of(Kind.RIGHTS, ends == null ? "role goes on" : "role ends on " + ends).whom(person));
    }

    public void changeEmail(int person, @Nullable String email) {
        requireAdministrator();
        people.changeEmail(person, email);
        audit.note(Note.of(Kind.RIGHTS, "e-mail address changed").whom(person));
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
