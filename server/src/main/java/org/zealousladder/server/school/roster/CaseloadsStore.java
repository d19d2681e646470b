package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.school.roster.ClassesView.OnCaseload;

@Repository
class CaseloadsStore {
    private final JdbcClient db;

    CaseloadsStore(JdbcClient db) {
        this.db = db;
    }

    List<OnCaseload> all() {
        return db.sql("""
                select k.person_id, s.id, coalesce(s.preferred_name, s.given_name) as given_name, s.family_name, s.code, k.starts
                  from roster_caseload k join roster_student s on s.id = k.student_id
                 where k.ends is null or k.ends > scope_today()
                 order by k.person_id, coalesce(s.preferred_name, s.given_name) collate "und-x-icu", s.family_name collate "und-x-icu\"""")
                .query(OnCaseload.class).list();
    }

    /** The name of somebody whose caseload the viewer may change, and whose account has not ended. */
    Optional<String> person(int id) {
        return db.sql("select name from people_person where id = :id and active and id in (select scope_caseloads())").param("id", id).query(String.class)
                .optional();
    }

    /** Those who are on it already stay as they are; who was to leave goes on. */
    int add(int person, Collection<Integer> students, LocalDate from, int by) {
        int again = db.sql("update roster_caseload set ends = null where person_id = :person and student_id = any (:students) and ends >= :from")
                .param("person", person)
                .param("students", students.toArray(Integer[]::new)).param("from", from).update();
        return again + db.sql("""
                insert into roster_caseload (person_id, student_id, starts, made_by)
                select :person, s, :from, :by from unnest(:students::integer[]) s
                 where not exists (select from roster_caseload k where k.person_id = :person and k.student_id = s and (k.ends is null or k.ends >= :from))""")
                .param("person", person).param("students", students.toArray(Integer[]::new)).param("from", from).param("by", by).update();
    }

    int end(int person, int student, LocalDate last) {
        return db.sql("""
                update roster_caseload set ends = greatest(starts, :last)
                 where person_id = :person and student_id = :student and (ends is null or ends > :last)""").param("person", person).param("student", student)
                .param("last", last).update();
    }
}
