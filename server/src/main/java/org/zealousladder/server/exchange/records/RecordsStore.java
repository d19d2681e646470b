package org.zealousladder.server.exchange.records;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.List;
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

    long addUpload(int person, String fileName) {
        return db.sql("insert into records_upload (person_id, file_name) values (:person, :name) returning id")
                .param("person", person).param("name", fileName).query(Long.class).single();
    }

    /** Keeps one more file of an upload; returns its number. */
    int addFile(long upload, String name, InputStream content) throws IOException {
        int no = db.sql("""
                insert into records_upload_file (upload_id, file_no, name)
                select :id, (select count(*) from records_upload_file where upload_id = :id), :name returning file_no""").param("id", upload)
                .param("name", name)
                .query(Integer.class).single();
        byte[] piece;
        for (int position = 0; (piece = content.readNBytes(PIECE)).length > 0; position++) {
            db.sql("insert into records_upload_piece (upload_id, file_no, position, bytes) values (:id, :no, :position, :bytes)")
                    .param("id", upload).param("no", no).param("position", position).param("bytes", piece).update();
        }
        return no;
    }

    Optional<Upload> upload(long id) {
        return db.sql("select id, file_name, preview::text as preview, applied_at is not null as applied from records_upload where id = :id for update")
                .param("id", id).query(Upload.class).optional();
    }

    /** The newest of the viewer's own that was looked at and neither taken nor left. */
    Optional<Upload> waiting() {
        return db.sql("""
                select id, file_name, preview::text as preview, false as applied from records_upload where applied_at is null and preview is not null
                 order by id desc limit 1""").query(Upload.class).optional();
    }

    /** Names of an upload's files, by their numbers. */
    List<String> files(long upload) {
        return db.sql("select name from records_upload_file where upload_id = :id order by file_no").param("id", upload).query(String.class).list();
    }

    /** Bytes of all files of an upload. */
    long size(long upload) {
        return db.sql("select coalesce(sum(length(bytes)), 0) from records_upload_piece where upload_id = :id").param("id", upload).query(Long.class).single();
    }

    void writeContent(long upload, int file, OutputStream out) throws IOException {
        int pieces = db.sql("select count(*) from records_upload_piece where upload_id = :id and file_no = :no").param("id", upload).param("no", file)
                .query(Integer.class).single();
        for (int position = 0; position < pieces; position++) {
            out.write(db.sql("select bytes from records_upload_piece where upload_id = :id and file_no = :no and position = :position")
                    .param("id", upload).param("no", file).param("position", position).query(byte[].class).single());
        }
    }

    /** Keeps the preview, and the refusals from the run's temporary table. */
    void keepPreview(long id, String preview) {
        db.sql("update records_upload set preview = :preview::jsonb where id = :id").param("id", id).param("preview", preview).update();
        db.sql("delete from records_refusal where upload_id = :id").param("id", id).update();
        db.sql("insert into records_refusal (upload_id, file_no, row_no, col, value, message) select :id, file_no, row_no, col, value, message from refused")
                .param("id", id).update();
    }

    void markApplied(long id) {
        db.sql("update records_upload set applied_at = now() where id = :id").param("id", id).update();
    }

    void delete(long id) {
        db.sql("delete from records_upload where id = :id").param("id", id).update();
    }

    /** Own uploads older than a day make room, with the names in them; until then the refused rows of those that were taken can be fetched. */
    void deleteAbandoned() {
        db.sql("delete from records_upload where coalesce(applied_at, created_at) < now() - interval '1 day'").update();
    }

    void refusals(long id, Consumer<ImportResult.RowRefusal> each) {
        db.sql("select file_no, row_no, col, value, message from records_refusal where upload_id = :id order by file_no, row_no, col")
                .withFetchSize(ROWS_AT_ONCE)
                .param("id", id).query((RowCallbackHandler) r -> each
                        .accept(new ImportResult.RowRefusal(r.getInt(1), r.getInt(2), r.getString(3), r.getString(4), r.getString(5))));
    }
}
