package org.zealousladder.server.exchange.history;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;
import org.zealousladder.server.platform.audit.Audit;

/** Reads the record; the database lets administrators alone. */
@Repository
class HistoryStore {
    private final JdbcClient db;

    HistoryStore(JdbcClient db) {
        this.db = db;
    }

    /**
     * What is searched for; null: anything.
     *
     * @param words of the name, sign-in name or code of a person or a student
     * @param before only what came before this one, by its time and number
     */
    record Search(Audit.@Nullable Kind kind, @Nullable String words, Instant from, Instant to, @Nullable Instant beforeAt, @Nullable Long before) {}

    List<HistoryView.HistoryEntry> search(Search s, int most) {
        return db.sql("""
                with meant as (
                  select id from people_person where :words::text is not null and (roster_plain(name) like :like or lower(login) like :like)),
                spoken as (
                  select id from roster_student
                   where :words::text is not null and (roster_plain(given_name || ' ' || family_name) like :like or lower(code) like :like))
                select e.id, e.at, e.person_id, p.name, p.login, e.address, e.kind, e.what, e.about, e.student_id, s.code, s.given_name || ' ' || s.family_name,
                       e.students, e.about_person, q.name, q.login
                  from audit_event e left join people_person p on p.id = e.person_id left join people_person q on q.id = e.about_person
                  left join roster_student s on s.id = e.student_id
                 where e.at >= :from and e.at < :to and (:kind::text is null or e.kind = :kind)
                   and (:words::text is null or e.person_id in (select id from meant) or e.about_person in (select id from meant)
                        or e.student_id in (select id from spoken))
                   and (:before::bigint is null or (e.at, e.id) < (:beforeAt, :before))
                 order by e.at desc, e.id desc limit :most""")
                .param("words", s.words(), Types.VARCHAR).param("like", s.words() == null ? "" : "%" + s.words().replaceAll("[%_\\\\]", "") + "%")
                .param("from", at(s.from())).param("to", at(s.to())).param("kind", s.kind() == null ? null : s.kind().code(), Types.VARCHAR)
                .param("before", s.before(), Types.BIGINT).param("beforeAt", s.beforeAt() == null ? null : at(s.beforeAt()), Types.TIMESTAMP_WITH_TIMEZONE)
                .param("most", most)
                .query((r, n) -> new HistoryView.HistoryEntry(r.getLong(1), r.getObject(2, OffsetDateTime.class).toInstant(), person(r, 3, 4, 5),
                        r.getString(6),
                        Coded.of(Audit.Kind.class, r.getString(7), "kind"), r.getString(8), r.getString(9), student(r), r.getObject(13, Integer.class),
                        person(r, 14, 15, 16)))
                .list();
    }

    private static OffsetDateTime at(Instant instant) {
        return instant.atOffset(ZoneOffset.UTC);
    }

    private static HistoryView.@Nullable HistoryPerson person(ResultSet r, int id, int name, int login) throws SQLException {
        return r.getString(name) == null ? null : new HistoryView.HistoryPerson(r.getInt(id), r.getString(name), r.getString(login));
    }

    private static HistoryView.@Nullable HistoryStudent student(ResultSet r) throws SQLException {
        return r.getString(11) == null ? null : new HistoryView.HistoryStudent(r.getInt(10), r.getString(11), r.getString(12));
    }
}
