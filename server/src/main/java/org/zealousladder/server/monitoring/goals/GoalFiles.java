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
                    select st.*, s.id as student_id, m.id as measure_id, m.lowest, m.highest, m.better, g.id as old_id,
                           case when g.id is null then 'new'
                                when (g.start_date, g.start_score, g.goal_date, g.goal_score)
                                     = (st.start_date, st.start_score, st.goal_date, st.goal_score) then 'unchanged'
                                else 'changed' end as outcome
                      from stage st
                      left join roster_student s on s.code = st.student
                      left join measures_measure m on m.code = st.measure
                      left join goals_goal g on g.student_id = s.id and g.measure_id = m.id and g.superseded_by is null""")
            .ofStudents()
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
                           a.goal_date, a.goal_score, case when r.id is null then a.start_date else %s end, (select scope_person())
                      from accepted a left join replacement r on r.row_no = a.row_no
                     where a.outcome <> 'unchanged'""".formatted(TODAY))
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(GOALS);
    }
}
