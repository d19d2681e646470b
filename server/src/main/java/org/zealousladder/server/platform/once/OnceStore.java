package org.zealousladder.server.platform.once;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class OnceStore {
    private final JdbcClient db;

    OnceStore(JdbcClient db) {
        this.db = db;
    }

    record Kept(String digest, String answer) {}

    /** @return whether the key is new */
    boolean begin(int person, String key, String digest) {
        return db.sql("insert into once_answer (person_id, key, digest) values (:person, :key, :digest) on conflict do nothing").param("person", person)
                .param("key", key).param("digest", digest).update() == 1;
    }

    Kept kept(int person, String key) {
        return db.sql("select digest, answer::text as answer from once_answer where person_id = :person and key = :key").param("person", person)
                .param("key", key).query(Kept.class).single();
    }

    void keep(int person, String key, String answer) {
        db.sql("update once_answer set answer = :answer::jsonb where person_id = :person and key = :key").param("person", person).param("key", key)
                .param("answer", answer).update();
    }

    /** A device that was away for a quarter still finds its answers. */
    void forgetOld() {
        db.sql("delete from once_answer where at < now() - interval '100 days'").update();
    }
}
