package org.zealousladder.server.school.roster;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;

/** Files of teaching groups, who is in them and who leads them. */
@Component
class GroupFiles implements DeclaresFiles {
    static final FileKind GROUPS = FileKind.named("groups", "teaching groups")
            .columns(Column.of("group", TEXT), Column.of("school", TEXT), Column.of("year", TEXT), Column.of("name", TEXT), Column.optional("subject", TEXT))
            .joined("""
                    select st.*, g.id, s.id as school_id, y.id as year_id,
                           case when g.id is null then 'new'
                                when (g.school_id, g.year_id, g.name) = (s.id, y.id, st.name) and g.subject is not distinct from st.subject then 'unchanged'
                                else 'changed' end as outcome
                      from stage st left join roster_group g on g.code = st."group"
                      left join roster_school s on s.code = st.school left join roster_year y on y.name = st.year""")
            .unknown("school", "school_id", "school")
            .unknown("year", "year_id", "school year")
            .problem("year", "exists (select from roster_year y where y.id = year_id and y.school_id <> j.school_id)",
                    "'The year ' || year || ' is another school''s.'")
            .problem("name",
                    "exists (select from roster_group o where (o.school_id, o.year_id, o.name) = (j.school_id, j.year_id, j.name) and o.id is distinct from j.id)",
                    "'Another group of that school and year has this name already.'")
            .problem("school", "exists (select from roster_group g where g.id = j.id and (g.school_id, g.year_id) <> (j.school_id, j.year_id))",
                    "'The group with this code is of another school or year. Give the new one a code of its own.'")
            .key("\"group\"").payload("%s.school_id, %s.year_id, %s.name, %s.subject")
            .apply("update roster_group g set name = a.name, subject = a.subject from accepted a where a.outcome = 'changed' and g.id = a.id")
            .apply("""
                    insert into roster_group (code, school_id, year_id, name, subject)
                    select "group", school_id, year_id, name, subject from accepted where outcome = 'new' order by row_no""")
            .build();

    static final FileKind MEMBERS = FileKind.named("members", "who is in which teaching group")
            .columns(Column.of("student", TEXT), Column.of("group", TEXT), Column.of("from", DATE), Column.optional("to", DATE))
            .joined(joined("m.student_id = p.id", "roster_member m", "roster_student p on p.code = st.student", "student_id"))
            .ofStudents()
            .unknown("\"group\"", "group_id", "teaching group")
            .problem("\"to\"", "\"to\" < \"from\"", "'The last day is before the first.'")
            .problem("\"from\"", overlap("roster_member", "student_id"), "'The student is in the group at that time already. Give the first day of that time.'")
            .key("student, \"group\", \"from\"").payload("%s.\"to\"")
            .apply("update roster_member m set ends = a.\"to\" from accepted a where a.outcome = 'changed' and m.id = a.id")
            .apply("""
                    insert into roster_member (group_id, student_id, starts, ends)
                    select group_id, student_id, "from", "to" from accepted where outcome = 'new' order by row_no""")
            .build();

    static final FileKind LEADS = FileKind.named("leads", "who leads which teaching group").ofRights()
            .columns(Column.of("login", TEXT), Column.of("group", TEXT), Column.of("from", DATE), Column.optional("to", DATE))
            .joined(joined("m.person_id = p.id", "roster_leads m", "people_person p on p.login = lower(st.login)", "person_id"))
            .unknown("login", "person_id", "person with the sign-in name")
            .unknown("\"group\"", "group_id", "teaching group")
            .problem("\"to\"", "\"to\" < \"from\"", "'The last day is before the first.'")
            .problem("\"from\"", overlap("roster_leads", "person_id"), "'The person leads the group at that time already. Give the first day of that time.'")
            .key("lower(login), \"group\", \"from\"").payload("%s.\"to\"")
            .apply("update roster_leads m set ends = a.\"to\" from accepted a where a.outcome = 'changed' and m.id = a.id")
            .apply("""
                    insert into roster_leads (group_id, person_id, starts, ends)
                    select group_id, person_id, "from", "to" from accepted where outcome = 'new' order by row_no""")
            .build();

    private static String joined(String who, String table, String people, String id) {
        return """
                select st.*, case when st."to" < st."from" then null else daterange(st."from", st."to", '[]') end as span, p.id as %s, g.id as group_id, m.id,
                       case when m.id is null then 'new' when m.ends is not distinct from st."to" then 'unchanged' else 'changed' end as outcome
                  from stage st left join %s left join roster_group g on g.code = st."group"
                  left join %s on m.group_id = g.id and %s and m.starts = st."from\"""".formatted(id, people, table, who);
    }

    private static String overlap(String table, String who) {
        return """
                exists (select from %1$s o where o.group_id = j.group_id and o.%2$s = j.%2$s and o.id is distinct from j.id and daterange(o.starts, o.ends, '[]') && j.span
                     and not exists (select from joined k where k.id = o.id))
                or exists (select from joined k where k.group_id = j.group_id and k.%2$s = j.%2$s and k.row_no < j.row_no and k."from" <> j."from" and k.span && j.span)"""
                .formatted(table, who);
    }

    @Override
    public List<FileKind> files() {
        return List.of(GROUPS, MEMBERS, LEADS);
    }
}
