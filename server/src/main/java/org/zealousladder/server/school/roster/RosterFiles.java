package org.zealousladder.server.school.roster;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;

/** Files of the roster: schools, years, classes, students and enrolments. */
@Component
class RosterFiles implements DeclaresFiles {
    private static final String NAMESAKES = "do $$ begin perform roster_tell_namesakes(); end $$";

    static final FileKind SCHOOLS = FileKind.named("schools", "schools")
            .columns(Column.of("school", TEXT), Column.of("name", TEXT))
            .joined("""
                    select st.*, s.id, case when s.id is null then 'new' when s.name = st.name then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_school s on s.code = st.school""")
            .key("school").payload("%s.name")
            .apply("update roster_school s set name = a.name from accepted a where a.outcome = 'changed' and s.id = a.id")
            .apply("insert into roster_school (code, name) select school, name from accepted where outcome = 'new' order by row_no")
            .build();

    static final FileKind YEARS = FileKind.named("years", "school years")
            .columns(Column.of("year", TEXT), Column.of("starts", DATE), Column.of("ends", DATE), Column.optional("school", TEXT))
            .joined("""
                    select st.*, s.id as school_id, y.school_id as school_now, case when st.ends > st.starts then daterange(st.starts, st.ends, '[]') end as span,
                           y.id, case when y.id is null then 'new' when y.starts = st.starts and y.ends = st.ends then 'unchanged'
                           else 'changed' end as outcome
                      from stage st left join roster_year y on y.name = st.year left join roster_school s on s.code = st.school""")
            .unknown("school", "school_id", "school")
            .problem("school", "id is not null and school_id is distinct from school_now",
                    "'The year is on record as another school''s, or as every school''s; give it another name.'")
            .problem("ends", "ends <= starts", "'The last day must be after the first.'")
            .problem("starts",
                    """
                    exists (select from roster_year o where o.name <> j.year and o.school_id is not distinct from j.school_id and daterange(o.starts, o.ends, '[]') && j.span
                       and not exists (select from joined k where k.id = o.id))
                    or exists (select from joined k where k.row_no < j.row_no and k.year <> j.year and k.school_id is not distinct from j.school_id and k.span && j.span)""",
                    "'The year overlaps another one.'")
            .key("year").payload("%s.starts, %s.ends, %s.school_id")
            .apply("update roster_year y set starts = a.starts, ends = a.ends from accepted a where a.outcome = 'changed' and y.id = a.id")
            .apply("insert into roster_year (name, starts, ends, school_id) select year, starts, ends, school_id from accepted where outcome = 'new' order by starts")
            .build();

    static final FileKind CLASSES = FileKind.named("classes", "classes")
            .columns(Column.of("class", TEXT), Column.of("school", TEXT), Column.of("year", TEXT), Column.of("name", TEXT),
                    Column.of("grade", Column.Type.GRADE))
            .joined("""
                    select st.*, c.id, s.id as school_id, y.id as year_id,
                           case when c.id is null then 'new'
                                when (c.school_id, c.year_id, c.name, c.grade::integer) = (s.id, y.id, st.name, st.grade) then 'unchanged'
                                else 'changed' end as outcome
                      from stage st left join roster_class c on c.code = st.class
                      left join roster_school s on s.code = st.school left join roster_year y on y.name = st.year""")
            .unknown("school", "school_id", "school")
            .unknown("year", "year_id", "school year")
            .problem("year", "exists (select from roster_year y where y.id = year_id and y.school_id <> j.school_id)",
                    "'The year ' || year || ' is another school''s.'")
            .problem("grade", "grade is null", "'The list does not tell the grade of the class ' || name || '. Give a column with it.'")
            .problem("grade", "grade not between 0 and 13", "'A grade is a whole number from 0 to 13.'")
            .key("class").payload("%s.school_id, %s.year_id, %s.name, %s.grade")
            .apply("""
                    update roster_class c set school_id = a.school_id, year_id = a.year_id, name = a.name, grade = a.grade
                      from accepted a where a.outcome = 'changed' and c.id = a.id""")
            .apply("""
                    insert into roster_class (code, school_id, year_id, name, grade)
                    select class, school_id, year_id, name, grade from accepted where outcome = 'new' order by row_no""")
            .build();

    /** What of them is current support; cells that are empty leave what is on record. */
    private static final String HAS_SUPPORT = """
            exists (select from roster_grouped f where f.student_id = %s.id and f.grouping_id = 1 and f.value = %s.support and f.superseded_on is null
               and (f.ends is null or f.ends >= (select scope_today())))""";

    /** Of a student on record, support in another word than before ends that and begins today. */
    private static final String OTHER_SUPPORT = """
            f.student_id = a.id and f.grouping_id = 1 and f.value <> a.support and (f.ends is null or f.ends >= (select scope_today()))
               and a.outcome = 'changed'""";

    static final FileKind STUDENTS = FileKind.named("students", "students")
            .columns(Column.of("student", TEXT), Column.of("given_name", TEXT), Column.of("family_name", TEXT).emptyAllowed(),
                    Column.optional("preferred_name", TEXT), Column.optional("birthday", DATE), Column.optional("support", TEXT))
            .joined("""
                    select st.row_no, st.student, st.given_name, coalesce(st.family_name, '') as family_name, coalesce(st.preferred_name, s.preferred_name) as preferred_name,
                           coalesce(st.birthday, s.birthday) as birthday, left(st.support, 120) as support, s.id,
                           case when s.id is null then 'new'
                                when (s.given_name, s.family_name) = (st.given_name, coalesce(st.family_name, ''))
                                     and s.preferred_name is not distinct from coalesce(st.preferred_name, s.preferred_name)
                                     and s.birthday is not distinct from coalesce(st.birthday, s.birthday)
                                     and (st.support is null or %s) then 'unchanged'
                                else 'changed' end as outcome
                      from stage st left join roster_student s on s.code = st.student""".formatted(HAS_SUPPORT.formatted("s", "st")))
            .problem("birthday", "birthday >= (select scope_today())", "'A birthday is before today.'")
            .key("student").payload("%s.given_name, %s.family_name, %s.preferred_name, %s.birthday, %s.support")
            .apply("""
                    update roster_student s set given_name = a.given_name, family_name = a.family_name, preferred_name = a.preferred_name, birthday = a.birthday
                      from accepted a where a.outcome = 'changed' and s.id = a.id""")
            .apply("""
                    insert into roster_student (code, given_name, family_name, preferred_name, birthday)
                    select student, given_name, family_name, preferred_name, birthday from accepted where outcome = 'new' order by row_no""")
            .apply("""
                    update roster_grouped f set superseded_by = nextval('roster_grouped_id_seq'), superseded_on = greatest((select scope_today()), coalesce(f.known_from, '-infinity'))
                      from accepted a where f.superseded_on is null and %s""".formatted(OTHER_SUPPORT))
            .apply("""
                    insert into roster_grouped (id, student_id, grouping_id, value, starts, ends, known_from, recorded_by)
                    select f.superseded_by, f.student_id, 1, f.value, least(f.starts, (select scope_today()) - 1), (select scope_today()) - 1, (select scope_today()), (select scope_person())
                      from accepted a join roster_grouped f on %s
                     where f.superseded_by <> f.id and not exists (select from roster_grouped n where n.id = f.superseded_by)""".formatted(OTHER_SUPPORT))
            .apply("""
                    insert into roster_grouped (student_id, grouping_id, value, starts, known_from, recorded_by)
                    select s.id, 1, a.support, case a.outcome when 'changed' then (select scope_today()) end, case a.outcome when 'changed' then (select scope_today()) end,
                           (select scope_person())
                      from accepted a join roster_student s on s.code = a.student where a.support is not null and a.outcome <> 'unchanged' and not %s"""
                    .formatted(HAS_SUPPORT.formatted("s", "a")))
            .apply(NAMESAKES)
            .build();

    /** A student is in one class at a time; moving is an end to the one and a start to the other. */
    static final FileKind ENROLMENTS = FileKind.named("enrolments", "enrolments")
            .columns(Column.of("student", TEXT), Column.of("class", TEXT), Column.of("from", DATE), Column.optional("to", DATE),
                    Column.optional("grade", Column.Type.GRADE))
            .joined("""
                    select st.row_no, st.student, st.class, st."from", st."to", case when st.grade is null then e.grade else nullif(st.grade, c.grade) end as grade,
                           case when st."to" < st."from" then null else daterange(st."from", st."to", '[]') end as span, s.id as student_id, c.id as class_id, e.id,
                           case when e.id is null then 'new'
                                when e.ends is not distinct from st."to" and (st.grade is null or e.grade is not distinct from nullif(st.grade, c.grade)) then 'unchanged'
                                else 'changed' end as outcome
                      from stage st left join roster_student s on s.code = st.student
                      left join roster_class c on c.code = st.class
                      left join roster_enrolment e on e.student_id = s.id and e.class_id = c.id and e.starts = st."from\"""")
            .ofStudents()
            .unknown("class", "class_id", "class")
            .problem("\"to\"", "\"to\" < \"from\"", "'The last day is before the first.'")
            .problem("\"from\"", """
                    exists (select from roster_enrolment e where e.student_id = j.student_id and e.id is distinct from j.id
                         and daterange(e.starts, e.ends, '[]') && j.span and not exists (select from joined k where k.id = e.id))""",
                    "'The student is in another class at that time. End that enrolment first, or in the same file.'")
            .problem("\"from\"", """
                    exists (select from joined k where k.student_id = j.student_id and k.row_no < j.row_no
                       and (k.class_id, k."from") is distinct from (j.class_id, j."from") and k.span && j.span)""",
                    "'Another row of this file has the student in a class at that time.'")
            .key("student, class, \"from\"").payload("%s.\"to\", %s.grade")
            .apply("update roster_enrolment e set ends = a.\"to\", grade = a.grade from accepted a where a.outcome = 'changed' and e.id = a.id")
            .apply("""
                    insert into roster_enrolment (student_id, class_id, starts, ends, grade)
                    select student_id, class_id, "from", "to", grade from accepted where outcome = 'new' order by row_no""")
            .apply(NAMESAKES)
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(SCHOOLS, YEARS, CLASSES, STUDENTS, ENROLMENTS);
    }
}
