package org.zealousladder.server.measures.ladders;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.sql.Known;

/** Names of bands, and the cut scores by which each school reads. */
@Component
public class LadderTerms implements AnswersTerms {
    private final JdbcClient db;

    LadderTerms(JdbcClient db) {
        this.db = db;
    }

    @Override
    public Set<Noun> nouns() {
        return EnumSet.of(Noun.BAND);
    }

    @Override
    public List<String> names(Noun noun, @Nullable String about) {
        return db.sql("select name from measures_band group by name order by min(tier) desc, name").query(String.class).list();
    }

    /**
     * Bands as a select of {@code school_id, measure_id, window_id, grade, position, name, tier, from_score}, by the set that counts for each school. Wants
     * {@code measures} and {@code windows} bound: those that it is about.
     */
    public Sql bands() {
        return Sql.of("""
                select p.school_id, l.measure_id, l.window_id, l.grade, b.position, b.name, b.tier, b.from_score
                  from (select distinct school_id from base) p
                  cross join lateral (select d.set_id from measures_default_set d where (d.school_id = p.school_id or d.school_id is null) and"""
                + Known.asOf("d") + """
                                       order by d.school_id nulls last, d.id desc limit 1) d
                  join measures_ladder l on l.set_id = d.set_id and l.measure_id = any(:measures) and l.window_id = any(:windows) and""" + Known.asOf("l") + """
                  join measures_band b on b.ladder_id = l.id""");
    }
}
