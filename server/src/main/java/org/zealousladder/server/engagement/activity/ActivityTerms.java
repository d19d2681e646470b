package org.zealousladder.server.engagement.activity;

import java.util.Map;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;

/** Time spent. Of whom nothing was ever told it cannot be said. */
@Component
class ActivityTerms implements AnswersTerms {
    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.MINUTES, ActivityTerms::minutes);
    }

    private static Values minutes(Subject s, Asking a) {
        return Values.of(Sql.of("""
                select b.student_id, coalesce(sum(d.minutes) filter (where d.on_day >= {from} and d.on_day <= :to), 0)::double precision as value
                  from base b join engagement_day d on d.student_id = b.student_id and d.on_day <= :asOf group by 1""").put("from", a.from(s.when(), "b"))
                .bind("to", a.to(s.when())));
    }
}
