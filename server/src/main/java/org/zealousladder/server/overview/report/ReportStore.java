package org.zealousladder.server.overview.report;

import java.util.Optional;
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

    long create(int person, String title, int total) {
        db.sql("delete from report_job where created_at < now() - interval '1 day'").update();
        return db.sql("insert into report_job (person_id, title, total) values (:person, :title, :total) returning id")
                .param("person", person).param("title", title).param("total", total).query(Long.class).single();
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

    /** A job that nobody carries on any more, because the server was stopped, counts as failed after ten minutes. */
    Optional<Job> job(long id) {
        return db.sql("""
                select title, done, total, pdf is not null as ready,
                       coalesce(failed, case when pdf is null and created_at < now() - interval '10 minutes' then 'The server was stopped meanwhile. Ask for the PDF again.' end) as failed
                  from report_job where id = :id""").param("id", id).query(Job.class).optional();
    }

    Optional<byte[]> pdf(long id) {
        return db.sql("select pdf from report_job where id = :id and pdf is not null").param("id", id).query(byte[].class).optional();
    }
}
