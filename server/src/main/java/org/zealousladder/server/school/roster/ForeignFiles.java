package org.zealousladder.server.school.roster;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;

/**
 * A file of what things are called in the system they come from. {@code code} is ours; of an enrolment, a place in a group, a teaching or a lead it is the student's or
 * the person's, and {@code in} is the class or the group.
 */
@Component
class ForeignFiles implements DeclaresFiles {
    static final FileKind IDENTIFIERS = FileKind.named("identifiers", "identifiers of other systems")
            .columns(Column.of("source", TEXT),
                    Column.choice("of", true, List.of("school", "year", "class", "group", "student", "person", "enrolment", "member", "teaching", "lead")),
                    Column.of("identifier", TEXT), Column.of("code", TEXT), Column.optional("in", TEXT), Column.optional("from", DATE),
                    Column.optional("changed", TEXT))
            .joined("""
                    select st.*, i.id, i.second, roster_moment(st.changed) as moment,
                           case when f.record_id is null then 'new'
                                when f.record_id = i.id and f.second_id is not distinct from i.second and f.changed_at is not distinct from roster_moment(st.changed) then 'unchanged'
                                else 'changed' end as outcome
                      from stage st
                      left join lateral (
                        select id, null::integer as second from roster_school where st.of = 'school' and code = st.code
                        union all select id, null from roster_year where st.of = 'year' and name = st.code
                        union all select id, null from roster_class where st.of = 'class' and code = st.code
                        union all select id, null from roster_group where st.of = 'group' and code = st.code
                        union all select id, null from roster_student where st.of = 'student' and code = st.code
                        union all select id, null from people_person where st.of = 'person' and login = lower(st.code)
                        union all select e.id, null from roster_enrolment e join roster_student s on s.id = e.student_id join roster_class c on c.id = e.class_id
                         where st.of = 'enrolment' and s.code = st.code and c.code = st.in and e.starts = st."from"
                        union all select m.id, null from roster_member m join roster_student s on s.id = m.student_id join roster_group g on g.id = m.group_id
                         where st.of = 'member' and s.code = st.code and g.code = st.in and m.starts = st."from"
                        union all select t.person_id, t.class_id from people_teaches t join people_person p on p.id = t.person_id join roster_class c on c.id = t.class_id
                         where st.of = 'teaching' and p.login = lower(st.code) and c.code = st.in
                        union all select l.id, null from roster_leads l join people_person p on p.id = l.person_id join roster_group g on g.id = l.group_id
                         where st.of = 'lead' and p.login = lower(st.code) and g.code = st.in and l.starts = st."from") i on true
                      left join roster_foreign f on (f.source, f.kind, f.foreign_id) = (st.source, st.of, st.identifier)""")
            .problem("code", "id is null", "'There is no ' || of || ' ''' || concat_ws(' · ', code, \"in\", \"from\"::text) || '''.'")
            .problem("identifier", "length(identifier) > 255", "'An identifier has at most 255 characters.'")
            .problem("changed", "changed is not null and moment is null", "'A moment looks like this: 2026-03-13T08:00:00Z.'")
            .key("source, of, identifier").payload("%s.id, %s.second")
            .apply("""
                    update roster_foreign f set record_id = a.id, second_id = a.second, changed_at = a.moment
                      from accepted a where a.outcome = 'changed' and (f.source, f.kind, f.foreign_id) = (a.source, a.of, a.identifier)""")
            .apply("""
                    insert into roster_foreign (source, kind, foreign_id, record_id, second_id, changed_at)
                    select source, of, identifier, id, second, moment from accepted where outcome = 'new'""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(IDENTIFIERS);
    }
}
