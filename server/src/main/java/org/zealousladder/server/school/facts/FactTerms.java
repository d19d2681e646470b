package org.zealousladder.server.school.facts;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.sight.Sight;
import org.zealousladder.server.school.sight.SightService;

/** What students are grouped by; support is the grouping that every school has. */
@Component
class FactTerms implements AnswersTerms {
    private static final String SUPPORT = "support";

    private final JdbcClient db;
    private final SightService sight;

    FactTerms(JdbcClient db, SightService sight) {
        this.sight = sight;
        this.db = db;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.SUPPORT, (s, a) -> told(grouped("g.code = :grouping", SUPPORT)), Term.GROUPING,
                (s, a) -> told(grouped("g.name = :grouping", s.about())));
    }

    /** @throws Refusal 403 for whom groupings are not shown: not even whether one is on record can be told */
    private Values told(Values grouped) {
        if (!sight.sees(Sight.GROUPINGS)) {
            throw Refusal.forbidden("Supports and groupings are not shown to your role, so nothing can be asked of them. Ask without them.");
        }
        return grouped;
    }

    private static Values grouped(String which, @Nullable String grouping) {
        return Values.orNo(Sql
                .of("""
                select x.student_id, array_agg(x.value) as value from roster_grouped x join roster_grouping g on g.id = x.grouping_id
                 where x.student_id in (select student_id from base) and (x.starts is null or x.starts <= :asOf) and (x.ends is null or x.ends >= :asOf)
                   and (x.known_from is null or x.known_from <= :asOf) and (x.superseded_on is null or x.superseded_on > :asOf) and\s""" + which
                        + " group by 1")
                .bind("grouping", grouping));
    }

    @Override
    public Set<Noun> nouns() {
        return EnumSet.of(Noun.GROUPING, Noun.GROUPING_VALUE, Noun.SUPPORT);
    }

    @Override
    @Transactional(readOnly = true)
    public List<String> names(Noun noun, @Nullable String about) {
        if (noun == Noun.GROUPING) {
            return db.sql("select distinct name from roster_grouping order by name").query(String.class).list();
        }
        return db.sql("select distinct x.value from roster_grouped x join roster_grouping g on g.id = x.grouping_id where "
                + (noun == Noun.SUPPORT ? "g.code" : "g.name") + " = :grouping order by x.value").param("grouping", noun == Noun.SUPPORT ? SUPPORT : about)
                .query(String.class).list();
    }
}
