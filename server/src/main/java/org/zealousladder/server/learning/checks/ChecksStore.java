package org.zealousladder.server.learning.checks;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.learning.checks.ChecksView.CheckForm;
import org.zealousladder.server.learning.checks.ChecksView.CheckLine;
import org.zealousladder.server.learning.checks.ChecksView.GivenLine;

/** Checks as they are built and given, and who sat them. */
@Repository
class ChecksStore {
    private final JdbcClient db;

    ChecksStore(JdbcClient db) {
        this.db = db;
    }

    /** Those that can be given, the newest first. */
    List<CheckLine> checks(int school) {
        return db.sql("""
                select c.id, c.name, c.school_id, x.items, x.possible, x.skills, c.shuffle, c.minutes, c.measure_id, c.feeds,
                       (select count(*)::integer from skills_giving g where g.check_id = c.id) as given,
                       exists (select from skills_giving g where g.check_id = c.id) or exists (select from skills_answer a where a.check_id = c.id) as fixed,
                       skills_may_write(c.school_id) as may_change
                  from skills_check c cross join lateral (
                    select count(*)::integer as items, coalesce(sum(i.possible), 0) as possible,
                           array(select k.name from skills_skill k where k.id in (select s.skill_id from skills_item_skill s where s.item_id = any(array_agg(ci.item_id)))
                                  order by k.place) as skills
                      from skills_check_item ci join skills_item i on i.id = ci.item_id where ci.check_id = c.id) x
                 where not c.ended and not c.elsewhere and (c.school_id is null or c.school_id = :school) order by c.id desc""").param("school", school)
                .query((r, n) -> new CheckLine(r.getInt("id"), r.getString("name"), r.getObject("school_id", Integer.class), r.getInt("items"),
                        r.getDouble("possible"), List.of((String[]) r.getArray("skills").getArray()), r.getBoolean("shuffle"),
                        r.getObject("minutes", Integer.class), r.getObject("measure_id", Integer.class), r.getString("feeds"), r.getInt("given"),
                        r.getBoolean("fixed"),
                        r.getBoolean("may_change")))
                .list();
    }

    private static final String GIVEN = """
            select g.id, g.check_id, c.name, g.label, g.starts, g.ends, g.on_paper,
                   case when g.ended_at is not null then 'ended' when g.starts > :today then 'coming' when g.ends < :today then 'over' else 'open' end as state,
                   (select count(*)::integer from skills_giving_student s where s.giving_id = g.id) as students,
                   (select count(*)::integer from skills_sitting s where s.giving_id = g.id) as begun,
                   (select count(*)::integer from skills_sitting s where s.giving_id = g.id and s.done_at is not null) as done,
                   (select count(distinct (a.item_id, skills_plain(a.answer)))::integer from skills_answer a join skills_sitting s on s.id = a.sitting_id
                     where s.giving_id = g.id and a.superseded_by is null and a.points is null and a.answer is not null) as waiting
              from skills_giving g join skills_check c on c.id = g.check_id
            """;

    /** Those given to any of the students, the newest first. */
    List<GivenLine> given(Collection<Integer> students, LocalDate today) {
        return db
                .sql(GIVEN + " where g.id in (select s.giving_id from skills_giving_student s where s.student_id = any(:students))"
                        + " order by g.starts desc, g.id desc limit 60")
                .param("students", students.toArray(Integer[]::new)).param("today", today).query(GivenLine.class).list();
    }

    Optional<GivenLine> given(int id, LocalDate today) {
        return db.sql(GIVEN + " where g.id = :id").param("id", id).param("today", today).query(GivenLine.class).optional();
    }

    int add(CheckForm f, String code) {
        int id = db.sql("""
                insert into skills_check (code, school_id, name, shuffle, minutes, measure_id, feeds, made_by)
                values (:code || '-' || (coalesce((select max(id) from skills_check), 0) + 1),
                  :school, :name, :shuffle, :minutes, :measure, :feeds, (select scope_person()))
                returning id""").param("code", code).param("school", f.school(), java.sql.Types.INTEGER).param("name", f.name().strip())
                .param("shuffle", f.shuffle()).param("minutes", f.minutes(), java.sql.Types.INTEGER)
                .param("measure", f.measureId(), java.sql.Types.INTEGER).param("feeds", f.feeds(), java.sql.Types.VARCHAR).query(Integer.class).single();
        items(id, f.items());
        return id;
    }

    void change(int id, CheckForm f) {
        db.sql("""
                update skills_check set name = :name, shuffle = :shuffle, minutes = :minutes, measure_id = :measure, feeds = :feeds, changed_at = now()
                 where id = :id""").param("id", id).param("name", f.name().strip()).param("shuffle", f.shuffle())
                .param("minutes", f.minutes(), java.sql.Types.INTEGER).param("measure", f.measureId(), java.sql.Types.INTEGER)
                .param("feeds", f.feeds(), java.sql.Types.VARCHAR).update();
        db.sql("delete from skills_check_item where check_id = :id").param("id", id).update();
        items(id, f.items());
    }

    private void items(int id, List<Integer> items) {
        db.sql("insert into skills_check_item (check_id, item_id, place, label) select :id, i, n, n::text from unnest(:items::integer[]) with ordinality x(i, n)")
                .param("id", id).param("items", items.toArray(Integer[]::new)).update();
    }

    void end(int id) {
        db.sql("update skills_check set ended = true, changed_at = now() where id = :id").param("id", id).update();
    }

    boolean everGiven(int check) {
        return db.sql("select exists (select from skills_giving where check_id = :id) or exists (select from skills_answer where check_id = :id)")
                .param("id", check).query(Boolean.class).single();
    }

    int give(int check, int school, String label, LocalDate starts, LocalDate ends, boolean onPaper, Collection<Integer> students) {
        int id = db.sql("""
                insert into skills_giving (check_id, school_id, label, starts, ends, on_paper, given_by)
                values (:check, :school, :label, :starts, :ends, :paper, (select scope_person())) returning id""").param("check", check)
                .param("school", school).param("label", label).param("starts", starts).param("ends", ends).param("paper", onPaper).query(Integer.class)
                .single();
        join(id, students);
        return id;
    }

    void join(int giving, Collection<Integer> students) {
        db.sql("insert into skills_giving_student (giving_id, student_id) select :id, s from unnest(:students::integer[]) s on conflict do nothing")
                .param("id", giving).param("students", students.toArray(Integer[]::new)).update();
    }

    void lasts(int giving, LocalDate ends) {
        db.sql("update skills_giving set ends = :ends, ended_at = null where id = :id").param("id", giving).param("ends", ends).update();
    }

    void endGiving(int giving) {
        db.sql("update skills_giving set ended_at = now() where id = :id and ended_at is null").param("id", giving).update();
    }

    record SittingRow(int student, @Nullable Long sitting, boolean done, @Nullable String note) {}

    /** Every student to whom it was given and whom the viewer may see. */
    List<SittingRow> sittings(int giving) {
        return db.sql("""
                select s.student_id as student, t.id as sitting, t.done_at is not null as done, t.note from skills_giving_student s
                  left join skills_sitting t on t.giving_id = s.giving_id and t.student_id = s.student_id where s.giving_id = :id""").param("id", giving)
                .query(SittingRow.class).list();
    }

    record AnswerRow(long sitting, int item, @Nullable String answer, @Nullable Double points, double possible, @Nullable String shows, String plain) {}

    List<AnswerRow> answers(int giving) {
        return db.sql("""
                select a.sitting_id as sitting, a.item_id as item, a.answer, a.points, a.possible, k.shows, coalesce(skills_plain(a.answer), '') as plain
                  from skills_sitting t join skills_answer a on a.sitting_id = t.id and a.superseded_by is null
                  left join skills_key k on k.item_id = a.item_id and k.answer = skills_plain(a.answer) and k.share < 1
                 where t.giving_id = :id order by a.id""").param("id", giving).query(AnswerRow.class).list();
    }

    /** The sitting of a student, begun if it was not. */
    long sitting(int giving, int student) {
        db.sql("insert into skills_sitting (giving_id, student_id) values (:giving, :student) on conflict do nothing").param("giving", giving)
                .param("student", student).update();
        return db.sql("select id from skills_sitting where giving_id = :giving and student_id = :student").param("giving", giving).param("student", student)
                .query(Long.class).single();
    }

    /** @return whether it was not done before */
    boolean done(long sitting, String by) {
        return db.sql("update skills_sitting set done_at = now(), done_by = :by where id = :id and done_at is null").param("id", sitting).param("by", by)
                .update() > 0;
    }

    void note(long sitting, @Nullable String note) {
        db.sql("update skills_sitting set note = :note where id = :id").param("id", sitting).param("note", note, java.sql.Types.VARCHAR).update();
    }

    /** What a sitting earned. @param waiting how many of its answers wait @param last day on which something was answered */
    record Earned(int student, int measureId, String name, String feeds, double points, double possible, int waiting, @Nullable LocalDate last) {}

    /** Of one that is done and whose check feeds a measure. */
    Optional<Earned> earned(long sitting) {
        return db.sql("""
                select t.student_id as student, c.measure_id, c.name, c.feeds, coalesce(sum(a.points), 0) as points,
                       (select sum(i.possible) from skills_check_item ci join skills_item i on i.id = ci.item_id where ci.check_id = c.id) as possible,
                       count(a.id) filter (where a.points is null and a.answer is not null)::integer as waiting, max(a.on_day) as last
                  from skills_sitting t join skills_giving g on g.id = t.giving_id join skills_check c on c.id = g.check_id
                  left join skills_answer a on a.sitting_id = t.id and a.superseded_by is null
                 where t.id = :id and t.done_at is not null and c.measure_id is not null group by t.student_id, c.id""").param("id", sitting)
                .query(Earned.class).optional();
    }

    void worth(int item, String answer, double share, @Nullable String shows) {
        db.sql("""
                insert into skills_key (item_id, answer, share, shows, said_by) values (:item, :answer, :share, :shows, (select scope_person()))
                on conflict (item_id, answer) do update set share = excluded.share, shows = excluded.shows, said_by = excluded.said_by, said_at = now()""")
                .param("item", item).param("answer", answer).param("share", share).param("shows", shows, java.sql.Types.VARCHAR).update();
    }
}
