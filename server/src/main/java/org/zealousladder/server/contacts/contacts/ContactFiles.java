package org.zealousladder.server.contacts.contacts;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.who.Viewer;

/** Files of calls, talks and letters on paper that a school has noted elsewhere. */
@Component
class ContactFiles implements DeclaresFiles {
    static final FileKind CONTACTS = FileKind.named("contacts", "contacts").least(Viewer.Role.COORDINATOR)
            .columns(Column.of("student", TEXT), Column.of("date", DATE), Column.choice("way", true, List.of("call", "talk", "letter")),
                    Column.choice("whom", true, Contact.Whom.class), Column.optional("name", TEXT), Column.choice("reached", false, List.of("yes", "no")),
                    Column.optional("words", TEXT), Column.optional("look_again_on", DATE), Column.optional("by", TEXT))
            .joined("""
                    select st.*, s.id as student_id, p.id as by_id, case when exists (
                             select from contacts_contact x where x.student_id = s.id and x.on_day = st.date and x.way = st.way and x.whom = st.whom
                                and x.words is not distinct from st.words and x.withdrawn_on is null) then 'unchanged' else 'new' end as outcome
                      from stage st left join roster_student s on s.code = st.student left join people_person p on lower(p.login) = lower(st.by)""")
            .ofStudents()
            .problem("date", "date > (select scope_today())", "'The date is in the future.'")
            .problem("date", "date < date '1990-01-01'", "'The date is too long ago; check the year.'")
            .problem("words", "words is null and reached is distinct from 'no'", "'Say in a few words what was said or agreed, or reached: no.'")
            .problem("words", "length(words) > 4000", "'Words have at most 4000 letters.'")
            .problem("name", "length(name) > 120", "'A name has at most 120 letters.'")
            .problem("look_again_on", "look_again_on <= date", "'The day to look again comes after the day of the contact.'")
            .problem("by", "\"by\" is not null and by_id is null", "'Nobody here signs in as ''' || \"by\" || '''.'")
            .key("student_id, date, way, whom, words").payload("%s.name")
            .apply("""
                    insert into contacts_contact (student_id, way, whom, name, on_day, reached, words, look_again_on, known_from, recorded_by)
                    select student_id, way, whom, name, date, reached is distinct from 'no', words, look_again_on, date, coalesce(by_id, (select scope_person()))
                      from accepted where outcome = 'new' order by row_no""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(CONTACTS);
    }
}
