package org.zealousladder.server.contacts.letters;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Whom letters can go to. */
@Repository
class LettersStore {
    private final JdbcClient db;

    LettersStore(JdbcClient db) {
        this.db = db;
    }

    record Somebody(int studentId, String key, String name, @Nullable String email, @Nullable String language, boolean noWriting) {}

    /** @param own the student's own address instead of others' */
    List<Somebody> home(Collection<Integer> students, LocalDate asOf, boolean own) {
        return db.sql("""
                select student_id, 'h' || id as key, name, email, language, no_writing from roster_contact
                 where student_id = any(:students) and own = :own and superseded_on is null and (ends is null or ends >= :asOf) order by id""")
                .param("students", students.toArray(Integer[]::new)).param("asOf", asOf).param("own", own).query(Somebody.class).list();
    }

    /** Teachers of the students' classes, leaders of their groups and those who have them on a caseload, but for the one who writes. */
    List<Somebody> staff(Collection<Integer> students, LocalDate asOf, int but) {
        return db.sql("""
                select distinct t.student_id, 's' || t.student_id || '-' || p.id as key, p.name, p.email, null as language, false as no_writing
                  from (select e.student_id, pt.person_id from roster_enrolment e join people_teaches pt on pt.class_id = e.class_id
                         where e.student_id = any(:students) and e.starts <= :asOf and (e.ends is null or e.ends >= :asOf) and (pt.ends is null or pt.ends >= :asOf)
                        union
                        select m.student_id, l.person_id from roster_member m join roster_leads l on l.group_id = m.group_id
                         where m.student_id = any(:students) and m.starts <= :asOf and (m.ends is null or m.ends >= :asOf) and (l.ends is null or l.ends >= :asOf)
                        union
                        select c.student_id, c.person_id from contacts_advisers(:students, :asOf) c) t
                  join people_person p on p.id = t.person_id and p.id <> :but and p.active order by 1, 3""")
                .param("students", students.toArray(Integer[]::new)).param("asOf", asOf).param("but", but).query(Somebody.class).list();
    }

    record Sender(String name, @Nullable String email) {}

    java.util.Optional<Sender> sender(int person) {
        return db.sql("select name, email from people_person where id = :id").param("id", person).query(Sender.class).optional();
    }

    /** Names of schoolmates that no letter about another may hold. */
    record Named(int studentId, String name) {}

    List<Named> schoolmates(Collection<Integer> classes, LocalDate asOf) {
        return db
                .sql("""
                select s.id as student_id, n.name from roster_enrolment e join roster_student s on s.id = e.student_id
                 cross join lateral (values (s.given_name || ' ' || s.family_name), (s.preferred_name || ' ' || s.family_name)) n(name)
                 where e.class_id = any(:classes) and e.starts <= :asOf and (e.ends is null or e.ends >= :asOf) and s.family_name <> '' and n.name is not null""")
                .param("classes", classes.toArray(Integer[]::new)).param("asOf", asOf).query(Named.class).list();
    }
}
