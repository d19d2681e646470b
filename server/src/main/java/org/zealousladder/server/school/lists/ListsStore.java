package org.zealousladder.server.school.lists;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class ListsStore {
    private static final String LISTS = """
            select l.id, l.name, l.criterion, l.scope, l.columns, l.shared, coalesce(p.name, 'somebody') as owner, l.owner_id = scope_person() as own,
                   l.owner_id = scope_person() or scope_role() = 'administrator' as may_change, l.made_on, l.fresh_on,
                   (select count(*)::integer from lists_member m where m.list_id = l.id and m.starts <= :today and (m.ends is null or m.ends >= :today)) as students,
                   w.person_id is not null as watched,
                   case when w.person_id is null then 0 else
                     (select count(*)::integer from lists_member m where m.list_id = l.id and m.came_at > w.seen_at and (m.ends is null or m.ends >= :today)) end as news
              from lists_list l left join people_person p on p.id = l.owner_id left join lists_watch w on w.list_id = l.id and w.person_id = scope_person()
             where l.ended_on is null and\s""";

    private final JdbcClient db;

    ListsStore(JdbcClient db) {
        this.db = db;
    }

    List<KeptList> lists(LocalDate today) {
        return db.sql(LISTS + "true order by l.name collate \"und-x-icu\", l.id").param("today", today).query(KeptList.class).list();
    }

    Optional<KeptList> list(int id, LocalDate today) {
        return db.sql(LISTS + "l.id = :id").param("id", id).param("today", today).query(KeptList.class).optional();
    }

    int add(ListForm f, int owner, @Nullable Integer school, LocalDate today) {
        return db.sql("""
                insert into lists_list (school_id, owner_id, name, criterion, scope, columns, shared, made_on)
                values (:school, :owner, :name, :criterion, :scope, :columns, :shared, :today) returning id""").param("school", school)
                .param("owner", owner).param("name", f.name()).param("criterion", f.criterion()).param("scope", f.scope()).param("columns", f.columns())
                .param("shared", f.shared()).param("today", today).query(Integer.class).single();
    }

    boolean change(int id, ListForm f, @Nullable Integer school) {
        return db.sql("""
                update lists_list set name = :name, criterion = :criterion, scope = :scope, columns = :columns, shared = :shared, school_id = coalesce(:school, school_id)
                 where id = :id and ended_on is null""").param("id", id).param("name", f.name()).param("criterion", f.criterion()).param("scope", f.scope())
                .param("columns", f.columns()).param("shared", f.shared()).param("school", school).update() == 1;
    }

    boolean end(int id, LocalDate today) {
        return db.sql("update lists_list set ended_on = :today where id = :id and ended_on is null").param("id", id).param("today", today).update() == 1;
    }

    /** Waits for anybody else who brings the same list up to date. */
    void lock(int id) {
        db.sql("select pg_advisory_xact_lock(hashtextextended('lists', :id))").param("id", id).query().listOfRows();
    }

    int come(int id, Collection<Integer> students, LocalDate today) {
        return db.sql("""
                insert into lists_member (list_id, student_id, starts)
                select :id, s, :today from unnest(:students::integer[]) s
                 where not exists (select from lists_member m where m.list_id = :id and m.student_id = s and (m.ends is null or m.ends >= :today))""")
                .param("id", id).param("students", students.toArray(Integer[]::new)).param("today", today).update();
    }

    int go(int id, Collection<Integer> students, LocalDate today) {
        return db.sql(
                "update lists_member set ends = cast(:today as date) - 1 where list_id = :id and student_id = any(:students) and ends is null and starts <= :today")
                .param("id", id).param("students", students.toArray(Integer[]::new)).param("today", today).update();
    }

    List<Integer> members(int id, LocalDate on) {
        return db.sql("select student_id from lists_member where list_id = :id and starts <= :on and (ends is null or ends >= :on)").param("id", id)
                .param("on", on)
                .query(Integer.class).list();
    }

    void fresh(int id, LocalDate today) {
        db.sql("update lists_list set fresh_on = :today where id = :id").param("id", id).param("today", today).update();
    }

    record Turn(int student, LocalDate day, boolean came) {}

    /** Who came and who left, the newest first. */
    List<Turn> turns(int id, int most) {
        return db.sql("""
                select student_id as student, starts as day, true as came from lists_member where list_id = :id and (ends is null or ends >= starts)
                union all select student_id, ends + 1, false from lists_member where list_id = :id and ends >= starts
                order by day desc, came desc, student limit :most""").param("id", id).param("most", most).query(Turn.class).list();
    }

    /** From now on: who came before has been seen. */
    void watch(int id, int person) {
        db.sql("insert into lists_watch (list_id, person_id) values (:id, :person) on conflict (list_id, person_id) do update set seen_at = now()")
                .param("id", id).param("person", person).update();
    }

    void unwatch(int id, int person) {
        db.sql("delete from lists_watch where list_id = :id and person_id = :person").param("id", id).param("person", person).update();
    }

    List<Integer> newcomers(int id, int person, LocalDate today) {
        return db.sql("""
                select m.student_id from lists_member m join lists_watch w on w.list_id = m.list_id and w.person_id = :person
                 where m.list_id = :id and m.came_at > w.seen_at and (m.ends is null or m.ends >= :today)""").param("id", id).param("person", person)
                .param("today", today).query(Integer.class).list();
    }

    /** A living list and whose it is. */
    record Living(int id, int owner) {}

    /** Those that were not brought up to date that day. */
    List<Living> stale(LocalDate today) {
        return db.sql(
                "select id, owner_id as owner from lists_list where criterion is not null and ended_on is null and fresh_on is distinct from :today order by id")
                .param("today", today).query(Living.class).list();
    }

    List<String> names() {
        return db.sql("select name from lists_list where ended_on is null order by owner_id = scope_person() desc, name").query(String.class).list();
    }
}
