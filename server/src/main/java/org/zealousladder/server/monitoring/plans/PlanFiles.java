package org.zealousladder.server.monitoring.plans;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;
import static org.zealousladder.server.platform.files.Column.Type.WHOLE;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.who.Viewer;

/** Files about what is done for students: concerns, plans with their phases, sessions, and the list of strategies. */
@Component
class PlanFiles implements DeclaresFiles {
    private static final String TODAY = "(select scope_today())";

    static final FileKind STRATEGIES = FileKind.named("strategies", "strategies")
            .columns(Column.of("area", TEXT), Column.of("strategy", TEXT), Column.optional("how", TEXT), Column.optional("school", TEXT))
            .joined("""
                    select st.*, s.id as school_id, p.id as old_id,
                           case when p.id is null then 'new' when p.how is not distinct from st.how then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_school s on s.code = st.school
                      left join plans_strategy p on p.area = st.area and p.name = st.strategy and p.school_id is not distinct from s.id""")
            .unknown("school", "school_id", "school with the code")
            .key("area, strategy, school").payload("%s.how")
            .apply("update plans_strategy p set how = a.how from accepted a where a.outcome = 'changed' and p.id = a.old_id")
            .apply("""
                    insert into plans_strategy (school_id, area, name, how)
                    select school_id, area, strategy, how from accepted where outcome = 'new' order by row_no""")
            .build();

    static final FileKind CONCERNS = FileKind.named("concerns", "concerns").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("area", TEXT), Column.of("level", WHOLE), Column.optional("since", DATE),
                    Column.optional("note", TEXT))
            .joined("""
                    select st.*, s.id as student_id, c.id as old_id,
                           case when c.id is null then 'new'
                                when c.level::integer = st.level and c.note is not distinct from st.note then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_student s on s.code = st.student
                      left join plans_concern c on c.student_id = s.id and c.area = st.area and c.superseded_by is null""")
            .ofStudents()
            .problem("level", "level not between 0 and 3", "'A level of concern is 0, 1, 2 or 3.'")
            .problem("since", "since > " + TODAY, "'The date is in the future.'")
            .key("student_id, area").payload("%s.level, %s.note")
            .apply("""
                    create temporary table worried_anew on commit drop as
                    select nextval(pg_get_serial_sequence('plans_concern', 'id')) as id, a.* from accepted a where a.outcome <> 'unchanged'""")
            .apply("""
                    update plans_concern c set superseded_by = w.id, superseded_on = greatest(%s, c.known_from)
                      from worried_anew w where c.id = w.old_id""".formatted(TODAY))
            .apply("""
                    insert into plans_concern (id, student_id, area, level, note, known_from, recorded_by)
                    select id, student_id, area, level, note, case when old_id is null then coalesce(since, %1$s) else %1$s end, (select scope_person()) from worried_anew"""
                    .formatted(TODAY))
            .build();

    static final FileKind PLANS = FileKind.named("plans", "plans").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("measure", TEXT), Column.of("starts", DATE), Column.of("ends", DATE), Column.of("worry", TEXT),
                    Column.of("strategy", TEXT), Column.of("per_week", WHOLE), Column.optional("minutes", WHOLE), Column.optional("leader", TEXT),
                    Column.optional("place", TEXT), Column.optional("success", TEXT), Column.optional("group", TEXT))
            .joined("""
                    select st.*, s.id as student_id, m.id as measure_id, p.id as old_id,
                           exists (select from plans_plan o where o.student_id = s.id and o.measure_id = m.id and o.superseded_by is null and o.starts <> st.starts
                                      and daterange(o.starts, o.closed_on, '[)') && daterange(st.starts, null, '[)')) as busy,
                           (select y.id from plans_strategy y where y.name = st.strategy and y.area = m.area and y.school_id is null) as strategy_id,
                           case when p.id is null then 'new' else 'unchanged' end as outcome
                      from stage st left join roster_student s on s.code = st.student left join measures_measure m on m.code = st.measure
                      left join plans_plan p on p.student_id = s.id and p.measure_id = m.id and p.starts = st.starts and p.superseded_by is null""")
            .ofStudents()
            .unknown("measure", "measure_id", "measure")
            .problem("starts", "starts > " + TODAY, "'The date is in the future.'")
            .problem("ends", "ends <= starts", "'The last day must be after the first.'")
            .problem("per_week", "per_week not between 1 and 10", "'A plan is carried out 1 to 10 times a week.'")
            .problem("minutes", "minutes not between 1 and 300", "'A session lasts 1 to 300 minutes.'")
            .problem("starts", "busy and outcome = 'new'", "'The student has a plan for this measure at that time already. Close it first.'")
            .key("student_id, measure_id").payload("%s.starts, %s.strategy")
            .apply("""
                    create temporary table planned on commit drop as
                    select n.*, case when n."group" is null then null else min(n.id) over (partition by n.measure_id, n.starts, n."group") end as group_id
                      from (select nextval(pg_get_serial_sequence('plans_plan', 'id')) as id, a.* from accepted a where a.outcome = 'new') n""")
            .apply("""
                    insert into plans_plan (id, root, student_id, measure_id, group_id, group_name, worry, success, starts, ends, known_from, recorded_by)
                    select id, id, student_id, measure_id, group_id, "group", worry, success, starts, ends, starts, (select scope_person()) from planned""")
            .apply("""
                    insert into plans_phase (plan_root, student_id, measure_id, starts, strategy_id, strategy, place, leader, minutes, per_week, known_from, recorded_by)
                    select id, student_id, measure_id, starts, strategy_id, strategy, place, leader, minutes, per_week, starts, (select scope_person()) from planned""")
            .build();

    private static final String RUNNING = """
            left join lateral (select p.root, p.starts as began, p.closed_on from plans_plan p where p.student_id = s.id and p.measure_id = m.id and p.superseded_by is null
                                  and p.starts <= st.%1$s and (p.closed_on is null or p.closed_on > st.%1$s) order by p.starts desc limit 1) r on true""";

    static final FileKind PLAN_PHASES = FileKind.named("plan-phases", "phases of plans").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("measure", TEXT), Column.of("starts", DATE), Column.of("strategy", TEXT),
                    Column.of("per_week", WHOLE),
                    Column.optional("minutes", WHOLE), Column.optional("leader", TEXT), Column.optional("place", TEXT), Column.optional("reason", TEXT))
            .joined("""
                    select st.*, s.id as student_id, m.id as measure_id, r.root, r.began,
                           (select max(f.starts) from plans_phase f where f.plan_root = r.root and f.starts <> st.starts and f.withdrawn_on is null) as latest,
                           case when f.id is null then 'new' else 'unchanged' end as outcome
                      from stage st left join roster_student s on s.code = st.student left join measures_measure m on m.code = st.measure
                    """ + RUNNING.formatted("starts") + " left join plans_phase f on f.plan_root = r.root and f.starts = st.starts and f.withdrawn_on is null")
            .ofStudents()
            .unknown("measure", "measure_id", "measure")
            .problem("starts", "starts > " + TODAY, "'The date is in the future.'")
            .problem("starts", "student_id is not null and measure_id is not null and root is null", "'No plan runs for this student and measure on that day.'")
            .problem("starts", "outcome = 'new' and starts <= latest", "'Another phase began on or after that day; phases cannot overlap.'")
            .problem("per_week", "per_week not between 1 and 10", "'A plan is carried out 1 to 10 times a week.'")
            .problem("minutes", "minutes not between 1 and 300", "'A session lasts 1 to 300 minutes.'")
            .key("student_id, measure_id, starts").payload("%s.strategy")
            .apply("""
                    insert into plans_phase (plan_root, student_id, measure_id, starts, strategy, place, leader, minutes, per_week, reason, known_from, recorded_by)
                    select root, student_id, measure_id, starts, strategy, place, leader, minutes, per_week, reason, starts, (select scope_person())
                      from accepted where outcome = 'new' order by starts""")
            .build();

    static final FileKind SESSIONS = FileKind.named("sessions", "sessions held").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("measure", TEXT), Column.of("held_on", DATE), Column.of("given", WHOLE))
            .joined("""
                    select st.*, s.id as student_id, m.id as measure_id, r.root, h.id as old_id,
                           case when h.id is null then 'new' when h.given::integer = st.given then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_student s on s.code = st.student left join measures_measure m on m.code = st.measure
                    """ + RUNNING.formatted("held_on")
                    + " left join plans_session h on h.plan_root = r.root and h.on_day = st.held_on and h.superseded_by is null")
            .ofStudents()
            .unknown("measure", "measure_id", "measure")
            .problem("held_on", "held_on > " + TODAY, "'The date is in the future.'")
            .problem("held_on", "student_id is not null and measure_id is not null and root is null",
                    "'No plan runs for this student and measure on that day.'")
            .problem("given", "given not between 0 and 20", "'Sessions given are 0 to 20.'")
            .key("student_id, measure_id, held_on").payload("%s.given")
            .apply("""
                    create temporary table held_anew on commit drop as
                    select nextval(pg_get_serial_sequence('plans_session', 'id')) as id, a.* from accepted a where a.outcome <> 'unchanged'""")
            .apply("""
                    update plans_session h set superseded_by = n.id, superseded_on = greatest(%s, h.known_from) from held_anew n where h.id = n.old_id"""
                    .formatted(TODAY))
            .apply("""
                    insert into plans_session (id, plan_root, student_id, on_day, given, known_from, recorded_by)
                    select id, root, student_id, held_on, given, case when old_id is null then held_on else %s end, (select scope_person()) from held_anew"""
                    .formatted(TODAY))
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(STRATEGIES, CONCERNS, PLANS, PLAN_PHASES, SESSIONS);
    }
}
