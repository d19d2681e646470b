package org.zealousladder.server.scores.scores;

import java.util.Map;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.core.criteria.When;
import org.zealousladder.server.measures.measures.MeasureTerms;
import org.zealousladder.server.measures.windows.WindowTerms;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.platform.sql.Known;

/** Scores and what was gained between two. */
@Component
public class ScoreTerms implements AnswersTerms {
    private static final String KNOWN = " s.status <> 'withdrawn' and s.value is not null and s.taken_on <= :asOf and" + Known.asOf("s");

    private final MeasureTerms measures;
    private final WindowTerms windows;

    ScoreTerms(MeasureTerms measures, WindowTerms windows) {
        this.measures = measures;
        this.windows = windows;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.SCORE, this::score, Term.GAIN, this::gain);
    }

    private Values score(Subject s, Asking a) {
        if (s.when() instanceof When.InWindow) {
            return Values.of(Sql.of("select student_id, value from ({screening}) s where value is not null").put("screening", screening(s, s.when(), a)));
        } else if (s.when() instanceof When.LastScores last) {
            return Values.of(Sql.of("""
                    select b.student_id, x.value from base b cross join lateral (
                      select array_agg(n.value) as value from (
                        select s.value from scores_score s where s.student_id = b.student_id and s.measure_id = :measure and""" + KNOWN
                    + " order by s.taken_on desc limit :last) n having count(*) = :last) x").bind("measure", id(s)).bind("last", last.n()));
        }
        // Of a day one version is known, so the day alone orders them; the index gives them so.
        // The newest of each student by itself: the index gives it at once, where all scores of a district are millions.
        return Values.of(Sql.of("""
                select b.student_id, x.value from base b cross join lateral (
                  select s.value from scores_score s where s.student_id = b.student_id and s.measure_id = :measure and""" + KNOWN + """
                   and s.taken_on >= :from and s.taken_on <= :to order by s.taken_on desc limit 1) x""").bind("measure", id(s))
                .bind("from", a.first(s.when())).bind("to", a.to(s.when())));
    }

    private Short id(Subject s) {
        return (short) measures.measure(s).id();
    }

    private Values gain(Subject s, Asking a) {
        if (s.when() instanceof When.Step step) {
            return Values.of(Sql.of("select t.student_id, t.value - f.value as value from f join t using (student_id) where t.value - f.value is not null")
                    .with("f", screening(s, step.from(), a).named("f")).with("t", screening(s, step.to(), a).named("t")));
        }
        // From the first score to the newest, of this school year where nothing else is said; one score alone is no gain.
        return Values.of(Sql.of("""
                select s.student_id, (array_agg(s.value order by s.taken_on desc, s.id desc))[1] - (array_agg(s.value order by s.taken_on, s.id))[1] as value
                  from base b join scores_score s using (student_id)
                 where s.measure_id = :measure and""" + KNOWN + """
                   and s.taken_on >= {from} and s.taken_on <= :to group by 1 having count(distinct s.taken_on) > 1""").put("from", a.from(s.when(), "b"))
                .bind("measure", id(s)).bind("to", a.to(s.when())));
    }

    /**
     * The screening score of each student: {@code student_id, measure_id, window_id, value, status, starts, ends} of the window and, of where the student is
     * now, {@code school_id, here} (the grade), {@code enrolled_from, enrolled_to}; at most a row for each measure and window.
     */
    public Sql screening(Subject s, When when, Asking a) {
        WindowTerms.Meant meant = windows.meant(when, a.asOf());
        return Sql.of("""
                select b.student_id, s.measure_id, s.window_id, s.value, s.status, w.starts, w.ends, b.school_id, b.grade as here, b.enrolled_from, b.enrolled_to
                  from scores_screening_wide((select array_agg(student_id) from base), :measures, :windows, :opens::date[], :closes::date[], :asOf) s
                  join {windows} on w.id = s.window_id
                  join base b on b.student_id = s.student_id
                 where (b.school_id, w.year_id) in (select school_id, year_id from years)""" + (meant.thisYear() ? " and w.year_id = b.year_id" : ""))
                .put("windows", meant.table()).bind("measures", measures.ids(s));
    }
}
