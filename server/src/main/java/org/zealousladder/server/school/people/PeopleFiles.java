package org.zealousladder.server.school.people;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Reference;
import org.zealousladder.server.platform.who.Viewer;

/** Files of people and of who teaches which class. */
@Component
class PeopleFiles implements DeclaresFiles {
    static final FileKind PEOPLE = FileKind.named("people", "people").ofRights()
            .columns(Column.of("login", TEXT), Column.of("person", TEXT), Column.choice("role", true, Viewer.Role.class),
                    Column.optional("school", TEXT), Column.choice("ended", false, List.of("yes", "no")))
            .joined("""
                    select st.*, p.id, s.id as school_id,
                           case when p.id is null then 'new'
                                when (p.name, p.role) = (st.person, st.role) and p.school_id is not distinct from s.id
                                     and not (p.active and coalesce(st.ended = 'yes', false)) then 'unchanged'
                                else 'changed' end as outcome
                      from stage st left join people_person p on p.login = lower(st.login) left join roster_school s on s.code = st.school""")
            .unknown("school", "school_id", "school")
            .problem("school", "role <> 'administrator' and school is null", "'A ' || role || ' needs a school.'")
            .problem("ended", "ended = 'yes' and id = (select scope_person())", "'That is yourself: nobody ends their own account.'")
            .problem("ended", "ended = 'no' and exists (select from people_person p where p.id = j.id and not p.active)",
                    "'The account has ended. Open it again under Setup, People.'")
            .key("lower(login)").payload("%s.person, %s.role, %s.school_id, %s.ended")
            .apply("""
                    update people_person p set name = a.person, role = a.role, school_id = a.school_id
                      from accepted a where a.outcome = 'changed' and p.id = a.id""")
            .apply("""
                    insert into people_person (login, name, role, school_id)
                    select lower(login), person, role, school_id from accepted where outcome = 'new' order by row_no""")
            .apply("select people_end(array(select p.id from accepted a join people_person p on p.login = lower(a.login) where a.ended = 'yes' and p.active))")
            .build();

    static final FileKind TEACHES = FileKind.named("teaches", "who teaches which class").ofRights()
            .columns(Column.of("login", TEXT), Column.of("class", TEXT), Column.optional("to", DATE))
            .joined("""
                    select st.*, p.id as person_id, c.id as class_id,
                           case when t.person_id is null then 'new' when t.ends is not distinct from st."to" then 'unchanged' else 'changed' end as outcome
                      from stage st left join people_person p on p.login = lower(st.login) left join roster_class c on c.code = st.class
                      left join people_teaches t on t.person_id = p.id and t.class_id = c.id""")
            .unknown("login", "person_id", "person with the sign-in name")
            .unknown("class", "class_id", "class")
            .key("lower(login), class").payload("%s.\"to\"")
            .apply("""
                    update people_teaches t set ends = a."to"
                      from accepted a where a.outcome = 'changed' and (t.person_id, t.class_id) = (a.person_id, a.class_id)""")
            .apply("insert into people_teaches (person_id, class_id, ends) select person_id, class_id, \"to\" from accepted where outcome = 'new'")
            .build();

    private static final Reference LOGIN = new Reference("login", "person", "select login from people_person", """
            with called as (
              select id, roster_plain(name) as plain from people_person union select id, roster_plain(login) from people_person)
            select a.text, a.narrower, p.login as code, p.name as label, true as sure
              from asked a join called k on k.plain = roster_plain(a.text) join people_person p on p.id = k.id""",
            "select login as code, name as label from people_person where active order by name");

    @Override
    public List<FileKind> files() {
        return List.of(PEOPLE, TEACHES);
    }

    @Override
    public List<Reference> references() {
        return List.of(LOGIN);
    }
}
