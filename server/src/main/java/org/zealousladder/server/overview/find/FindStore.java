package org.zealousladder.server.overview.find;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.criteria.Sql;

/** Runs what was put together of a criterion. */
@Repository
class FindStore {
    /** Of {@code b}, the base. */
    static final String BY_NAME = "b.given_name collate \"und-x-icu\", b.family_name collate \"und-x-icu\", b.student_id";

    private final JdbcClient db;

    FindStore(JdbcClient db) {
        this.db = db;
    }

    /** @param counts in the order they were asked for @param found numbers of students @param cannotTell the same */
    record Counted(List<Integer> counts, List<Integer> found, List<Integer> cannotTell) {}

    /** One row of counts, and who. @param counts SQL of each */
    Counted counted(CriterionSql sql, List<String> counts, String verdict, LocalDate asOf) {
        // Judged once for each student, however often it is counted.
        StringBuilder judged = new StringBuilder(", judged as materialized (select student_id, (").append(verdict).append(") as verdict");
        StringBuilder select = new StringBuilder(
                "select coalesce(array_agg(student_id) filter (where verdict), '{}'), coalesce(array_agg(student_id) filter (where verdict is null), '{}')");
        for (int k = 0; k < counts.size(); k++) {
            judged.append(", (").append(counts.get(k)).append(") as k").append(k);
            select.append(", count(*) filter (where k").append(k).append(')');
        }
        return ran(sql.statement(judged + " from told)\n" + select + " from judged"), asOf, q -> q.query((r, n) -> {
            List<Integer> all = new ArrayList<>();
            for (int k = 0; k < counts.size(); k++) {
                all.add(r.getInt(k + 3));
            }
            return new Counted(all, ids(r, 1), ids(r, 2));
        }).single());
    }

    private static List<Integer> ids(ResultSet r, int column) throws SQLException {
        return List.of((Integer[]) r.getArray(column).getArray());
    }

    /** Those of whom something holds or cannot be told. */
    List<Integer> notRuledOut(CriterionSql sql, String verdict, LocalDate asOf) {
        return ran(sql.statement("select student_id from told where (" + verdict + ") is not false"), asOf, q -> q.query(Integer.class).list());
    }

    /** A page of students, by name. */
    List<Integer> byName(Sql base, LocalDate asOf, int limit, int offset) {
        Sql page = new CriterionSql(base).table(List.of(), BY_NAME);
        return ran(new Sql(page.body() + " limit " + limit + " offset " + offset, page.withs(), page.bound()), asOf, q -> q.query(Integer.class).list());
    }

    /** @param values in the columns' order */
    record Row(int student, List<@Nullable Object> values) {}

    List<Row> table(CriterionSql sql, List<String> selected, String order, LocalDate asOf, int limit, int offset) {
        RowMapper<Row> row = (r, n) -> {
            List<@Nullable Object> values = new ArrayList<>();
            for (int k = 0; k < selected.size(); k++) {
                Object value = r.getObject(k + 2);
                values.add(value instanceof java.sql.Array a ? String.join(", ", Arrays.stream((String[]) a.getArray()).sorted().toList()) : value);
            }
            return new Row(r.getInt(1), values);
        };
        Sql table = sql.table(selected, order);
        return ran(new Sql(table.body() + " limit " + limit + " offset " + offset, table.withs(), table.bound()), asOf, q -> q.query(row).list());
    }

    /**
     * Of many named parts the planner thinks far too highly, and would spend half a second on compiling what takes a tenth. What is set here is for this one
     * statement: the rest of the transaction reads a few rows of many tables, and would read each of them whole.
     */
    private <T> T ran(Sql sql, LocalDate asOf, Function<JdbcClient.StatementSpec, T> how) {
        db.sql("select set_config('jit', 'off', true), set_config('work_mem', '64MB', true), set_config('enable_nestloop', :loops, true)")
                .param("loops", sql.bound().containsKey("wide") ? "off" : "on").query().singleRow();
        T answer = how.apply(db.sql(sql.text()).params(sql.bound()).param("asOf", asOf));
        db.sql("set local jit to default; set local work_mem to default; set local enable_nestloop to default").update();
        return answer;
    }
}
