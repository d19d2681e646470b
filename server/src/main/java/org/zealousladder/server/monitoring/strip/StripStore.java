package org.zealousladder.server.monitoring.strip;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.sql.Known;

/** Medians that somebody gave for a class, and the forms behind a score. */
@Repository
class StripStore {
    private final JdbcClient db;

    StripStore(JdbcClient db) {
        this.db = db;
    }

    record MedianRow(long id, int classId, LocalDate onDay, @Nullable Double value) {}

    List<MedianRow> medians(Collection<Integer> classes, int measure, LocalDate asOf) {
        return db.sql("""
                select m.id, m.class_id, m.on_day, m.value from strip_median m
                 where m.class_id = any(:classes) and m.measure_id = :measure and m.on_day <= :asOf and""" + Known.asOf("m") + "order by m.on_day")
                .param("classes", classes.toArray(Integer[]::new)).param("measure", measure).param("asOf", asOf).query(MedianRow.class).list();
    }

    /** Puts a median on a day in place of what stood there; null takes it back. */
    void put(int classId, int measure, LocalDate day, @Nullable Double value, LocalDate today, int by) {
        db.sql("select pg_advisory_xact_lock(hashtext('strip_median'), :class)").param("class", classId).query(row -> {});
        Optional<Long> old = db.sql("select id from strip_median where class_id = :class and measure_id = :measure and on_day = :day and superseded_by is null")
                .param("class", classId).param("measure", measure).param("day", day).query(Long.class).optional();
        long id = db.sql("select nextval(pg_get_serial_sequence('strip_median', 'id'))").query(Long.class).single();
        old.ifPresent(o -> db.sql("update strip_median set superseded_by = :by, superseded_on = greatest(:today, known_from) where id = :id")
                .param("by", id).param("today", today).param("id", o).update());
        db.sql("""
                insert into strip_median (id, class_id, measure_id, on_day, value, known_from, recorded_by)
                values (:id, :class, :measure, :day, :value, :today, :by)""").param("id", id).param("class", classId).param("measure", measure)
                .param("day", day).param("value", value, java.sql.Types.DOUBLE).param("today", today).param("by", by).update();
    }

    record FormsRow(long id, Double[] forms) {}

    List<FormsRow> forms(Collection<Long> scores) {
        return db.sql("select id, forms from scores_score where id = any(:ids) and forms is not null").param("ids", scores.toArray(Long[]::new))
                .query((row, i) -> new FormsRow(row.getLong("id"), (Double[]) row.getArray("forms").getArray())).list();
    }
}
