package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.school.roster.ClassesView.GroupRow;
import org.zealousladder.server.school.roster.ClassesView.InClass;
import org.zealousladder.server.school.roster.ClassesView.Member;
import org.zealousladder.server.school.roster.ClassesView.TeacherRef;

@Repository
class GroupsStore {
    private final JdbcClient db;

    GroupsStore(JdbcClient db) {
        this.db = db;
    }

    List<GroupRow> groups(int year) {
        Map<Integer, List<ClassesView.Leader>> leaders = new HashMap<>();
        db.sql("""
                select l.group_id, p.id, p.name from roster_leads l join people_person p on p.id = l.person_id join roster_group g on g.id = l.group_id and g.year_id = :year
                 where l.ends is null or l.ends > scope_today() order by p.name collate "und-x-icu\"""").param("year", year).query(r -> {
            leaders.computeIfAbsent(r.getInt(1), g -> new ArrayList<>()).add(new ClassesView.Leader(r.getInt(2), r.getString(3)));
        });
        return db.sql("""
                select g.id, g.name, g.subject, g.school_id, g.ends
                  from roster_group g where g.year_id = :year and g.id in (select scope_groups()) order by g.name collate "und-x-icu\"""").param("year", year)
                .query((r, n) -> new GroupRow(r.getInt(1), r.getString(2), r.getString(3), r.getInt(4), r.getObject(5, LocalDate.class),
                        leaders.getOrDefault(r.getInt(1), List.of())))
                .list();
    }

    List<Member> members(int year) {
        return db.sql("""
                select m.group_id, s.id, coalesce(s.preferred_name, s.given_name) as given_name, s.family_name, s.code, m.starts
                  from roster_member m join roster_group g on g.id = m.group_id and g.year_id = :year join roster_student s on s.id = m.student_id
                 where m.ends is null or m.ends > scope_today()
                 order by coalesce(s.preferred_name, s.given_name) collate "und-x-icu", s.family_name collate "und-x-icu\"""").param("year", year)
                .query(Member.class).list();
    }

    List<InClass> students(int year) {
        return db.sql("""
                select e.class_id, s.id, coalesce(s.preferred_name, s.given_name) as given_name, s.family_name, s.code, e.starts
                  from roster_enrolment e join roster_class c on c.id = e.class_id and c.year_id = :year join roster_student s on s.id = e.student_id
                 where (e.ends is null or e.ends >= scope_today()) and c.id in (select scope_classes())
                 order by coalesce(s.preferred_name, s.given_name) collate "und-x-icu", s.family_name collate "und-x-icu\"""").param("year", year)
                .query(InClass.class).list();
    }

    List<TeacherRef> teachers() {
        return db.sql("""
                select distinct p.id, p.name, r.school_id, p.name collate "und-x-icu" as sorted from people_person p join people_roles(scope_today()) r on r.person_id = p.id
                 where p.active and r.school_id is not null order by sorted, p.id, r.school_id""")
                .query(TeacherRef.class)
                .list();
    }

    List<ClassesView.EndedClass> ended(int year) {
        return db.sql("select id, ends from roster_class where year_id = :year and ends is not null").param("year", year).query(ClassesView.EndedClass.class)
                .list();
    }

    List<String> codes() {
        return db.sql("select code from roster_group").query(String.class).list();
    }

    int add(String code, int school, int year, String name, @Nullable String subject) {
        return db.sql("insert into roster_group (code, school_id, year_id, name, subject) values (:code, :school, :year, :name, :subject) returning id")
                .param("code", code)
                .param("school", school).param("year", year).param("name", name).param("subject", subject, java.sql.Types.VARCHAR).query(Integer.class)
                .single();
    }

    /** Those who are in it already stay as they are; who was to leave goes on. */
    void addMembers(int group, Collection<Integer> students, LocalDate from) {
        db.sql("update roster_member set ends = null where group_id = :group and student_id = any (:students) and ends >= :from").param("group", group)
                .param("students", students.toArray(Integer[]::new)).param("from", from).update();
        db.sql("""
                insert into roster_member (group_id, student_id, starts)
                select :group, s, :from from unnest(:students::integer[]) s
                 where not exists (select from roster_member m where m.group_id = :group and m.student_id = s and (m.ends is null or m.ends >= :from))""")
                .param("group", group).param("students", students.toArray(Integer[]::new)).param("from", from).update();
    }

    void addTeachers(int group, Collection<Integer> people, LocalDate from) {
        db.sql("insert into roster_leads (group_id, person_id, starts) select :group, p, :from from unnest(:people::integer[]) p").param("group", group)
                .param("people", people.toArray(Integer[]::new)).param("from", from).update();
    }

    int endTeacher(int group, int person, LocalDate last) {
        return db.sql(
                "update roster_leads set ends = :last where group_id = :group and person_id = :person and starts <= :last and (ends is null or ends > :last)")
                .param("group", group).param("person", person).param("last", last).update();
    }

    int endMember(int group, int student, LocalDate last) {
        return db.sql(
                "update roster_member set ends = greatest(starts, :last) where group_id = :group and student_id = :student and (ends is null or ends > :last)")
                .param("group", group).param("student", student).param("last", last).update();
    }

    Optional<Integer> schoolOf(int group) {
        return db.sql("select school_id from roster_group where id = :group and id in (select scope_groups())").param("group", group).query(Integer.class)
                .optional();
    }

    int end(int group, @Nullable LocalDate last) {
        return db.sql("update roster_group set ends = :last where id = :group").param("group", group).param("last", last, java.sql.Types.DATE).update();
    }

    void move(int student, int into, LocalDate from) {
        db.sql("select roster_move(:student, :into, :from)").param("student", student).param("into", into).param("from", from).query((r, n) -> "").list();
        db.sql("select roster_tell_namesakes()").query((r, n) -> "").list();
    }
}
