package org.zealousladder.server.overview.papers;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class PapersStore {
    private final JdbcClient db;

    PapersStore(JdbcClient db) {
        this.db = db;
    }

    /** @param ready whether the file can be fetched */
    record Job(String title, int done, int total, boolean ready, @Nullable String failed) {}

    /** @param asked what is to be made, for another server where this one ends before */
    record NewJob(int person, String kind, String title, int total, String file, UUID server, String asked) {}

    long create(NewJob job) {
        db.sql("delete from papers_job where created_at < now() - interval '1 day'").update();
        return db.sql("""
                insert into papers_job (person_id, kind, title, total, file, server_id, asked)
                values (:person, :kind, :title, :total, :file, :server, :asked::jsonb) returning id""").paramSource(job).query(Long.class).single();
    }

    record Left(long id, int person, String kind, String asked) {}

    /** Takes over what no living server makes. */
    List<Left> adopt(UUID server) {
        return db.sql("select id, person_id as person, kind, asked from papers_adopt(:server)").param("server", server).query(Left.class).list();
    }

    void progress(long id, int done) {
        db.sql("update papers_job set done = :done where id = :id").param("id", id).param("done", done).update();
    }

    void finish(long id, byte[] pdf) {
        db.sql("update papers_job set pdf = :pdf, done = total where id = :id").param("id", id).param("pdf", pdf).update();
    }

    void fail(long id, String why) {
        db.sql("update papers_job set failed = :why where id = :id").param("id", id).param("why", why).update();
    }

    /** A job of a server that ended is carried on by another; where there is none for ten minutes, it counts as failed. */
    Optional<Job> job(long id) {
        return db.sql("""
                select title, done, total, pdf is not null as ready,
                       coalesce(failed, case when pdf is null and created_at < now() - interval '10 minutes'
                        and not coalesce(server_lives(server_id), false) then 'The server was stopped meanwhile. Ask for the PDF again.' end) as failed
                  from papers_job where id = :id""").param("id", id).query(Job.class).optional();
    }

    /** @param name that it is saved under */
    record File(String name, byte[] pdf) {}

    Optional<File> file(long id) {
        return db.sql("select file as name, pdf from papers_job where id = :id and pdf is not null").param("id", id)
                .query((r, n) -> new File(r.getString(1), r.getBytes(2))).optional();
    }
}
