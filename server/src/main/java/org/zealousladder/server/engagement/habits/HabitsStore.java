package org.zealousladder.server.engagement.habits;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** When things were done. */
@Repository
class HabitsStore {
    private final JdbcClient db;

    HabitsStore(JdbcClient db) {
        this.db = db;
    }

    record HourRow(int studentId, int day, int hour, int actions, int days, double minutes) {}

    /** By student, day of the week and hour of the school's clock; {@code days} are those on which it was. */
    List<HourRow> hours(Collection<Integer> students, LocalDate from, LocalDate asOf, String zone) {
        return db.sql("""
                select student_id, extract(isodow from t.at)::integer as day, extract(hour from t.at)::integer as hour, count(*) as actions, count(distinct on_day) as days, sum(counted) as minutes
                  from engagement_action a cross join lateral (select a.at at time zone :zone as at) t
                 where student_id = any(:students) and on_day between :from and :asOf and superseded_at is null and a.at is not null group by 1, 2, 3""")
                .param("students", students.toArray(Integer[]::new)).param("from", from).param("asOf", asOf).param("zone", zone).query(HourRow.class).list();
    }

    record StudentDays(int studentId, int days) {}

    /** On how many days each student did something at a known time. */
    List<StudentDays> timedDays(Collection<Integer> students, LocalDate from, LocalDate asOf) {
        return db.sql("""
                select student_id, count(distinct on_day) as days from engagement_action
                 where student_id = any(:students) and on_day between :from and :asOf and superseded_at is null and at is not null group by 1""")
                .param("students", students.toArray(Integer[]::new)).param("from", from).param("asOf", asOf).query(StudentDays.class).list();
    }

    int untimed(Collection<Integer> students, LocalDate from, LocalDate asOf) {
        return db
                .sql("""
                select count(*) from engagement_action where student_id = any(:students) and on_day between :from and :asOf and superseded_at is null and at is null""")
                .param("students", students.toArray(Integer[]::new)).param("from", from).param("asOf", asOf).query(Integer.class).single();
    }

    List<HabitsView.HabitDay> days(Collection<Integer> students, LocalDate from, LocalDate asOf) {
        return db.sql("""
                select on_day as day, sum(minutes) as minutes, count(distinct student_id) as students from engagement_day
                 where student_id = any(:students) and on_day between :from and :asOf group by 1 order by 1""")
                .param("students", students.toArray(Integer[]::new)).param("from", from).param("asOf", asOf).query(HabitsView.HabitDay.class).list();
    }
}
