package org.zealousladder.server.screening.norms;

import static org.zealousladder.server.platform.files.Column.Type.NUMBER;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;
import static org.zealousladder.server.platform.files.Column.Type.WHOLE;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;

/** Norm tables: one declaration for both kinds, which differ in what they are about and in whether they have seasons. */
@Component
class NormFiles implements DeclaresFiles {
    private static final String TODAY = "(select scope_today())";

    /** Scores at percentiles, by grade and window. */
    static final FileKind NORMS = norms("norms", "norms", "score", "score");
    /** Growth per week at percentiles, by grade. */
    static final FileKind NORM_GROWTH = norms("norm-growth", "growth norms", "growth", "growth_per_week");

    /** A table of which a row differs is replaced whole, and a table with holes is refused whole. */
    private static FileKind norms(String code, String label, String about, String value) {
        boolean scores = about.equals("score");
        FileKind.Builder kind = FileKind.named(code, label).columns(Column.of("norm_set", TEXT), Column.of("measure", TEXT),
                Column.of("grade", Column.Type.GRADE));
        if (scores) {
            kind.columns(Column.of("window", TEXT));
        }
        return kind.columns(Column.of("percentile", WHOLE), Column.of(value, NUMBER), Column.optional("rests_on", WHOLE))
                .joined("""
                    with wanted as (
                      select st.*, {season} as season, m.id as measure_id, m.lowest, m.highest, case m.better when 'lower' then -1 else 1 end as sign
                        from stage st left join measures_measure m on m.code = st.measure),
                    expected as (
                      select g.norm_set, g.measure, g.grade, x.season, p.percentile
                        from (select distinct norm_set, measure, grade from wanted) g
                        join (select distinct norm_set, measure, season from wanted) x using (norm_set, measure)
                        join (select distinct norm_set, measure, percentile from wanted) p using (norm_set, measure)),
                    hole as (
                      select distinct on (e.norm_set, e.measure) e.norm_set, e.measure,
                             'grade ' || e.grade || coalesce(', ' || e.season, '') || ', percentile ' || e.percentile as what
                        from expected e
                       where not exists (select from wanted w where (w.norm_set, w.measure, w.grade, w.percentile) = (e.norm_set, e.measure, e.grade, e.percentile)
                                            and w.season is not distinct from e.season)
                       order by e.norm_set, e.measure, e.grade, e.season, e.percentile),
                    compared as (
                      select w.*, h.what as hole, n.id as set_id, n.kind as set_kind, t.id as table_id,
                             lag(w.{value}) over (partition by w.norm_set, w.measure, w.grade, w.season order by w.percentile) as before_it,
                             p.value is not null and p.value = w.{value} and t.rests_on is not distinct from w.rests_on as same,
                             (select count(*) from norms_point c where c.table_id = t.id) as size_before
                        from wanted w left join hole h on (h.norm_set, h.measure) = (w.norm_set, w.measure)
                        left join norms_set n on n.code = w.norm_set
                        left join norms_table t on t.set_id = n.id and t.measure_id = w.measure_id and t.grade = w.grade and t.about = '{about}'
                             and t.season is not distinct from w.season and t.superseded_on is null
                        left join norms_point p on p.table_id = t.id and p.percentile = w.percentile)
                    select *, case when table_id is null then 'new'
                                   when bool_and(same) over (partition by norm_set, measure, grade, season) and
                                        count(*) over (partition by norm_set, measure, grade, season) = size_before then 'unchanged'
                                   else 'changed' end as outcome
                      from compared""".replace("{season}", scores ? "st.\"window\"" : "null::text").replace("{value}", value).replace("{about}", about))
                .unknown("measure", "measure_id", "measure")
                .problem("grade", "grade not between 0 and 13", "'A grade is a whole number from 0 to 13.'")
                .problem("percentile", "percentile not between 1 and 99", "'A percentile is a whole number from 1 to 99.'")
                .problem(value, scores ? "score not between lowest and highest" : "false", "'The score is outside ' || lowest || ' to ' || highest || '.'")
                .problem(value, "sign * (" + value + " - before_it) < 0",
                        "'A higher percentile cannot have a worse value than the one before it, ' || before_it || '.'")
                .problem("percentile", "hole is not null",
                        "'The table has a hole: ' || hole || ' is missing. Every grade" + (scores ? " and window" : "") + " needs the same percentiles.'")
                .problem("norm_set", "set_kind = 'local'", "'''' || norm_set || ''' is computed from the scores; choose another name.'")
                .problem("rests_on", "rests_on < 1", "'The number of students is at least 1; leave it empty when it is not known.'")
                .key("norm_set, measure, grade, " + (scores ? "\"window\", " : "") + "percentile").payload("%s." + value).whole("norm_set, measure")
                .apply("""
                    insert into norms_set (code, name, kind) select distinct norm_set, norm_set, 'imported' from accepted
                    on conflict (code) do nothing""")
                .apply("""
                    update norms_table t set superseded_on = greatest(%s, t.known_from)
                      from accepted a where a.outcome = 'changed' and t.id = a.table_id and t.superseded_on is null""".formatted(TODAY))
                .apply("""
                    insert into norms_table (set_id, measure_id, grade, about, season, rests_on, known_from, recorded_by)
                    select n.id, a.measure_id, a.grade, '%s', a.season, max(a.rests_on), case a.outcome when 'new' then date '1990-01-01' else %s end, (select scope_person())
                      from accepted a join norms_set n on n.code = a.norm_set where a.outcome <> 'unchanged'
                     group by n.id, a.measure_id, a.grade, a.season, a.outcome""".formatted(about, TODAY))
                .apply("""
                    insert into norms_point (table_id, percentile, value)
                    select t.id, a.percentile, a.%s
                      from accepted a join norms_set n on n.code = a.norm_set
                      join norms_table t on t.set_id = n.id and t.measure_id = a.measure_id and t.grade = a.grade and t.about = '%s'
                           and t.season is not distinct from a.season and t.superseded_on is null
                     where a.outcome <> 'unchanged'""".formatted(value, about))
                .build();
    }

    @Override
    public List<FileKind> files() {
        return List.of(NORMS, NORM_GROWTH);
    }
}
