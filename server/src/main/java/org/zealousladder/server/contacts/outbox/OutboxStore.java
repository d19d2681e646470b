package org.zealousladder.server.contacts.outbox;

import java.sql.Types;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.who.Viewer;

/** Letters on their way. */
@Repository
class OutboxStore {
    private final JdbcClient db;

    OutboxStore(JdbcClient db) {
        this.db = db;
    }

    long add(Letter l, String messageId, Duration wait) {
        return db
                .sql("""
                insert into contacts_letter (student_id, to_name, to_address, language, subject, body, reply_name, reply_address, message_id, sent_by, next_try)
                values (:student, :toName, :to, :language, :subject, :body, :replyName, :reply, :messageId, :by, now() + make_interval(secs => :wait)) returning id""")
                .param("student", l.studentId(), Types.INTEGER).param("toName", l.toName()).param("to", l.toAddress()).param("language", l.language())
                .param("subject", l.subject())
                .param("body", l.body()).param("replyName", l.replyName()).param("reply", l.replyAddress()).param("messageId", messageId)
                .param("by", Viewer.current().id())
                .param("wait", wait.toSeconds()).query(Long.class).single();
    }

    record Due(long id, String toName, String toAddress, String subject, String body, String replyName, String replyAddress, String messageId, int tries,
            OffsetDateTime madeAt) {}

    /** Takes the next letter; nobody else takes it then. */
    Optional<Due> take() {
        return db.sql("""
                update contacts_letter set state = 'sending', tries = tries + 1, state_at = now()
                 where id = (select id from contacts_letter where state = 'waiting' and next_try <= now() order by next_try, id limit 1 for update skip locked)
                returning id, to_name, to_address, subject, body, reply_name, reply_address, message_id, tries, made_at""").query(Due.class).optional();
    }

    void is(long id, String state, @Nullable String said) {
        db.sql("update contacts_letter set state = :state, said = left(:said, 500), state_at = now() where id = :id and state = 'sending'").param("id", id)
                .param("state", state)
                .param("said", said).update();
    }

    void again(long id, Duration pause, String said) {
        db.sql("update contacts_letter set state = 'waiting', next_try = now() + make_interval(secs => :pause), said = left(:said, 500), state_at = now() where id = :id and state = 'sending'")
                .param("id", id).param("pause", pause.toSeconds()).param("said", said).update();
    }

    /** Letters whose server ended while it handed them over. */
    int unsure(Duration after) {
        return db.sql(
                "update contacts_letter set state = 'unsure', state_at = now() where state = 'sending' and state_at < now() - make_interval(secs => :after)")
                .param("after", after.toSeconds()).update();
    }

    boolean stop(long id) {
        return db.sql("update contacts_letter set state = 'stopped', state_at = now() where id = :id and state = 'waiting'").param("id", id).update() == 1;
    }
}
