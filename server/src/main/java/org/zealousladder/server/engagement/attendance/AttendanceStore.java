package org.zealousladder.server.engagement.attendance;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Days away and late, as they were known. */
@Repository
class AttendanceStore {
    private final JdbcClient db;

    AttendanceStore(JdbcClient db) {
        this.db = db;
    }

    record Day(int studentId, LocalDate onDay, String status, @Nullable String reason) {}

    List<Day> days(Collection<Integer> students, LocalDate from, LocalDate asOf) {
        return db.sql("""
                select student_id, on_day, status, reason from attendance_day
                 where student_id = any(:students) and on_day between :from and :asOf and known_from <= :asOf and (superseded_on is null or superseded_on > :asOf)
                 order by on_day""")
                .param("students", students.toArray(Integer[]::new)).param("from", from).param("asOf", asOf).query(Day.class).list();
    }

    /** Classes of which anything is on record. */
    List<Integer> told(Collection<Integer> classes, LocalDate from, LocalDate asOf) {
        return db.sql("""
                select distinct e.class_id from roster_enrolment e join attendance_day d on d.student_id = e.student_id and d.on_day between :from and :asOf and d.known_from <= :asOf
                 where e.class_id = any(:classes)""")
                .param("classes", classes.toArray(Integer[]::new)).param("from", from).param("asOf", asOf).query(Integer.class).list();
    }

    record Here(int studentId, LocalDate since) {}

    /** Since when students are enrolled in a year. */
    List<Here> since(Collection<Integer> students, LocalDate from, LocalDate to, LocalDate asOf) {
        return db.sql("""
                select student_id, greatest(min(starts), :from) as since from roster_enrolment_known(:asOf)
                 where student_id = any(:students) and starts <= :to and (ends is null or ends >= :from) group by student_id""")
                .param("students", students.toArray(Integer[]::new)).param("from", from).param("to", to).param("asOf", asOf).query(Here.class).list();
    }
}
