package org.zealousladder.server.school.elsewhere;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.database.PeopleDatabase;

@Repository
class ElsewhereStore {
    private final JdbcClient db;

    ElsewhereStore(@PeopleDatabase JdbcClient db) {
        this.db = db;
    }

    Optional<Integer> linked(String issuer, String subject) {
        return db.sql("update people_elsewhere set used_at = now() where issuer = :issuer and subject = :subject returning person_id").param("issuer", issuer)
                .param("subject", subject).query(Integer.class).optional();
    }

    /** Everybody whose address it is; one of them only can be meant. */
    List<Integer> byEmail(String email) {
        return db.sql("select id from people_person where active and lower(email) = lower(:email)").param("email", email).query(Integer.class).list();
    }

    void link(String issuer, String subject, int person) {
        db.sql("insert into people_elsewhere (issuer, subject, person_id) values (:issuer, :subject, :person)").param("issuer", issuer)
                .param("subject", subject)
                .param("person", person).update();
    }
}
