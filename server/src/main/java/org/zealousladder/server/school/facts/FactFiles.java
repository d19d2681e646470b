package org.zealousladder.server.school.facts;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Reference;
import org.zealousladder.server.platform.who.Viewer;

/**
 * Files of groupings, of who is in them, and of people at home. As with scores, what is new is known from its first day, and what is changed from the day of the import.
 */
@Component
class FactFiles implements DeclaresFiles {
    private static final String TODAY = "(select scope_today())";

    static final FileKind GROUPINGS = FileKind.named("groupings", "groupings a school keeps")
            .columns(Column.of("grouping", TEXT), Column.of("name", TEXT), Column.optional("school", TEXT),
                    Column.choice("sensitive", false, List.of("yes", "no")))
            .joined("""
                    select st.row_no, st."grouping", st.name, st.school, coalesce(st.sensitive, case when g.sensitive then 'yes' else 'no' end) as sensitive, s.id as school_id, g.id,
                           case when g.id is null then 'new'
                                when (g.name, g.sensitive) = (st.name, coalesce(st.sensitive = 'yes', g.sensitive)) then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_school s on s.code = st.school left join roster_grouping g on g.code = st."grouping\"""")
            .unknown("school", "school_id", "school")
            .problem("school", "id is not null and school_id is distinct from (select g.school_id from roster_grouping g where g.id = j.id)",
                    "'The grouping is kept for another school; give it a code of its own.'")
            .problem("sensitive", "id = 1 and sensitive = 'yes'",
                    "'Lists show the support beside the name. Keep what is not for teachers in a grouping of its own.'")
            .key("\"grouping\"").payload("%s.name, %s.school_id, %s.sensitive")
            .apply("update roster_grouping g set name = a.name, sensitive = a.sensitive = 'yes' from accepted a where a.outcome = 'changed' and g.id = a.id")
            .apply("""
                    insert into roster_grouping (code, name, school_id, sensitive)
                    select "grouping", name, school_id, sensitive = 'yes' from accepted where outcome = 'new' order by row_no""")
            .build();

    /** Rows that change what is known point to their successors before these are written, so that never two stand. */
    private static String supersede(String table) {
        return "update %1$s x set superseded_by = nextval('%1$s_id_seq'), superseded_on = greatest(%2$s, coalesce(x.known_from, '-infinity')) from accepted a where a.outcome = 'changed' and x.id = a.id"
                .formatted(table, TODAY);
    }

    static final FileKind GROUPED = FileKind.named("grouped", "who is in which grouping").least(Viewer.Role.COORDINATOR)
            .columns(Column.of("student", TEXT), Column.of("grouping", TEXT), Column.of("value", TEXT), Column.optional("from", DATE),
                    Column.optional("to", DATE))
            .joined("""
                    select st.*, s.id as student_id, g.id as grouping_id, x.id,
                           case when x.id is null then 'new' when x.ends is not distinct from st."to" then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_student s on s.code = st.student left join roster_grouping g on g.code = st."grouping"
                      left join roster_grouped x on x.student_id = s.id and x.grouping_id = g.id and x.value = st.value and x.starts is not distinct from st."from"
                       and x.superseded_on is null""")
            .ofStudents()
            .unknown("\"grouping\"", "grouping_id", "grouping")
            .problem("value", "length(value) > 120", "'A value has at most 120 letters.'")
            .problem("\"to\"", "\"to\" < \"from\"", "'The last day is before the first.'")
            .key("student, \"grouping\", value, \"from\"").payload("%s.\"to\"")
            .apply(supersede("roster_grouped"))
            .apply("""
                    insert into roster_grouped (id, student_id, grouping_id, value, starts, ends, known_from, recorded_by)
                    select x.superseded_by, x.student_id, x.grouping_id, x.value, x.starts, a."to", %s, (select scope_person())
                      from accepted a join roster_grouped x on x.id = a.id where a.outcome = 'changed'""".formatted(TODAY))
            .apply("""
                    insert into roster_grouped (student_id, grouping_id, value, starts, ends, recorded_by)
                    select student_id, grouping_id, value, "from", "to", (select scope_person()) from accepted where outcome = 'new' order by row_no""")
            .build();

    private static final String SAME = """
            (x.relation, x.phone, x.email, x.language, x.reach_by, x.reach_when) is not distinct from (st.relation, st.phone, st.email, st.language, st.reach_by, st.reach_when)
                                     and (st.ended is distinct from 'yes' or x.ends is not null)""";

    static final FileKind HOME = FileKind.named("people-at-home", "people at students' homes").least(Viewer.Role.COORDINATOR)
            .columns(Column.of("student", TEXT), Column.of("name", TEXT), Column.optional("relation", TEXT), Column.optional("phone", TEXT),
                    Column.optional("email", TEXT),
                    Column.optional("language", TEXT), Column.choice("reach_by", false, ReachBy.class), Column.optional("reach_when", TEXT),
                    Column.choice("ended", false, List.of("yes")), Column.choice("no_writing", false, List.of("yes", "no")),
                    Column.choice("own", false, List.of("yes", "no")))
            .joined("""
                    select st.*, s.id as student_id, x.id, case when x.id is null then 'new' when %s and (st.no_writing is null or x.no_writing = (st.no_writing = 'yes')) and (st.own is null or x.own = (st.own = 'yes')) then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_student s on s.code = st.student
                      left join roster_contact x on x.student_id = s.id and lower(x.name) = lower(st.name) and x.superseded_on is null""".formatted(SAME))
            .ofStudents()
            .problem("phone", "coalesce(phone, email, reach_by, reach_when, ended) is null",
                    "'Say how to reach ' || name || ': by phone, e-mail, or in words.'")
            .problem("email", "email !~ '^[^@\\s]+@[^@\\s]+$'", "'''' || email || ''' is no e-mail address.'")
            .key("student, lower(name)")
            .payload("%s.relation, %s.phone, %s.email, %s.language, %s.reach_by, %s.reach_when, %s.ended, %s.no_writing, %s.own")
            .apply(supersede("roster_contact"))
            .apply("""
                    insert into roster_contact (id, student_id, name, relation, phone, email, language, reach_by, reach_when, ends, no_writing, own, known_from, recorded_by)
                    select x.superseded_by, x.student_id, a.name, a.relation, a.phone, a.email, a.language, a.reach_by, a.reach_when,
                           case when a.ended = 'yes' then coalesce(x.ends, %1$s) end, coalesce(a.no_writing = 'yes', x.no_writing), coalesce(a.own = 'yes', x.own), %1$s, (select scope_person())
                      from accepted a join roster_contact x on x.id = a.id where a.outcome = 'changed'""".formatted(TODAY))
            .apply("""
                    insert into roster_contact (student_id, name, relation, phone, email, language, reach_by, reach_when, ends, no_writing, own, recorded_by)
                    select student_id, name, relation, phone, email, language, reach_by, reach_when, case when ended = 'yes' then %s end, coalesce(no_writing = 'yes', false), coalesce(own = 'yes', false), (select scope_person())
                      from accepted where outcome = 'new' order by row_no""".formatted(TODAY))
            .build();

    private static final Reference GROUPING = new Reference("grouping", "grouping", "select code from roster_grouping", """
            select a.text, a.narrower, g.code, g.name as label, true as sure
              from asked a join roster_grouping g on roster_plain(a.text) in (roster_plain(g.name), roster_plain(g.code))""",
            "select code, name as label from roster_grouping where not ended order by id");

    @Override
    public List<FileKind> files() {
        return List.of(GROUPINGS, GROUPED, HOME);
    }

    @Override
    public List<Reference> references() {
        return List.of(GROUPING);
    }
}
