package org.zealousladder.server.monitoring.plans;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.criteria.Asked;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.core.criteria.When;
import org.zealousladder.server.measures.measures.MeasureTerms;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.platform.sql.Known;

/** Plans, their strategies and sessions, and concerns. */
@Component
class PlanTerms implements AnswersTerms {
    private static final String PLANS = """
            plans_plan p where p.student_id in (select student_id from base) and p.measure_id = any(:measures) and p.starts <= :asOf and""" + Known.asOf("p");
    private static final String RUNNING = PLANS + " and (p.closed_on is null or p.closed_on > :asOf)";

    private final MeasureTerms measures;
    private final PlansService plans;
    private final JdbcClient db;

    PlanTerms(MeasureTerms measures, PlansService plans, JdbcClient db) {
        this.measures = measures;
        this.plans = plans;
        this.db = db;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.RUNNING_PLAN, (s, a) -> any(RUNNING, s), Term.PLAN, this::plan, Term.STRATEGY, this::strategy, Term.SESSIONS, this::sessions,
                Term.CONCERN,
                PlanTerms::concern);
    }

    private Values any(String from, Subject s) {
        return Values.orNo(Sql.of("select p.student_id, true as value from " + from + " group by 1").bind("measures", measures.ids(s)));
    }

    /** One that ran on any day of the time; of nothing said, ever. */
    private Values plan(Subject s, Asking a) {
        if (s.when() instanceof When.Unsaid) {
            return any(PLANS, s);
        }
        return Values.orNo(Sql.of("select p.student_id, true as value from " + PLANS
                + " and p.starts <= :to and (p.closed_on is null or p.closed_on > :from) group by 1").bind("measures", measures.ids(s))
                .bind("from", a.first(s.when())).bind("to", a.to(s.when())));
    }

    /** The strategies that are in force under running plans. */
    private Values strategy(Subject s, Asking a) {
        return Values.orNo(Sql.of("""
                select r.student_id, array_agg(f.strategy) as value from (select p.student_id, p.root from {running}) r
                  cross join lateral (select f.strategy from plans_phase f where f.plan_root = r.root and f.starts <= :asOf and""" + Known.notWithdrawn("f")
                + " order by f.starts desc limit 1) f group by 1").put("running", Sql.of(RUNNING)).bind("measures", measures.ids(s)));
    }

    /** Of the running plan; of several, the one that got least. Counted by the school's days, as the plan's own page does. */
    private Values sessions(Subject s, Asking a) {
        Set<Integer> meant = java.util.Arrays.stream(measures.ids(s)).map(Short::intValue).collect(Collectors.toSet());
        return Values.figured(ids -> plans.knownOn(ids, null, a.asOf()).stream()
                .filter(p -> p.open() && !p.starts().isAfter(a.asOf()) && p.planned() > 0 && meant.contains(p.measureId()))
                .collect(Collectors.toMap(Plan::studentId, p -> 100.0 * p.given() / p.planned(), Math::min)));
    }

    private static Values concern(Subject s, Asking a) {
        List<String> words = ((Asked.OneOf) Term.CONCERN.asked()).words();
        return Values.orNo(Sql
                .of("""
                select c.student_id, array_agg((:words::text[])[c.level]) as value from plans_concern c
                 where c.student_id in (select student_id from base) and c.level > 0 and (:area::text is null or c.area = :area) and""" + Known.asOf("c")
                        + " group by 1")
                .bind("words", words.toArray(String[]::new)).bind("area", s.about()));
    }

    @Override
    public Set<Noun> nouns() {
        return EnumSet.of(Noun.STRATEGY);
    }

    @Override
    @Transactional(readOnly = true)
    public List<String> names(Noun noun, @Nullable String about) {
        return db.sql("select name from plans_strategy union select strategy from plans_phase order by 1").query(String.class).list();
    }
}
