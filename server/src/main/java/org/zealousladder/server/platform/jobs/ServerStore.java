package org.zealousladder.server.platform.jobs;

import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class ServerStore {
    private final JdbcClient db;

    ServerStore(JdbcClient db) {
        this.db = db;
    }

    void lives(UUID server) {
        db.sql("insert into server_process (id) values (:id) on conflict (id) do update set seen_at = now()").param("id", server).update();
    }

    void ends(UUID server) {
        db.sql("delete from server_process where id = :id").param("id", server).update();
    }

    /** With them go their places in lines. */
    void bury() {
        db.sql("delete from server_process where seen_at < now() - interval '1 minute'").update();
    }
}
