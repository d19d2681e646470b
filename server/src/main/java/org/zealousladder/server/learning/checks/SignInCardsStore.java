package org.zealousladder.server.learning.checks;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Cards by which students sign in. */
@Repository
class SignInCardsStore {
    private final JdbcClient db;

    SignInCardsStore(JdbcClient db) {
        this.db = db;
    }

    record CardRow(int student, byte[] sealed, LocalDate ends) {}

    /** Those that are good on a day. */
    List<CardRow> cards(int classId, LocalDate today) {
        return db.sql("select student_id, sealed, ends from skills_card where class_id = :class and ended_at is null and ends >= :today")
                .param("class", classId).param("today", today).query((r, n) -> new CardRow(r.getInt(1), r.getBytes(2), r.getObject(3, LocalDate.class))).list();
    }

    void end(int classId, Collection<Integer> students) {
        db.sql("update skills_card set ended_at = now() where class_id = :class and student_id = any(:students) and ended_at is null").param("class", classId)
                .param("students", students.toArray(Integer[]::new)).update();
    }

    void add(int student, int classId, String digest, byte[] sealed, LocalDate starts, LocalDate ends) {
        db.sql("""
                insert into skills_card (student_id, class_id, digest, sealed, starts, ends, made_by)
                values (:student, :class, :digest, :sealed, :starts, :ends, (select scope_person()))""").param("student", student).param("class", classId)
                .param("digest", digest).param("sealed", sealed).param("starts", starts).param("ends", ends).update();
    }
}
