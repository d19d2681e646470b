package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.sql.BoundTo;
import org.zealousladder.server.platform.sql.Known;

@Repository
class ConcernsStore {
    private final JdbcClient db;

    ConcernsStore(JdbcClient db) {
        this.db = db;
    }

    List<Concern> knownOn(Collection<Integer> students, @Nullable String area, LocalDate asOf) {
        return db.sql("""
                select c.id, c.student_id, c.area, c.level, c.note, c.known_from as since, p.name as by
                  from plans_concern c left join people_person p on p.id = c.recorded_by
                 where c.student_id = any(:students) and (:area::text is null or c.area = :area)
                   and""" + Known.asOf("c"))
                .param("students", students.toArray(Integer[]::new)).param("area", area).param("asOf", asOf).query(Concern.class).list();
    }

    Optional<Long> current(int student, String area) {
        return db.sql("select id from plans_concern where student_id = :student and area = :area and superseded_by is null")
                .param("student", student).param("area", area).query(Long.class).optional();
    }

    record NewConcern(int student, String area, int level, @Nullable String note, int by) {}

    /** @return whether the concern that was seen was still the current one */
    boolean put(NewConcern concern, @Nullable Long seen, LocalDate today) {
        long id = db.sql("select nextval(pg_get_serial_sequence('plans_concern', 'id'))").query(Long.class).single();
        if (seen != null && db.sql("""
                update plans_concern set superseded_by = :by, superseded_on = greatest(:today, known_from)
                 where id = :id and superseded_by is null""").param("id", seen).param("by", id).param("today", today).update() != 1) {
            return false;
        }
        db.sql("""
                insert into plans_concern (id, student_id, area, level, note, known_from, recorded_by)
                values (:id, :student, :area, :level, :note, :today, :by)""")
                .paramSource(new BoundTo(concern).and("id", id).and("today", today)).update();
        return true;
    }

    /** Areas somebody worries about or has a strategy for, as far as the viewer may see. */
    List<String> areas() {
        return db.sql("select area from plans_concern where superseded_by is null union select area from plans_strategy where not retired order by 1")
                .query(String.class).list();
    }
}
