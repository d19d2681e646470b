package org.zealousladder.server.overview.find;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.criteria.Asked;
import org.zealousladder.core.criteria.Criterion;
import org.zealousladder.core.criteria.Criterion.And;
import org.zealousladder.core.criteria.Criterion.Condition;
import org.zealousladder.core.criteria.Criterion.Counted;
import org.zealousladder.core.criteria.Criterion.Not;
import org.zealousladder.core.criteria.Criterion.Or;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Test;
import org.zealousladder.core.criteria.When;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;

/**
 * A criterion as one statement: what each term answers is named beforehand and joined to the students, what must hold of it is a column of yes, no or null,
 * and the criterion itself is an expression over those, since SQL's logic with null is Kleene's.
 */
final class CriterionSql {
    private static final String SEPARATOR = "\u001f";
    private static final int LONG = 60;

    private final Sql base;
    private final Map<Subject, Integer> subjects = new LinkedHashMap<>();
    private final Map<String, String> answers = new LinkedHashMap<>();
    private final List<Values> values = new ArrayList<>();
    private final Map<Condition, Integer> tests = new IdentityHashMap<>();
    private final List<String> columns = new ArrayList<>();
    private final Map<String, @Nullable Object> bound = new LinkedHashMap<>();

    /** @param base names the students asked about */
    CriterionSql(Sql base) {
        this.base = base;
        bound.putAll(base.bound());
    }

    /** Adds what a subject answers; the same one is asked once. @param figured what was reckoned for it, null where it is asked in SQL */
    String add(Subject s, Values v, @Nullable Map<Integer, ?> figured) {
        Integer known = subjects.get(s);
        if (known == null) {
            known = subjects.size();
            subjects.put(s, known);
            Sql sql = (figured == null ? v.sql() : reckoned(s, figured)).named("c" + known + "x");
            answers.put("c" + known, sql.text());
            bound.putAll(sql.bound());
            values.add(v);
        }
        return value(known);
    }

    private String value(int k) {
        Subject s = subjects.keySet().stream().skip(k).findFirst().orElseThrow();
        String value = "c" + k + ".value";
        if (values.get(k).missing() != Values.Missing.NO) {
            return value;
        }
        return s.term().asked() instanceof Asked.YesNo ? "coalesce(" + value + ", false)" : s.term().several() ? "coalesce(" + value + ", '{}')" : value;
    }

    private static Sql reckoned(Subject s, Map<Integer, ?> figured) {
        List<Integer> ids = new ArrayList<>();
        List<@Nullable Object> values = new ArrayList<>();
        figured.forEach((id, value) -> {
            ids.add(id);
            values.add(value instanceof List<?> l ? l.stream().map(Object::toString).collect(Collectors.joining(SEPARATOR)) : value);
        });
        Object[] all = s.term().asked() instanceof Asked.Number ? values.toArray(Double[]::new)
                : s.term().asked() instanceof Asked.YesNo ? values.toArray(Boolean[]::new) : values.toArray(String[]::new);
        String value = s.term().several() ? "case v.value when '' then '{}'::text[] else string_to_array(v.value, '" + SEPARATOR + "') end" : "v.value";
        return Sql.of("select v.student_id, " + value + " as value from unnest(:ids, :values) as v(student_id, value)").bind("ids", ids.toArray(Integer[]::new))
                .bind("values", all);
    }

    /** Adds what must hold, as a column of yes, no or null. */
    void test(Condition c, String value) {
        int k = columns.size();
        tests.put(c, k);
        columns.add("(" + holds(c, value, "t" + k + "x") + ") as t" + k);
    }

    private String holds(Condition c, String value, String prefix) {
        Subject s = c.subject();
        Integer known = subjects.get(s);
        if (known != null && values.get(known).missing() == Values.Missing.UNSEEN) {
            return "null::boolean";
        } else if (c.test() instanceof Test.Holds) {
            return value;
        } else if (c.test() instanceof Test.OnRecord r) {
            String is = s.term().several() ? "coalesce(cardinality(" + value + "), 0) > 0" : value + " is not null";
            return r.not() ? "not (" + is + ")" : is;
        } else if (c.test() instanceof Test.IsNumber n) {
            bound.put(prefix + "a", n.value());
            bound.put(prefix + "b", n.upper());
            String is = n.by() == Test.Compare.FROM_TO ? "between :" + prefix + "a and :" + prefix + "b" : n.by().sign() + " :" + prefix + "a";
            if (s.when() instanceof When.LastScores last) {
                return "select bool_" + (last.all() ? "and" : "or") + "(x " + is + ") from unnest(" + value + ") x";
            }
            return value + " " + is;
        }
        Test.IsWord w = (Test.IsWord) c.test();
        bound.put(prefix + "w", w.words().toArray(String[]::new));
        String is = s.term().several() ? value + " && :" + prefix + "w::text[]" : value + " = any(:" + prefix + "w)";
        return w.not() ? "not (" + is + ")" : is;
    }

    /** What a criterion answers, over the columns of {@code told}. */
    String verdict(Criterion c) {
        if (c instanceof Condition k) {
            return "t" + java.util.Objects.requireNonNull(tests.get(k));
        } else if (c instanceof And a) {
            return joined(a.of(), " and ");
        } else if (c instanceof Or o) {
            return joined(o.of(), " or ");
        } else if (c instanceof Not n) {
            return "(not " + verdict(n.of()) + ")";
        } else if (c instanceof Counted n) {
            return switch (n.howMany()) {
                case ALL -> joined(n.of(), " and ");
                case ANY -> joined(n.of(), " or ");
                case NONE -> "(not " + joined(n.of(), " or ") + ")";
                case AT_LEAST -> atLeast(n.n(), n.of().stream().map(this::verdict).toList());
            };
        }
        throw new IllegalArgumentException("a gap has no answer");
    }

    /** Yes once so many are, no once so many cannot be. Said twice of each, so for long ones there is a function. */
    private static String atLeast(int n, List<String> of) {
        if (of.stream().anyMatch(v -> v.length() > LONG)) {
            return "find_at_least(" + n + ", array[" + String.join(", ", of) + "])";
        }
        String yes = of.stream().map(v -> "(" + v + " is true)::integer").collect(Collectors.joining(" + "));
        String can = of.stream().map(v -> "(" + v + " is not false)::integer").collect(Collectors.joining(" + "));
        return "(case when " + yes + " >= " + n + " then true when " + can + " < " + n + " then false end)";
    }

    private String joined(List<Criterion> of, String by) {
        return of.stream().map(this::verdict).collect(Collectors.joining(by, "(", ")"));
    }

    /** {@code told}: each student with the columns of the tests; and after it what is selected from it. */
    Sql statement(String select) {
        StringBuilder text = new StringBuilder("with ").append(base.text());
        answers.forEach((name, sql) -> text.append(",\n").append(name).append(" as materialized (\n").append(sql).append(')'));
        text.append(",\ntold as materialized (\nselect b.student_id").append(columns.stream().map(c -> ", " + c).collect(Collectors.joining()))
                .append(" from base b");
        joins(text);
        text.append(")\n").append(select);
        return new Sql(text.toString(), Map.of(), bound);
    }

    /** A table of the students with what each subject answers. @param order what it is sorted by */
    Sql table(List<String> selected, String order) {
        StringBuilder text = new StringBuilder("with ").append(base.text());
        answers.forEach((name, sql) -> text.append(",\n").append(name).append(" as materialized (\n").append(sql).append(')'));
        text.append("\nselect b.student_id").append(selected.stream().map(s -> ", " + s).collect(Collectors.joining())).append(" from base b");
        joins(text);
        text.append("\norder by ").append(order);
        return new Sql(text.toString(), Map.of(), bound);
    }

    private void joins(StringBuilder text) {
        Set<String> names = answers.keySet();
        names.forEach(n -> text.append("\nleft join ").append(n).append(" on ").append(n).append(".student_id = b.student_id"));
    }
}
