package org.zealousladder.server.school.people;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Subject;

/**
 * A list of students with their classes and teachers, as a school office has it: its rows are students, classes, people, enrolments and who teaches which class, in
 * that order. Who or what is on record is found by code or by name; the rest is new and gets codes of ours.
 */
@Component
class ClassLists implements DeclaresFiles {
    private static final String LOGIN = "regexp_replace(trim(roster_plain(%s)), '[^[:alnum:]]+', '.', 'g')";

    /**
     * What each row says, with the codes of what is on record. A list without codes gives students new ones that follow the highest of their kind, and classes one of the
     * school, the year and the name. Where two rows name somebody alike, in one class it is one student, in two classes two.
     */
    private static final String TOLD = """
            with said as (
              select r.row_no, r.student, r.named, r."from", r.preferred_name, r.birthday, r.support, r.grade, r.class, r.teacher, lower(r.login) as login,
                     case when r.given_name is not null then r.given_name
                          when r.full_name like '%,%' then trim(split_part(r.full_name, ',', 2))
                          when r.full_name like '% %' then trim(regexp_replace(r.full_name, '\\s+\\S+$', '')) else r.full_name end as given,
                     case when r.given_name is not null then coalesce(r.family_name, '')
                          when r.full_name like '%,%' then trim(split_part(r.full_name, ',', 1))
                          when r.full_name like '% %' then substring(r.full_name from '\\S+$') else coalesce(r.family_name, '') end as family,
                     coalesce(s.code, r.school) as school, coalesce(y.name, r.year) as year, c.code as known_class, o.code as known_code
                from raw r
                left join roster_school s on roster_plain(r.school) in (roster_plain(s.code), roster_plain(s.name))
                left join roster_year y on y.name = r.year
                left join roster_class c on c.school_id = s.id and c.year_id = y.id and roster_plain(r.class) in (roster_plain(c.name), roster_plain(c.code))
                left join roster_student o on o.code = r.named),
            classed as (
              select *, case when class is not null then coalesce(known_class, school || '-' || year || '-' || regexp_replace(roster_plain(class), '[^[:alnum:]]+', '-', 'g'))
                        end as class_code, coalesce(student, known_code) as own_code
                from said),
            numbered as (
              select *, dense_rank() over (partition by own_code is null order by roster_plain(given || ' ' || family), class_code) as nth from classed)
            select n.*, coalesce(n.own_code, 'N' || lpad((n.nth + coalesce((select max(substring(code from 2)::integer) from roster_student where code ~ '^N[0-9]{1,8}$'), 0))::text, 4, '0')) as code
              from numbered n""";

    private static final String STUDENTS = """
            select r.row_no, r.code as student, coalesce(r.given, o.given_name) as given_name,
                   coalesce(case when r.given is null then o.family_name else r.family end, '') as family_name, r.preferred_name, r.birthday, r.support
              from raw r left join roster_student o on o.code = r.code""";

    /** The grade is the least that is said of a class, or else the number in its name; of one that is on record, its own. */
    private static final String CLASSES = """
            select min(r.row_no) as row_no, r.class_code as class, r.school, r.year, coalesce(min(c.name), min(r.class)) as name,
                   coalesce(min(c.grade)::text, min(r.grade)::text, substring(min(r.class) from '[0-9]+')) as grade
              from raw r left join roster_class c on c.code = r.class_code where r.class is not null group by r.class_code, r.school, r.year""";

    /** Who is on record stays as they are there: a coordinator who teaches a class does not become a teacher. */
    private static final String PEOPLE = """
            select t.row_no, coalesce(t.login, %s) as login, coalesce(t.teacher, t.login) as person, 'teacher' as role, t.school, null as ended, null as email
              from (select min(row_no) as row_no, school, teacher, login from raw where coalesce(teacher, login) is not null group by school, teacher, login) t
             where not exists (select from people_person p where p.login = t.login or t.login is null and roster_plain(p.name) = roster_plain(t.teacher))"""
            .formatted(LOGIN.formatted("t.teacher"));

    private static final String TEACHES = """
            select min(r.row_no) as row_no, p.login, r.class_code as class, null as "to"
              from raw r join people_person p on p.login = coalesce(r.login, %s) or r.login is null and roster_plain(p.name) = roster_plain(r.teacher)
             where r.class is not null group by p.login, r.class_code""".formatted(LOGIN.formatted("r.teacher"));

    /**
     * From the day that is said; or else from the year's first day, or for who is in another class of that year already, from today: then the other one ends the day
     * before, in a line numbered below nought.
     */
    private static final String ENROLMENTS = """
            with placed as (
              select min(r.row_no) as row_no, r.code, r.class_code, min(r."from") as "from", min(r.grade) as grade, y.id as year_id, greatest((select scope_today()), y.starts) as now_or_then, y.starts
                from raw r left join roster_year y on y.name = r.year where r.class is not null group by r.code, r.class_code, y.id, y.starts),
            compared as (
              select p.*, here.starts as here_from, here.ends as here_to, other.class as other, other.starts as other_from,
                     coalesce(p."from", case when other.class is null then p.starts else p.now_or_then end) as begins
                from placed p
                left join lateral (select e.starts, e.ends from roster_enrolment e join roster_student s on s.id = e.student_id join roster_class c on c.id = e.class_id
                                    where s.code = p.code and c.code = p.class_code and (e.ends is null or e.ends >= p.now_or_then) order by e.starts limit 1) here on true
                left join lateral (select c.code as class, e.starts from roster_enrolment e join roster_student s on s.id = e.student_id join roster_class c on c.id = e.class_id
                                    where s.code = p.code and c.year_id = p.year_id and c.code <> p.class_code and (e.ends is null or e.ends >= p.now_or_then)
                                    order by e.starts limit 1) other on true)
            select row_no, code as student, class_code as class, coalesce(here_from, begins) as "from", here_to as "to", grade from compared
            union all
            select -row_no, code, other, other_from, begins - 1, null::integer from compared where other is not null and here_from is null and begins > other_from""";

    static final Subject CLASS_LIST = Subject.named("class-list", "students with their classes")
            .field(Column.optional("student", TEXT), "Student's code").field(Column.optional("full_name", TEXT), "Student's whole name")
            .field(Column.optional("given_name", TEXT), "Given name").field(Column.optional("family_name", TEXT), "Family name")
            .field(Column.optional("preferred_name", TEXT), "Called").field(Column.optional("birthday", DATE), "Birthday")
            .field(Column.optional("support", TEXT), "Support").field(Column.optional("class", TEXT), "Class")
            .field(Column.optional("grade", Column.Type.GRADE), "Grade")
            .field(Column.optional("teacher", TEXT), "Teacher's name").field(Column.optional("login", TEXT), "Teacher's sign-in name")
            .field(Column.optional("school", TEXT), "School").field(Column.optional("year", TEXT), "School year")
            .field(Column.optional("from", DATE), "In the class from")
            .helper("named", "")
            .need("Say which column tells the student: by whole name, by given and family name, or by code.", List.of("full_name"), List.of("given_name"),
                    List.of("student", "class"))
            .need("Say which school it is: in a column, or for all rows.", List.of("school"))
            .need("Say which school year it is: in a column, or for all rows.", List.of("year"))
            .composed("named", "student", "given_name", "family_name", "full_name").narrowing("class").found("named").told(TOLD)
            .part("people", List.of("teacher"), PEOPLE).part("people", List.of("login"), PEOPLE)
            .part("classes", List.of("class"), CLASSES).part("students", List.of(), STUDENTS).part("enrolments", List.of("class"), ENROLMENTS)
            .part("teaches", List.of("teacher", "class"), TEACHES).part("teaches", List.of("login", "class"), TEACHES).build();

    @Override
    public List<FileKind> files() {
        return List.of();
    }

    @Override
    public List<Subject> subjects() {
        return List.of(CLASS_LIST);
    }
}
