package org.zealousladder.server.exchange.records;

import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** The line of those who wait with a file, one for all servers. */
@Repository
class TurnsStore {
    private static final int AT_ONCE = 2;

    private final JdbcClient db;
    private final TransactionTemplate transaction;

    TurnsStore(JdbcClient db, PlatformTransactionManager transactions) {
        this.db = db;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** @param ahead how many wait before; {@code step} is null for who waits */
    record Place(int ahead, ImportProgress.@Nullable Step step, @Nullable Float share) {}

    /** @return false where another file of the person's waits or is being read */
    boolean ask(int person, UUID server) {
        return db.sql("""
                insert into records_turn as t (person_id, server_id) values (:person, :server)
                on conflict (person_id) do update set server_id = excluded.server_id, asked_at = clock_timestamp(), began_at = null, step = null, share = null
                 where not server_lives(t.server_id)""").param("person", person).param("server", server).update() == 1;
    }

    /** @return whether it is the person's turn now */
    boolean begin(int person) {
        return Boolean.TRUE.equals(transaction.execute(status -> {
            db.sql("select pg_advisory_xact_lock('records_turn'::regclass::oid::integer, 0)").query((r, n) -> 0).single();
            return db.sql("""
                    update records_turn t set began_at = now(), step = 'reading', share = 0
                     where person_id = :person
                       and (select count(*) from records_turn r where r.began_at is not null and server_lives(r.server_id)) < :atOnce
                       and not exists (select from records_turn r where r.began_at is null and r.asked_at < t.asked_at and server_lives(r.server_id))""")
                    .param("person", person).param("atOnce", AT_ONCE).update() == 1;
        }));
    }

    void tell(int person, ImportProgress.At at) {
        db.sql("update records_turn set step = :step, share = :share where person_id = :person and began_at is not null").param("person", person)
                .param("step", at.step().code()).param("share", at.share(), java.sql.Types.REAL).update();
    }

    void end(int person, UUID server) {
        db.sql("delete from records_turn where person_id = :person and server_id = :server").param("person", person).param("server", server).update();
    }

    Optional<Place> place(int person) {
        return db.sql("""
                select (select count(*) from records_turn r where r.began_at is null and r.asked_at < t.asked_at and server_lives(r.server_id)) as ahead,
                       step, share
                  from records_turn t where person_id = :person and server_lives(server_id)""").param("person", person).query(Place.class).optional();
    }
}
