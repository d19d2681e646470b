package org.zealousladder.server.screening.changes;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.sql.BoundTo;

@Repository
class ChangesStore {
    private final JdbcClient db;

    ChangesStore(JdbcClient db) {
        this.db = db;
    }

    /** @param newest whether nothing was changed of the same since */
    record Row(long id, ChangeKind kind, @Nullable Integer schoolId, String about, String words, String effect, String reason, @Nullable String before,
            String after,
            @Nullable Long undoes, LocalDate changedOn, @Nullable String by, boolean undone, boolean newest) {}

    private static final String ROWS = """
            select c.id, c.kind, c.school_id, c.about, c.words, c.effect, c.reason, c.before::text as before, c.after::text as after, c.undoes, c.changed_on,
                   p.name as "by", exists (select from changes_change u where u.undoes = c.id) as undone,
                   not exists (select from changes_change l where l.about = c.about and l.id > c.id) as newest
              from changes_change c left join people_person p on p.id = c.changed_by
            """;

    /** The newest first. */
    List<Row> of(Collection<String> kinds, @Nullable Integer school, LocalDate asOf, int most) {
        return db.sql(ROWS + " where c.kind = any(:kinds) and (c.school_id is null or c.school_id = :school) and c.changed_on <= :asOf"
                + " order by c.id desc limit :most").param("kinds", kinds.toArray(String[]::new)).param("school", school, java.sql.Types.INTEGER)
                .param("asOf", asOf).param("most", most).query(Row.class).list();
    }

    Optional<Row> byId(long id) {
        return db.sql(ROWS + " where c.id = :id").param("id", id).query(Row.class).optional();
    }

    record NewRow(ChangeKind kind, @Nullable Integer schoolId, String about, String words, String effect, String reason, @Nullable String before, String after,
            @Nullable Long undoes, LocalDate changedOn, int changedBy) {}

    void insert(NewRow row) {
        db.sql("""
                insert into changes_change (kind, school_id, about, words, effect, reason, before, after, undoes, changed_on, changed_by)
                values (:kind, :schoolId, :about, :words, :effect, :reason, :before::jsonb, :after::jsonb, :undoes, :changedOn, :changedBy)""")
                .paramSource(new BoundTo(row)).update();
    }

    /** Two people who change at the same time do so one after the other. */
    void lock() {
        db.sql("select pg_advisory_xact_lock(732)").query((r, n) -> 0).list();
    }
}
