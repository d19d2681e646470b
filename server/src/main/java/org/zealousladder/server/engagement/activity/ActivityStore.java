package org.zealousladder.server.engagement.activity;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What students did. */
@Repository
class ActivityStore {
    private final JdbcClient db;

    ActivityStore(JdbcClient db) {
        this.db = db;
    }

    /**
     * Somebody's weeks in a class: those in which anything was done.
     *
     * @param studentId null for a classmate whom the viewer does not see
     * @param weeks counted from the first; with their minutes and actions in the same order
     */
    record SeatWeeks(int classId, @Nullable Integer studentId, Integer[] weeks, Double[] minutes, Integer[] actions, @Nullable LocalDate firstDay,
            @Nullable LocalDate lastDay) {}

    List<SeatWeeks> classes(Collection<Integer> classes, LocalDate from, LocalDate asOf) {
        return db.sql("""
                select class_id, student_id, coalesce(array_agg(week order by week) filter (where week is not null), '{}'),
                       coalesce(array_agg(minutes order by week) filter (where week is not null), '{}'),
                       coalesce(array_agg(actions order by week) filter (where week is not null), '{}'),
                       min(first_day), max(last_day)
                  from engagement_classes(:classes, :from, :asOf) group by class_id, seat, student_id order by class_id, seat""")
                .param("classes", classes.toArray(Integer[]::new)).param("from", from).param("asOf", asOf)
                .query((r, n) -> new SeatWeeks(r.getInt(1), r.getObject(2, Integer.class), (Integer[]) r.getArray(3).getArray(),
                        (Double[]) r.getArray(4).getArray(),
                        (Integer[]) r.getArray(5).getArray(), r.getObject(6, LocalDate.class), r.getObject(7, LocalDate.class)))
                .list();
    }

    List<ActivityService.OwnWeek> ofStudent(int student, LocalDate from, LocalDate asOf) {
        return db.sql("""
                select date_trunc('week', on_day)::date as monday, sum(minutes)::double precision as minutes from engagement_day
                 where student_id = :student and on_day between :from and :asOf group by 1 having sum(minutes) > 0 order by 1""")
                .param("student", student).param("from", from).param("asOf", asOf).query(ActivityService.OwnWeek.class).list();
    }

    List<ActivityService.DoneOn> done(int student, LocalDate from, LocalDate asOf, int most) {
        return db.sql("""
                select on_day as day, kind, sum(minutes)::double precision as minutes, sum(actions)::integer as actions from engagement_day
                 where student_id = :student and on_day between :from and :asOf group by 1, 2 order by 1 desc, 3 desc limit :most""")
                .param("student", student).param("from", from).param("asOf", asOf).param("most", most).query(ActivityService.DoneOn.class).list();
    }

    List<ActivityService.Spent> spent(Collection<Integer> students, LocalDate from, LocalDate to) {
        return db.sql("""
                select student_id as student, sum(minutes)::double precision as minutes, count(distinct on_day)::integer as days from engagement_day
                 where student_id = any(:students) and on_day between :from and :to and (minutes > 0 or actions > 0) group by 1""")
                .param("students", students.toArray(Integer[]::new)).param("from", from).param("to", to).query(ActivityService.Spent.class).list();
    }

    List<DoneView.DoneKind> kinds(Collection<Integer> students, LocalDate from, LocalDate to) {
        return db.sql("""
                select kind, sum(minutes) as minutes, sum(actions) as actions from engagement_day
                 where student_id = any(:students) and on_day between :from and :to group by kind order by minutes desc""")
                .param("students", students.toArray(Integer[]::new)).param("from", from).param("to", to).query(DoneView.DoneKind.class).list();
    }

    List<DoneView.DoneDay> days(Collection<Integer> students, LocalDate from, LocalDate to) {
        return db.sql("""
                select on_day as day, sum(minutes) as minutes, sum(actions) as actions from engagement_day
                 where student_id = any(:students) and on_day between :from and :to group by on_day order by on_day""")
                .param("students", students.toArray(Integer[]::new)).param("from", from).param("to", to).query(DoneView.DoneDay.class).list();
    }

    /** From the program down to {@code place} itself. */
    List<DoneView.DoneStep> trail(int place) {
        return db
                .sql("""
                select c.id, c.name from engagement_context o join engagement_context c on c.id = any(o.path) where o.id = :place order by cardinality(c.path)""")
                .param("place", place).query(DoneView.DoneStep.class).list();
    }

    record PlaceRow(int id, String name, double minutes, int actions, int students, boolean deeper) {}

    /** The places within one, or the programs. */
    List<PlaceRow> places(Collection<Integer> students, @Nullable Integer within, int depth, LocalDate from, LocalDate to) {
        return db.sql("""
                with done as materialized (
                  select student_id, context_id, sum(counted) as minutes, sum(actions) as actions from engagement_action
                   where student_id = any(:students) and on_day between :from and :to and superseded_at is null and context_id is not null group by 1, 2)
                select p.id, p.name, d.minutes, d.actions, d.students, d.deeper
                  from (select c.path[:next] as place, sum(a.minutes) as minutes, sum(a.actions) as actions, count(distinct a.student_id) as students,
                               bool_or(cardinality(c.path) > :next) as deeper
                          from done a join engagement_context c on c.id = a.context_id and cardinality(c.path) >= :next
                         where :within::integer is null or c.path[:depth] = :within group by 1) d
                  join engagement_context p on p.id = d.place order by d.minutes desc, p.name""")
                .param("students", students.toArray(Integer[]::new)).param("within", within).param("depth", depth).param("next", depth + 1).param("from", from)
                .param("to", to).query(PlaceRow.class).list();
    }

    record ActionRow(int studentId, LocalDate day, @Nullable OffsetDateTime at, String kind, double minutes, int actions, @Nullable String place) {}

    /** The newest actions in a place, or in none. */
    List<ActionRow> actions(Collection<Integer> students, @Nullable Integer within, int depth, LocalDate from, LocalDate to, int most) {
        return db.sql("""
                select a.student_id, a.on_day as day, a.at, a.kind, a.counted as minutes, a.actions, a.place
                  from unnest(:students::integer[]) s cross join lateral (
                         select a.*, c.name as place from engagement_action a left join engagement_context c on c.id = a.context_id
                          where a.student_id = s and a.on_day between :from and :to and a.superseded_at is null and (:within::integer is null or c.path[:depth] = :within)
                          order by a.on_day desc, a.at desc nulls last, a.id desc limit :most) a
                 order by a.on_day desc, a.at desc nulls last, a.id desc limit :most""")
                .param("students", students.toArray(Integer[]::new)).param("within", within).param("depth", depth).param("from", from).param("to", to)
                .param("most", most).query(ActionRow.class).list();
    }

    record Usual(int contextId, int students, double usual) {}

    List<Usual> usual(int classId, @Nullable Integer within, LocalDate from, LocalDate to, LocalDate asOf) {
        return db.sql("select context_id, students, usual from engagement_usual(:class, :within, :from, :to, :asOf)")
                .param("class", classId).param("within", within).param("from", from).param("to", to).param("asOf", asOf).query(Usual.class).list();
    }
}
