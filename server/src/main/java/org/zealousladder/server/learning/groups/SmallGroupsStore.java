package org.zealousladder.server.learning.groups;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.learning.groups.Board.Again;
import org.zealousladder.server.learning.groups.Board.KeepForm;
import org.zealousladder.server.learning.groups.Board.Pair;
import org.zealousladder.server.learning.groups.Board.PairForm;
import org.zealousladder.server.learning.groups.Board.TableForm;
import org.zealousladder.server.platform.who.Viewer;

/** Groups that were kept, and pairs. */
@Repository
class SmallGroupsStore {
    private final JdbcClient db;

    SmallGroupsStore(JdbcClient db) {
        this.db = db;
    }

    List<Again> met(Collection<Integer> students, LocalDate since, LocalDate asOf) {
        return db.sql("select a, b, times, last from groups_met(:students, :since, :asOf) order by last desc, times desc, a, b")
                .param("students", students.toArray(Integer[]::new)).param("since", since).param("asOf", asOf).query(Again.class).list();
    }

    List<Pair> pairs(Collection<Integer> students, LocalDate asOf) {
        return db
                .sql("""
                select id, a, b, kind = 'together' as together, until, because from groups_pair
                 where a = any(:students) and b = any(:students) and starts <= :asOf and (until is null or until >= :asOf) and (ended_on is null or ended_on > :asOf) order by id""")
                .param("students", students.toArray(Integer[]::new)).param("asOf", asOf).query(Pair.class).list();
    }

    void pair(PairForm f, LocalDate today) {
        int a = Math.min(f.a(), f.b());
        int b = Math.max(f.a(), f.b());
        db.sql("update groups_pair set ended_on = :today where a = :a and b = :b and ended_on is null").param("today", today).param("a", a).param("b", b)
                .update();
        db.sql("insert into groups_pair (a, b, kind, starts, until, because, made_by) values (:a, :b, :kind, :today, :until, :because, :by)").param("a", a)
                .param("b", b)
                .param("kind", f.together() ? "together" : "apart").param("today", today).param("until", f.until(), java.sql.Types.DATE)
                .param("because", f.because())
                .param("by", Viewer.current().id()).update();
    }

    boolean unpair(int id, LocalDate today) {
        return db.sql("update groups_pair set ended_on = :today where id = :id and ended_on is null").param("id", id).param("today", today).update() == 1;
    }

    int keep(int school, KeepForm f, @Nullable Integer inClass) {
        int id = db.sql("""
                insert into groups_arrangement (school_id, year_id, class_id, title, standing, starts, ends, fresh, made_by)
                values (:school, :year, :class, :title, :standing, :day, :ends, :fresh, :by) returning id""").param("school", school).param("year", f.year())
                .param("class", inClass, java.sql.Types.INTEGER).param("title", f.title().strip()).param("standing", f.standing()).param("day", f.day())
                .param("ends", f.standing() ? null : f.day(), java.sql.Types.DATE).param("fresh", f.fresh(), java.sql.Types.DOUBLE)
                .param("by", Viewer.current().id())
                .query(Integer.class).single();
        int place = 0;
        for (TableForm t : f.tables()) {
            int table = db.sql(
                    "insert into groups_table (arrangement_id, place, name, leader, at_time, shares) values (:a, :place, :name, :leader, :at, :shares) returning id")
                    .param("a", id).param("place", ++place).param("name", t.name().strip()).param("leader", orNull(t.leader())).param("at", orNull(t.atTime()))
                    .param("shares", orNull(t.shares())).query(Integer.class).single();
            db.sql("""
                    insert into groups_seat (table_id, student_id, stays, starts, ends)
                    select :table, x, x = any(:stays::integer[]), :day, :ends from unnest(:students::integer[]) x""").param("table", table)
                    .param("stays", t.stays().toArray(Integer[]::new)).param("students", t.students().toArray(Integer[]::new)).param("day", f.day())
                    .param("ends", f.standing() ? null : f.day(), java.sql.Types.DATE).update();
        }
        return id;
    }

    private static @Nullable String orNull(@Nullable String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    record Arrangement(int id, String title, boolean standing, LocalDate starts, @Nullable LocalDate ends, int schoolId, int yearId) {}

    record Seat(int arrangement, int tableId, String name, @Nullable String leader, @Nullable String atTime, @Nullable String shares, int student) {}

    /** Those in which any of the students sat, or sits, and which hold on the day or later; the newest first. */
    List<Arrangement> kept(Collection<Integer> students, LocalDate from, LocalDate asOf) {
        return db.sql("""
                select a.id, a.title, a.standing, a.starts, a.ends, a.school_id, a.year_id from groups_arrangement a
                 where (a.ends is null or a.ends >= :from) and exists (select from groups_table t join groups_seat s on s.table_id = t.id
                                                    where t.arrangement_id = a.id and s.student_id = any(:students))
                 order by a.standing desc, a.starts desc, a.id desc""").param("students", students.toArray(Integer[]::new)).param("from", from)
                .query(Arrangement.class).list();
    }

    Optional<Arrangement> arrangement(int id) {
        return db.sql("select id, title, standing, starts, ends, school_id, year_id from groups_arrangement where id = :id for update").param("id", id)
                .query(Arrangement.class).optional();
    }

    /** Who sits where on a day; of groups for a later day, then. */
    List<Seat> seats(Collection<Integer> arrangements, LocalDate asOf) {
        return db.sql("""
                select t.arrangement_id as arrangement, t.id as table_id, t.name, t.leader, t.at_time, t.shares, s.student_id as student
                  from groups_table t join groups_arrangement a on a.id = t.arrangement_id join groups_seat s on s.table_id = t.id
                   and s.starts <= greatest(:asOf, a.starts) and (s.ends is null or s.ends >= least(greatest(:asOf, a.starts), coalesce(a.ends,
                     greatest(:asOf, a.starts))))
                 where t.arrangement_id = any(:ids) order by t.arrangement_id, t.place, s.id""").param("ids", arrangements.toArray(Integer[]::new))
                .param("asOf", asOf)
                .query(Seat.class).list();
    }

    /** Standing groups that end today were there until yesterday; what began today has not been. */
    void end(int arrangement, LocalDate last) {
        db.sql("update groups_seat set ends = greatest(:last, starts) where ends is null and table_id in (select id from groups_table where arrangement_id = :id)")
                .param("last", last)
                .param("id", arrangement).update();
        db.sql("update groups_arrangement set ends = greatest(:last, starts) where id = :id and ends is null").param("last", last).param("id", arrangement)
                .update();
    }

    /**
     * A student leaves every table of the arrangement before a day, and sits at {@code table} from then on. Where they would have sat from that very day on they
     * never sat.
     *
     * @param table null: at none
     */
    void move(int arrangement, int student, @Nullable Integer table, LocalDate from) {
        String here = " where student_id = :student and ends is null and table_id in (select id from groups_table where arrangement_id = :id)";
        db.sql("delete from groups_seat" + here + " and starts >= :from").param("from", from).param("student", student).param("id", arrangement).update();
        db.sql("update groups_seat set ends = :last" + here).param("last", from.minusDays(1)).param("student", student).param("id", arrangement).update();
        if (table != null) {
            db.sql("""
                    insert into groups_seat (table_id, student_id, starts)
                    select t.id, :student, greatest(:from, (select coalesce(max(s.ends) + 1, :from) from groups_seat s where s.table_id = t.id
                      and s.student_id = :student))
                      from groups_table t where t.id = :table and t.arrangement_id = :id""").param("student", student).param("from", from).param("table", table)
                    .param("id", arrangement).update();
        }
    }

    /** Whether it is one of the arrangement's, though nobody may sit at it. */
    boolean hasTable(int arrangement, int table) {
        return db.sql("select exists (select from groups_table where id = :table and arrangement_id = :id)").param("table", table).param("id", arrangement)
                .query(Boolean.class).single();
    }

    /** @return whether there is such a table */
    boolean change(int arrangement, int table, @Nullable String leader, @Nullable String atTime) {
        return db.sql("update groups_table set leader = :leader, at_time = :time where id = :table and arrangement_id = :id")
                .param("leader", orNull(leader), java.sql.Types.VARCHAR).param("time", orNull(atTime), java.sql.Types.VARCHAR).param("table", table)
                .param("id", arrangement).update() > 0;
    }

    void addPlan(int table, long group) {
        db.sql("insert into groups_plan (table_id, plan_group) values (:table, :group) on conflict do nothing").param("table", table).param("group", group)
                .update();
    }

    List<Long> plansOf(Collection<Integer> tables) {
        return db.sql("select plan_group from groups_plan where table_id = any(:tables)").param("tables", tables.toArray(Integer[]::new)).query(Long.class)
                .list();
    }

    List<String> adults(int school) {
        return db.sql("select name from people_person where school_id = :school and active order by name collate \"und-x-icu\"").param("school", school)
                .query(String.class).list();
    }
}
