package org.zealousladder.server.school.roster;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Reference;

/** Students, classes, schools and years by their names. */
@Component
class RosterNames implements DeclaresFiles {
    /** Names as {@code roster_plain} leaves them, without commas and double spaces: "Berg, Anna" is "berg anna". */
    private static final String ASKED = "trim(regexp_replace(replace(roster_plain(a.text), ',', ' '), '\\s+', ' ', 'g'))";

    /**
     * By name in either order, or by code whatever its case. Of namesakes those count who are enrolled today, if any is; where a class is said, those who are in it, and
     * one who is in another class is not surely meant.
     */
    private static final Reference STUDENT = new Reference("student", "student", "select code from roster_student", """
            with called as (
              select id, trim(roster_plain(given_name || ' ' || family_name)) as plain from roster_student
              union select id, trim(roster_plain(family_name || ' ' || given_name)) from roster_student
              union select id, trim(roster_plain(preferred_name || ' ' || family_name)) from roster_student where preferred_name is not null
              union select id, trim(roster_plain(family_name || ' ' || preferred_name)) from roster_student where preferred_name is not null
              union select id, roster_plain(code) from roster_student),
            found as (
              select a.text, a.narrower, s.code, coalesce(s.preferred_name, s.given_name) || ' ' || s.family_name || coalesce(', ' || c.name, '') as label, c.id is not null as here,
                     a.narrower is null or roster_plain(a.narrower) in (roster_plain(c.name), roster_plain(c.name || ' class'), roster_plain(c.code)) as fits
                from asked a join called k on k.plain = %s join roster_student s on s.id = k.id
                left join roster_enrolment e on e.student_id = s.id and e.starts <= (select scope_today()) and (e.ends is null or e.ends >= (select scope_today()))
                left join roster_class c on c.id = e.class_id),
            ranked as (
              select *, rank() over (partition by text, narrower order by fits is true desc, here desc) as place from found)
            select text, narrower, code, label, fits is true as sure from ranked where place = 1""".formatted(ASKED),
            "select code, trim(coalesce(preferred_name, given_name) || ' ' || family_name) as label from roster_student order by 2, 1");

    /** Of classes with one name those of the year that runs count, or else of the newest. */
    private static final Reference CLASS = new Reference("class", "class", "select code from roster_class", """
            with called as (
              select id, roster_plain(name) as plain from roster_class union select id, roster_plain(name || ' class') from roster_class
              union select id, roster_plain(code) from roster_class)
            select text, narrower, code, label, true as sure
              from (select a.text, a.narrower, c.code, c.name || ', ' || y.name as label,
                           rank() over (partition by a.text, a.narrower
                                        order by (select scope_today()) between y.starts and y.ends desc, y.starts desc) as place
                      from asked a join called k on k.plain = %s join roster_class c on c.id = k.id join roster_year y on y.id = c.year_id) x
             where place = 1""".formatted(ASKED),
            "select c.code, c.name || ', ' || y.name as label from roster_class c join roster_year y on y.id = c.year_id order by y.starts desc, c.name");

    private static final Reference SCHOOL = new Reference("school", "school", "select code from roster_school", """
            select a.text, a.narrower, s.code, s.name as label, true as sure
              from asked a join roster_school s on %s in (roster_plain(s.name), roster_plain(s.code))""".formatted(ASKED),
            "select code, name as label from roster_school order by name");

    /** 2025/26 and 2025-2026 are 2025-26, too. */
    private static final Reference YEAR = new Reference("year", "school year", "select name from roster_year",
            """
            select a.text, a.narrower, y.name as code, y.name as label, true as sure
              from asked a join roster_year y
                on regexp_replace(a.text, '\\D+(20)?', '-') in (y.name, extract(year from y.starts)::text || '-' || right(extract(year from y.ends)::text, 2))""",
            "select name as code, name as label from roster_year order by starts desc");

    @Override
    public List<FileKind> files() {
        return List.of();
    }

    @Override
    public List<Reference> references() {
        return List.of(STUDENT, CLASS, SCHOOL, YEAR);
    }
}
