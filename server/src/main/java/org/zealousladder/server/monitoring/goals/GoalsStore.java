package org.zealousladder.server.monitoring.goals;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcOperations;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.goals.GoalKind;
import org.zealousladder.server.platform.sql.Known;

@Repository
class GoalsStore {
    private static final String COLUMNS = """
            select g.id, g.student_id, g.measure_id, g.start_date, g.start_score, g.goal_date, g.goal_score,
                   g.kind, g.percentile, g.factor, g.basis from goals_goal g
            """;
    private final JdbcClient db;
    private final JdbcOperations batch;

    GoalsStore(JdbcClient db, JdbcOperations batch) {
        this.db = db;
        this.batch = batch;
    }

    List<Goal> knownOn(Collection<Integer> students, @Nullable Integer measure, LocalDate asOf) {
        return db.sql(COLUMNS + """
                 where g.student_id = any(:students) and (:measure::smallint is null or g.measure_id = :measure::smallint)
                   and""" + Known.asOf("g"))
                .param("students", students.toArray(Integer[]::new)).param("measure", measure).param("asOf", asOf)
                .query(Goal.class).list();
    }

    /** Goals that had been replaced by {@code asOf}, the newest first. */
    List<Goal> replacedBy(Collection<Integer> students, int measure, LocalDate asOf) {
        return db.sql(COLUMNS + """
                 where g.student_id = any(:students) and g.measure_id = :measure and g.superseded_on <= :asOf and g.superseded_by <> g.id
                 order by g.superseded_on desc, g.id desc""")
                .param("students", students.toArray(Integer[]::new)).param("measure", measure).param("asOf", asOf).query(Goal.class).list();
    }

    List<Goal> earlier(int student, LocalDate year, LocalDate asOf) {
        return db.sql(COLUMNS + """
                 where g.student_id = :student and g.goal_date < least(:year, :asOf) and g.known_from <= g.goal_date and g.withdrawn_because is null
                   and (g.superseded_on is null or g.superseded_on > g.goal_date)
                 order by g.goal_date, g.id""").param("student", student).param("year", year).param("asOf", asOf).query(Goal.class).list();
    }

    List<Goal> current(Collection<Integer> students, int measure) {
        return db.sql(COLUMNS + " where g.student_id = any(:students) and g.measure_id = :measure and g.superseded_by is null")
                .param("students", students.toArray(Integer[]::new)).param("measure", measure).query(Goal.class).list();
    }

    Optional<Goal> byId(long id) {
        return db.sql(COLUMNS + " where g.id = :id").param("id", id).query(Goal.class).optional();
    }

    /** The goal that another was put in the place of. */
    Optional<Goal> replaced(long by) {
        return db.sql(COLUMNS + " where g.superseded_by = :by and g.id <> :by").param("by", by).query(Goal.class).optional();
    }

    /** @return whether it stood until now */
    boolean withdraw(long id, String because, LocalDate today, int by) {
        return db.sql("""
                update goals_goal set superseded_by = id, superseded_on = greatest(:today, known_from), withdrawn_because = :because, withdrawn_by = :by
                 where id = :id and superseded_by is null""").param("id", id).param("because", because).param("today", today).param("by", by).update() == 1;
    }

    /** Puts goals in the place of those they name; false when one of these has been replaced by somebody else meanwhile. */
    boolean replace(List<GoalForm> goals, LocalDate today, int by) {
        List<Long> ids = db.sql("select nextval(pg_get_serial_sequence('goals_goal', 'id')) from generate_series(1, :n)").param("n", goals.size())
                .query(Long.class).list();
        List<Object[]> old = new ArrayList<>();
        List<Object[]> rows = new ArrayList<>();
        for (int i = 0; i < goals.size(); i++) {
            GoalForm g = goals.get(i);
            if (g.replaces() != null) {
                old.add(new Object[] {ids.get(i), today, g.replaces()});
            }
            rows.add(new Object[] {ids.get(i), g.studentId(), g.measureId(), g.startDate(), g.startScore(), g.goalDate(), g.goalScore(),
                    (g.kind() == null ? GoalKind.BY_HAND : g.kind()).code(), g.percentile(), g.factor(), g.basis(), today, by, g.reason()});
        }
        int[] superseded = batch.batchUpdate("""
                update goals_goal set superseded_by = ?, superseded_on = greatest(?, known_from) where id = ? and superseded_by is null""", old);
        if (Arrays.stream(superseded).anyMatch(n -> n != 1)) {
            return false;
        }
        batch.batchUpdate("""
                insert into goals_goal (id, student_id, measure_id, start_date, start_score, goal_date, goal_score, kind, percentile, factor, basis,
                                        known_from, recorded_by, reason)
                values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)""", rows);
        return true;
    }
}
