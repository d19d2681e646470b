package org.zealousladder.server.overview.digest;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Who wants a letter in the morning, and what became of the last. */
@Repository
class DigestStore {
    private final JdbcClient db;

    DigestStore(JdbcClient db) {
        this.db = db;
    }

    /** @param lastOn when the last was written; @param state of that letter, and what the mail server {@code said}; null where there was nothing to write */
    record Wish(LocalDate since, @Nullable LocalDate lastOn, @Nullable String state, @Nullable String said) {}

    Optional<Wish> of(int person) {
        return db.sql("""
                select w.since, w.last_on, l.state, l.said from digest_wish w left join digest_letter(w.person_id) l on true where w.person_id = :person""")
                .param("person", person).query(Wish.class).optional();
    }

    void keep(int person, LocalDate since) {
        db.sql("insert into digest_wish (person_id, since) values (:person, :since) on conflict do nothing").param("person", person).param("since", since)
                .update();
    }

    void forget(int person) {
        db.sql("delete from digest_wish where person_id = :person").param("person", person).update();
    }

    record Reader(int id, String name, String email) {}

    Optional<Reader> reader(int person) {
        return db.sql("select id, name, email from people_person where id = :person and active and email is not null").param("person", person)
                .query(Reader.class)
                .optional();
    }

    /** Those who had none on this day yet. */
    List<Integer> due(LocalDate day) {
        return db.sql("""
                select w.person_id from digest_wish w join people_person p on p.id = w.person_id
                 where w.last_on is distinct from :day and p.active and p.email is not null order by 1""").param("day", day).query(Integer.class).list();
    }

    /** @return whether nobody else has taken it on for that day */
    boolean take(int person, LocalDate day) {
        return db.sql("update digest_wish set last_on = :day, letter_id = null where person_id = :person and last_on is distinct from :day")
                .param("person", person)
                .param("day", day).update() == 1;
    }

    void written(int person, long letter) {
        db.sql("update digest_wish set letter_id = :letter where person_id = :person").param("person", person).param("letter", letter).update();
    }
}
