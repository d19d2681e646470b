package org.zealousladder.server.learning.groups;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.who.Viewer;

/** The file of small groups: who sat where on which day. */
@Component
class SmallGroupFiles implements DeclaresFiles {
    private static final String TODAY = "(select scope_today())";

    static final FileKind GROUPS = FileKind.named("small-groups", "small groups").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("class", TEXT), Column.of("set_of_groups", TEXT), Column.of("sat_at", TEXT),
                    Column.of("on_day", DATE),
                    Column.optional("leader", TEXT), Column.choice("lasts", false, List.of("day", "standing")))
            .joined("""
                    select st.*, s.id as student_id, c.id as class_id, c.school_id, c.year_id, a.id as old_set, t.id as old_table, coalesce(st.lasts,
                      'day') = 'standing' as stands,
                           case when x.id is null then 'new' else 'unchanged' end as outcome
                      from stage st left join roster_student s on s.code = st.student left join roster_class c on c.code = st.class
                      left join groups_arrangement a on a.class_id = c.id and a.title = st.set_of_groups and a.starts = st.on_day
                      left join groups_table t on t.arrangement_id = a.id and t.name = st.sat_at
                      left join groups_seat x on x.table_id = t.id and x.student_id = s.id and x.starts = st.on_day""")
            .ofStudents().unknown("class", "class_id", "class with the code")
            .problem("class", "class_id is not null and not skills_may_write(school_id)", "'You do not teach at the school of that class.'")
            .problem("on_day", "on_day > " + TODAY, "'The date is in the future.'")
            .problem("on_day", "on_day < date '2000-01-01'", "'The date is too long ago; check the year.'")
            .problem("set_of_groups", "length(set_of_groups) > 120", "'A name of a set of groups has at most 120 letters.'")
            .problem("sat_at", "length(sat_at) > 80 or length(leader) > 80", "'A name has at most 80 letters.'")
            .key("student_id, class_id, set_of_groups, on_day").payload("%s.sat_at")
            .apply("""
                    insert into groups_arrangement (school_id, year_id, class_id, title, standing, starts, ends, made_by)
                    select school_id, year_id, class_id, set_of_groups, bool_or(stands), on_day, case when bool_or(stands) then null else on_day end,
                      (select scope_person())
                      from accepted where outcome = 'new' and old_set is null group by school_id, year_id, class_id, set_of_groups, on_day""")
            .apply("""
                    insert into groups_table (arrangement_id, place, name, leader)
                    select n.id, coalesce((select max(t.place) from groups_table t where t.arrangement_id = n.id),
                      0) + row_number() over (partition by n.id order by n.first), n.sat_at, n.leader
                      from (select g.id, a.sat_at, max(a.leader) as leader, min(a.row_no) as first from accepted a
                              join groups_arrangement g on g.class_id = a.class_id and g.title = a.set_of_groups and g.starts = a.on_day
                             where a.outcome = 'new' and a.old_table is null group by g.id, a.sat_at) n""")
            .apply("""
                    insert into groups_seat (table_id, student_id, starts, ends)
                    select t.id, a.student_id, a.on_day, g.ends from accepted a
                      join groups_arrangement g on g.class_id = a.class_id and g.title = a.set_of_groups and g.starts = a.on_day
                      join groups_table t on t.arrangement_id = g.id and t.name = a.sat_at
                     where a.outcome = 'new'""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(GROUPS);
    }
}
