package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class ClassStore {
    private final JdbcClient db;

    ClassStore(JdbcClient db) {
        this.db = db;
    }

    List<String> codes() {
        return db.sql("select code from roster_class").query(String.class).list();
    }

    boolean schoolThere(int id) {
        return db.sql("select exists (select from roster_school where id = :id)").param("id", id).query(Boolean.class).single();
    }

    int add(String code, int school, int year, String name, int grade) {
        return db.sql("insert into roster_class (code, school_id, year_id, name, grade) values (:code, :school, :year, :name, :grade) returning id")
                .param("code", code).param("school", school).param("year", year).param("name", name).param("grade", grade).query(Integer.class).single();
    }

    void addTeacher(int classId, int person) {
        db.sql("insert into people_teaches (person_id, class_id) values (:person, :class)").param("person", person).param("class", classId).update();
    }

    /** Who is in a class on a day or after it. */
    List<Integer> students(int classId, LocalDate from) {
        return db.sql("select distinct student_id from roster_enrolment where class_id = :class and (ends is null or ends >= :from)").param("class", classId)
                .param("from", from).query(Integer.class).list();
    }

    int move(Collection<Integer> students, int into, LocalDate from) {
        return db.sql("select roster_move_many(:students, :into, :from)").param("students", students.toArray(Integer[]::new)).param("into", into)
                .param("from", from).query(Integer.class).single();
    }

    record Place(int enrolment, String className) {}

    /** The class a student is in on a day. */
    Optional<Place> place(int student, LocalDate day) {
        return db.sql("""
                select e.id as enrolment, c.name as class_name from roster_enrolment e join roster_class c on c.id = e.class_id
                 where e.student_id = :student and e.starts <= :day and (e.ends is null or e.ends >= :day)""").param("student", student).param("day", day)
                .query(Place.class).optional();
    }

    boolean placeAfter(int student, LocalDate day) {
        return db.sql("select exists (select from roster_enrolment where student_id = :student and starts > :day)").param("student", student).param("day", day)
                .query(Boolean.class).single();
    }

    void leave(int student, LocalDate last) {
        for (String table : List.of("roster_enrolment", "roster_member", "roster_caseload")) {
            db.sql("update " + table + " set ends = :last where student_id = :student and starts <= :last and (ends is null or ends > :last)")
                    .param("student", student)
                    .param("last", last).update();
        }
    }

    int end(int classId, LocalDate last) {
        return db.sql("select roster_end_class(:class, :last)").param("class", classId).param("last", last).query(Integer.class).single();
    }

    void tellNamesakes() {
        db.sql("select roster_tell_namesakes()").query((r, n) -> "").list();
    }
}
