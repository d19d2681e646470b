package org.zealousladder.server.overview.digest;

import java.time.LocalDate;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.server.contacts.outbox.Letter;
import org.zealousladder.server.contacts.outbox.MailProperties;
import org.zealousladder.server.contacts.outbox.OutboxService;
import org.zealousladder.server.overview.digest.DigestWriter.Digest;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;

/** Lets people ask for the morning letter, and puts it into the outbox: as each of them would see the Desk, once a day. */
@Service
class DigestService {
    private static final Logger LOG = LoggerFactory.getLogger(DigestService.class);

    private final DigestStore store;
    private final DigestWriter writer;
    private final OutboxService outbox;
    private final MailProperties mail;
    private final Rights rights;
    private final SchoolCalendar calendar;
    private final TransactionTemplate transaction;

    DigestService(DigestStore store, DigestWriter writer, OutboxService outbox, MailProperties mail, Rights rights, SchoolCalendar calendar,
            PlatformTransactionManager transactions) {
        this.store = store;
        this.writer = writer;
        this.outbox = outbox;
        this.mail = mail;
        this.rights = rights;
        this.calendar = calendar;
        transaction = new TransactionTemplate(transactions);
    }

    /**
     * Whether somebody has it.
     *
     * @param since when it was asked for; null: it is not
     * @param address where it goes; null: none is on record
     * @param last the day of the last one; @param state what became of it
     * @param possible whether there is a mail server
     */
    record DigestState(@Nullable LocalDate since, @Nullable String address, @Nullable LocalDate last, @Nullable String state, @Nullable String said,
            boolean possible) {}

    DigestState state() {
        int person = Viewer.current().id();
        Optional<DigestStore.Wish> wish = in(() -> store.of(person));
        Optional<DigestStore.Reader> reader = in(() -> store.reader(person));
        return new DigestState(wish.map(DigestStore.Wish::since).orElse(null), reader.map(DigestStore.Reader::email).orElse(null),
                wish.map(DigestStore.Wish::lastOn).orElse(null), wish.map(DigestStore.Wish::state).orElse(null), wish.map(DigestStore.Wish::said).orElse(null),
                mail.set());
    }

    private <T> Optional<T> in(java.util.function.Supplier<Optional<T>> work) {
        Optional<T> found = transaction.execute(s -> work.get());
        return found == null ? Optional.empty() : found;
    }

    /** @throws Refusal 422 for somebody without an address; 503 without a mail server */
    void want() {
        requirePossible();
        transaction.executeWithoutResult(s -> store.keep(Viewer.current().id(), calendar.today()));
    }

    void stop() {
        transaction.executeWithoutResult(s -> store.forget(Viewer.current().id()));
    }

    private DigestStore.Reader requirePossible() {
        if (!mail.set()) {
            throw new Refusal(org.springframework.http.HttpStatus.SERVICE_UNAVAILABLE, "no-mail", null,
                    "No mail server is set up, so there is no morning letter. An administrator names one in ladder.conf.");
        }
        int person = Viewer.current().id();
        return in(() -> store.reader(person))
                .orElseThrow(() -> Refusal.invalid("address", "You have no e-mail address on record. An administrator adds it under People."));
    }

    /** Today's at once, to see what it is like. @throws Refusal as {@link #want}; 404 for somebody who has no class, caseload or school */
    void now() {
        DigestStore.Reader reader = requirePossible();
        Digest digest = writer.write(calendar.today(), true).orElseThrow(() -> Refusal.notFound("You have no class, caseload or school to be told of."));
        Viewer.SYSTEM.run(() -> transaction.executeWithoutResult(s -> put(reader, digest)));
    }

    private long put(DigestStore.Reader reader, Digest digest) {
        return outbox.add(new Letter(null, reader.name(), reader.email(), null, digest.subject(), digest.body(), "Zealous Ladder", mail.from()));
    }

    /**
     * Everybody's who has none of today. Whom it fails for gets none this morning; the others do.
     *
     * @return how many letters
     */
    int send() {
        LocalDate today = calendar.today();
        int sent = 0;
        for (int person : Viewer.SYSTEM.ask(() -> in(() -> Optional.of(store.due(today)))).orElse(java.util.List.of())) {
            try {
                Optional<Digest> digest = rights.now(person).flatMap(viewer -> viewer.ask(() -> writer.write(today, false))).filter(d -> d.waits() > 0);
                boolean[] put = new boolean[1];
                Viewer.SYSTEM.run(() -> transaction.executeWithoutResult(s -> {
                    // With what waits in one transaction, and by one server: nobody has it twice.
                    if (store.take(person, today)) {
                        put[0] = store.reader(person).flatMap(r -> digest.map(d -> put(r, d))).map(letter -> {
                            store.written(person, letter);
                            return true;
                        }).orElse(false);
                    }
                }));
                sent += put[0] ? 1 : 0;
            } catch (RuntimeException e) {
                LOG.warn("no morning letter for {}: {}", person, e.getClass().getSimpleName());
            }
        }
        return sent;
    }
}
