package org.zealousladder.server.school.erasing;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What is asked to be erased; the erasing itself stands in the database, which alone can reach everything. */
@Repository
class ErasingStore {
    private final JdbcClient db;

    ErasingStore(JdbcClient db) {
        this.db = db;
    }

    List<ErasingService.Erasure> open() {
        return db.sql("""
                select e.id, e.student_id, s.code, trim(s.given_name || ' ' || s.family_name) as name, e.reason, p.name as asked_by, e.asked_by = scope_person() as mine,
                       e.asked_at
                  from roster_erasure e join roster_student s on s.id = e.student_id left join people_person p on p.id = e.asked_by
                 where e.dropped_at is null and e.confirmed_at is null order by e.id""").query(ErasingService.Erasure.class).list();
    }

    void ask(int student, String reason, int by) {
        db.sql("insert into roster_erasure (student_id, reason, asked_by) values (:student, :reason, :by)").param("student", student).param("reason", reason)
                .param("by", by).update();
    }

    boolean drop(int id, int by) {
        return db.sql("update roster_erasure set dropped_by = :by, dropped_at = now() where id = :id and dropped_at is null and confirmed_at is null")
                .param("id", id).param("by", by).update() == 1;
    }

    /** @return the student's number, if it was still to be done */
    Optional<Integer> erase(int id) {
        return Optional.ofNullable(db.sql("select roster_erase(:id)").param("id", id).query((r, n) -> r.getObject(1, Integer.class)).single());
    }
}
