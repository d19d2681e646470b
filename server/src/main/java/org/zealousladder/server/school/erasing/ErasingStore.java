package org.zealousladder.server.school.erasing;

import java.time.LocalDate;
import java.util.Collection;
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
                       e.asked_at, e.batch
                  from roster_erasure e join roster_student s on s.id = e.student_id left join people_person p on p.id = e.asked_by
                 where e.dropped_at is null and e.confirmed_at is null order by e.id""").query(ErasingService.Erasure.class).list();
    }

    void ask(int student, String reason, int by) {
        db.sql("insert into roster_erasure (student_id, reason, asked_by) values (:student, :reason, :by)").param("student", student).param("reason", reason)
                .param("by", by).update();
    }

    /** Who left before a day and is not asked to be erased yet; whoever was never in a class has not left one. */
    List<ErasingService.Leaver> leavers(LocalDate before) {
        return db.sql("""
                select s.id as student_id, s.code, trim(s.given_name || ' ' || s.family_name) as name, l.left_on
                  from (select e.student_id, max(least(coalesce(e.ends, y.ends), y.ends)) as left_on
                          from roster_enrolment e join roster_class c on c.id = e.class_id join roster_year y on y.id = c.year_id group by e.student_id) l
                  join roster_student s on s.id = l.student_id
                 where l.left_on < :before and s.erased_on is null
                   and not exists (select from roster_erasure o where o.student_id = s.id and o.dropped_at is null and o.confirmed_at is null)
                 order by l.left_on, s.code""").param("before", before).query(ErasingService.Leaver.class).list();
    }

    /** Asked for as one, under a number of their own. */
    void ask(Collection<Integer> students, String reason, int by) {
        db.sql("""
                insert into roster_erasure (student_id, reason, asked_by, batch)
                select student, :reason, :by, (select coalesce(max(batch), 0) + 1 from roster_erasure) from unnest(:students) as student""")
                .param("students", students.toArray(Integer[]::new)).param("reason", reason).param("by", by).update();
    }

    /** @return how many were still to be done */
    int eraseBatch(int batch) {
        return db.sql("""
                select count(roster_erase(o.id)) from (select id from roster_erasure where batch = :batch and dropped_at is null and confirmed_at is null order by id
                  offset 0) o""").param("batch", batch).query(Integer.class).single();
    }

    void dropBatch(int batch, int by) {
        db.sql("update roster_erasure set dropped_by = :by, dropped_at = now() where batch = :batch and dropped_at is null and confirmed_at is null")
                .param("batch", batch).param("by", by).update();
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
