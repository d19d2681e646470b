package org.zealousladder.server.monitoring.decisions;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.server.platform.sql.BoundTo;

@Repository
class DecisionsStore {
    private final JdbcClient db;

    DecisionsStore(JdbcClient db) {
        this.db = db;
    }

    private static final String DECISIONS = """
            select d.id, d.student_id, d.measure_id, d.kind, d.decided_on, d.look_again_on, d.proposed, d.because, d.reason, p.name as by,
                   case when d.withdrawn_on <= :asOf then d.withdrawn_on end as withdrawn_on, w.name as withdrawn_by, d.withdrawn_because
              from decisions_decision d left join people_person p on p.id = d.recorded_by left join people_person w on w.id = d.withdrawn_by
             where d.student_id = any(:students) and (:measure::smallint is null or d.measure_id = :measure::smallint) and d.decided_on <= :asOf
            """;

    /** Those that stand. */
    List<Decision> knownOn(Collection<Integer> students, @Nullable Integer measure, LocalDate asOf) {
        return read(DECISIONS + " and (d.withdrawn_on is null or d.withdrawn_on > :asOf)", students, measure, asOf);
    }

    /** Also those that were taken back. */
    List<Decision> log(Collection<Integer> students, @Nullable Integer measure, LocalDate asOf) {
        return read(DECISIONS, students, measure, asOf);
    }

    private List<Decision> read(String sql, Collection<Integer> students, @Nullable Integer measure, LocalDate asOf) {
        return db.sql(sql + " order by d.decided_on, d.id").param("students", students.toArray(Integer[]::new)).param("measure", measure).param("asOf", asOf)
                .query(Decision.class).list();
    }

    /** The student and measure of a decision that stands and that the viewer may see. */
    record Place(int studentId, int measureId) {}

    Optional<Place> place(long id) {
        return db.sql("select student_id, measure_id from decisions_decision where id = :id and withdrawn_on is null").param("id", id).query(Place.class)
                .optional();
    }

    /** The goal that a decision set; none where it set none, or was taken before that was kept. */
    Optional<Long> goal(long id) {
        return db.sql("select goal_id from decisions_decision where id = :id and goal_id is not null").param("id", id).query(Long.class).optional();
    }

    /** @return whether it still stood */
    boolean withdraw(long id, LocalDate today, int by, String because) {
        return db.sql("""
                update decisions_decision set withdrawn_on = greatest(:today, decided_on), withdrawn_by = :by, withdrawn_because = :because
                 where id = :id and withdrawn_on is null""").param("today", today).param("by", by).param("because", because).param("id", id).update() == 1;
    }

    /** What is kept of a decision on the day it is taken. */
    record Taken(int studentId, int measureId, DecisionKind kind, LocalDate on, @Nullable LocalDate lookAgainOn, Proposal.@Nullable Kind proposed,
            String because, @Nullable String reason, @Nullable Long goalId) {}

    void insert(Taken taken, int by) {
        db.sql("""
                insert into decisions_decision (student_id, measure_id, kind, decided_on, look_again_on, proposed, because, reason, goal_id, recorded_by)
                values (:studentId, :measureId, :kind, :on, :lookAgainOn, :proposed, :because, :reason, :goalId, :by)""")
                .paramSource(new BoundTo(taken).and("by", by)).update();
    }
}
