package org.zealousladder.server.school.calendar;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;

@Repository
class CalendarStore {
    private final JdbcClient db;

    CalendarStore(JdbcClient db) {
        this.db = db;
    }

    /** Those that counted on a day, of all schools. */
    List<CalendarSpan> spans(LocalDate asOf) {
        return db.sql("""
                select c.id, c.school_id, c.kind, c.starts, c.ends, c.words, p.name from calendar_span c left join people_person p on p.id = c.made_by
                 where c.ended_on is null or c.ended_on > :asOf order by c.starts, c.id""").param("asOf", asOf)
                .query((r, n) -> new CalendarSpan(r.getInt(1), r.getObject(2, Integer.class), Coded.of(SpanKind.class, r.getString(3), "a kind of days"),
                        r.getObject(4, LocalDate.class), r.getObject(5, LocalDate.class), r.getString(6), r.getString(7)))
                .list();
    }

    /** Days of the week by school, of those that have said so; 1 for Monday. */
    Map<Integer, List<Integer>> weeks(LocalDate asOf) {
        Map<Integer, List<Integer>> weeks = new TreeMap<>();
        db.sql("select school_id, week from calendar_week where known_from <= :asOf order by id").param("asOf", asOf).query(r -> {
            weeks.put(r.getInt(1), java.util.Arrays.stream((Short[]) r.getArray(2).getArray()).map(Short::intValue).toList());
        });
        return weeks;
    }

    int add(@Nullable Integer school, SpanKind kind, LocalDate starts, LocalDate ends, String words, int by) {
        return db.sql("""
                insert into calendar_span (school_id, kind, starts, ends, words, made_by) values (:school, :kind, :starts, :ends, :words, :by) returning id""")
                .param("school", school, java.sql.Types.INTEGER).param("kind", kind.code()).param("starts", starts).param("ends", ends).param("words", words)
                .param("by", by).query(Integer.class).single();
    }

    void end(int id, LocalDate on, int by) {
        db.sql("update calendar_span set ended_on = :on, ended_by = :by where id = :id and ended_on is null").param("on", on).param("by", by).param("id", id)
                .update();
    }

    void setWeek(int school, List<Integer> week, LocalDate from, int by) {
        db.sql("insert into calendar_week (school_id, week, known_from, made_by) values (:school, :week::smallint[], :from, :by)").param("school", school)
                .param("week", week.toArray(Integer[]::new)).param("from", from).param("by", by).update();
    }
}
