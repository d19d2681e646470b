package org.zealousladder.server.school.facts;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.sql.BoundTo;

@Repository
class FactsStore {
    private static final String KNOWN = " (x.known_from is null or x.known_from <= :asOf) and (x.superseded_on is null or x.superseded_on > :asOf) ";
    private static final String SUPERSEDE = "update %s set superseded_by = :by, superseded_on = greatest((select scope_today()), coalesce(known_from, '-infinity')) where id = :id and superseded_on is null";

    private final JdbcClient db;

    FactsStore(JdbcClient db) {
        this.db = db;
    }

    record Called(String givenName, String familyName, @Nullable String preferredName, @Nullable LocalDate birthday) {}

    Optional<Called> called(int student, LocalDate asOf) {
        return db.sql("""
                select given_name, family_name, preferred_name, birthday
                  from (select w.given_name, w.family_name, w.preferred_name, w.birthday, w.known_to, w.changed_at from roster_student_was w where w.student_id = :id and w.known_to > :asOf
                        union all
                        select s.given_name, s.family_name, s.preferred_name, s.birthday, null, null from roster_student s where s.id = :id) v
                 where exists (select from roster_student s where s.id = :id)
                 order by known_to nulls last, changed_at limit 1""").param("id", student).param("asOf", asOf).query(Called.class).optional();
    }

    void call(int student, @Nullable String preferredName, @Nullable LocalDate birthday) {
        db.sql("update roster_student set preferred_name = :name, birthday = :birthday where id = :id").param("id", student).param("name", preferredName)
                .param("birthday", birthday).update();
        db.sql("select roster_tell_namesakes()").query((r, n) -> "").list();
    }

    List<Grouped> grouped(int student, LocalDate asOf) {
        return db.sql("""
                select x.id, x.grouping_id, g.name as grouping, g.sensitive, x.value, x.starts, x.ends
                  from roster_grouped x join roster_grouping g on g.id = x.grouping_id
                 where x.student_id = :student and""" + KNOWN + """
                 order by x.ends is not null, g.id, x.starts desc nulls last, x.id""").param("student", student).param("asOf", asOf).query(Grouped.class)
                .list();
    }

    List<AtHome> home(int student, LocalDate asOf) {
        return db.sql("""
                select x.id, x.name, x.relation, x.phone, x.email, x.language, x.reach_by, x.reach_when, x.ends, x.no_writing, x.own
                  from roster_contact x where x.student_id = :student and""" + KNOWN + " order by x.ends is not null, x.id").param("student", student)
                .param("asOf", asOf).query(AtHome.class).list();
    }

    /** Whether the row that was seen is still the one that counts, and of this student. */
    boolean stands(String table, int student, long seen) {
        return db.sql("select exists (select from " + table + " where id = :id and student_id = :student and superseded_on is null)").param("id", seen)
                .param("student", student).query(Boolean.class).single();
    }

    private long next(String table) {
        return db.sql("select nextval(pg_get_serial_sequence('" + table + "', 'id'))").query(Long.class).single();
    }

    record NewGrouped(int student, int grouping, String value, @Nullable LocalDate starts, @Nullable LocalDate ends, int by) {}

    /** @param seen what it stands in for; null for something new */
    void keep(NewGrouped fact, @Nullable Long seen) {
        long id = replace("roster_grouped", seen);
        db.sql("""
                insert into roster_grouped (id, student_id, grouping_id, value, starts, ends, known_from, recorded_by)
                values (:id, :student, :grouping, :value, :starts, :ends, (select scope_today()), :by)""").paramSource(new BoundTo(fact).and("id", id))
                .update();
    }

    record NewAtHome(int student, String name, @Nullable String relation, @Nullable String phone, @Nullable String email, @Nullable String language,
            @Nullable ReachBy reachBy, @Nullable String reachWhen, @Nullable LocalDate ends, boolean noWriting, boolean own, int by) {}

    void keep(NewAtHome contact, @Nullable Long seen) {
        long id = replace("roster_contact", seen);
        db.sql("""
                insert into roster_contact (id, student_id, name, relation, phone, email, language, reach_by, reach_when, ends, no_writing, own, known_from, recorded_by)
                values (:id, :student, :name, :relation, :phone, :email, :language, :reachBy, :reachWhen, :ends, :noWriting, :own, (select scope_today()), :by)""")
                .paramSource(new BoundTo(contact).and("id", id)).update();
    }

    private long replace(String table, @Nullable Long seen) {
        long id = next(table);
        if (seen != null) {
            db.sql(SUPERSEDE.formatted(table)).param("id", seen).param("by", id).update();
        }
        return id;
    }

    /** Takes back what was typed by mistake. */
    void withdraw(String table, long id, String because) {
        db.sql("update " + table
                + " set superseded_by = id, superseded_on = greatest((select scope_today()), coalesce(known_from, '-infinity')), withdrawn_because = :because "
                + "where id = :id and superseded_on is null").param("id", id).param("because", because).update();
    }

    /** The enrolment that runs on a day. */
    Optional<Integer> enrolment(int student, LocalDate day) {
        return db.sql("select id from roster_enrolment where student_id = :id and starts <= :day and (ends is null or ends >= :day)").param("id", student)
                .param("day", day).query(Integer.class).optional();
    }

    /** @param grade that of the class goes as none */
    void grade(int enrolment, int grade) {
        db.sql("""
                update roster_enrolment e set grade = nullif(:grade::smallint, c.grade) from roster_class c where c.id = e.class_id and e.id = :id
                   and e.grade is distinct from nullif(:grade::smallint, c.grade)""").param("id", enrolment).param("grade", grade).update();
    }
}
