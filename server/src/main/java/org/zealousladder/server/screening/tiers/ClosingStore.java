package org.zealousladder.server.screening.tiers;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.sql.BoundTo;

@Repository
class ClosingStore {
    private final JdbcClient db;

    ClosingStore(JdbcClient db) {
        this.db = db;
    }

    record EventRow(long id, WindowState.Kind kind, LocalDate onDay, @Nullable String by, @Nullable String reason) {}

    List<EventRow> events(int window, int school, LocalDate asOf) {
        return db.sql("""
                select e.id, e.kind, e.on_day, p.name as "by", e.reason
                  from tiers_window_event e left join people_person p on p.id = e.recorded_by
                 where e.window_id = :window and e.school_id = :school and e.on_day <= :asOf order by e.id desc""")
                .param("window", window).param("school", school).param("asOf", asOf).query(EventRow.class).list();
    }

    record PartRow(long eventId, int classId, String area) {}

    List<PartRow> parts(Collection<Long> events) {
        return db.sql("select event_id, class_id, area from tiers_window_part where event_id = any(:events) order by event_id, area, class_id")
                .param("events", events.toArray(Long[]::new)).query(PartRow.class).list();
    }

    /** Two people at once: the school's row is held until the end of the transaction. */
    void lock(int school) {
        db.sql("select pg_advisory_xact_lock(731, :school)").param("school", school).query((r, n) -> 0).list();
    }

    record NewEvent(int window, int school, WindowState.Kind kind, LocalDate onDay, String reason, int by) {}

    /** @param parts empty: everything */
    void record(NewEvent event, List<WindowState.ClassInArea> parts) {
        long id = db.sql("""
                insert into tiers_window_event (window_id, school_id, kind, on_day, reason, recorded_by)
                values (:window, :school, :kind, :onDay, :reason, :by) returning id""")
                .paramSource(new BoundTo(event)).query(Long.class).single();
        db.sql("insert into tiers_window_part (event_id, class_id, area) select distinct :id, class_id, area from unnest(:classes, :areas) as p(class_id, area)")
                .param("id", id).param("classes", parts.stream().map(WindowState.ClassInArea::classId).toArray(Integer[]::new))
                .param("areas", parts.stream().map(WindowState.ClassInArea::area).toArray(String[]::new)).update();
    }
}
