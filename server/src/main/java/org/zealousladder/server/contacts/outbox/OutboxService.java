package org.zealousladder.server.contacts.outbox;

import jakarta.mail.MessagingException;
import jakarta.mail.SendFailedException;
import java.io.IOException;
import java.io.UnsupportedEncodingException;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.UUID;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.eclipse.angus.mail.smtp.SMTPSendFailedException;
import org.eclipse.angus.mail.util.MailConnectException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.mail.MailSendException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.server.platform.problems.Refusal;

/**
 * The outbox. A letter is written down with what tells of it, in one transaction; then it is handed over. What the mail server refuses for good (5xx) is not tried again,
 * nor what it may have taken although the answer got lost; anything else is, with growing pauses, for a day.
 */
@Service
public class OutboxService {
    private static final Logger LOG = LoggerFactory.getLogger(OutboxService.class);
    private static final Duration FIRST_PAUSE = Duration.ofMinutes(1);
    private static final Duration LONGEST_PAUSE = Duration.ofHours(2);
    private static final Duration GIVEN_UP = Duration.ofDays(1);
    private static final Duration HANDING_OVER = Duration.ofMinutes(10);

    private final OutboxStore store;
    private final MailSender mail;
    private final MailProperties settings;
    private final TransactionTemplate transaction;

    OutboxService(OutboxStore store, MailSender mail, MailProperties settings, PlatformTransactionManager transactions) {
        this.store = store;
        this.mail = mail;
        this.settings = settings;
        transaction = new TransactionTemplate(transactions);
    }

    /** Puts a letter in; it goes out after a moment, in which it can be stopped. */
    @Transactional
    public long add(Letter letter) {
        String domain = settings.from().substring(settings.from().lastIndexOf('@') + 1);
        return store.add(letter, "<" + UUID.randomUUID() + "@" + domain + ">", Duration.ofSeconds(settings.pause()));
    }

    /** @throws Refusal 409 for one that has gone out, or is about to */
    @Transactional
    public void stop(long id) {
        if (!store.stop(id)) {
            throw Refusal.conflict("It has gone out already, or is just being handed over.");
        }
    }

    /**
     * Hands over what is due, one letter after another.
     *
     * @return how many were tried
     */
    int work() {
        transaction.executeWithoutResult(s -> store.unsure(HANDING_OVER));
        int tried = 0;
        for (Optional<OutboxStore.Due> next = take(); next.isPresent(); next = take()) {
            tried++;
            hand(next.get());
        }
        return tried;
    }

    private Optional<OutboxStore.Due> take() {
        Optional<OutboxStore.Due> due = transaction.execute(s -> store.take());
        return due == null ? Optional.empty() : due;
    }

    private void hand(OutboxStore.Due letter) {
        try {
            mail.send(letter);
            transaction.executeWithoutResult(s -> store.is(letter.id(), "sent", null));
        } catch (MessagingException | UnsupportedEncodingException | RuntimeException e) {
            String said = words(e);
            boolean perhapsGone = perhapsGone(e);
            boolean forGood = forGood(e) || letter.madeAt().isBefore(OffsetDateTime.now().minus(GIVEN_UP));
            LOG.info("letter {} was not taken: {}", letter.id(), e.getClass().getSimpleName());
            transaction.executeWithoutResult(s -> {
                if (perhapsGone) {
                    store.is(letter.id(), "unsure", said);
                } else if (forGood) {
                    store.is(letter.id(), "failed", said);
                } else {
                    store.again(letter.id(), pause(letter.tries()), said);
                }
            });
        }
    }

    static Duration pause(int tries) {
        Duration pause = FIRST_PAUSE.multipliedBy(1L << Math.min(tries - 1, 10));
        return pause.compareTo(LONGEST_PAUSE) > 0 ? LONGEST_PAUSE : pause;
    }

    /** Whether the mail server said no for good: a code from 500 on, or an address that is none. */
    private static boolean forGood(Exception e) {
        for (Throwable t = deeper(e); t != null; t = deeper(t)) {
            if (t instanceof SMTPSendFailedException f && f.getReturnCode() >= 500 || t instanceof SMTPAddressFailedException a && a.getReturnCode() >= 500
                    || t instanceof jakarta.mail.internet.AddressException) {
                return true;
            }
        }
        return e instanceof jakarta.mail.internet.AddressException;
    }

    /** Whether the line broke while the mail server may have had the whole letter already: then it is not sent again by itself. */
    private static boolean perhapsGone(Exception e) {
        boolean broke = false;
        for (Throwable t = e; t != null; t = deeper(t)) {
            if (t instanceof MailConnectException) {
                return false;
            }
            broke |= t instanceof IOException || t instanceof SMTPSendFailedException f && f.getReturnCode() < 0;
        }
        return broke;
    }

    private static @Nullable Throwable deeper(Throwable t) {
        if (t instanceof MailSendException m && m.getMessageExceptions().length > 0 && m.getMessageExceptions()[0] != t) {
            return m.getMessageExceptions()[0];
        }
        return t instanceof MessagingException m && m.getNextException() != null ? m.getNextException()
                : t instanceof SendFailedException ? null : t.getCause();
    }

    private static String words(Exception e) {
        Throwable last = e;
        for (Throwable t = e; t != null; t = deeper(t)) {
            last = t;
        }
        return last.getMessage() == null ? last.getClass().getSimpleName() : last.getMessage().strip();
    }
}
