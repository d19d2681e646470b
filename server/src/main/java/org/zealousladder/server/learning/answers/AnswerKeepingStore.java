package org.zealousladder.server.learning.answers;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Answers of sittings, as they come. */
@Repository
class AnswerKeepingStore {
    private final JdbcClient db;

    AnswerKeepingStore(JdbcClient db) {
        this.db = db;
    }

    /** Two answers of a sitting that come at once are kept one after another. */
    void lock(long sitting) {
        db.sql("select pg_advisory_xact_lock(54, :sitting::integer)").param("sitting", sitting).query((r, n) -> 0).single();
    }

    record Current(long id, @Nullable String answer, @Nullable Double points, @Nullable Long told, LocalDate day, int number, LocalDate knownFrom) {}

    Optional<Current> current(long sitting, int item) {
        return db.sql("""
                select id, answer, points, told_at as told, on_day as day, number, known_from from skills_answer
                 where sitting_id = :sitting and item_id = :item and superseded_by is null""").param("sitting", sitting).param("item", item)
                .query(Current.class).optional();
    }

    double possible(int item) {
        return db.sql("select possible from skills_item where id = :item").param("item", item).query(Double.class).single();
    }

    @Nullable
    Double worth(int item, String answer, double possible) {
        return db.sql("select skills_worth(:item, :answer) * :possible").param("item", item).param("answer", answer).param("possible", possible)
                .query((r, n) -> Optional.ofNullable(r.getObject(1, Double.class))).single().orElse(null);
    }

    void put(AnswerKeeping.Given g, @Nullable Current before, @Nullable Double points, double possible, LocalDate today) {
        long id = db.sql("select nextval('skills_answer_id_seq')").query(Long.class).single();
        if (before != null) {
            db.sql("update skills_answer set superseded_by = :by, superseded_on = greatest(:today::date, known_from) where id = :id").param("by", id)
                    .param("today", today).param("id", before.id()).update();
        }
        db.sql("""
                insert into skills_answer (id, student_id, item_id, check_id, on_day, number, points, possible, answer, seconds, source, known_from, recorded_by,
                  sitting_id, told_at)
                select :id, :student, :item, :check, coalesce(:day::date, :today), coalesce(:number::integer, 1 + (select coalesce(max(number), 0) from skills_answer a
                         where a.student_id = :student and a.item_id = :item and a.on_day = :today and a.superseded_by is null)),
                       :points, :possible, :answer, :seconds, :source, coalesce(greatest(:today, :known::date), :today),
                       nullif((select scope_person()), 0), :sitting, :told""")
                .param("id", id).param("student", g.student()).param("item", g.item()).param("check", g.check())
                .param("day", before == null ? null : before.day(), java.sql.Types.DATE).param("today", today)
                .param("number", before == null ? null : before.number(), java.sql.Types.INTEGER).param("points", points, java.sql.Types.DOUBLE)
                .param("possible", possible).param("answer", g.answer(), java.sql.Types.VARCHAR).param("seconds", g.seconds(), java.sql.Types.INTEGER)
                .param("source", g.source()).param("known", before == null ? null : before.knownFrom(), java.sql.Types.DATE).param("sitting", g.sitting())
                .param("told", g.told(), java.sql.Types.BIGINT).update();
    }

    /** Answers that count otherwise from now on: each is followed by one with other points. */
    private List<Long> count(List<Anew> rows, LocalDate today) {
        Long[] ids = rows.stream().map(Anew::id).toArray(Long[]::new);
        Long[] later = rows.stream().map(Anew::later).toArray(Long[]::new);
        db.sql("""
                update skills_answer a set superseded_by = n.later, superseded_on = greatest(:today::date, a.known_from)
                  from unnest(:ids::bigint[], :later::bigint[]) n(id, later) where a.id = n.id""").param("ids", ids).param("later", later)
                .param("today", today).update();
        return db
                .sql("""
                insert into skills_answer (id, student_id, item_id, check_id, on_day, number, points, possible, answer, seconds, source, known_from, recorded_by,
                  sitting_id, told_at)
                select n.later, a.student_id, a.item_id, a.check_id, a.on_day, a.number, n.points, a.possible, a.answer, a.seconds, a.source,
                       greatest(:today::date, a.known_from), nullif((select scope_person()), 0), a.sitting_id, a.told_at
                  from unnest(:ids::bigint[], :later::bigint[], :points::float8[]) n(id, later, points) join skills_answer a on a.id = n.id returning sitting_id""")
                .param("ids", ids).param("later", later).param("points", rows.stream().map(Anew::points).toArray(Double[]::new)).param("today", today)
                .query(Long.class).list().stream().distinct().toList();
    }

    private record Anew(long id, long later, @Nullable Double points) {}

    List<Long> anew(int item, String answer, LocalDate today) {
        return count(db.sql("""
                select a.id, nextval('skills_answer_id_seq') as later, w.points from skills_answer a
                 cross join lateral (select skills_worth(a.item_id, a.answer) * a.possible as points) w
                 where a.item_id = :item and a.sitting_id is not null and a.superseded_by is null and skills_plain(a.answer) = :answer
                   and a.points is distinct from w.points""").param("item", item).param("answer", answer).query(Anew.class).list(), today);
    }

    /** Items without any answer get one that says nothing; answers that were taken back count as none. */
    void leftOut(long sitting, int student, int check, String source, LocalDate today) {
        count(db.sql("""
                select a.id, nextval('skills_answer_id_seq') as later, 0::double precision as points from skills_answer a
                 where a.sitting_id = :sitting and a.superseded_by is null and a.answer is null and a.points is null""").param("sitting", sitting)
                .query(Anew.class).list(), today);
        db.sql("""
                insert into skills_answer (student_id, item_id, check_id, on_day, number, points, possible, source, known_from, recorded_by, sitting_id)
                select :student, c.item_id, :check, :today, 1 + (select coalesce(max(number), 0) from skills_answer a
                         where a.student_id = :student and a.item_id = c.item_id and a.on_day = :today and a.superseded_by is null),
                       0, i.possible, :source, :today, nullif((select scope_person()), 0), :sitting
                  from skills_check_item c join skills_item i on i.id = c.item_id
                 where c.check_id = :check and not exists (select from skills_answer a where a.sitting_id = :sitting and a.item_id = c.item_id)""")
                .param("student", student).param("check", check).param("today", today).param("source", source).param("sitting", sitting).update();
    }
}
