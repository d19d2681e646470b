package org.zealousladder.server.screening.tiers;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class ClosingStore {
    private final JdbcClient db;

    ClosingStore(JdbcClient db) {
        this.db = db;
    }

    List<WindowState.Event> events(int window, int school, LocalDate asOf) {
        return db.sql("""
                select e.kind, e.on_day, p.name as "by", e.reason
                  from tiers_window_event e left join people_person p on p.id = e.recorded_by
                 where e.window_id = :window and e.school_id = :school and e.on_day <= :asOf order by e.id desc""")
                .param("window", window).param("school", school).param("asOf", asOf).query(WindowState.Event.class).list();
    }

    /** Two people at once: the school's row is held until the end of the transaction. */
    void lock(int school) {
        db.sql("select pg_advisory_xact_lock(731, :school)").param("school", school).query((r, n) -> 0).list();
    }

    void record(int window, int school, String kind, LocalDate onDay, @Nullable String reason, int by) {
        db.sql("""
                insert into tiers_window_event (window_id, school_id, kind, on_day, reason, recorded_by)
                values (:window, :school, :kind, :onDay, :reason, :by)""")
                .param("window", window).param("school", school).param("kind", kind).param("onDay", onDay)
                .param("reason", reason, java.sql.Types.VARCHAR).param("by", by).update();
    }
}
