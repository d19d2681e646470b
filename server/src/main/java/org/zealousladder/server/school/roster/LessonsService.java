package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Timetables, and the teaching groups of a student. */
@Service
@Transactional(readOnly = true)
public class LessonsService {
    private final JdbcClient db;

    LessonsService(JdbcClient db) {
        this.db = db;
    }

    /** The week of a student as it is on a day: the class's lessons and those of the teaching groups, by day and time. */
    public List<Lesson> of(Enrolled student, LocalDate asOf) {
        return db.sql("""
                select l.weekday, l.starts, l.ends, l.subject, l.room, g.name as "group" from roster_lesson l left join roster_group g on g.id = l.group_id
                 where (l.class_id = :class or l.group_id in (select m.group_id from roster_member m
                         where m.student_id = :student and m.starts <= :asOf and (m.ends is null or m.ends >= :asOf)))
                   and l.from_day <= :asOf and (l.to_day is null or l.to_day >= :asOf)
                 order by l.weekday, l.starts, l.group_id nulls first""").param("class", student.classId()).param("student", student.id())
                .param("asOf", asOf).query(Lesson.class).list();
    }

    /** A teaching group that somebody is in. @param teachers who lead it, with commas; null where nobody does */
    public record TaughtIn(String group, @Nullable String subject, @Nullable String teachers) {}

    /** The teaching groups of a student on a day, with who leads them. */
    public List<TaughtIn> groups(Enrolled student, LocalDate asOf) {
        return db.sql("""
                select g.name as "group", g.subject, string_agg(p.name, ', ' order by p.name collate "und-x-icu") as teachers
                  from roster_member m join roster_group g on g.id = m.group_id
                  left join roster_leads l on l.group_id = g.id and l.starts <= :asOf and (l.ends is null or l.ends >= :asOf)
                  left join people_person p on p.id = l.person_id
                 where m.student_id = :student and m.starts <= :asOf and (m.ends is null or m.ends >= :asOf) and (g.ends is null or g.ends >= :asOf)
                 group by g.id order by g.name collate "und-x-icu" """).param("student", student.id()).param("asOf", asOf).query(TaughtIn.class).list();
    }
}
