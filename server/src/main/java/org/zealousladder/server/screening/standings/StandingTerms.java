package org.zealousladder.server.screening.standings;

import java.time.LocalDate;
import java.util.Map;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.springframework.stereotype.Component;
import org.zealousladder.core.Direction;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.bands.TrueScores;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.core.criteria.When;
import org.zealousladder.core.summary.PercentileRanks;
import org.zealousladder.server.measures.ladders.LadderTerms;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasureTerms;
import org.zealousladder.server.measures.windows.WindowTerms;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.scores.scores.ScoreTerms;

/** Where scores stand: bands, close calls, percentiles, and who has none. The same as {@link StandingsService} says, for many at once. */
@Component
public class StandingTerms implements AnswersTerms {
    /**
     * A cut nearer to where the true score is than so many of its standard deviations is a close call: beyond it the chance of standing on its other side is
     * what {@link BandLadder#CLOSE_CALL} allows.
     */
    private static final double NEAR = NormalDistribution.of(0, 1).inverseSurvivalProbability(BandLadder.CLOSE_CALL);

    private final MeasureTerms measures;
    private final WindowTerms windows;
    private final LadderTerms ladders;
    private final ScoreTerms scores;
    private final SchoolCalendar calendar;

    StandingTerms(MeasureTerms measures, WindowTerms windows, LadderTerms ladders, ScoreTerms scores, SchoolCalendar calendar) {
        this.measures = measures;
        this.windows = windows;
        this.ladders = ladders;
        this.scores = scores;
        this.calendar = calendar;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.BAND, (s, a) -> standing(s, a, "l.names[l.open + {place}]"), Term.CLOSE_CALL,
                this::closeCall, Term.PERCENTILE, this::percentile,
                Term.SCREENED, this::screened, Term.SCREENING, this::screening);
    }

    /** The tier of one measure's band. */
    public Values tier(Subject s, Asking a) {
        return standing(s, a, "l.tiers[l.open + {place}]::double precision");
    }

    /** As {@link BandLadder#standing(double, org.zealousladder.core.bands.TrueScores.Measured)} has it, or without its group where too few have a score. */
    private Values closeCall(Subject s, Asking a) {
        double sem = measures.measure(s).semOrZero();
        return Values.of(standingSql(s, a, """
                exists (select from unnest(l.cuts) c
                         where c > :sign * p.value and c < :sign * coalesce(t.mean, p.value) + :near * coalesce(t.sd, :sem)
                            or c <= :sign * p.value and c > :sign * coalesce(t.mean, p.value) - :near * coalesce(t.sd, :sem))""", """
                left join lateral (
                  select g.mean + r.reliable * (p.value - g.mean) as mean, g.sd * sqrt(r.reliable * (1 - r.reliable)) as sd
                    from lie g cross join lateral (
                      select case when :sem = 0 then :assumed else greatest(:least, 1 - (:sem * :sem) / (g.sd * g.sd)) end as reliable) r
                   where g.school_id = p.school_id and g.window_id = p.window_id and g.grade = p.grade) t on true""")
                .with("lie", Sql.of("""
                        select * from scores_spreads((select array_agg(distinct school_id) from placed), (select array_agg(distinct window_id) from placed), :measures,
                                                     (select array_agg(distinct grade) from placed), :asOf, :needed)""")
                        .bind("measures", measures.ids(s)).bind("needed", PercentileRanks.NEEDED))
                .bind("near", NEAR).bind("sem", sem).bind("assumed", TrueScores.ASSUMED_RELIABILITY).bind("least", TrueScores.LEAST_RELIABILITY));
    }

    private Values standing(Subject s, Asking a, String what) {
        return Values.of(standingSql(s, a, what, ""));
    }

    private Sql standingSql(Subject s, Asking a, String what, String beside) {
        Measure measure = measures.measure(s);
        // With the sign turned where lower is better, a score reaches all cuts that are no higher than it.
        return Sql.of("""
                select distinct on (p.student_id) p.student_id, {what} as value
                  from placed p
                  join (select school_id, measure_id, window_id, grade, count(*) filter (where from_score is null)::integer as open,
                               coalesce(array_agg(:sign * from_score order by :sign * from_score) filter (where from_score is not null), '{}') as cuts,
                               array_agg(name order by position) as names, array_agg(tier order by position) as tiers from cuts group by 1, 2, 3, 4) l
                    on l.school_id = p.school_id and l.measure_id = p.measure_id and l.window_id = p.window_id and l.grade = p.grade
                  {beside}
                 order by p.student_id, p.starts desc""".replace("{what}", what.replace("{place}", "width_bucket(:sign * p.value, l.cuts)"))
                .replace("{beside}", beside))
                .with("placed", placed(s, a)).with("cuts", ladders.bands()).bind("sign", measure.direction() == Direction.HIGHER_IS_BETTER ? 1.0 : -1.0);
    }

    /** Screening scores with the grade that each student was in at the window's end: mostly where the student is now, and only otherwise looked up. */
    private Sql placed(Subject s, Asking a) {
        return Sql.of("""
                select * from (
                  select s.*, case when s.enrolled_from <= s.ends and (s.enrolled_to is null or s.enrolled_to >= s.ends) then s.here else (
                           select coalesce(e.grade, (select c.grade from roster_class c where c.id = e.class_id)) from {enrolments} e
                            where e.student_id = s.student_id and e.starts <= s.ends and (e.ends is null or e.ends >= s.ends)) end as grade
                    from seen s where s.value is not null) g
                 where grade is not null""").with("seen", scores.screening(s, s.when(), a)).put("enrolments", enrolments(a.asOf()));
    }

    private Sql enrolments(LocalDate asOf) {
        return Sql.of(asOf.isBefore(calendar.today()) ? "roster_enrolment_known(:asOf)" : "roster_enrolment");
    }

    /** Mid-rank among the school's scores of the grade in that window, as the report has it. */
    private Values percentile(Subject s, Asking a) {
        boolean higher = measures.measure(s).direction() == Direction.HIGHER_IS_BETTER;
        return Values.of(Sql.of("""
                select distinct on (p.student_id) p.student_id, r.rank as value
                  from placed p join ranks r on r.school_id = p.school_id and r.grade = p.grade and r.window_id = p.window_id and r.value = p.value and r.of >= :needed
                 order by p.student_id, p.starts desc""")
                .with("placed", placed(s, a))
                .with("everyone", Sql.of("""
                        select v.school_id, v.grade, v.window_id, v.value, count(*) as n
                          from scores_of_schools((select array_agg(distinct school_id) from placed), (select array_agg(distinct window_id) from placed), :measures,
                                                 :asOf) v group by 1, 2, 3, 4""")
                        .bind("measures", measures.ids(s)))
                .with("ranks", Sql.of("""
                        select school_id, grade, window_id, value, sum(n) over (partition by school_id, grade, window_id) as of,
                               floor(100 * ((sum(n) over w - n)::double precision + 0.5 * n) / (sum(n) over (partition by school_id, grade, window_id))::double precision
                                     + 0.5)::double precision as rank
                          from everyone window w as (partition by school_id, grade, window_id order by value{order})"""
                        .replace("{order}", higher ? "" : " desc")))
                .bind("needed", PercentileRanks.NEEDED));
    }

    private Values screened(Subject s, Asking a) {
        return Values.of(Sql.of("""
                select student_id, bool_or(value is not null) as value from (
                  select distinct on (x.student_id) x.student_id, x.window_id from x order by x.student_id, x.starts desc) w
                  left join c using (student_id, window_id) group by 1""")
                .with("x", inWindows(s, a)).with("c", scores.screening(s, s.when(), a).named("s")));
    }

    private Values screening(Subject s, Asking a) {
        return Values.of(Sql.of("""
                select student_id, case when c.value is not null then 'scored' else coalesce(c.status, 'missing') end as value from (
                  select distinct on (x.student_id) x.student_id, x.window_id from x order by x.student_id, x.starts desc) w
                  left join c using (student_id, window_id)""")
                .with("x", inWindows(s, a)).with("c", scores.screening(s, s.when(), a).named("s")));
    }

    /** In which of the windows each student was here; of nothing said, only those of this school year. */
    private Sql inWindows(Subject s, Asking a) {
        WindowTerms.Meant meant = windows.meant(s.when(), a.asOf());
        return Sql
                .of("""
                select b.student_id, w.id as window_id, w.starts from base b
                  join {windows} on (b.school_id, w.year_id) in (select school_id, year_id from years)
                 where (b.enrolled_from <= least(w.ends, :asOf) or exists (
                         select from {enrolments} e where e.student_id = b.student_id and e.starts <= least(w.ends, :asOf) and e.ends >= least(w.ends, :asOf)))"""
                        + (meant.thisYear() || s.when() instanceof When.Unsaid ? " and w.year_id = b.year_id" : ""))
                .put("windows", meant.table()).put("enrolments", enrolments(a.asOf()));
    }
}
