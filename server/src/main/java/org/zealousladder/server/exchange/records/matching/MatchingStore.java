package org.zealousladder.server.exchange.records.matching;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class MatchingStore {
    private final JdbcClient db;

    MatchingStore(JdbcClient db) {
        this.db = db;
    }

    /** @param mine whether the viewer has said it */
    record Kept(long id, String label, String fileName, List<String> headings, OffsetDateTime madeAt, boolean mine) {}

    /** The viewer's own before that of others, and of those the newest. */
    Optional<String> csvw(List<String> headings) {
        return db.sql("""
                select csvw::text from records_matching where headings = :headings::text[] and ended_at is null
                 order by person_id = scope_person() desc, id desc limit 1""").param("headings", headings.toArray(String[]::new)).query(String.class)
                .optional();
    }

    Optional<String> csvw(long id) {
        return db.sql("select csvw::text from records_matching where id = :id").param("id", id).query(String.class).optional();
    }

    void add(int person, boolean shared, List<String> headings, String label, String fileName, String csvw) {
        db.sql("update records_matching set ended_at = now() where person_id = :person and headings = :headings::text[] and ended_at is null")
                .param("person", person).param("headings", headings.toArray(String[]::new)).update();
        db.sql("""
                insert into records_matching (person_id, shared, headings, label, file_name, csvw)
                values (:person, :shared, :headings::text[], :label, :file, :csvw::jsonb)""").param("person", person).param("shared", shared)
                .param("headings", headings.toArray(String[]::new)).param("label", label).param("file", fileName).param("csvw", csvw).update();
    }

    List<Kept> all() {
        return db
                .sql("""
                select id, label, file_name, headings, made_at, person_id = scope_person() as mine
                  from records_matching where ended_at is null order by id desc limit 100""")
                .query((r, n) -> new Kept(r.getLong(1), r.getString(2), r.getString(3), List.of((String[]) r.getArray(4).getArray()),
                        r.getObject(5, OffsetDateTime.class), r.getBoolean(6)))
                .list();
    }

    int end(long id) {
        return db.sql("update records_matching set ended_at = now() where id = :id and ended_at is null").param("id", id).update();
    }
}
