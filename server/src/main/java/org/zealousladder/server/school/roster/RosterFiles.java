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
            .columns(Column.of("year", TEXT), Column.of("starts", DATE), Column.of("ends", DATE))
            .joined("""
                    select st.*, case when st.ends > st.starts then daterange(st.starts, st.ends, '[]') end as span,
                           y.id, case when y.id is null then 'new' when y.starts = st.starts and y.ends = st.ends then 'unchanged'
                           else 'changed' end as outcome
                      from stage st left join roster_year y on y.name = st.year""")
            .problem("ends", "ends <= starts", "'The last day must be after the first.'")
            .problem("starts", """
                    exists (select from roster_year o where o.name <> j.year and daterange(o.starts, o.ends, '[]') && j.span
                       and not exists (select from joined k where k.id = o.id))
                    or exists (select from joined k where k.row_no < j.row_no and k.year <> j.year and k.span && j.span)""",
                    "'The year overlaps another one.'")
            .key("year").payload("%s.starts, %s.ends")
            .apply("update roster_year y set starts = a.starts, ends = a.ends from accepted a where a.outcome = 'changed' and y.id = a.id")
            .apply("insert into roster_year (name, starts, ends) select year, starts, ends from accepted where outcome = 'new' order by starts")
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

    static final FileKind STUDENTS = FileKind.named("students", "students")
            .columns(Column.of("student", TEXT), Column.of("given_name", TEXT), Column.of("family_name", TEXT).emptyAllowed(),
                    Column.optional("support", TEXT))
            .joined("""
                    select st.row_no, st.student, st.given_name, coalesce(st.family_name, '') as family_name, st.support, s.id,
                           case when s.id is null then 'new'
                                when (s.given_name, s.family_name) = (st.given_name, coalesce(st.family_name, ''))
                                     and s.support is not distinct from st.support then 'unchanged'
                                else 'changed' end as outcome
                      from stage st left join roster_student s on s.code = st.student""")
            .key("student").payload("%s.given_name, %s.family_name, %s.support")
            .apply("""
                    update roster_student s set given_name = a.given_name, family_name = a.family_name, support = a.support
                      from accepted a where a.outcome = 'changed' and s.id = a.id""")
            .apply("""
                    insert into roster_student (code, given_name, family_name, support)
                    select student, given_name, family_name, support from accepted where outcome = 'new' order by row_no""")
            .apply(NAMESAKES)
            .build();

    /** A student is in one class at a time; moving is an end to the one and a start to the other. */
    static final FileKind ENROLMENTS = FileKind.named("enrolments", "enrolments")
            .columns(Column.of("student", TEXT), Column.of("class", TEXT), Column.of("from", DATE), Column.optional("to", DATE))
            .joined("""
                    select st.row_no, st.student, st.class, st."from", st."to",
                           case when st."to" < st."from" then null else daterange(st."from", st."to", '[]') end as span, s.id as student_id, c.id as class_id, e.id,
                           case when e.id is null then 'new' when e.ends is not distinct from st."to" then 'unchanged' else 'changed' end as outcome
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
            .key("student, class, \"from\"").payload("%s.\"to\"")
            .apply("update roster_enrolment e set ends = a.\"to\" from accepted a where a.outcome = 'changed' and e.id = a.id")
            .apply("""
                    insert into roster_enrolment (student_id, class_id, starts, ends)
                    select student_id, class_id, "from", "to" from accepted where outcome = 'new' order by row_no""")
            .apply(NAMESAKES)
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(SCHOOLS, YEARS, CLASSES, STUDENTS, ENROLMENTS);
    }
}
