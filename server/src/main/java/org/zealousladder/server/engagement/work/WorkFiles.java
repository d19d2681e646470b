package org.zealousladder.server.engagement.work;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.NUMBER;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;
import static org.zealousladder.server.platform.files.Column.Type.WHOLE;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Reference;
import org.zealousladder.server.platform.who.Viewer;

/** Files of course work: the pieces, and what students handed in. */
@Component
class WorkFiles implements DeclaresFiles {
    private static final String TODAY = "(select scope_today())";
    private static final List<String> STATES = List.of("handed-in", "in-progress", "missing", "excused");

    static final FileKind PIECES = FileKind.named("work", "pieces of work").least(Viewer.Role.TEACHER)
            .columns(Column.of("work", TEXT), Column.optional("class", TEXT), Column.optional("of_group", TEXT), Column.of("title", TEXT),
                    Column.optional("subject", TEXT),
                    Column.of("work_kind", TEXT), Column.of("due", DATE), Column.of("possible", NUMBER), Column.optional("skill", TEXT),
                    Column.optional("link", TEXT))
            .joined("""
                    select st.*, c.id as class_id, g.id as group_id, coalesce(cs.school_id, g.school_id) as school_id, p.id as old_id, p.class_id as old_class, p.group_id as old_group,
                           case when p.id is null then 'new' when (p.title, p.subject, p.kind, p.due, p.possible, p.skill, p.link, p.ended)
                                       is not distinct from (st.title, st.subject, st.work_kind, st.due, st.possible, st.skill, st.link, false) then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_class c on c.code = st.class left join roster_class cs on cs.id = c.id left join roster_group g on g.code = st.of_group
                      left join work_piece p on p.code = st.work""")
            .unknown("class", "coalesce(class_id, case when class is null then 0 end)", "class with the code")
            .unknown("of_group", "coalesce(group_id, case when of_group is null then 0 end)", "group with the code")
            .problem("class", "num_nonnulls(class, of_group) <> 1", "'Say the class or the group that has it to do, one of them.'")
            .problem("class", "school_id is not null and not work_may_set(school_id, class_id, group_id)", "'That class is not yours to set work for.'")
            .problem("work", "old_id is not null and (old_class, old_group) is distinct from (class_id, group_id)",
                    "'There is a piece of work called ' || work || ' of another class. Give this one another name.'")
            .problem("work", "length(work) > 80", "'A name of a piece of work has at most 80 letters.'")
            .problem("title", "length(title) > 120", "'A title has at most 120 letters.'")
            .problem("subject", "length(subject) > 60", "'A subject has at most 60 letters.'")
            .problem("work_kind", "length(work_kind) > 60", "'A kind of work has at most 60 letters.'")
            .problem("skill", "length(skill) > 120", "'A skill has at most 120 letters.'")
            .problem("due", "due not between date '2000-01-01' and date '2100-01-01'", "'Check the year of the day on which it is due.'")
            .problem("possible", "possible <= 0 or possible > 10000", "'The points that can be earned are more than 0 and at most 10000.'")
            .problem("link", "link !~ '^https?://\\S+$' or length(link) > 500", "'A link begins with https://.'")
            .key("work").payload("%s.title, %s.subject, %s.work_kind, %s.due, %s.possible, %s.skill, %s.link")
            .apply("""
                    update work_piece p set title = a.title, subject = a.subject, kind = a.work_kind, due = a.due, possible = a.possible, skill = a.skill, link = a.link, ended = false,
                           changed_at = now()
                      from accepted a where a.outcome = 'changed' and p.id = a.old_id""")
            .apply("""
                    insert into work_piece (code, school_id, class_id, group_id, title, subject, kind, due, possible, skill, link, known_from, made_by)
                    select work, school_id, class_id, group_id, title, subject, work_kind, due, possible, skill, link, least(due, %s), (select scope_person())
                      from accepted where outcome = 'new' order by row_no""".formatted(TODAY))
            .build();

    static final FileKind RESULTS = FileKind.named("work-results", "results of work").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("work", TEXT), Column.optional("attempt", WHOLE), Column.optional("handed_in", DATE),
                    Column.optional("points", NUMBER),
                    Column.optional("of_points", NUMBER), Column.optional("seconds", WHOLE), Column.choice("work_state", false, STATES),
                    Column.optional("because", TEXT),
                    Column.optional("work_link", TEXT))
            .joined("""
                    select x.*, case when x.told is not null then case when x.old_told is not distinct from x.told and x.old_reason is not distinct from x.because then 'unchanged'
                                                                      when x.told_id is null then 'new' else 'changed' end
                                     when x.attempt_id is null then 'new'
                                     when (x.old_day, x.old_points, x.old_possible, x.old_seconds, x.old_link) is not distinct from
                                          (x.on_day, x.points, x.of_points, x.seconds::integer, x.work_link) then 'unchanged'
                                     else 'changed' end as outcome
                      from (select st.*, s.id as student_id, p.id as piece_id, p.due, p.possible as piece_possible, n.number, n.told, coalesce(st.handed_in, least(p.due, %1$s)) as on_day,
                                   a.id as attempt_id, a.on_day as old_day, a.points as old_points, a.possible as old_possible, a.seconds as old_seconds, a.link as old_link,
                                   t.id as told_id, t.told as old_told, t.reason as old_reason
                              from stage st left join roster_student s on s.code = st.student left join work_piece p on p.code = st.work and not p.ended
                             cross join lateral (select coalesce(st.attempt, 1)::integer as number, case when st.work_state <> 'handed-in' then st.work_state end as told) n
                              left join work_attempt a on n.told is null and a.student_id = s.id and a.piece_id = p.id and a.number = n.number and a.superseded_by is null
                              left join work_told t on n.told is not null and t.student_id = s.id and t.piece_id = p.id and t.superseded_by is null) x"""
                    .formatted(TODAY))
            .ofStudents().unknown("work", "piece_id", "piece of work called")
            .problem("attempt", "attempt not between 1 and 99", "'Attempts are counted from 1 to 99.'")
            .problem("handed_in", "handed_in > " + TODAY, "'The date is in the future.'")
            .problem("handed_in", "handed_in < date '2000-01-01'", "'The date is too long ago; check the year.'")
            .problem("points", "points < 0", "'Points are 0 or more.'")
            .problem("points", "points > 2 * coalesce(of_points, piece_possible)", "'That is more than twice the points that can be earned; check it.'")
            .problem("of_points", "of_points <= 0 or of_points > 10000", "'The points that can be earned are more than 0 and at most 10000.'")
            .problem("seconds", "seconds not between 0 and 360000", "'Seconds are 0 to 360000.'")
            .problem("work_state", "told is not null and (points is not null or handed_in is not null)",
                    "'What is missing, excused or in progress has no points and no day.'")
            .problem("work_state", "told is null and work_state is null and points is null and handed_in is null",
                    "'Say the points, or the day, or what became of it.'")
            .problem("because", "length(because) > 120", "'A reason has at most 120 letters.'")
            .problem("work_link", "work_link !~ '^https?://\\S+$' or length(work_link) > 500", "'A link begins with https://.'")
            .problem("work",
                    """
                    student_id is not null and piece_id is not null and not exists (
                      select from work_piece p left join roster_enrolment e on e.class_id = p.class_id and e.student_id = j.student_id
                        left join roster_member m on m.group_id = p.group_id and m.student_id = j.student_id
                       where p.id = j.piece_id and coalesce(e.starts, m.starts) <= p.due and coalesce(coalesce(e.ends, m.ends), p.due) >= least(p.due, %s))"""
                            .formatted(TODAY),
                    "'The student was not in the class or group that had this work to do.'")
            .key("student_id, piece_id, number, told is null")
            .payload("%s.points, %s.of_points, %s.handed_in, %s.seconds, %s.work_state, %s.because, %s.work_link")
            .apply("""
                    create temporary table attempt_anew on commit drop as
                    select nextval('work_attempt_id_seq') as id, a.* from accepted a where a.outcome <> 'unchanged' and a.told is null""")
            .apply("""
                    update work_attempt x set superseded_by = n.id, superseded_on = greatest(%s, x.known_from) from attempt_anew n where x.id = n.attempt_id"""
                    .formatted(TODAY))
            .apply("""
                    insert into work_attempt (id, piece_id, student_id, number, on_day, points, possible, seconds, link, known_from, recorded_by)
                    select id, piece_id, student_id, number, on_day, points, of_points, seconds, work_link, case when attempt_id is null then least(greatest(on_day, due), %1$s) else %1$s end,
                           (select scope_person())
                      from attempt_anew""".formatted(TODAY))
            .apply("""
                    create temporary table told_anew on commit drop as
                    select nextval('work_told_id_seq') as id, a.* from accepted a where a.outcome <> 'unchanged' and a.told is not null""")
            .apply("update work_told x set superseded_by = n.id, superseded_on = greatest(%s, x.known_from) from told_anew n where x.id = n.told_id"
                    .formatted(TODAY))
            .apply("""
                    insert into work_told (id, piece_id, student_id, told, reason, known_from, recorded_by)
                    select id, piece_id, student_id, told, because, case when told_id is null then least(due, %1$s) else %1$s end, (select scope_person()) from told_anew"""
                    .formatted(TODAY))
            .build();

    private static final Reference WORK = new Reference("work", "piece of work", "select code from work_piece", """
            select a.text, a.narrower, p.code, p.title as label, true as sure
              from asked a join work_piece p on not p.ended and roster_plain(a.text) in (roster_plain(p.code), roster_plain(p.title))""",
            "select code, title as label from work_piece where not ended order by due desc, id");

    @Override
    public List<FileKind> files() {
        return List.of(PIECES, RESULTS);
    }

    @Override
    public List<Reference> references() {
        return List.of(WORK);
    }
}
