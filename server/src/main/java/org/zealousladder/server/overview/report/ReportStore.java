package org.zealousladder.server.overview.report;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class ReportStore {
    private final JdbcClient db;

    ReportStore(JdbcClient db) {
        this.db = db;
    }

    /** @param ready whether the file can be fetched */
    record Job(String title, int done, int total, boolean ready, @Nullable String failed) {}

    /** @param asked what is to be made, for another server where this one ends before */
    long create(int person, String title, int total, UUID server, String asked) {
        db.sql("delete from report_job where created_at < now() - interval '1 day'").update();
        return db.sql("""
                insert into report_job (person_id, title, total, server_id, asked) values (:person, :title, :total, :server, :asked::jsonb) returning id""")
                .param("person", person).param("title", title).param("total", total).param("server", server).param("asked", asked)
                .query(Long.class).single();
    }

    record Left(long id, int person, String asked) {}

    /** Takes over what no living server makes. */
    List<Left> adopt(UUID server) {
        return db.sql("select id, person_id as person, asked from report_adopt(:server)").param("server", server).query(Left.class).list();
    }

    void progress(long id, int done) {
        db.sql("update report_job set done = :done where id = :id").param("id", id).param("done", done).update();
    }

    void finish(long id, byte[] pdf) {
        db.sql("update report_job set pdf = :pdf, done = total where id = :id").param("id", id).param("pdf", pdf).update();
    }

    void fail(long id, String why) {
        db.sql("update report_job set failed = :why where id = :id").param("id", id).param("why", why).update();
    }

    /** A job of a server that ended is carried on by another; where there is none for ten minutes, it counts as failed. */
    Optional<Job> job(long id) {
        return db.sql("""
                select title, done, total, pdf is not null as ready,
                       coalesce(failed, case when pdf is null and created_at < now() - interval '10 minutes' and not coalesce(server_lives(server_id), false) then 'The server was stopped meanwhile. Ask for the PDF again.' end) as failed
                  from report_job where id = :id""").param("id", id).query(Job.class).optional();
    }

    Optional<byte[]> pdf(long id) {
        return db.sql("select pdf from report_job where id = :id and pdf is not null").param("id", id).query(byte[].class).optional();
    }
}
