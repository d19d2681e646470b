package org.zealousladder.server.school.people;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Reference;

/** Files of people and of who teaches which class. */
@Component
class PeopleFiles implements DeclaresFiles {
    static final FileKind PEOPLE = FileKind.named("people", "people").ofRights()
            .columns(Column.of("login", TEXT), Column.of("person", TEXT), Column.choice("role", true, PersonRole.class),
                    Column.optional("school", TEXT), Column.choice("ended", false, List.of("yes", "no")), Column.optional("email", TEXT))
            .joined("""
                    select st.*, p.id, s.id as school_id,
                           case when p.id is null then 'new'
                                when (p.name, p.role) = (st.person, st.role) and p.school_id is not distinct from s.id
                                     and (st.email is null or p.email is not distinct from st.email) and not (p.active and coalesce(st.ended = 'yes', false)) then 'unchanged'
                                else 'changed' end as outcome
                      from stage st left join people_person p on p.login = lower(st.login) left join roster_school s on s.code = st.school""")
            .unknown("school", "school_id", "school")
            .problem("email", "email !~ '^[^@\\s]+@[^@\\s]+$'", "'''' || email || ''' is no e-mail address.'")
            .problem("school", "role <> 'administrator' and school is null", "'A ' || role || ' needs a school.'")
            .problem("ended", "ended = 'yes' and id = (select scope_person())", "'That is yourself: nobody ends their own account.'")
            .problem("ended", "ended = 'no' and exists (select from people_person p where p.id = j.id and not p.active)",
                    "'The account has ended. Open it again under Setup, People.'")
            .key("lower(login)").payload("%s.person, %s.role, %s.school_id, %s.ended, %s.email")
            .apply("""
                    update people_person p set name = a.person, role = a.role, school_id = a.school_id, email = coalesce(a.email, p.email)
                      from accepted a where a.outcome = 'changed' and p.id = a.id""")
            .apply("""
                    insert into people_person (login, name, role, school_id, email)
                    select lower(login), person, role, school_id, email from accepted where outcome = 'new' order by row_no""")
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

    /** Roles beside the first, which comes with the person. */
    static final FileKind ROLES = FileKind.named("roles", "roles of people, with dates").ofRights()
            .columns(Column.of("login", TEXT), Column.choice("role", true, PersonRole.class), Column.optional("school", TEXT), Column.of("from", DATE),
                    Column.optional("to", DATE))
            .joined("""
                    select st.*, case when st."to" < st."from" then null else daterange(st."from", st."to", '[]') end as span, p.id as person_id, s.id as school_id, r.id,
                           case when r.id is null then 'new' when r.ends is not distinct from st."to" then 'unchanged' else 'changed' end as outcome
                      from stage st left join people_person p on p.login = lower(st.login) left join roster_school s on s.code = st.school
                      left join people_role r on r.person_id = p.id and r.role = st.role and r.school_id is not distinct from s.id and r.starts = st."from\"""")
            .unknown("login", "person_id", "person with the sign-in name")
            .unknown("school", "school_id", "school")
            .problem("school", "role <> 'administrator' and school is null", "'A ' || role || ' needs a school.'")
            .problem("school", "role = 'administrator' and school is not null", "'An administrator''s role is for every school; leave the cell empty.'")
            .problem("\"to\"", "\"to\" < \"from\"", "'The last day is before the first.'")
            .problem("\"from\"", """
                    exists (select from people_role o where o.person_id = j.person_id and o.role = j.role and o.school_id is not distinct from j.school_id and o.id is distinct from j.id
                       and daterange(o.starts, o.ends, '[]') && j.span and not exists (select from joined k where k.id = o.id))
                    or exists (select from joined k where k.person_id = j.person_id and k.role = j.role and k.school_id is not distinct from j.school_id and k.row_no < j.row_no
                       and k."from" <> j."from" and k.span && j.span)""", "'They have that role at that time already. Give the first day of that time.'")
            .key("lower(login), role, school, \"from\"").payload("%s.\"to\"")
            .apply("update people_role r set ends = a.\"to\" from accepted a where a.outcome = 'changed' and r.id = a.id")
            .apply("""
                    insert into people_role (person_id, role, school_id, starts, ends)
                    select person_id, role, school_id, "from", "to" from accepted where outcome = 'new' order by row_no""")
            .build();

    private static final Reference LOGIN = new Reference("login", "person", "select login from people_person", """
            with called as (
              select id, roster_plain(name) as plain from people_person union select id, roster_plain(login) from people_person)
            select a.text, a.narrower, p.login as code, p.name as label, true as sure
              from asked a join called k on k.plain = roster_plain(a.text) join people_person p on p.id = k.id""",
            "select login as code, name as label from people_person where active order by name");

    @Override
    public List<FileKind> files() {
        return List.of(PEOPLE, ROLES, TEACHES);
    }

    @Override
    public List<Reference> references() {
        return List.of(LOGIN);
    }
}
