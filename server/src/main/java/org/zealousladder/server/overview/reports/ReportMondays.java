package org.zealousladder.server.overview.reports;

import static java.util.Objects.requireNonNull;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.server.contacts.outbox.Letter;
import org.zealousladder.server.contacts.outbox.MailProperties;
import org.zealousladder.server.contacts.outbox.OutboxService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;

/** Sends kept reports on Mondays: each as its owner would see it that morning. A server that was away sends it when it is back, until the week is over. */
@Component
@ConditionalOnWebApplication
class ReportMondays {
    private static final Logger LOG = LoggerFactory.getLogger(ReportMondays.class);
    private static final LocalTime FROM = LocalTime.of(6, 30);

    private final ReportsStore store;
    private final MondayLetter letters;
    private final OutboxService outbox;
    private final MailProperties mail;
    private final Rights rights;
    private final SchoolCalendar calendar;
    private final TransactionTemplate transaction;

    ReportMondays(ReportsStore store, MondayLetter letters, OutboxService outbox, MailProperties mail, Rights rights, SchoolCalendar calendar,
            PlatformTransactionManager transactions) {
        this.store = store;
        this.letters = letters;
        this.outbox = outbox;
        this.mail = mail;
        this.rights = rights;
        this.calendar = calendar;
        transaction = new TransactionTemplate(transactions);
    }

    @Scheduled(initialDelayString = "${ladder.reports.look:90000}", fixedDelayString = "${ladder.reports.look:300000}")
    void look() {
        if (!mail.set() || LocalTime.now(calendar.zone()).isBefore(FROM)) {
            return;
        }
        send(calendar.today());
    }

    /** All of the week that {@code today} is in which have not been sent yet. @return how many */
    int send(LocalDate today) {
        LocalDate monday = today.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        List<ReportsStore.Due> due = Viewer.SYSTEM.ask(() -> requireNonNull(transaction.execute(s -> store.due(monday))));
        int sent = 0;
        for (ReportsStore.Due d : due) {
            try {
                Optional<MondayLetter.Told> told = rights.now(d.person()).flatMap(viewer -> viewer.ask(() -> told(d.id(), today)));
                boolean put = Viewer.SYSTEM.ask(() -> Boolean.TRUE.equals(transaction.execute(s -> put(d, told, monday, today))));
                sent += put ? 1 : 0;
            } catch (RuntimeException e) {
                LOG.warn("no report {} for {}: {}", d.id(), d.person(), e.getClass().getSimpleName());
            }
        }
        return sent;
    }

    /** Of students whom somebody sees no more nothing is told, this week as well as the next. */
    private Optional<MondayLetter.Told> told(int id, LocalDate today) {
        try {
            return letters.write(id, today);
        } catch (Refusal e) {
            return Optional.empty();
        }
    }

    /** With what is sent in one transaction, and by one server: nobody has it twice. */
    private boolean put(ReportsStore.Due d, Optional<MondayLetter.Told> told, LocalDate monday, LocalDate today) {
        if (!store.take(d.id(), monday, today)) {
            return false;
        }
        Optional<ReportsStore.Reader> reader = store.reader(d.person());
        if (reader.isEmpty() || told.isEmpty()) {
            return false;
        }
        store.written(d.id(), outbox.add(new Letter(null, reader.get().name(), reader.get().email(), null, told.get().subject(), told.get().body(),
                "Zealous Ladder", mail.from())));
        return true;
    }
}
