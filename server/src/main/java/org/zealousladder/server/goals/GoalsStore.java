package org.zealousladder.server.goals;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class GoalsStore {
    private static final String COLUMNS = """
            select g.id, g.student_id, g.measure_id, g.start_date, g.start_score, g.goal_date, g.goal_score,
                   g.kind, g.percentile, g.factor, g.basis from goals_goal g
            """;
    private final JdbcClient db;

    GoalsStore(JdbcClient db) {
        this.db = db;
    }

    List<Goal> knownOn(Collection<Integer> students, @Nullable Integer measure, LocalDate asOf) {
        return db.sql(COLUMNS + """
                 where g.student_id = any(:students) and (:measure::smallint is null or g.measure_id = :measure::smallint)
                   and g.known_from <= :asOf and (g.superseded_on is null or g.superseded_on > :asOf)""")
                .param("students", students.toArray(Integer[]::new)).param("measure", measure).param("asOf", asOf)
                .query(Goal.class).list();
    }

    /** Goals that had been replaced by {@code asOf}, the newest first. */
    List<Goal> replacedBy(Collection<Integer> students, int measure, LocalDate asOf) {
        return db.sql(COLUMNS + """
                 where g.student_id = any(:students) and g.measure_id = :measure and g.superseded_on <= :asOf
                 order by g.superseded_on desc, g.id desc""")
                .param("students", students.toArray(Integer[]::new)).param("measure", measure).param("asOf", asOf).query(Goal.class).list();
    }

    Optional<Goal> current(int student, int measure) {
        return db.sql(COLUMNS + " where g.student_id = :student and g.measure_id = :measure and g.superseded_by is null")
                .param("student", student).param("measure", measure).query(Goal.class).optional();
    }

    long nextId() {
        return db.sql("select nextval(pg_get_serial_sequence('goals_goal', 'id'))").query(Long.class).single();
    }

    boolean supersede(long id, long by, LocalDate on) {
        return db.sql("""
                update goals_goal set superseded_by = :by, superseded_on = greatest(:on, known_from)
                 where id = :id and superseded_by is null""")
                .param("id", id).param("by", by).param("on", on).update() == 1;
    }

    void insert(Goal g, LocalDate knownFrom, int by, @Nullable String reason) {
        db.sql("""
                insert into goals_goal (id, student_id, measure_id, start_date, start_score, goal_date, goal_score, kind, percentile,
                                        factor, basis, known_from, recorded_by, reason)
                values (:id, :student, :measure, :startDate, :startScore, :goalDate, :goalScore, :kind, :percentile, :factor, :basis,
                        :knownFrom, :by, :reason)""")
                .param("id", g.id()).param("student", g.studentId()).param("measure", g.measureId())
                .param("startDate", g.startDate()).param("startScore", g.startScore())
                .param("goalDate", g.goalDate()).param("goalScore", g.goalScore()).param("kind", g.kind()).param("percentile", g.percentile())
                .param("factor", g.factor()).param("basis", g.basis())
                .param("knownFrom", knownFrom).param("by", by).param("reason", reason).update();
    }
}
