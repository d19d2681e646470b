package org.zealousladder.server.contacts.contacts;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Coded;
import org.zealousladder.server.contacts.outbox.MailProperties;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Texts;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SpokenHome;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/** Notes calls and talks, and shows what was said and written. */
@Service
@Transactional
public class ContactsService implements SpokenHome {
    private static final int MOST = 200;

    private final ContactsStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;
    private final MailProperties mail;

    ContactsService(ContactsStore store, RosterService roster, SchoolCalendar calendar, MailProperties mail) {
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
        this.mail = mail;
    }

    @Transactional(readOnly = true)
    ContactsView view(Who who, int yearId, LocalDate asked) {
        LocalDate asOf = roster.year(yearId).clamp(asked);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        Map<Integer, StudentRef> refs = students.stream().collect(Collectors.toMap(Enrolled::id, Enrolled::ref, (a, b) -> a));
        return new ContactsView(shown(store.due(refs.keySet(), asOf), refs), shown(store.newest(refs.keySet(), asOf, MOST), refs), mail.set(),
                Viewer.current().role() == Viewer.Role.ADMINISTRATOR ? mail.page() : null);
    }

    /** Those whose day to look again has come. */
    @Transactional(readOnly = true)
    public List<Contact> due(List<Enrolled> students, LocalDate asOf) {
        Map<Integer, StudentRef> refs = students.stream().collect(Collectors.toMap(Enrolled::id, Enrolled::ref, (a, b) -> a));
        return shown(store.due(refs.keySet(), asOf), refs);
    }

    /** When home was last spoken to; nobody whose home was not, this year or before. */
    @Transactional(readOnly = true)
    List<HomeSpoken> home(Who who, int yearId, LocalDate asked) {
        LocalDate asOf = roster.year(yearId).clamp(asked);
        return store.home(roster.enrolled(who, yearId, asOf).stream().map(Enrolled::id).toList(), asOf);
    }

    @Override
    @Transactional(readOnly = true)
    public @Nullable Map<Integer, LocalDate> of(@Nullable Boolean asked, Who who, int yearId, LocalDate asOf) {
        return Boolean.TRUE.equals(asked) ? home(who, yearId, asOf).stream().collect(Collectors.toMap(HomeSpoken::student, HomeSpoken::last)) : null;
    }

    /** A student's contacts, the newest first. */
    @Transactional(readOnly = true)
    public List<Contact> of(Enrolled student, LocalDate asOf) {
        return shown(store.newest(List.of(student.id()), asOf, MOST), Map.of(student.id(), student.ref()));
    }

    private static List<Contact> shown(List<ContactsStore.ContactRow> rows, Map<Integer, StudentRef> refs) {
        Viewer viewer = Viewer.current();
        return rows.stream().map(r -> new Contact(r.id(), Objects.requireNonNull(refs.get(r.studentId())), Coded.of(Contact.Way.class, r.way(), "a way"),
                Coded.of(Contact.Whom.class, r.whom(), "somebody"), r.name(), r.onDay(), r.reached(), r.words() == null ? r.body() : r.words(), r.lookAgainOn(),
                r.lookedOn() != null, r.by(), r.letterId(), r.state() == null ? null : Coded.of(Contact.LetterState.class, r.state(), "a state"), r.subject(),
                r.said(),
                r.letterId() == null && (viewer.role() == Viewer.Role.ADMINISTRATOR || Objects.equals(r.recordedBy(), viewer.id())))).toList();
    }

    /** @throws Refusal 422 for a day ahead, or a look-again day that is not after it; 403 for a student who is not the viewer's */
    void note(NoteForm note) {
        LocalDate today = calendar.today();
        if (note.on().isAfter(today)) {
            throw Refusal.invalid("on", "That day is still to come. When was it?");
        }
        if (note.lookAgainOn() != null && !note.lookAgainOn().isAfter(today)) {
            throw Refusal.invalid("lookAgainOn", "Choose a day after today.");
        }
        @Nullable
        String words = note.words() == null ? null : Words.orNull(Texts.clean(note.words()));
        @Nullable
        String name = note.name() == null ? null : Words.orNull(Texts.clean(note.name()));
        if (words == null && note.reached()) {
            throw Refusal.invalid("words", "Say in a few words what was said or agreed.");
        }
        roster.requireStudents(Set.copyOf(note.students()));
        note.students().stream().distinct().forEach(s -> store.add(s, note, name, words, today));
    }

    /** Notes that a letter was written. */
    public void written(int student, Contact.Whom whom, String name, long letter) {
        store.written(student, whom, name, calendar.today(), letter);
    }

    void looked(long id) {
        if (!store.looked(id, calendar.today())) {
            throw Refusal.notFound("That is no longer to be looked at. Somebody may have done it.");
        }
    }

    void withdraw(long id, String because) {
        if (!store.withdraw(id, because, calendar.today(), Viewer.current().role() == Viewer.Role.ADMINISTRATOR)) {
            throw Refusal.notFound("Only who noted it can take it back, and it must still be there.");
        }
    }
}
