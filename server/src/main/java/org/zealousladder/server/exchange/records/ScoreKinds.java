package org.zealousladder.server.exchange.records;

import static org.zealousladder.server.exchange.records.Column.Type.DATE;
import static org.zealousladder.server.exchange.records.Column.Type.NUMBER;
import static org.zealousladder.server.exchange.records.Column.Type.TEXT;
import static org.zealousladder.server.exchange.records.Column.Type.WHOLE;

import java.util.List;
import org.zealousladder.server.platform.who.Viewer;

/** Files about students' work: scores, goals and changes of plan. Whoever sees a student may bring them in. */
final class ScoreKinds {
    private static final String TODAY = "scope_today()";

    private ScoreKinds() {}

    /** An imported score counts as known from the day it was taken, unless the file says otherwise; a correction from today. */
    static final ImportKind SCORES = ImportKind.named("scores", "scores").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("measure", TEXT), Column.of("date", DATE), Column.of("score", NUMBER).emptyAllowed(),
                    Column.choice("status", false, "scored", "absent", "exempt", "invalid"), Column.optional("known", DATE))
            .joined("""
                    select st.row_no, st.student, st.measure, st.date, st.score, coalesce(st.status, 'scored') as status, st.known,
                           s.id as student_id, m.id as measure_id, m.lowest, m.highest, m.decimals, c.id as old_id,
                           case when c.id is null then 'new'
                                when c.status = coalesce(st.status, 'scored') and c.value is not distinct from st.score then 'unchanged'
                                else 'changed' end as outcome
                      from stage st
                      left join roster_student s on s.code = st.student
                      left join measures_measure m on m.code = st.measure
                      left join scores_score c on c.student_id = s.id and c.measure_id = m.id and c.taken_on = st.date and c.superseded_by is null""")
            .unknown("student", "student_id", "student among yours with the code")
            .unknown("measure", "measure_id", "measure")
            .problem("score", "(status = 'scored') <> (score is not null)", """
                    case when score is null then 'The score is missing. Give it, or a status (absent, exempt, invalid).'
                         else 'A row with the status ' || status || ' has no score; leave it empty.' end""")
            .problem("score", "score not between lowest and highest", "'The score is outside ' || lowest || ' to ' || highest || '.'")
            .problem("score", "score <> round(score::numeric, decimals)::double precision",
                    "case decimals when 0 then 'The score must be a whole number.' else 'The score has more than ' || decimals || ' decimals.' end")
            .problem("date", "date > " + TODAY, "'The date is in the future.'")
            .problem("date", "date < date '1990-01-01'", "'The date is too long ago; check the year.'")
            .problem("known", "known < date or known > " + TODAY, "'A score is known on the day it was taken or later, and not in the future.'")
            .key("student_id, measure_id, date").payload("%s.score, %s.status")
            .apply("""
                    create temporary table correction on commit drop as
                    select nextval(pg_get_serial_sequence('scores_score', 'id')) as id, old_id, student_id, measure_id, date, score, status
                      from accepted where outcome = 'changed'""")
            .apply("""
                    update scores_score s set superseded_by = c.id, superseded_on = greatest(%s, s.known_from)
                      from correction c where s.id = c.old_id""".formatted(TODAY))
            .apply("""
                    insert into scores_score (id, student_id, measure_id, taken_on, value, status, source, known_from, recorded_by, reason, window_id)
                    select c.id, c.student_id, c.measure_id, c.date, c.score, c.status, 'imported', o.superseded_on, scope_person(), 'corrected by a file', o.window_id
                      from correction c join scores_score o on o.id = c.old_id""")
            .apply("""
                    insert into scores_score (student_id, measure_id, taken_on, value, status, source, known_from, recorded_by)
                    select student_id, measure_id, date, score, status, 'imported', coalesce(known, date), scope_person()
                      from accepted where outcome = 'new'""")
            .build();

    static final ImportKind GOALS = ImportKind.named("goals", "goals").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("measure", TEXT), Column.of("start_date", DATE), Column.of("start_score", NUMBER),
                    Column.of("goal_date", DATE), Column.of("goal_score", NUMBER))
            .joined("""
                    select st.*, s.id as student_id, m.id as measure_id, m.lowest, m.highest, m.better, g.id as old_id,
                           case when g.id is null then 'new'
                                when (g.start_date, g.start_score, g.goal_date, g.goal_score)
                                     = (st.start_date, st.start_score, st.goal_date, st.goal_score) then 'unchanged'
                                else 'changed' end as outcome
                      from stage st
                      left join roster_student s on s.code = st.student
                      left join measures_measure m on m.code = st.measure
                      left join goals_goal g on g.student_id = s.id and g.measure_id = m.id and g.superseded_by is null""")
            .unknown("student", "student_id", "student among yours with the code")
            .unknown("measure", "measure_id", "measure")
            .problem("goal_date", "goal_date <= start_date", "'The goal date must be after the start date.'")
            .problem("start_date", "start_date > " + TODAY, "'The start date is in the future.'")
            .problem("start_score", "start_score not between lowest and highest", "'The start score is outside ' || lowest || ' to ' || highest || '.'")
            .problem("goal_score", "goal_score not between lowest and highest", "'The goal is outside ' || lowest || ' to ' || highest || '.'")
            .problem("goal_score", "(goal_score - start_score) * case better when 'lower' then -1 else 1 end <= 0",
                    "'The goal is not better than the start.'")
            .key("student_id, measure_id").payload("%s.start_date, %s.start_score, %s.goal_date, %s.goal_score")
            .apply("""
                    create temporary table replacement on commit drop as
                    select nextval(pg_get_serial_sequence('goals_goal', 'id')) as id, a.old_id, a.row_no from accepted a where a.outcome = 'changed'""")
            .apply("""
                    update goals_goal g set superseded_by = r.id, superseded_on = greatest(%s, g.known_from)
                      from replacement r where g.id = r.old_id""".formatted(TODAY))
            .apply("""
                    insert into goals_goal (id, student_id, measure_id, start_date, start_score, goal_date, goal_score, known_from, recorded_by)
                    select coalesce(r.id, nextval(pg_get_serial_sequence('goals_goal', 'id'))), a.student_id, a.measure_id, a.start_date, a.start_score,
                           a.goal_date, a.goal_score, case when r.id is null then a.start_date else %s end, scope_person()
                      from accepted a left join replacement r on r.row_no = a.row_no
                     where a.outcome <> 'unchanged'""".formatted(TODAY))
            .build();

    static final ImportKind PLAN_CHANGES = ImportKind.named("plan-changes", "changes of plan").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("measure", TEXT), Column.of("changed_on", DATE), Column.of("change", TEXT))
            .joined("""
                    select st.*, s.id as student_id, m.id as measure_id,
                           case when d.id is null then 'new' else 'unchanged' end as outcome
                      from stage st
                      left join roster_student s on s.code = st.student
                      left join measures_measure m on m.code = st.measure
                      left join decisions_decision d on d.student_id = s.id and d.measure_id = m.id and d.decided_on = st.changed_on
                           and d.kind = 'plan-changed'""")
            .unknown("student", "student_id", "student among yours with the code")
            .unknown("measure", "measure_id", "measure")
            .problem("changed_on", "changed_on > " + TODAY, "'The date is in the future.'")
            .key("student_id, measure_id, changed_on").payload("%s.change")
            .apply("""
                    insert into decisions_decision (student_id, measure_id, kind, decided_on, look_again_on, proposed, because, reason, recorded_by)
                    select student_id, measure_id, 'plan-changed', changed_on, changed_on + 28, 'change', 'brought in from a file', change, scope_person()
                      from accepted where outcome = 'new' order by row_no""")
            .build();

    /** Tiers that were decided elsewhere, a student, window and area a row. */
    static final ImportKind TIERS = ImportKind.named("tiers", "tiers").least(Viewer.Role.COORDINATOR)
            .columns(Column.of("student", TEXT), Column.of("area", TEXT), Column.of("year", TEXT), Column.of("window", TEXT), Column.of("tier", WHOLE),
                    Column.optional("decided", DATE), Column.optional("reason", TEXT))
            .joined("""
                    select st.*, s.id as student_id, w.id as window_id, w.starts as opens, t.id as old_id,
                           exists (select from measures_measure m where m.area = st.area) as known_area,
                           case when t.id is null then 'new'
                                when t.tier::integer = st.tier and t.reason is not distinct from st.reason then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_student s on s.code = st.student
                      left join roster_year y on y.name = st.year
                      left join measures_window w on w.year_id = y.id and w.name = st."window"
                      left join tiers_tier t on t.student_id = s.id and t.window_id = w.id and t.area = st.area and t.superseded_by is null""")
            .unknown("student", "student_id", "student among yours with the code")
            .problem("\"window\"", "window_id is null", "'There is no window ''' || \"window\" || ''' in the year ''' || year || '''.'")
            .problem("area", "not known_area", "'No measure has the area ''' || area || '''.'")
            .problem("tier", "tier not between 1 and 5", "'A tier is a whole number from 1 to 5.'")
            .problem("decided", "decided > " + TODAY + " or decided < opens", "'A tier is decided from the first day of its window on, and not in the future.'")
            .key("student_id, area, year, \"window\"").payload("%s.tier, %s.reason")
            .apply("""
                    create temporary table decided_anew on commit drop as
                    select nextval(pg_get_serial_sequence('tiers_tier', 'id')) as id, a.* from accepted a where a.outcome <> 'unchanged'""")
            .apply("""
                    update tiers_tier t set superseded_by = d.id, superseded_on = greatest(coalesce(d.decided, %s), t.known_from)
                      from decided_anew d where t.id = d.old_id""".formatted(TODAY))
            .apply("""
                    insert into tiers_tier (id, student_id, window_id, area, outcome, tier, because, reason, known_from, recorded_by)
                    select id, student_id, window_id, area, 'confirmed', tier, 'Brought in by a file.', reason, coalesce(decided, %s), scope_person()
                      from decided_anew""".formatted(TODAY))
            .build();

    static List<ImportKind> all() {
        return List.of(SCORES, GOALS, PLAN_CHANGES, TIERS);
    }
}
