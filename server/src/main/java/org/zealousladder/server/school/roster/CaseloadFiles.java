package org.zealousladder.server.school.roster;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;

/** A file of who is on whose caseload. */
@Component
class CaseloadFiles implements DeclaresFiles {
    static final FileKind CASELOADS = FileKind.named("caseloads", "who is on whose caseload").ofRights()
            .columns(Column.of("caseload_of", TEXT), Column.of("student", TEXT), Column.of("from", DATE), Column.optional("to", DATE))
            .joined("""
                    select st.*, case when st."to" < st."from" then null else daterange(st."from", st."to", '[]') end as span, p.id as person_id, s.id as student_id, k.id,
                           case when k.id is null then 'new' when k.ends is not distinct from st."to" then 'unchanged' else 'changed' end as outcome
                      from stage st left join people_person p on p.login = lower(st.caseload_of) left join roster_student s on s.code = st.student
                      left join roster_caseload k on k.person_id = p.id and k.student_id = s.id and k.starts = st."from\"""")
            .ofStudents()
            .unknown("caseload_of", "person_id", "person with the sign-in name")
            .problem("\"to\"", "\"to\" < \"from\"", "'The last day is before the first.'")
            .problem("\"from\"", """
                    exists (select from roster_caseload o where o.person_id = j.person_id and o.student_id = j.student_id and o.id is distinct from j.id
                       and daterange(o.starts, o.ends, '[]') && j.span and not exists (select from joined k where k.id = o.id))
                    or exists (select from joined k where k.person_id = j.person_id and k.student_id = j.student_id and k.row_no < j.row_no and k."from" <> j."from"
                       and k.span && j.span)""", "'The student is on the caseload at that time already. Give the first day of that time.'")
            .key("lower(caseload_of), student, \"from\"").payload("%s.\"to\"")
            .apply("update roster_caseload k set ends = a.\"to\" from accepted a where a.outcome = 'changed' and k.id = a.id")
            .apply("""
                    insert into roster_caseload (person_id, student_id, starts, ends, made_by)
                    select person_id, student_id, "from", "to", (select scope_person()) from accepted where outcome = 'new' order by row_no""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(CASELOADS);
    }
}
