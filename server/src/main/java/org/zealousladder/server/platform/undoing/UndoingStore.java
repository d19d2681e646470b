package org.zealousladder.server.platform.undoing;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;

@Repository
class UndoingStore {
    private static final int LISTED = 50;

    private final JdbcClient db;

    UndoingStore(JdbcClient db) {
        this.db = db;
    }

    void forgetOld() {
        db.sql("select records_forget_done()").query((r, n) -> "").list();
    }

    void begin(String kind, String words, int person) {
        db.sql("""
                with done as (
                  insert into records_done (kind, words, what, undoable, person_id) values (:kind, :words, '', true, :person) returning id)
                select set_config('ladder.doing', id::text, true) from done""").param("kind", kind).param("words", words)
                .param("person", person).query(String.class).single();
    }

    void came(String what) {
        db.sql("update records_done set what = :what where at = now() and person_id = scope_person() and undone_at is null").param("what", what).update();
    }

    List<Undoing.Done> list() {
        return db.sql("""
                select d.id, d.kind, d.words, d.what, d.at, coalesce(p.name, 'Command line'), d.undoable and d.undone_at is null, d.undone_at, u.name, d.undone_because
                  from records_done d left join people_person p on p.id = d.person_id left join people_person u on u.id = d.undone_by
                 order by d.id desc limit :most""").param("most", LISTED)
                .query((r, n) -> new Undoing.Done(r.getLong(1), Coded.of(Undoing.Kind.class, r.getString(2), "a kind"), r.getString(3), r.getString(4),
                        r.getObject(5, OffsetDateTime.class).toInstant(), r.getString(6), r.getBoolean(7), instant(r.getObject(8, OffsetDateTime.class)),
                        r.getString(9), r.getString(10)))
                .list();
    }

    private static @Nullable Instant instant(@Nullable OffsetDateTime at) {
        return at == null ? null : at.toInstant();
    }

    void undo(long id, String because) {
        db.sql("select records_undo(:id, :because)").param("id", id).param("because", because).query((r, n) -> "").list();
    }
}
