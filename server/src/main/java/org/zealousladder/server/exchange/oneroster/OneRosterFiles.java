package org.zealousladder.server.exchange.oneroster;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;
import static org.zealousladder.server.platform.files.Column.Type.WHOLE;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Bundle;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Subject;

/**
 * The files of a <a href="https://www.imsglobal.org/spec/oneroster/v1p2">OneRoster 1.2</a> CSV bundle, as far as they are read: the roster. What they mean is told in
 * {@code oneroster/tell.sql}; here stand their columns, and which of our kinds come of which file. Files of 1.1, where the role stands with the user, are read as well.
 */
@Component
class OneRosterFiles implements DeclaresFiles {
    private static final String LABEL = "school roster (OneRoster)";
    /** Rows that stand in no file: what is ended because it is gone. */
    private static final int NO_ROW = 100_000_000;
    private static final String TODAY = "(select scope_today())";

    private static final String IDENTIFIERS = "select r.row_no, x.source, %s as of, r.fid as identifier, %s as code, %s as \"in\", %s as \"from\", r.changed from %s r cross join or_source x";

    private static String identifiers(String of, String code, String table) {
        return IDENTIFIERS.formatted(of, code, "null::text", "null::date", table);
    }

    private static Subject.Builder file(String name, List<Column> columns, String... knownBy) {
        Subject.Builder file = Subject.named("oneroster-" + name, LABEL)
                .standing("or_" + name.replaceAll("([A-Z])", "_$1").toLowerCase(java.util.Locale.ROOT), knownBy);
        columns.forEach(c -> file.field(c, c.name()));
        return file;
    }

    private static Column required(String name) {
        return Column.of(name, TEXT);
    }

    private static Column text(String name) {
        return Column.optional(name, TEXT);
    }

    /** Every file begins so. */
    private static List<Column> columns(Column... own) {
        Column[] first = {required("sourcedId"), text("status"), text("dateLastModified")};
        return java.util.stream.Stream.concat(Arrays.stream(first), Arrays.stream(own)).toList();
    }

    private static final Subject MANIFEST = file("manifest", List.of(required("propertyName"), text("value")), "propertyName", "value").build();

    private static final Subject ORGS = file("orgs", columns(required("name"), required("type"), text("identifier")), "sourcedId", "name", "type")
            .part("schools", List.of(), "select row_no, code as school, name from or_school")
            .part("identifiers", List.of(), identifiers("'school'", "r.code", "or_school")).build();

    private static final Subject SESSIONS = file("academicSessions",
            columns(required("title"), required("type"), Column.of("startDate", DATE), Column.of("endDate", DATE), text("parentSourcedId"),
                    Column.of("schoolYear", WHOLE)),
            "sourcedId", "title", "type", "startDate", "endDate")
            .part("years", List.of(),
                    "select min(r.row_no) as row_no, r.name as year, min(r.starts) as starts, max(r.ends) as ends, (select s.code from roster_year y join roster_school s on s.id = y.school_id where y.name = r.name) as school from or_year r group by r.name")
            .part("identifiers", List.of(), identifiers("'year'", "r.year", "or_session")).build();

    private static final Subject COURSES = file("courses", columns(required("title"), text("grades")), "sourcedId", "title", "courseCode", "orgSourcedId")
            .build();

    private static final Subject CLASSES = file("classes",
            columns(required("title"), text("grades"), text("courseSourcedId"), text("classCode"), required("classType"), required("schoolSourcedId"),
                    required("termSourcedIds"), text("subjects")),
            "sourcedId", "title", "classType", "schoolSourcedId", "termSourcedIds")
            .part("classes", List.of(), "select row_no, code as class, school, year, name, grade from or_class where home")
            .part("groups", List.of(), "select row_no, code as \"group\", school, year, name, subject from or_class where not home")
            .part("identifiers", List.of(), identifiers("case when r.home then 'class' else 'group' end", "r.code", "or_class")).build();

    private static final Subject USERS = file("users",
            columns(text("enabledUser"), required("username"), required("givenName"), text("familyName"), text("identifier"), text("preferredGivenName"),
                    text("preferredFamilyName"), text("role"), text("orgSourcedIds"), text("grades"), text("email")),
            "sourcedId", "username", "givenName", "familyName")
            .part("people", List.of(), """
                    select row_no, login, person, role, school, null as ended, email from or_person
                    union all
                    select -(%d + p.id), p.login, p.name, p.role, s.code, 'yes', null
                      from or_ended f join people_person p on p.id = f.record_id left join roster_school s on s.id = p.school_id where f.kind = 'person'"""
                    .formatted(NO_ROW))
            .part("students", List.of(),
                    "select row_no, code as student, given_name, family_name, preferred_name, null::date as birthday, null as support from or_student")
            .part("identifiers", List.of(), identifiers("'student'", "r.code", "or_student") + " union all " + identifiers("'person'", "r.login", "or_person"))
            .build();

    private static final Subject ROLES = file("roles",
            columns(required("userSourcedId"), text("roleType"), required("role"), Column.optional("beginDate", DATE), Column.optional("endDate", DATE),
                    required("orgSourcedId")),
            "sourcedId", "userSourcedId", "role", "orgSourcedId")
            .part("roles", List.of(), "select row_no, login, role, school, \"from\", \"to\" from or_beside").build();

    private static final Subject ENROLLMENTS = file("enrollments",
            columns(required("classSourcedId"), text("schoolSourcedId"), required("userSourcedId"), required("role"), Column.optional("beginDate", DATE),
                    Column.optional("endDate", DATE)),
            "sourcedId", "classSourcedId", "userSourcedId", "role")
            .part("enrolments", List.of(), """
                    select row_no, student, place as class, begins as "from", ends as "to", grade from or_placed
                    union all select -(%d + id), student, place, starts, ends, null::integer from or_left""".formatted(NO_ROW))
            .part("members", List.of(), """
                    select row_no, student, place as "group", begins as "from", ends as "to" from or_joined
                    union all select -(%d + row_number() over ())::integer, student, place, starts, ends from or_member_left""".formatted(NO_ROW))
            .part("teaches", List.of(), """
                    select row_no, login, place as class, case when ends < %2$s then ends end as "to" from or_taught where home
                    union all select -(%1$d + row_number() over ())::integer, login, place, %2$s - 1 from or_teaching_left""".formatted(NO_ROW, TODAY))
            .part("leads", List.of(), """
                    select row_no, login, place as "group", begins as "from", ends as "to" from or_taught where not home
                    union all select -(%d + row_number() over ())::integer, login, place, starts, ends from or_lead_left""".formatted(NO_ROW))
            .part("identifiers", List.of(), String.join(" union all ", IDENTIFIERS.formatted("'enrolment'", "r.student", "r.place", "r.begins", "or_placed"),
                    IDENTIFIERS.formatted("'member'", "r.student", "r.place", "r.begins", "or_joined"),
                    IDENTIFIERS.formatted("case when r.home then 'teaching' else 'lead' end", "r.login", "r.place", "case when not r.home then r.begins end",
                            "or_taught")))
            .build();

    /** Files of the standard that are not read. Nobody's birthday comes in unasked. */
    private static final Subject UNREAD = Subject.named("oneroster-unread", LABEL).knownBy("sourcedId", "status", "dateLastModified")
            .field(text("sourcedId"), "sourcedId").build();

    private static final String ENDINGS = """
            with running as (
              select f.kind, f.record_id, f.second_id from or_of_source f
                left join roster_enrolment e on f.kind = 'enrolment' and e.id = f.record_id left join roster_member m on f.kind = 'member' and m.id = f.record_id
                left join roster_leads l on f.kind = 'lead' and l.id = f.record_id left join roster_group g on g.id in (m.group_id, l.group_id)
                left join people_teaches t on f.kind = 'teaching' and (t.person_id, t.class_id) = (f.record_id, f.second_id)
                left join people_person p on f.kind = 'person' and p.id = f.record_id
                left join roster_class c on c.id in (e.class_id, t.class_id) left join roster_year y on y.id in (c.year_id, g.year_id)
               where p.active or y.ends >= %1$s and coalesce(e.ends, m.ends, t.ends, l.ends, %1$s + 1) > %1$s)
            select w.what, w.ended::integer, (select count(*) from running r where r.kind = w.kind)::integer as current
              from (select 'enrolment' as kind, 'students in classes' as what, (select count(*) from or_left where leaves) as ended
                    union all select 'member', 'places in teaching groups', (select count(*) from or_member_left)
                    union all select 'teaching', 'teachers of classes', (select count(*) from or_teaching_left)
                    union all select 'lead', 'leaders of teaching groups', (select count(*) from or_lead_left)
                    union all select 'person', 'accounts', (select count(*) from or_ended where kind = 'person')) w
             where w.ended > 0""".formatted(TODAY);

    private static final List<String> NOTICES = List.of("""
            select case when count(*) = 1 then '1 row is older than what is known from there, and is passed over.'
                        else count(*) || ' rows are older than what is known from there, and are passed over.' end
              from generate_series(1, (select sum(n) from or_passed)::integer) having count(*) > 0""", """
            select case when count(*) = 1 then '1 row has' else count(*) || ' rows have' end || ' the sourcedId of an earlier one in the same file; only the first counts.'
              from generate_series(1, (select sum(n) from or_repeated)::integer) having count(*) > 0""", """
            select 'The roster names no home classes (classType homeroom): its classes come in as teaching groups. Tiers go by home classes; bring those in by a class list.'
             where exists (select from or_class) and not exists (select from or_class where home)""", """
            select 'The manifest names ' || string_agg(substring("propertyName" from 6) || '.csv', ', ' order by "propertyName") || ', which is not among the files.'
              from or_manifest m join (values ('orgs', 'or_orgs'), ('academicSessions', 'or_academic_sessions'), ('classes', 'or_classes'), ('users', 'or_users'),
                                              ('roles', 'or_roles'), ('enrollments', 'or_enrollments')) f (name, standing) on m."propertyName" = 'file.' || f.name
             where m.value in ('bulk', 'delta') and f.standing not in (select standing from bundle_present) having count(*) > 0""", """
            select 'Rows of ' || string_agg(substring(standing from 4) || '.csv', ', ' order by standing) || ' cannot be read, so nothing is ended for being gone.'
              from bundle_present where unread > 0 and standing in ('or_users', 'or_enrollments')
               and exists (select from or_manifest where value = 'bulk') having count(*) > 0""", """
            select case when count(*) = 1 then '1 new student has' else count(*) || ' new students have' end
                   || ' the name of somebody who is on record under another code (' || string_agg(n.name, ', ' order by n.name) filter (where n.place <= 5)
                   || case when count(*) > 5 then ' and more' else '' end || '). If they are the same, give those the roster''s identifiers as codes first.'
              from (select concat_ws(' ', t.given_name, t.family_name) as name, row_number() over (order by t.family_name, t.given_name, t.row_no) as place from or_student t
                     where t.new and exists (select from roster_student s where roster_plain(s.given_name || ' ' || s.family_name) = roster_plain(concat_ws(' ', t.given_name, t.family_name))
                                                and s.code <> t.code)) n
            having count(*) > 0""");

    @Override
    public List<FileKind> files() {
        return List.of();
    }

    @Override
    public List<Subject> subjects() {
        return List.of(MANIFEST, ORGS, SESSIONS, COURSES, CLASSES, USERS, ROLES, ENROLLMENTS, UNREAD);
    }

    @Override
    public List<Bundle> bundles() {
        return List.of(new Bundle(List.of(MANIFEST, ORGS, SESSIONS, COURSES, CLASSES, USERS, ROLES, ENROLLMENTS), tell(), ENDINGS, NOTICES));
    }

    private static List<String> tell() {
        try (InputStream in = new ClassPathResource("oneroster/tell.sql").getInputStream()) {
            return Arrays.stream(new String(in.readAllBytes(), StandardCharsets.UTF_8).split(";\n")).map(String::strip).filter(s -> !s.isEmpty()).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
