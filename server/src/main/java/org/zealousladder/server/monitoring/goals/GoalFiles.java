package org.zealousladder.server.monitoring.goals;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.NUMBER;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.who.Viewer;

/** The file of goals. */
@Component
class GoalFiles implements DeclaresFiles {
    private static final String TODAY = "(select scope_today())";

    static final FileKind GOALS = FileKind.named("goals", "goals").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("measure", TEXT), Column.of("start_date", DATE), Column.of("start_score", NUMBER),
                    Column.of("goal_date", DATE), Column.of("goal_score", NUMBER))
            .joined("""
                    select st.*, s.id as student_id, m.id as measure_id, m.lowest, m.highest, m.better, g.id as old_id, first.id as first_id,
                           st.goal_date <= first.start_date as earlier,
                           lead(st.start_date) over (partition by s.id, m.id order by st.start_date) as next_start,
                           case when same.id is not null and (same.id = g.id or same.goal_date <= g.start_date) then 'unchanged'
                                when g.id is null or st.goal_date <= first.start_date then 'new'
                                else 'changed' end as outcome
                      from stage st
                      left join roster_student s on s.code = st.student
                      left join measures_measure m on m.code = st.measure
                      left join goals_goal g on g.student_id = s.id and g.measure_id = m.id and g.superseded_by is null
                      left join lateral (select f.id, f.start_date from goals_goal f
                                          where f.student_id = s.id and f.measure_id = m.id and f.withdrawn_because is null
                                          order by f.start_date, f.id limit 1) first on true
                      left join lateral (select o.id, o.goal_date from goals_goal o
                                          where o.student_id = s.id and o.measure_id = m.id and o.withdrawn_because is null
                                            and (o.start_date, o.start_score, o.goal_date, o.goal_score)
                                                = (st.start_date, st.start_score, st.goal_date, st.goal_score)
                                          order by o.id = g.id desc limit 1) same on true""")
            .ofStudents()
            .unknown("measure", "measure_id", "measure")
            .problem("goal_date", "goal_date <= start_date", "'The goal date must be after the start date.'")
            .problem("start_date", "start_date > " + TODAY, "'The start date is in the future.'")
            .problem("start_score", "start_score not between lowest and highest", "'The start score is outside ' || lowest || ' to ' || highest || '.'")
            .problem("goal_score", "goal_score not between lowest and highest", "'The goal is outside ' || lowest || ' to ' || highest || '.'")
            .problem("goal_score", "(goal_score - start_score) * case better when 'lower' then -1 else 1 end <= 0",
                    "'The goal is not better than the start.'")
            .problem("goal_date", "student_id is not null and goal_date > next_start",
                    "'Another goal of this student in this file begins on ' || next_start || ', before this one is due. Leave one of them out.'")
            .problem("start_date", "outcome = 'changed' and not earlier and goal_date <= (select start_date from goals_goal where id = old_id)",
                    "'There is a goal on record from before ' || (select start_date from goals_goal where id = old_id) || ', and a later one. "
                            + "A goal in between cannot be brought in.'")
            .key("student_id, measure_id, start_date").payload("%s.start_date, %s.start_score, %s.goal_date, %s.goal_score")
            // A student's goals on a measure are a chain by date, each naming the one that came in its place: those from before the first are put before it, others after the last.
            .apply("""
                    create temporary table placed on commit drop as
                    with chain as (
                      select nextval(pg_get_serial_sequence('goals_goal', 'id')) as id, a.row_no, a.student_id, a.measure_id, a.start_date,
                             case when a.outcome = 'changed' then %s else a.start_date end as known_from,
                             case when a.first_id is null or a.earlier then 0 else 3 end as place
                        from accepted a where a.outcome <> 'unchanged'
                      union all
                      select g.id, null, g.student_id, g.measure_id, g.start_date, g.known_from, case when g.superseded_by is null then 2 else 1 end
                        from goals_goal g
                       where g.id in (select a.old_id from accepted a where a.outcome <> 'unchanged'
                                      union select a.first_id from accepted a where a.outcome <> 'unchanged'))
                    select c.*, lead(c.id) over chained as next_id, lead(c.known_from) over chained as next_known
                      from chain c window chained as (partition by c.student_id, c.measure_id order by c.place, c.start_date)""".formatted(TODAY))
            .apply("""
                    update goals_goal g set superseded_by = p.next_id, superseded_on = greatest(p.next_known, g.known_from)
                      from placed p where g.id = p.id and p.place = 2 and p.next_id is not null""")
            .apply("""
                    insert into goals_goal (id, student_id, measure_id, start_date, start_score, goal_date, goal_score, known_from, recorded_by,
                                            superseded_by, superseded_on)
                    select p.id, a.student_id, a.measure_id, a.start_date, a.start_score, a.goal_date, a.goal_score, p.known_from, (select scope_person()),
                           p.next_id, case when p.next_id is not null then greatest(p.next_known, p.known_from) end
                      from placed p join accepted a on a.row_no = p.row_no""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(GOALS);
    }
}
