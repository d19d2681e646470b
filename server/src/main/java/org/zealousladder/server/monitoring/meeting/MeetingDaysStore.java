package org.zealousladder.server.monitoring.meeting;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.who.Viewer;

/** When a school's team meets. */
@Repository
class MeetingDaysStore {
    private final JdbcClient db;

    MeetingDaysStore(JdbcClient db) {
        this.db = db;
    }

    record MeetingDay(int id, LocalDate on) {}

    List<MeetingDay> from(int school, LocalDate day) {
        return db.sql("select id, on_day as on from meeting_day where school_id = :school and on_day >= :day and off_at is null order by on_day")
                .param("school", school).param("day", day).query(MeetingDay.class).list();
    }

    void add(int school, LocalDate on) {
        db.sql("insert into meeting_day (school_id, on_day, made_by) values (:school, :on, :by)").param("school", school).param("on", on)
                .param("by", Viewer.current().id()).update();
    }

    Optional<Integer> school(int id) {
        return db.sql("select school_id from meeting_day where id = :id and off_at is null").param("id", id).query(Integer.class).optional();
    }

    boolean off(int id) {
        return db.sql("update meeting_day set off_at = now() where id = :id and off_at is null").param("id", id).update() == 1;
    }
}
