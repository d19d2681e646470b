package org.zealousladder.server.screening.tiers;

import java.util.Map;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.server.measures.measures.MeasureTerms;
import org.zealousladder.server.measures.windows.WindowTerms;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.platform.sql.Known;
import org.zealousladder.server.screening.standings.StandingTerms;

/** The tier that people decided in an area, or that of the band on one measure. */
@Component
class TierTerms implements AnswersTerms {
    private final MeasureTerms measures;
    private final WindowTerms windows;
    private final StandingTerms standings;

    TierTerms(MeasureTerms measures, WindowTerms windows, StandingTerms standings) {
        this.measures = measures;
        this.windows = windows;
        this.standings = standings;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.TIER, this::tier);
    }

    private Values tier(Subject s, Asking a) {
        if (!measures.isArea(s)) {
            return standings.tier(s, a);
        }
        WindowTerms.Meant meant = windows.meant(s.when(), a.asOf());
        return Values.of(Sql.of("""
                select distinct on (t.student_id) t.student_id, t.tier::double precision as value
                  from tiers_tier t join base b on b.student_id = t.student_id
                  join {windows} on w.id = t.window_id
                 where t.area = :area and t.tier is not null and t.outcome <> 'withdrawn' and""" + Known.asOf("t")
                + (meant.thisYear() ? " and w.year_id = b.year_id" : "")
                + " order by t.student_id, w.starts desc").put("windows", meant.table()).bind("area", s.about()));
    }
}
