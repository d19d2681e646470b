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

    /** In place of those that somebody set on a day stands that there is none. @return of how many */
    int takeBack(Collection<Integer> students, String area, int by, LocalDate today) {
        List<SetConcern> fresh = db.sql("""
                with mine as (
                  select c.id as old, c.student_id, nextval(pg_get_serial_sequence('plans_concern', 'id')) as fresh from plans_concern c
                   where c.student_id = any(:students) and c.area = :area and c.recorded_by = :by and c.known_from = :today and c.level > 0 and c.superseded_by is null),
                ended as (update plans_concern c set superseded_by = m.fresh, superseded_on = greatest(:today, c.known_from) from mine m where c.id = m.old
                          returning m.fresh, m.student_id)
                select fresh as id, student_id from ended""").param("students", students.toArray(Integer[]::new)).param("area", area).param("by", by)
                .param("today", today).query(SetConcern.class).list();
        db.sql("""
                insert into plans_concern (id, student_id, area, level, note, known_from, recorded_by)
                select id, s, :area, 0, 'taken back', :today, :by from unnest(:ids::bigint[], :students::integer[]) as t(id, s)""")
                .param("ids", fresh.stream().map(SetConcern::id).toArray(Long[]::new))
                .param("students", fresh.stream().map(SetConcern::studentId).toArray(Integer[]::new))
                .param("area", area).param("today", today).param("by", by).update();
        return fresh.size();
    }

    /** A concern that was set for one of many. */
    record SetConcern(long id, int studentId) {}

    /** For those of whom nobody ever said anything in the area. */
    List<SetConcern> putAll(Collection<Integer> students, NewConcern of, LocalDate today) {
        return db.sql("""
                insert into plans_concern (student_id, area, level, note, known_from, recorded_by)
                select s, :area, :level, :note, :today, :by from unnest(:students::integer[]) s
                 where not exists (select from plans_concern c where c.student_id = s and c.area = :area and c.superseded_by is null)
                returning id, student_id""").param("students", students.toArray(Integer[]::new)).param("area", of.area()).param("level", of.level())
                .param("note", of.note()).param("today", today).param("by", of.by()).query(SetConcern.class).list();
    }

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
