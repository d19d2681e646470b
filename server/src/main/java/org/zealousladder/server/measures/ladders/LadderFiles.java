package org.zealousladder.server.measures.ladders;

import static org.zealousladder.server.platform.files.Column.Type.NUMBER;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;
import static org.zealousladder.server.platform.files.Column.Type.WHOLE;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.core.bands.Band;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;

/** Files that say how scores are read: sets of cut scores, and their ladders. */
@Component
class LadderFiles implements DeclaresFiles {
    private static final String TODAY = "(select scope_today())";

    /** A set is a school's when it names one; {@code counts} makes it the one by which scores are read, there or everywhere. */
    static final FileKind CUT_SETS = FileKind.named("cut-sets", "sets of cut scores")
            .columns(Column.of("set", TEXT), Column.of("set_title", TEXT), Column.choice("set_kind", true, SetKind.class),
                    Column.optional("school", TEXT), Column.optional("note", TEXT), Column.choice("counts", false, List.of("yes", "no")))
            .joined("""
                    select st.row_no, st."set", st.set_title, st.set_kind, st.school, st.note, st.counts, c.id, s.id as school_id,
                           coalesce(st.counts = 'yes', false) as chosen,
                           case when c.id is null then 'new'
                                when (c.name, c.kind) = (st.set_title, st.set_kind) and c.school_id is not distinct from s.id and c.note is not distinct from st.note
                                     and (coalesce(st.counts, 'no') = 'no' or exists (select from measures_default_set d
                                            where d.set_id = c.id and d.school_id is not distinct from s.id and d.superseded_on is null)) then 'unchanged'
                                else 'changed' end as outcome
                      from stage st left join measures_cut_set c on c.code = st."set" left join roster_school s on s.code = st.school""")
            .unknown("school", "school_id", "school")
            .key("\"set\"").payload("%s.set_title, %s.set_kind, %s.school, %s.note, %s.counts")
            .apply("""
                    update measures_cut_set c set name = a.set_title, kind = a.set_kind, school_id = a.school_id, note = a.note
                      from accepted a where a.outcome = 'changed' and c.id = a.id""")
            .apply("""
                    insert into measures_cut_set (code, name, kind, school_id, note)
                    select "set", set_title, set_kind, school_id, note from accepted where outcome = 'new' order by row_no""")
            .apply("""
                    update measures_default_set d set superseded_on = greatest((select scope_today()), d.known_from)
                      from accepted a where a.chosen and a.outcome <> 'unchanged' and d.school_id is not distinct from a.school_id and d.superseded_on is null""")
            .apply("""
                    insert into measures_default_set (school_id, set_id, known_from, recorded_by)
                    select distinct on (a.school_id) a.school_id, c.id, case a.outcome when 'new' then date '1990-01-01' else (select scope_today()) end, (select scope_person())
                      from accepted a join measures_cut_set c on c.code = a."set" where a.chosen and a.outcome <> 'unchanged'
                     order by a.school_id, a.row_no desc""")
            .build();

    /** One row a band. A ladder of which any row differs is replaced whole; its version before stays for as-of views. */
    static final FileKind CUTS = FileKind.named("cuts", "cut scores")
            .columns(Column.of("measure", TEXT), Column.of("grade", Column.Type.GRADE), Column.of("year", TEXT), Column.of("window", TEXT),
                    Column.of("band", TEXT), Column.of("tier", WHOLE), Column.of("from_score", NUMBER).emptyAllowed(), Column.optional("set", TEXT))
            .joined("""
                    with placed as (
                      select st.*, coalesce(st."set", 'local') as set_code, cs.id as set_id, m.id as measure_id, m.better, m.lowest, m.highest, w.id as window_id, w.starts as opens,
                             (row_number() over (partition by coalesce(st."set", 'local'), st.measure, st.grade, st.year, st."window"
                                order by st.from_score is not null, st.from_score * case m.better when 'lower' then -1 else 1 end) - 1)::integer as position,
                             count(*) over (partition by coalesce(st."set", 'local'), st.measure, st.grade, st.year, st."window") as size,
                             count(*) filter (where st.from_score is null) over (partition by coalesce(st."set", 'local'), st.measure, st.grade, st.year, st."window") as lowest_rows
                        from stage st left join measures_measure m on m.code = st.measure
                        left join measures_cut_set cs on cs.code = coalesce(st."set", 'local')
                        left join roster_year y on y.name = st.year
                        left join measures_window w on w.year_id = y.id and w.name = st."window"),
                    compared as (
                      select p.*, l.id as ladder_id, b.position is not null and (b.name, b.tier::integer) = (p.band, p.tier)
                               and b.from_score is not distinct from p.from_score as same,
                             (select count(*) from measures_band c where c.ladder_id = l.id) as size_before
                        from placed p left join measures_ladder l on l.set_id = p.set_id and l.measure_id = p.measure_id and l.grade = p.grade
                             and l.window_id = p.window_id and l.superseded_on is null
                        left join measures_band b on b.ladder_id = l.id and b.position = p.position)
                    select *, lag(from_score) over (partition by set_code, measure, grade, year, "window" order by position) as lag_score,
                           lag(tier) over (partition by set_code, measure, grade, year, "window" order by position) as lag_tier,
                           count(*) over (partition by set_code, measure, grade, year, "window", lower(btrim(band))) as same_name,
                           case when ladder_id is null then 'new'
                                   when bool_and(same) over (partition by set_code, measure, grade, year, "window") and size = size_before then 'unchanged'
                                   else 'changed' end as outcome
                      from compared""")
            .unknown("measure", "measure_id", "measure")
            .problem("\"set\"", "set_id is null", "'There is no set of cut scores ''' || set_code || '''; bring in a file of cut-sets first.'")
            .problem("from_score", "from_score not between lowest and highest",
                    "'A band of this measure begins between ' || lowest || ' and ' || highest || '.'")
            .problem("\"window\"", "window_id is null", "'There is no window ''' || \"window\" || ''' in the year ''' || year || '''.'")
            .problem("grade", "grade not between 0 and 13", "'A grade is a whole number from 0 to 13.'")
            .problem("tier", "tier not between 1 and " + Band.MOST_TIER, "'A tier is a whole number from 1 to " + Band.MOST_TIER + ".'")
            .problem("band", "size not between " + BandLadder.FEWEST + " and " + BandLadder.MOST,
                    "'A ladder has " + BandLadder.FEWEST + " to " + BandLadder.MOST + " bands; this one has ' || size || '.'")
            .problem("from_score", "lowest_rows <> 1",
                    "'Exactly one band of a ladder, the one that needs most support, has no from_score; here ' || lowest_rows || ' have none.'")
            .problem("from_score", "from_score <= lag_score and better = 'higher' or from_score >= lag_score and better = 'lower'",
                    "'The cut scores are out of order: ' || band || ' begins at ' || from_score || ', the band below it at ' || lag_score || '.'")
            .problem("tier", "tier > lag_tier", "band || ' stands above a band of tier ' || lag_tier || ' but would get more support (tier ' || tier || ').'")
            .problem("band", "same_name > 1", "'Two bands of this ladder are called ''' || band || '''. Give each its own name.'")
            .key("set_code, measure, grade, year, \"window\", from_score").payload("%s.band, %s.tier").whole("set_code, measure, grade, year, \"window\"")
            .apply("""
                    update measures_ladder l set superseded_on = greatest(%s, l.known_from)
                      from accepted a where a.outcome = 'changed' and l.id = a.ladder_id""".formatted(TODAY))
            .apply("""
                    insert into measures_ladder (set_id, measure_id, grade, window_id, known_from, recorded_by)
                    select distinct set_id, measure_id, grade, window_id, case outcome when 'new' then least(opens, %s) else %s end, (select scope_person())
                      from accepted where outcome <> 'unchanged'""".formatted(TODAY, TODAY))
            .apply("""
                    insert into measures_band (ladder_id, position, name, tier, from_score)
                    select l.id, a.position, a.band, a.tier, a.from_score
                      from accepted a join measures_ladder l on l.set_id = a.set_id and l.measure_id = a.measure_id and l.grade = a.grade
                           and l.window_id = a.window_id and l.superseded_on is null
                     where a.outcome <> 'unchanged'""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(CUT_SETS, CUTS);
    }
}
