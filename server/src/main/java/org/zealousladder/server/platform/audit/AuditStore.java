package org.zealousladder.server.platform.audit;

import java.sql.Types;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.server.platform.database.PeopleDatabase;

/** Writes what is noted, as the role that cannot read it. */
@Repository
class AuditStore {
    private final JdbcClient db;
    private final TransactionTemplate transaction;

    AuditStore(@PeopleDatabase JdbcClient db, @PeopleDatabase PlatformTransactionManager transactions) {
        this.db = db;
        // Within a change of rights it is part of that, on the same connection: one more for each who signs in at once, and there would be none left.
        transaction = new TransactionTemplate(transactions);
    }

    /** For a look nobody waits for the disk: when the machine itself fails, the last half second of looks may be missing. */
    void add(@Nullable Integer by, @Nullable String address, Audit.Note note) {
        transaction.executeWithoutResult(status -> {
            if (status.isNewTransaction()) {
                db.sql("set local synchronous_commit = off").update();
            }
            db.sql("""
                    insert into audit_event (person_id, address, kind, what, about, student_id, students, about_person)
                    values (:by, :address, :kind, :what, :about, :student, :students, :person)""").param("by", by, Types.INTEGER)
                    .param("address", address, Types.VARCHAR).param("kind", note.kind().code()).param("what", note.what())
                    .param("about", note.about(), Types.VARCHAR).param("student", note.student(), Types.INTEGER)
                    .param("students", note.students(), Types.INTEGER).param("person", note.person(), Types.INTEGER).update();
        });
    }

    void months() {
        db.sql("select audit_months()").query((r, n) -> 0).single();
    }

    int forget(int years) {
        return db.sql("select audit_forget(:years)").param("years", years).query(Integer.class).single();
    }
}
