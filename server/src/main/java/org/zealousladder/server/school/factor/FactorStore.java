package org.zealousladder.server.school.factor;

import java.util.Collection;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.database.PeopleDatabase;

@Repository
class FactorStore {
    private final JdbcClient db;

    FactorStore(@PeopleDatabase JdbcClient db) {
        this.db = db;
    }

    /** A new one in the making; one that is in use stays. */
    boolean begin(int person, byte[] sealed) {
        return db.sql("""
                insert into people_factor as f (person_id, secret) values (:person, :secret)
                on conflict (person_id) do update set secret = excluded.secret, begun_at = now(), last_step = 0 where f.confirmed_at is null""")
                .param("person", person).param("secret", sealed).update() == 1;
    }

    Optional<byte[]> secret(int person, boolean inUse) {
        return db.sql("select secret from people_factor where person_id = :person and (confirmed_at is not null) = :inUse").param("person", person)
                .param("inUse", inUse).query(byte[].class).optional();
    }

    boolean inUse(int person) {
        return db.sql("select exists (select from people_factor where person_id = :person and confirmed_at is not null)").param("person", person)
                .query(Boolean.class).single();
    }

    /** A code counts once, and none that is older than one that has counted. */
    boolean use(int person, long step) {
        return db.sql("update people_factor set last_step = :step where person_id = :person and last_step < :step").param("person", person).param("step", step)
                .update() == 1;
    }

    void confirm(int person, Collection<String> recovery) {
        db.sql("update people_factor set confirmed_at = now() where person_id = :person").param("person", person).update();
        db.sql("delete from people_recovery where person_id = :person").param("person", person).update();
        db.sql("insert into people_recovery (person_id, hash) select :person, h from unnest(:hashes) as h").param("person", person)
                .param("hashes", recovery.toArray(String[]::new)).update();
    }

    boolean useRecovery(int person, String hash) {
        return db.sql("update people_recovery set used_at = now() where person_id = :person and hash = :hash and used_at is null").param("person", person)
                .param("hash", hash).update() == 1;
    }

    int recoveryLeft(int person) {
        return db.sql("select count(*) from people_recovery where person_id = :person and used_at is null").param("person", person).query(Integer.class)
                .single();
    }

    boolean remove(int person) {
        return db.sql("delete from people_factor where person_id = :person").param("person", person).update() == 1;
    }
}
