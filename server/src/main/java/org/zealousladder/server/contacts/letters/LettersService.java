package org.zealousladder.server.contacts.letters;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.contacts.contacts.Contact;
import org.zealousladder.server.contacts.contacts.ContactsService;
import org.zealousladder.server.contacts.letters.LettersView.LetterText;
import org.zealousladder.server.contacts.letters.LettersView.Unreached;
import org.zealousladder.server.contacts.outbox.Letter;
import org.zealousladder.server.contacts.outbox.MailProperties;
import org.zealousladder.server.contacts.outbox.OutboxService;
import org.zealousladder.server.contacts.texts.Fields;
import org.zealousladder.server.contacts.texts.SchoolText.Wording;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Texts;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;

/** Makes the letters of one text, shows every one of them, and sends them one by one. */
@Service
@Transactional
class LettersService {
    private final LettersStore store;
    private final ValuesService values;
    private final RosterService roster;
    private final OutboxService outbox;
    private final ContactsService contacts;
    private final MailProperties mail;
    private final SchoolCalendar calendar;

    LettersService(LettersStore store, ValuesService values, RosterService roster, OutboxService outbox, ContactsService contacts, MailProperties mail,
            SchoolCalendar calendar) {
        this.store = store;
        this.values = values;
        this.roster = roster;
        this.outbox = outbox;
        this.contacts = contacts;
        this.mail = mail;
        this.calendar = calendar;
    }

    @Transactional(readOnly = true)
    LettersView preview(LetterForm form) {
        LocalDate today = calendar.today();
        List<Wording> wordings = form.wordings().stream()
                .map(w -> new Wording(w.language().strip(), Texts.clean(w.subject()).strip(), Texts.clean(w.body()).strip())).toList();
        for (Wording w : wordings) {
            Fields.check(w.subject(), "subject");
            Fields.check(w.body(), "body");
            if (w.subject().chars().anyMatch(Character::isISOControl)) {
                throw Refusal.invalid("subject", "A subject is one line.");
            }
        }
        Wording common = wordings.stream().filter(w -> w.language().isEmpty()).findFirst()
                .orElseThrow(() -> Refusal.invalid("wordings", "Write a wording for everybody who reads none of the other languages."));
        roster.requireStudents(Set.copyOf(form.students()));
        List<Enrolled> students = roster.enrolledAmong(form.students(), today);
        Map<Integer, Map<String, String>> known = values.of(students, roster.year(form.year()), today, form.measure());
        LettersStore.Sender sender = store.sender(Viewer.current().id()).orElse(new LettersStore.Sender(Viewer.current().name(), null));
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        Map<Integer, List<LettersStore.Somebody>> people = people(form.to(), ids, today).stream()
                .collect(Collectors.groupingBy(LettersStore.Somebody::studentId));
        List<LettersStore.Named> mates = store.schoolmates(students.stream().map(Enrolled::classId).distinct().toList(), today);
        List<LetterText> letters = new ArrayList<>();
        List<Unreached> unreached = new ArrayList<>();
        for (Enrolled e : students) {
            List<LettersStore.Somebody> to = people.getOrDefault(e.id(), List.of());
            List<LettersStore.Somebody> reached = to.stream().filter(p -> p.email() != null && !p.noWriting()).toList();
            if (reached.isEmpty()) {
                unreached.add(new Unreached(e.ref(), to.isEmpty() ? nobody(form.to())
                        : to.stream().allMatch(LettersStore.Somebody::noWriting) ? "must not be written to" : "no e-mail address on record"));
            }
            reached.forEach(p -> letters.add(
                    letter(e, p, wordings.stream().filter(w -> p.language() != null && w.language().equalsIgnoreCase(p.language())).findFirst().orElse(common),
                            known.getOrDefault(e.id(), Map.of()), form, sender, mates)));
        }
        return new LettersView(letters, unreached, seen(letters), sender.email());
    }

    private List<LettersStore.Somebody> people(LetterForm.To to, List<Integer> students, LocalDate today) {
        return to == LetterForm.To.STAFF ? store.staff(students, today, Viewer.current().id()) : store.home(students, today, to == LetterForm.To.STUDENT);
    }

    private static String nobody(LetterForm.To to) {
        return switch (to) {
            case HOME -> "nobody at home is on record";
            case STUDENT -> "no address of their own is on record";
            case STAFF -> "no other teacher or adviser";
        };
    }

    private static LetterText letter(Enrolled e, LettersStore.Somebody to, Wording w, Map<String, String> known, LetterForm form, LettersStore.Sender sender,
            List<LettersStore.Named> mates) {
        Map<String, String> all = new HashMap<>(form.instead() == null ? Map.of() : form.instead());
        all.values().removeIf(String::isBlank);
        all.putAll(known);
        all.put("recipient", to.name());
        all.put("sender", sender.name());
        TreeSet<String> missing = new TreeSet<>(Fields.in(w.subject()));
        missing.addAll(Fields.in(w.body()));
        missing.removeAll(all.keySet());
        String subject = Fields.filled(w.subject(), all);
        String body = Fields.filled(w.body(), all);
        String text = (subject + "\n" + body).toLowerCase(Locale.ROOT);
        String other = mates.stream().filter(m -> m.studentId() != e.id() && !m.name().equalsIgnoreCase((e.givenName() + " " + e.familyName()).strip()))
                .filter(m -> text.contains(m.name().toLowerCase(Locale.ROOT))).map(LettersStore.Named::name).findFirst().orElse(null);
        return new LetterText(to.key(), e.ref(), to.name(), String.valueOf(to.email()), w.language().isEmpty() ? null : w.language(), subject, body,
                List.copyOf(missing),
                wrong(subject, other));
    }

    private static @Nullable String wrong(String subject, @Nullable String other) {
        return other != null ? "It names another student, " + other + ". A letter speaks of one student only."
                : subject.length() > 200 ? "The subject is longer than 200 letters." : null;
    }

    private static Contact.Whom whom(LetterForm.To to) {
        return switch (to) {
            case HOME -> Contact.Whom.HOME;
            case STUDENT -> Contact.Whom.STUDENT;
            case STAFF -> Contact.Whom.STAFF;
        };
    }

    /** Changes with every letter, so that what is sent is what was seen. */
    private static String seen(List<LetterText> letters) {
        return UUID.nameUUIDFromBytes(letters.toString().getBytes(StandardCharsets.UTF_8)).toString();
    }

    /**
     * Puts every letter that is not left out into the outbox and notes it as a contact.
     *
     * @return how many
     * @throws Refusal 409 when a letter would now read otherwise than was seen; 422 while a field has no value; 503 without a mail server
     */
    int send(LetterForm form) {
        LettersView all = preview(form);
        if (!mail.set()) {
            throw new Refusal(HttpStatus.SERVICE_UNAVAILABLE, "no-mail", null,
                    "No mail server is set up, so nothing was sent. An administrator names one in ladder.conf.");
        }
        if (!all.seen().equals(form.seen())) {
            throw Refusal.conflict("A letter would now read otherwise than you saw it. Look through them once more; nothing was sent.");
        }
        if (all.replyTo() == null) {
            throw Refusal.invalid("replyTo", "You have no e-mail address on record for the answers. An administrator adds it under People; nothing was sent.");
        }
        Set<String> without = form.without() == null ? Set.of() : Set.copyOf(form.without());
        List<LetterText> go = all.letters().stream().filter(l -> !without.contains(l.key())).toList();
        if (go.isEmpty()) {
            throw Refusal.invalid("students", "Every letter is left out, so there is nothing to send.");
        }
        go.stream().filter(l -> l.wrong() != null).findFirst().ifPresent(l -> {
            throw Refusal.invalid("body", l.student().name() + ": " + l.wrong() + " Nothing was sent.");
        });
        go.stream().filter(l -> !l.missing().isEmpty()).findFirst().ifPresent(l -> {
            throw Refusal.invalid("body", "There is no {" + l.missing().get(0) + "} for " + l.student().name()
                    + ". Say what stands there instead, or leave the letter out. Nothing was sent.");
        });
        String name = store.sender(Viewer.current().id()).map(LettersStore.Sender::name).orElse(Viewer.current().name());
        for (LetterText l : go) {
            long id = outbox.add(new Letter(l.student().id(), l.recipient(), l.address(), l.language(), l.subject(), l.body(), name, all.replyTo()));
            contacts.written(l.student().id(), whom(form.to()), l.recipient(), id);
        }
        return go.size();
    }
}
