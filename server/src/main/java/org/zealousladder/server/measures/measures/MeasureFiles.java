package org.zealousladder.server.measures.measures;

import static org.zealousladder.server.platform.files.Column.Type.NUMBER;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;
import static org.zealousladder.server.platform.files.Column.Type.WHOLE;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Reference;

/** The file of measures. */
@Component
class MeasureFiles implements DeclaresFiles {
    static final FileKind MEASURES = FileKind.named("measures", "measures")
            .columns(Column.of("measure", TEXT), Column.of("title", TEXT), Column.choice("kind", true, List.of("screening", "probe", "outside")),
                    Column.of("area", TEXT),
                    Column.of("unit", TEXT), Column.of("lowest", NUMBER), Column.of("highest", NUMBER), Column.of("decimals", WHOLE),
                    Column.choice("better", true, List.of("higher", "lower")), Column.optional("sem", NUMBER),
                    Column.choice("rule", false, Rule.class), Column.optional("part_of", TEXT), Column.choice("adds_up", false, List.of("yes", "no")))
            .joined("""
                    select st.row_no, st.measure, st.title, st.kind, st.area, st.unit, st.lowest, st.highest, st.decimals, st.better, st.sem,
                           coalesce(st.rule, 'chance') as rule, m.id, st.part_of, coalesce(st.adds_up, 'no') as adds_up,
                           coalesce(w.code, (select n.measure from stage n where n.measure = st.part_of and n.part_of is null limit 1)) as whole,
                           w.part_of is not null as part_of_part, exists (select from scores_score s join measures_measure p on p.id = s.measure_id where p.part_of = m.id) as parts_scored,
                           m.adds_up as adds_up_now, m.part_of as part_of_now,
                           (select b.from_score from measures_ladder l join measures_band b on b.ladder_id = l.id
                             where l.measure_id = m.id and l.superseded_on is null and b.from_score not between st.lowest and st.highest limit 1) as cut_outside,
                           case when m.id is null then 'new'
                                when (m.name, m.kind, m.area, m.unit, m.lowest, m.highest, m.decimals::integer, m.better, m.rule)
                                     = (st.title, st.kind, st.area, st.unit, st.lowest, st.highest, st.decimals, st.better, coalesce(st.rule, 'chance'))
                                     and m.sem is not distinct from st.sem and m.part_of is not distinct from w.id and m.adds_up = (coalesce(st.adds_up, 'no') = 'yes') then 'unchanged'
                                else 'changed' end as outcome
                      from stage st left join measures_measure m on m.code = st.measure left join measures_measure w on w.code = st.part_of""")
            .unknown("part_of", "whole", "measure with the code")
            .problem("part_of", "part_of_part or part_of = measure or part_of is not null and adds_up = 'yes'", "'A sub-score has no sub-scores of its own.'")
            .problem("part_of", "id is not null and part_of_now is distinct from (select w.id from measures_measure w where w.code = j.part_of)",
                    "'What is a measure by itself stays one, and a sub-score stays of its measure. Give it another code.'")
            .problem("adds_up", "parts_scored and adds_up_now <> (adds_up = 'yes')",
                    "'Sub-scores of ' || title || ' are on record already, and what they are to it cannot change any more.'")
            .problem("highest", "highest <= lowest", "'The highest score must be above the lowest.'")
            .problem("decimals", "decimals not between 0 and 3", "'Decimals are 0, 1, 2 or 3.'")
            .problem("sem", "sem <= 0 or sem > highest - lowest",
                    "'A standard error of measurement is above 0 and within the range; leave it empty when the measure states none.'")
            .problem("highest", "cut_outside is not null",
                    "'A cut score stands at ' || cut_outside || '. Move it within the new range ' || lowest || ' to ' || highest || ' first.'")
            .key("measure")
            .payload("%s.title, %s.kind, %s.area, %s.unit, %s.lowest, %s.highest, %s.decimals, %s.better, %s.sem, %s.rule, %s.part_of, %s.adds_up")
            .apply("""
                    update measures_measure m set name = a.title, kind = a.kind, area = a.area, unit = a.unit, lowest = a.lowest, highest = a.highest,
                           decimals = a.decimals, better = a.better, sem = a.sem, rule = a.rule, adds_up = a.adds_up = 'yes'
                      from accepted a where a.outcome = 'changed' and m.id = a.id""")
            .apply("""
                    insert into measures_measure (code, name, kind, area, unit, lowest, highest, decimals, better, sem, rule, adds_up)
                    select measure, title, kind, area, unit, lowest, highest, decimals, better, sem, rule, adds_up = 'yes'
                      from accepted where outcome = 'new' and part_of is null order by row_no""")
            .apply("""
                    insert into measures_measure (code, name, kind, area, unit, lowest, highest, decimals, better, sem, rule, part_of, part_position)
                    select a.measure, a.title, a.kind, a.area, a.unit, a.lowest, a.highest, a.decimals, a.better, a.sem, a.rule, w.id,
                           row_number() over (partition by w.id order by a.row_no) + coalesce((select max(p.part_position) from measures_measure p where p.part_of = w.id), 0)
                      from accepted a join measures_measure w on w.code = a.part_of where a.outcome = 'new' order by a.row_no""")
            .build();

    private static final Reference MEASURE = new Reference("measure", "measure", "select code from measures_measure", """
            select a.text, a.narrower, m.code, m.name as label, true as sure
              from asked a join measures_measure m on roster_plain(a.text) in (roster_plain(m.name), roster_plain(m.code))""",
            "select code, name as label from measures_measure order by name");

    @Override
    public List<FileKind> files() {
        return List.of(MEASURES);
    }

    @Override
    public List<Reference> references() {
        return List.of(MEASURE);
    }
}
