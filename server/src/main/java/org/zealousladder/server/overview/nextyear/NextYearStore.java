package org.zealousladder.server.overview.nextyear;

import java.time.LocalDate;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.overview.nextyear.NextYearView.StudentNow;

@Repository
class NextYearStore {
    private final JdbcClient db;

    NextYearStore(JdbcClient db) {
        this.db = db;
    }

    record ClassRow(int id, String name, int grade, List<String> teachers) {}

    List<ClassRow> classes(int school, int year) {
        return db.sql("""
                select c.id, c.name, c.grade,
                       coalesce((select array_agg(p.name order by p.name) from people_teaches t join people_person p on p.id = t.person_id
                                  where t.class_id = c.id and (t.ends is null or t.ends >= scope_today())), '{}') as teachers
                  from roster_class c where c.school_id = :school and c.year_id = :year order by c.grade, c.name collate "und-x-icu\"""")
                .param("school", school)
                .param("year", year).query((r, n) -> new ClassRow(r.getInt(1), r.getString(2), r.getInt(3), List.of((String[]) r.getArray(4).getArray())))
                .list();
    }

    /** Those who are in a class of the year on a day. */
    List<StudentNow> students(int school, int year, LocalDate on) {
        return db.sql("""
                select s.id, c.id as class_id, coalesce(s.preferred_name, s.given_name) as given_name, s.family_name, s.code
                  from roster_enrolment e join roster_class c on c.id = e.class_id join roster_student s on s.id = e.student_id
                 where c.school_id = :school and c.year_id = :year and e.starts <= :on and (e.ends is null or e.ends >= :on)
                 order by coalesce(s.preferred_name, s.given_name) collate "und-x-icu", s.family_name collate "und-x-icu", s.id""").param("school", school)
                .param("year", year)
                .param("on", on)
                .query(StudentNow.class).list();
    }

    int addClass(int from, int year, String code, String name, int grade) {
        return db.sql(
                """
                insert into roster_class (code, school_id, year_id, name, grade)
                select :code, school_id, :year, :name, :grade from roster_class where id = :from returning id""")
                .param("from", from).param("year", year).param("code", code).param("name", name).param("grade", grade).query(Integer.class).single();
    }

    List<String> classCodes() {
        return db.sql("select code from roster_class").query(String.class).list();
    }

    void copyTeachers(int from, int to) {
        db.sql("""
                insert into people_teaches (person_id, class_id)
                select t.person_id, :to from people_teaches t where t.class_id = :from and (t.ends is null or t.ends >= scope_today())""")
                .param("from", from).param("to", to).update();
    }

    /** What goes on beyond the year's last day ends with it. */
    void endEnrolments(int school, int year, LocalDate last) {
        db.sql("""
                update roster_enrolment e set ends = :last from roster_class c
                 where c.id = e.class_id and c.school_id = :school and c.year_id = :year and e.starts <= :last and (e.ends is null or e.ends > :last)""")
                .param("school", school).param("year", year).param("last", last).update();
    }

    /**
     * Who was in another grade than the class goes up a grade with it.
     *
     * @param students and {@code classes}: of each place, who goes where
     */
    int enrol(Integer[] students, Integer[] classes, LocalDate from) {
        return db.sql(
                """
                insert into roster_enrolment (student_id, class_id, starts, grade)
                select u.student, u.class, :from::date, nullif(case when n.grade = o.grade + 1 then least(e.grade + 1, 13) end, n.grade)
                  from unnest(:students::integer[], :classes::integer[]) as u(student, class) join roster_class n on n.id = u.class
                  left join lateral (select l.grade, l.class_id from roster_enrolment l where l.student_id = u.student and l.starts < :from::date order by l.starts desc limit 1) e on true
                  left join roster_class o on o.id = e.class_id""")
                .param("students", students).param("classes", classes).param("from", from).update();
    }

    void tellNamesakes() {
        db.sql("select roster_tell_namesakes()").query((r, n) -> "").list();
    }

    int cuts(int year) {
        return db.sql(
                "select count(*)::integer from measures_ladder l join measures_window w on w.id = l.window_id where w.year_id = :year and l.superseded_on is null")
                .param("year", year).query(Integer.class).single();
    }

    /** Cut scores of windows to the windows of the same names, where these have none. */
    int copyCuts(int from, int to) {
        int copied = db.sql("""
                insert into measures_ladder (set_id, measure_id, grade, window_id, known_from, recorded_by, reason)
                select l.set_id, l.measure_id, l.grade, n.id, scope_today(), scope_person(), 'copied for the next year'
                  from measures_ladder l join measures_window w on w.id = l.window_id and w.year_id = :from
                  join measures_window n on n.year_id = :to and n.name = w.name
                 where l.superseded_on is null
                   and not exists (select from measures_ladder o where o.set_id = l.set_id and o.measure_id = l.measure_id and o.grade = l.grade and o.window_id = n.id
                                      and o.superseded_on is null)""").param("from", from).param("to", to).update();
        db.sql("""
                insert into measures_band (ladder_id, position, name, tier, from_score)
                select c.id, b.position, b.name, b.tier, b.from_score
                  from measures_ladder c join measures_window n on n.id = c.window_id and n.year_id = :to
                  join measures_window w on w.year_id = :from and w.name = n.name
                  join measures_ladder l on l.window_id = w.id and l.set_id = c.set_id and l.measure_id = c.measure_id and l.grade = c.grade and l.superseded_on is null
                  join measures_band b on b.ladder_id = l.id
                 where c.recorded_at = now() and c.superseded_on is null""").param("from", from).param("to", to).update();
        return copied;
    }
}
