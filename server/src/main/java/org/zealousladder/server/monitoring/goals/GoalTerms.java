package org.zealousladder.server.monitoring.goals;

import java.util.Map;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.server.measures.measures.MeasureTerms;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.platform.sql.Known;

/** Goals that run: not over before the day. */
@Component
class GoalTerms implements AnswersTerms {
    private final MeasureTerms measures;

    GoalTerms(MeasureTerms measures) {
        this.measures = measures;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.GOAL, this::goal);
    }

    private Values goal(Subject s, Asking a) {
        return Values.orNo(Sql.of("""
                select g.student_id, true as value from goals_goal g
                 where g.student_id in (select student_id from base) and g.measure_id = any(:measures) and g.goal_date >= :asOf and""" + Known.asOf("g")
                + " group by 1").bind("measures", measures.ids(s)));
    }
}
