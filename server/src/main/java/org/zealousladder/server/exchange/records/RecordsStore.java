package org.zealousladder.server.exchange.records;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.RowCallbackHandler;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class RecordsStore {
    private static final int PIECE = 1 << 20;
    private static final int ROWS_AT_ONCE = 2_000;

    private final JdbcClient db;

    RecordsStore(JdbcClient db) {
        this.db = db;
    }

    record Upload(long id, String fileName, @Nullable String preview, boolean applied) {}

    long addUpload(int person, String fileName, InputStream content) throws IOException {
        long id = db.sql("insert into records_upload (person_id, file_name) values (:person, :name) returning id")
                .param("person", person).param("name", fileName).query(Long.class).single();
        byte[] piece;
        for (int position = 0; (piece = content.readNBytes(PIECE)).length > 0; position++) {
            db.sql("insert into records_upload_piece (upload_id, position, bytes) values (:id, :position, :bytes)")
                    .param("id", id).param("position", position).param("bytes", piece).update();
        }
        return id;
    }

    Optional<Upload> upload(long id) {
        return db.sql("select id, file_name, preview::text as preview, applied_at is not null as applied from records_upload where id = :id for update")
                .param("id", id).query(Upload.class).optional();
    }

    void writeContent(long id, OutputStream out) throws IOException {
        int pieces = db.sql("select count(*) from records_upload_piece where upload_id = :id").param("id", id).query(Integer.class).single();
        for (int position = 0; position < pieces; position++) {
            out.write(db.sql("select bytes from records_upload_piece where upload_id = :id and position = :position")
                    .param("id", id).param("position", position).query(byte[].class).single());
        }
    }

    /** Keeps the preview, and the refusals from the run's temporary table. */
    void keepPreview(long id, String kind, String preview) {
        db.sql("update records_upload set kind = :kind, preview = :preview::jsonb where id = :id")
                .param("id", id).param("kind", kind).param("preview", preview).update();
        db.sql("delete from records_refusal where upload_id = :id").param("id", id).update();
        db.sql("insert into records_refusal (upload_id, row_no, col, value, message) select :id, row_no, col, value, message from refused")
                .param("id", id).update();
    }

    void markApplied(long id) {
        db.sql("update records_upload set applied_at = now() where id = :id").param("id", id).update();
        db.sql("delete from records_upload_piece where upload_id = :id").param("id", id).update();
    }

    void delete(long id) {
        db.sql("delete from records_upload where id = :id").param("id", id).update();
    }

    /** Own uploads older than a day that were never accepted make room. */
    void deleteAbandoned() {
        db.sql("delete from records_upload where applied_at is null and created_at < now() - interval '1 day'").update();
    }

    void refusals(long id, Consumer<ImportResult.RowRefusal> each) {
        db.sql("select row_no, col, value, message from records_refusal where upload_id = :id order by row_no, col").withFetchSize(ROWS_AT_ONCE)
                .param("id", id)
                .query((RowCallbackHandler) r -> each.accept(new ImportResult.RowRefusal(r.getInt(1), r.getString(2), r.getString(3), r.getString(4))));
    }
}
