package org.zealousladder.server.screening.coverage;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.sql.Known;

@Repository
class CoverageStore {
    private final JdbcClient db;

    CoverageStore(JdbcClient db) {
        this.db = db;
    }

    record MakeUp(int studentId, int measureId, LocalDate onDay) {}

    List<MakeUp> makeUps(Collection<Integer> students, int window, LocalDate asOf) {
        return db.sql("""
                select m.student_id, m.measure_id, m.on_day from coverage_makeup m
                 where m.window_id = :window and m.student_id = any(:students) and m.on_day is not null and""" + Known.asOf("m"))
                .param("window", window).param("students", students.toArray(Integer[]::new)).param("asOf", asOf).query(MakeUp.class).list();
    }

    /** Sets the day for all pairs at once; a day set before is superseded. */
    void set(Integer[] students, Short[] measures, int window, @Nullable LocalDate onDay, LocalDate today, int by) {
        db.sql("""
                with wanted as (
                  select nextval(pg_get_serial_sequence('coverage_makeup', 'id')) as id, student_id, measure_id
                    from (select distinct * from unnest(:students, :measures) as w(student_id, measure_id)) d),
                replaced as (
                  update coverage_makeup m set superseded_by = w.id, superseded_on = greatest(:today, m.known_from)
                    from wanted w
                   where (m.student_id, m.measure_id, m.window_id) = (w.student_id, w.measure_id, :window) and m.superseded_by is null
                  returning m.id)
                insert into coverage_makeup (id, student_id, measure_id, window_id, on_day, known_from, recorded_by)
                select w.id, w.student_id, w.measure_id, :window, :onDay::date, :today, :by
                  from wanted w, (select count(*) from replaced) done""")
                .param("students", students).param("measures", measures).param("window", window).param("onDay", onDay, java.sql.Types.DATE)
                .param("today", today).param("by", by).update();
    }
}
