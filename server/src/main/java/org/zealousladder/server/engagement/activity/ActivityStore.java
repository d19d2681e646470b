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

    /** A week of somebody in a class; {@code week} null for one who did nothing in all the time. */
    record SeatWeek(int classId, long seat, @Nullable Integer studentId, @Nullable Integer week, double minutes, int actions, @Nullable LocalDate firstDay,
            @Nullable LocalDate lastDay) {}

    List<SeatWeek> classes(Collection<Integer> classes, LocalDate from, LocalDate asOf) {
        return db.sql("""
                select class_id, seat, student_id, week, coalesce(minutes, 0) as minutes, coalesce(actions, 0) as actions, first_day, last_day
                  from engagement_classes(:classes, :from, :asOf)""")
                .param("classes", classes.toArray(Integer[]::new)).param("from", from).param("asOf", asOf).query(SeatWeek.class).list();
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
                select p.id, p.name, d.minutes, d.actions, d.students, d.deeper
                  from (select c.path[:next] as place, sum(a.counted) as minutes, sum(a.actions) as actions, count(distinct a.student_id) as students,
                               bool_or(cardinality(c.path) > :next) as deeper
                          from engagement_action a join engagement_context c on c.id = a.context_id and cardinality(c.path) >= :next
                         where a.student_id = any(:students) and a.on_day between :from and :to and a.superseded_at is null
                           and (:within::integer is null or c.path[:depth] = :within) group by 1) d
                  join engagement_context p on p.id = d.place order by d.minutes desc, p.name""")
                .param("students", students.toArray(Integer[]::new)).param("within", within).param("depth", depth).param("next", depth + 1).param("from", from)
                .param("to", to).query(PlaceRow.class).list();
    }

    record ActionRow(int studentId, LocalDate day, @Nullable OffsetDateTime at, String kind, double minutes, int actions, @Nullable String place) {}

    /** The newest actions in a place, or in none. */
    List<ActionRow> actions(Collection<Integer> students, @Nullable Integer within, int depth, LocalDate from, LocalDate to, int most) {
        return db.sql("""
                select a.student_id, a.on_day as day, a.at, a.kind, a.counted as minutes, a.actions, c.name as place
                  from engagement_action a left join engagement_context c on c.id = a.context_id
                 where a.student_id = any(:students) and a.on_day between :from and :to and a.superseded_at is null
                   and (:within::integer is null or c.path[:depth] = :within)
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
