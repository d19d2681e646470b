package org.zealousladder.server.overview.find;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Criterion;
import org.zealousladder.core.criteria.Criterion.Condition;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;

/**
 * Asks a criterion whose names are right. What cannot be asked in SQL is reckoned first, for those only whom what stands before it has not ruled out, and
 * bound; then the whole is one statement.
 */
@Component
class Finder {
    private final Vocabulary vocabulary;
    private final FindStore store;

    Finder(Vocabulary vocabulary, FindStore store) {
        this.vocabulary = vocabulary;
        this.store = store;
    }

    /** A criterion put into SQL: what can be counted is said by it. @param reckoned of all who are not ruled out */
    record Prepared(CriterionSql sql, String verdict, Map<Subject, Map<Integer, ?>> reckoned) {
        /** SQL of what a node of the criterion answers. */
        String of(Criterion node) {
            return sql.verdict(node);
        }
    }

    Prepared prepare(Criterion c, Sql base, LocalDate asOf) {
        Asking asking = new Asking(asOf);
        Map<Subject, Values> values = values(c.conditions(), asking);
        List<Criterion> lines = c instanceof Criterion.And a ? a.of() : List.of(c);
        List<Criterion> before = lines.stream().takeWhile(l -> l.conditions().stream().noneMatch(k -> figured(values, k))).toList();
        Map<Subject, Map<Integer, ?>> reckoned = new LinkedHashMap<>();
        if (before.size() < lines.size()) {
            List<Integer> ids = left(before, values, base, asOf);
            values.forEach((s, v) -> {
                Function<List<Integer>, ? extends Map<Integer, ?>> how = v.figured();
                if (how != null) {
                    reckoned.put(s, how.apply(ids));
                }
            });
        }
        CriterionSql sql = put(c.conditions(), values, reckoned, base);
        return new Prepared(sql, sql.verdict(c), reckoned);
    }

    private Map<Subject, Values> values(List<Condition> conditions, Asking asking) {
        Map<Subject, Values> values = new LinkedHashMap<>();
        conditions.forEach(k -> values.computeIfAbsent(k.subject(), s -> vocabulary.how(s.term()).of(s, asking)));
        return values;
    }

    private static boolean figured(Map<Subject, Values> values, Condition c) {
        return Objects.requireNonNull(values.get(c.subject())).figured() != null;
    }

    /** Those whom the lines before have not ruled out. */
    private List<Integer> left(List<Criterion> before, Map<Subject, Values> values, Sql base, LocalDate asOf) {
        CriterionSql sql = put(before.stream().flatMap(l -> l.conditions().stream()).toList(), values, Map.of(), base);
        return store.notRuledOut(sql, before.isEmpty() ? "true" : sql.verdict(before.size() == 1 ? before.get(0) : new Criterion.And(before)), asOf);
    }

    private static CriterionSql put(List<Condition> conditions, Map<Subject, Values> values, Map<Subject, Map<Integer, ?>> reckoned, Sql base) {
        CriterionSql sql = new CriterionSql(base);
        conditions.forEach(k -> sql.test(k, sql.add(k.subject(), Objects.requireNonNull(values.get(k.subject())), reckoned.get(k.subject()))));
        return sql;
    }

    /** A column that a table is sorted by. @param column its number; null: by name */
    record Sorted(@Nullable Integer column, boolean descending) {}

    /**
     * What subjects answer for some students, in the order wanted.
     *
     * @param base of those students
     * @param reckoned what is known of all of them already
     */
    List<FindStore.Row> table(List<Subject> columns, List<Integer> students, Sql base, LocalDate asOf, Map<Subject, Map<Integer, ?>> reckoned, Sorted by,
            int from, int rows) {
        Asking asking = new Asking(asOf);
        CriterionSql sql = new CriterionSql(base);
        List<String> selected = new ArrayList<>();
        for (Subject s : columns) {
            Values v = vocabulary.how(s.term()).of(s, asking);
            selected.add(sql.add(s, v, v.figured() == null ? null : reckoned.containsKey(s) ? reckoned.get(s) : v.figured().apply(students)));
        }
        String name = FindStore.BY_NAME;
        String order = by.column() == null || by.column() >= selected.size() ? name
                : selected.get(by.column()) + (by.descending() ? " desc" : "") + " nulls last, " + name;
        return store.table(sql, selected, order, asOf, rows, from);
    }
}
