package org.zealousladder.server.learning.taking;

import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.school.people.SignInPauses;

/** Cards and sittings as students use them. Every statement about a sitting names the student whose it is. */
@Repository
class TakingStore {
    private final JdbcClient db;

    TakingStore(JdbcClient db) {
        this.db = db;
    }

    /** Tries from one place are counted one after another. */
    void oneAtATime(String place) {
        db.sql("select pg_advisory_xact_lock(hashtextextended(:place, 54))").param("place", place).query((r, n) -> 0).single();
    }

    /** Wrong tries from a place since the last right one and within a time. */
    SignInPauses.Failures failures(String place, long seconds) {
        return db
                .sql("""
                select count(*)::integer, max(at) from skills_card_try where place = :place and not succeeded and at > now() - make_interval(secs => :seconds)""")
                .param("place", place).param("seconds", seconds)
                .query((r, n) -> new SignInPauses.Failures(r.getInt(1), instant(r.getObject(2, OffsetDateTime.class)))).single();
    }

    private static @Nullable Instant instant(@Nullable OffsetDateTime at) {
        return at == null ? null : at.toInstant();
    }

    void tried(String place, boolean succeeded) {
        db.sql("insert into skills_card_try (place, succeeded) values (:place, :succeeded)").param("place", place).param("succeeded", succeeded).update();
    }

    void forgetOld() {
        db.sql("delete from skills_card_try where at < now() - interval '30 days'").update();
        db.sql("delete from skills_card_session where until < now()").update();
    }

    /** A card is good while its student is in its class. */
    private static final String GOOD = """
            join roster_student s on s.id = c.student_id join roster_class k on k.id = c.class_id
             where %s and c.ended_at is null and c.starts <= :today and c.ends >= :today
               and exists (select from roster_enrolment e where e.student_id = c.student_id and e.class_id = c.class_id and e.starts <= :today
                              and (e.ends is null or e.ends >= :today))""";

    Optional<Integer> card(String digest, LocalDate today) {
        return db.sql("select c.id from skills_card c " + GOOD.formatted("c.digest = :digest")).param("digest", digest).param("today", today)
                .query(Integer.class).optional();
    }

    void begin(String session, int card, long hours) {
        db.sql("insert into skills_card_session (digest, card_id, until) values (:digest, :card, now() + make_interval(hours => :hours::integer))")
                .param("digest", session).param("card", card).param("hours", hours).update();
    }

    Optional<Taker> taker(String session, LocalDate today) {
        return db.sql("select c.student_id as student, c.id as card, s.given_name as name, k.name as class_name from skills_card_session x join skills_card c"
                + " on c.id = x.card_id " + GOOD.formatted("x.digest = :digest and x.until > now()")).param("digest", session).param("today", today)
                .query(Taker.class).optional();
    }

    void end(String session) {
        db.sql("delete from skills_card_session where digest = :digest").param("digest", session).update();
    }

    List<Taking.TakingCheck> checks(int student, LocalDate today) {
        return db.sql("""
                select g.id as giving, c.name, (select count(*)::integer from skills_check_item i where i.check_id = c.id) as items,
                       (select count(*)::integer from skills_answer a where a.sitting_id = t.id and a.superseded_by is null and a.answer is not null) as answered,
                       t.done_at is not null as done, c.minutes, g.ends
                  from skills_giving_student x join skills_giving g on g.id = x.giving_id join skills_check c on c.id = g.check_id
                  left join skills_sitting t on t.giving_id = g.id and t.student_id = x.student_id
                 where x.student_id = :student and not g.on_paper and g.ended_at is null and g.starts <= :today and g.ends >= :today order by g.ends, g.id""")
                .param("student", student).param("today", today).query(Taking.TakingCheck.class).list();
    }

    /** A check that was given to a student. @param sitting null: not begun */
    record Given(int giving, int checkId, @Nullable Long sitting, @Nullable OffsetDateTime startedAt, @Nullable OffsetDateTime doneAt,
            @Nullable OffsetDateTime endedAt, LocalDate starts, LocalDate ends) {}

    Optional<Given> given(int student, int giving) {
        return db.sql("""
                select g.id as giving, g.check_id, t.id as sitting, t.started_at, t.done_at, g.ended_at, g.starts, g.ends
                  from skills_giving_student x join skills_giving g on g.id = x.giving_id
                  left join skills_sitting t on t.giving_id = g.id and t.student_id = x.student_id
                 where x.student_id = :student and g.id = :giving and not g.on_paper""").param("student", student).param("giving", giving).query(Given.class)
                .optional();
    }

    void start(int student, int giving) {
        db.sql("insert into skills_sitting (giving_id, student_id) values (:giving, :student) on conflict do nothing").param("giving", giving)
                .param("student", student).update();
    }

    boolean done(long sitting, int student, String by) {
        return db.sql("update skills_sitting set done_at = now(), done_by = :by where id = :id and student_id = :student and done_at is null").param("by", by)
                .param("id", sitting).param("student", student).update() > 0;
    }

    List<Taking.SheetAnswer> answers(long sitting, int student) {
        return db.sql("""
                select item_id as item, answer from skills_answer
                 where sitting_id = :sitting and student_id = :student and superseded_by is null and answer is not null""").param("sitting", sitting)
                .param("student", student).query(Taking.SheetAnswer.class).list();
    }

    /** What is on pictures, by their numbers. */
    Map<Integer, String> pictures(Collection<Integer> ids) {
        return ids.isEmpty() ? Map.of() : db.sql("select id, words from skills_picture where id = any(:ids)").param("ids", ids.toArray(Integer[]::new))
                .query((r, n) -> Map.entry(r.getInt(1), r.getString(2))).list().stream().collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** The checks that a student was given and may look at. */
    List<Integer> checksOf(int student) {
        return db.sql("""
                select distinct g.check_id from skills_giving_student x join skills_giving g on g.id = x.giving_id
                 where x.student_id = :student and not g.on_paper""").param("student", student).query(Integer.class).list();
    }
}
