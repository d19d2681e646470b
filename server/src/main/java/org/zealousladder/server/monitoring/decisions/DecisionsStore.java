package org.zealousladder.server.monitoring.decisions;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class DecisionsStore {
    private final JdbcClient db;

    DecisionsStore(JdbcClient db) {
        this.db = db;
    }

    List<Decision> knownOn(Collection<Integer> students, @Nullable Integer measure, LocalDate asOf) {
        return db.sql("""
                select d.id, d.student_id, d.measure_id, d.kind, d.decided_on, d.look_again_on, d.proposed, d.because, d.reason, p.name as by
                  from decisions_decision d left join people_person p on p.id = d.recorded_by
                 where d.student_id = any(:students) and (:measure::smallint is null or d.measure_id = :measure::smallint)
                   and d.decided_on <= :asOf
                 order by d.decided_on, d.id""")
                .param("students", students.toArray(Integer[]::new)).param("measure", measure).param("asOf", asOf)
                .query(Decision.class).list();
    }

    void insert(int student, int measure, String kind, LocalDate on, @Nullable LocalDate lookAgainOn, String proposed, String because,
            @Nullable String reason, int by) {
        db.sql("""
                insert into decisions_decision (student_id, measure_id, kind, decided_on, look_again_on, proposed, because, reason, recorded_by)
                values (:student, :measure, :kind, :on, :lookAgainOn, :proposed, :because, :reason, :by)""")
                .param("student", student).param("measure", measure).param("kind", kind).param("on", on)
                .param("lookAgainOn", lookAgainOn).param("proposed", proposed).param("because", because).param("reason", reason)
                .param("by", by).update();
    }
}
