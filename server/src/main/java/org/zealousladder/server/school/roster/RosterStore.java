package org.zealousladder.server.school.roster;

import java.sql.Types;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.who.SchoolCalendar;

@Repository
class RosterStore {
    private static final String ENROLLED = """
            select s.id, s.code, coalesce(s.preferred_name, s.given_name) as given_name, s.family_name,
                   (select string_agg(distinct f.value, ', ' order by f.value) from roster_grouped f
                     where f.student_id = s.id and f.grouping_id = 1 and (f.starts is null or f.starts <= :known) and (f.ends is null or f.ends >= :known)
                       and (f.known_from is null or f.known_from <= :known) and (f.superseded_on is null or f.superseded_on > :known)) as support,
                   c.id as class_id, c.name as class_name, coalesce(e.grade, c.grade) as grade, e.starts as enrolled_from, e.ends as enrolled_to, c.school_id, s.namesake
              from {enrolments} e
              join roster_class c on c.id = e.class_id
              join roster_student s on s.id = e.student_id
            """;
    /** By hand, since a school's view reads hundreds of them. */
    private static final RowMapper<Enrolled> PLACE = (r, n) -> new Enrolled(r.getInt(1), r.getString(2), r.getString(3), r.getString(4), r.getString(5),
            r.getInt(6), r.getString(7), r.getInt(8), r.getObject(9, LocalDate.class), r.getObject(10, LocalDate.class), r.getInt(11), r.getBoolean(12));

    /** As people sort names, whatever their letters: Óscar beside Oskar, not after Z. */
    private static final String BY_NAME = " coalesce(s.preferred_name, s.given_name) collate \"und-x-icu\", s.family_name collate \"und-x-icu\", s.id";

    private final JdbcClient db;
    private final SchoolCalendar calendar;

    RosterStore(JdbcClient db, SchoolCalendar calendar) {
        this.db = db;
        this.calendar = calendar;
    }

    /** With the enrolments as they were known on a day; from today on that is how they stand. */
    private String known(String sql, LocalDate known) {
        return sql.replace("{enrolments}", known.isBefore(calendar.today()) ? "roster_enrolment_known(:known)" : "roster_enrolment");
    }

    List<SchoolYear> years() {
        return db.sql("select id, name, starts, ends, school_id from roster_year order by starts desc, id").query(SchoolYear.class).list();
    }

    List<SchoolEditor.SchoolRef> schools() {
        return db.sql("select id, code, name from roster_school order by name collate \"und-x-icu\"").query(SchoolEditor.SchoolRef.class).list();
    }

    int addSchool(String code, String name) {
        return db.sql("insert into roster_school (code, name) values (:code, :name) returning id").param("code", code).param("name", name).query(Integer.class)
                .single();
    }

    int addYear(String name, LocalDate starts, LocalDate ends, @Nullable Integer school) {
        return db.sql("insert into roster_year (name, starts, ends, school_id) values (:name, :starts, :ends, :school) returning id")
                .param("school", school, Types.INTEGER)
                .param("name", name).param("starts", starts)
                .param("ends", ends).query(Integer.class).single();
    }

    boolean oneSchool() {
        return db.sql("select count(*) = 1 from roster_school").query(Boolean.class).single();
    }

    List<ClassRef> classes() {
        return db.sql("""
                select c.id, c.code, c.name, c.grade, c.school_id, s.name as school_name, c.year_id
                  from roster_class c join roster_school s on s.id = c.school_id
                 where c.id in (select scope_classes())
                 order by s.name collate "und-x-icu", c.grade, c.name collate "und-x-icu\"""").query(ClassRef.class).list();
    }

    List<GroupRef> groups() {
        return db.sql("""
                select g.id, g.name, g.subject, g.school_id, g.year_id from roster_group g
                 where g.id in (select scope_groups()) and (g.ends is null or g.ends >= scope_today())
                 order by g.name collate "und-x-icu\"""").query(GroupRef.class).list();
    }

    boolean groupVisible(int groupId) {
        return db.sql("select :id in (select scope_groups())").param("id", groupId).query(Boolean.class).single();
    }

    /** Whether any of its seats is the viewer's to see. */
    boolean tableVisible(int table) {
        return db.sql("select exists (select from groups_seat where table_id = :id)").param("id", table).query(Boolean.class).single();
    }

    /** Small groups that the viewer sees and that have not ended: the standing ones first. */
    List<TableRef> tables() {
        return db.sql("""
                select t.id, t.name, a.title, a.school_id, a.year_id, a.standing, a.starts, a.ends
                  from groups_table t join groups_arrangement a on a.id = t.arrangement_id
                 where (a.ends is null or a.ends >= scope_today()) and exists (select from groups_seat s where s.table_id = t.id and (s.ends is null or s.ends >= scope_today()))
                 order by a.standing desc, a.starts desc, a.id, t.place""").query(TableRef.class).list();
    }

    boolean listVisible(int list) {
        return db.sql("select exists (select from lists_list where id = :id)").param("id", list).query(Boolean.class).single();
    }

    /** Kept lists that the viewer sees, by name. */
    List<ListRef> lists() {
        return db.sql("select id, name, criterion is not null as living from lists_list where ended_on is null order by name collate \"und-x-icu\", id")
                .query(ListRef.class).list();
    }

    boolean caseloadVisible(int person) {
        return db.sql("select :id in (select scope_caseloads())").param("id", person).query(Boolean.class).single();
    }

    /** Caseloads that the viewer may open, the own one first. */
    List<CaseloadRef> caseloads() {
        return db.sql("""
                select k.person_id, case when k.person_id = scope_person() then 'Own caseload' else 'Caseload of ' || p.name end as name,
                       count(distinct k.student_id)::integer as students, k.person_id = scope_person() as own
                  from roster_caseload k join people_person p on p.id = k.person_id
                 where k.starts <= scope_today() and (k.ends is null or k.ends >= scope_today())
                 group by k.person_id, p.name order by own desc, p.name collate "und-x-icu\"""").query(CaseloadRef.class).list();
    }

    boolean classVisible(int classId) {
        return db.sql("select :id in (select scope_classes())").param("id", classId).query(Boolean.class).single();
    }

    static String in(Who who) {
        return switch (who.kind()) {
            case CLASS -> "c.id = :id";
            // A member stands in the home class of the day, and within the time of being one.
            case GROUP -> """
                    exists (select from roster_member m where m.group_id = :id and m.student_id = e.student_id
                               and m.starts <= :to and (m.ends is null or m.ends >= :from))""";
            case TABLE -> """
                    exists (select from groups_seat m where m.table_id = :id and m.student_id = e.student_id
                               and m.starts <= :to and (m.ends is null or m.ends >= :from))""";
            case CASELOAD -> """
                    exists (select from roster_caseload k where k.person_id = :id and k.student_id = e.student_id
                               and k.starts <= :to and (k.ends is null or k.ends >= :from))""";
            case LIST -> """
                    exists (select from lists_member m where m.list_id = :id and m.student_id = e.student_id
                               and m.starts <= :to and (m.ends is null or m.ends >= :from))""";
            case GRADE -> "c.school_id = :id and c.year_id = :year and coalesce(e.grade, c.grade) = :grade";
            case SCHOOL -> "c.school_id = :id and c.year_id = :year";
        };
    }

    /** Everyone enrolled on any day from {@code from} to {@code to}, each once: in their class of the day {@code on}, or else in their last of that time. */
    List<Enrolled> enrolledDuring(Who who, int yearId, LocalDate from, LocalDate to, LocalDate on, LocalDate known) {
        return db
                .sql("select * from (" + known(ENROLLED, known).replace("select s.id,", "select distinct on (s.id) s.id,") + " where " + in(who) + "\n"
                        + """
                 and e.starts <= :to and (e.ends is null or e.ends >= :from)
                 order by s.id, (e.starts <= :on and (e.ends is null or e.ends >= :on)) desc, e.starts desc) once order by given_name collate "und-x-icu", family_name collate "und-x-icu", id""")
                .param("id", who.id()).param("year", yearId).param("grade", who.grade()).param("from", from).param("to", to).param("on", on)
                .param("known", known).query(PLACE).list();
    }

    /** A class's or a group's school; of a caseload the person's, or else of the first student in it; of a grade or school, itself. */
    int school(Who who) {
        return switch (who.kind()) {
            case CLASS -> db.sql("select school_id from roster_class where id = :id").param("id", who.id()).query(Integer.class).single();
            case GROUP -> db.sql("select school_id from roster_group where id = :id").param("id", who.id()).query(Integer.class).single();
            case TABLE -> db.sql("select a.school_id from groups_table t join groups_arrangement a on a.id = t.arrangement_id where t.id = :id")
                    .param("id", who.id()).query(Integer.class).single();
            case CASELOAD -> db.sql("""
                    select coalesce((select school_id from people_person where id = :id),
                                    (select c.school_id from roster_caseload k join roster_enrolment e on e.student_id = k.student_id join roster_class c on c.id = e.class_id
                                      where k.person_id = :id order by e.starts desc limit 1), (select min(id) from roster_school))""").param("id", who.id())
                    .query(Integer.class).single();
            case LIST -> db.sql("""
                    select coalesce((select school_id from lists_list where id = :id),
                                    (select c.school_id from lists_member m join roster_enrolment e on e.student_id = m.student_id
                                      join roster_class c on c.id = e.class_id
                                      where m.list_id = :id order by m.ends is null desc, e.starts desc limit 1), (select min(id) from roster_school))""")
                    .param("id", who.id()).query(Integer.class).single();
            case GRADE, SCHOOL -> who.id();
        };
    }

    List<Enrolled> enrolled(Who who, int yearId, LocalDate asOf, LocalDate known) {
        return db.sql(known(ENROLLED, known) + " where " + in(who) + "\n" + """
                 and e.starts <= :asOf and (e.ends is null or e.ends >= :asOf)
                 order by""" + BY_NAME)
                .param("from", asOf).param("to", asOf).param("id", who.id()).param("year", yearId).param("grade", who.grade()).param("asOf", asOf)
                .param("known", known).query(PLACE).list();
    }

    /** All enrolments of one student, the newest first. */
    List<Enrolled> history(int studentId, LocalDate known) {
        return db.sql(known(ENROLLED, known) + " where s.id = :id order by e.starts desc").param("id", studentId).param("known", known).query(PLACE).list();
    }

    List<Enrolled> enrolledAmong(Collection<Integer> students, LocalDate asOf, LocalDate known) {
        return db.sql(known(ENROLLED, known) + """
                 where s.id = any(:students) and e.starts <= :asOf and (e.ends is null or e.ends >= :asOf)
                 order by""" + BY_NAME)
                .param("students", students.toArray(Integer[]::new)).param("asOf", asOf).param("known", known).query(PLACE).list();
    }

    List<Enrolled> enrolledIn(Collection<Integer> classes, LocalDate asOf) {
        return db.sql(known(ENROLLED, asOf) + """
                 join roster_year y on y.id = c.year_id
                 where c.id = any(:classes) and e.starts <= least(:asOf::date, y.ends) and (e.ends is null or e.ends >= least(:asOf::date, y.ends))
                 order by""" + BY_NAME)
                .param("classes", classes.toArray(Integer[]::new)).param("asOf", asOf).param("known", asOf).query(PLACE).list();
    }

    record GradeOn(int studentId, LocalDate day, int grade) {}

    List<GradeOn> gradesOn(Collection<Integer> students, Collection<LocalDate> days, LocalDate known) {
        return db.sql(known("""
                select e.student_id, d.day, coalesce(e.grade, c.grade)
                  from unnest(:days::date[]) as d(day)
                  join {enrolments} e on e.starts <= d.day and (e.ends is null or e.ends >= d.day)
                  join roster_class c on c.id = e.class_id
                 where e.student_id = any(:students)""", known))
                .param("students", students.toArray(Integer[]::new)).param("known", known)
                .param("days", days.stream().map(LocalDate::toString).toArray(String[]::new))
                .query((r, n) -> new GradeOn(r.getInt(1), r.getObject(2, LocalDate.class), r.getInt(3))).list();
    }

    int visible(Collection<Integer> students) {
        return db.sql("select count(*)::integer from roster_student where id = any(:students)").param("students", students.toArray(Integer[]::new))
                .query(Integer.class).single();
    }

    /** By what they are called, by the given name on record, or by code. */
    List<Enrolled> find(String words, LocalDate asOf, int limit) {
        return db
                .sql(known(ENROLLED, asOf) + """
                 where e.starts <= :asOf and (e.ends is null or e.ends >= :asOf)
                   and (roster_plain(s.given_name || ' ' || s.family_name) like '%' || roster_plain(:words) || '%' escape '\\'
                        or roster_plain(s.preferred_name || ' ' || s.family_name) like '%' || roster_plain(:words) || '%' escape '\\'
                        or s.code ilike :start escape '\\')
                 order by (roster_plain(coalesce(s.preferred_name, s.given_name)) like roster_plain(:words) || '%' escape '\\') desc,""" + BY_NAME
                        + " limit :limit")
                .param("asOf", asOf).param("known", asOf).param("words", like(words)).param("start", like(words) + "%").param("limit", limit)
                .query(PLACE).list();
    }

    private static String like(String words) {
        return words.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_");
    }
}
