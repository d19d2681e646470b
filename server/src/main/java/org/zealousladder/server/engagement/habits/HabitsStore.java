package org.zealousladder.server.engagement.habits;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** When things were done. */
@Repository
class HabitsStore {
    private final JdbcClient db;

    HabitsStore(JdbcClient db) {
        this.db = db;
    }

    /**
     * A student's actions: by day of the week and hour of the school's clock ({@code hour} null: at no known time), and all together ({@code day} null).
     *
     * @param days on which something was done at a known time
     */
    record HourRow(int studentId, @Nullable Integer day, @Nullable Integer hour, int actions, int days, double minutes) {}

    List<HourRow> hours(Collection<Integer> students, LocalDate from, LocalDate asOf, String zone) {
        return db.sql("""
                select student_id, day, hour, sum(actions)::integer as actions,
                       (count(distinct on_day) filter (where hour is not null))::integer as days, sum(minutes) as minutes
                  from (select student_id, on_day, extract(isodow from on_day)::integer as day, extract(hour from at at time zone :zone)::integer as hour,
                               count(*) as actions, sum(counted) as minutes
                          from engagement_action where student_id = any(:students) and on_day between :from and :asOf and superseded_at is null group by 1, 2, 4) a
                 group by grouping sets ((student_id, day, hour), (student_id))""")
                .param("students", students.toArray(Integer[]::new)).param("from", from).param("asOf", asOf).param("zone", zone).query(HourRow.class).list();
    }

    List<HabitsView.HabitDay> days(Collection<Integer> students, LocalDate from, LocalDate asOf) {
        return db.sql("""
                select on_day as day, sum(minutes) as minutes, count(distinct student_id) as students from engagement_day
                 where student_id = any(:students) and on_day between :from and :asOf group by 1 order by 1""")
                .param("students", students.toArray(Integer[]::new)).param("from", from).param("asOf", asOf).query(HabitsView.HabitDay.class).list();
    }
}
