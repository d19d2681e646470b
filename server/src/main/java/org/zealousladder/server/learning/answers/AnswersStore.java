package org.zealousladder.server.learning.answers;

import java.sql.Date;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.skills.SkillSettings;
import org.zealousladder.server.learning.answers.AnswersService.DayCount;
import org.zealousladder.server.platform.who.Viewer;

/** Answers as they were known, and what schools mean by having a skill. */
@Repository
class AnswersStore {
    private final JdbcClient db;

    AnswersStore(JdbcClient db) {
        this.db = db;
    }

    List<DayCount> days(Collection<Integer> students, Collection<Integer> frameworks, LocalDate from, LocalDate asOf) {
        return db.sql("""
                select e.student_id, e.skill_id, e.on_day, count(*)::integer, sum(e.share) from skills_evidence(:students, :asOf) e
                  join skills_skill k on k.id = e.skill_id and k.framework_id = any(:frameworks) and not k.ended where e.on_day >= :from group by 1, 2, 3""")
                .param("students", students.toArray(Integer[]::new)).param("frameworks", frameworks.toArray(Integer[]::new)).param("from", Date.valueOf(from))
                .param("asOf", Date.valueOf(asOf))
                .query((r, i) -> new DayCount(r.getInt(1), r.getInt(2), r.getObject(3, LocalDate.class).toEpochDay(), r.getInt(4), r.getDouble(5))).list();
    }

    List<AnswersService.Timed> timed(Collection<Integer> students, Collection<Integer> frameworks, LocalDate from, LocalDate to) {
        return db.sql("""
                select a.student_id as student, k.id as skill, count(*)::integer as n, sum(a.points / a.possible)::double precision as shares,
                       sum(a.seconds)::double precision as seconds
                  from skills_answer a join skills_item_skill s on s.item_id = a.item_id join skills_skill k on k.id = s.skill_id and not k.ended
                 where a.student_id = any(:students) and k.framework_id = any(:frameworks) and a.on_day between :from and :to and a.known_from <= :to
                   and (a.superseded_on is null or a.superseded_on > :to) and a.seconds > 0 and a.points is not null group by 1, 2""")
                .param("students", students.toArray(Integer[]::new)).param("frameworks", frameworks.toArray(Integer[]::new)).param("from", from).param("to", to)
                .query(AnswersService.Timed.class).list();
    }

    List<Answer> answers(Collection<Integer> students, @Nullable Integer skill, @Nullable Integer check, LocalDate asOf) {
        return db.sql("""
                select a.id, a.student_id as student, a.item_id as item, a.check_id as "check", a.on_day as day, a.number, a.points, a.possible, a.answer,
                  a.seconds, a.source, k.shows
                  from skills_answer a left join skills_key k on k.item_id = a.item_id and k.answer = skills_plain(a.answer) and k.share < 1
                 where a.student_id = any(:students) and a.on_day <= :asOf and a.known_from <= :asOf and (a.superseded_on is null or a.superseded_on > :asOf)
                   and (:skill::integer is null or a.item_id in (select item_id from skills_item_skill where skill_id = :skill::integer))
                   and (:check::integer is null or a.check_id = :check::integer)
                 order by a.on_day, a.number, a.id""").param("students", students.toArray(Integer[]::new)).param("skill", skill, java.sql.Types.INTEGER)
                .param("check", check, java.sql.Types.INTEGER).param("asOf", asOf).query(Answer.class).list();
    }

    List<AnswersService.Taken> taken(Collection<Integer> students, LocalDate asOf) {
        return db.sql("""
                select a.check_id as "check", c.name, max(a.on_day) as last, count(distinct a.student_id)::integer as students
                  from skills_answer a join skills_check c on c.id = a.check_id
                 where a.student_id = any(:students) and a.on_day <= :asOf and a.known_from <= :asOf and (a.superseded_on is null or a.superseded_on > :asOf)
                 group by 1, 2""").param("students", students.toArray(Integer[]::new)).param("asOf", asOf).query(AnswersService.Taken.class).list();
    }

    List<Integer> answerers(int item) {
        return db.sql("select distinct student_id from skills_answer where item_id = :item and superseded_by is null").param("item", item)
                .query(Integer.class).list();
    }

    record Usual(int item, double seconds) {}

    List<Usual> usualSeconds(Collection<Integer> items) {
        return db.sql("""
                select item_id as item, percentile_cont(0.5) within group (order by seconds) as seconds from skills_answer
                 where item_id = any(:items) and seconds is not null and superseded_by is null group by 1""").param("items", items.toArray(Integer[]::new))
                .query(Usual.class).list();
    }

    /** What was seen while the students read aloud, on one skill. */
    List<Seen> seen(Collection<Integer> students, @Nullable Integer skill, LocalDate asOf) {
        return db.sql("""
                select r.student_id as student, b.skill_id as skill, r.read_on as day, v.name, s.shown
                  from reading_reading r join reading_seen s on s.reading_id = r.id join skills_behaviour b on b.behaviour_id = s.behaviour_id
                  join reading_behaviour v on v.id = s.behaviour_id
                 where r.student_id = any(:students) and (:skill::integer is null or b.skill_id = :skill::integer) and r.read_on <= :asOf
                   and (r.withdrawn_on is null or r.withdrawn_on > :asOf) order by r.read_on, r.id""").param("students", students.toArray(Integer[]::new))
                .param("skill", skill, java.sql.Types.INTEGER).param("asOf", asOf).query(Seen.class).list();
    }

    record SettingRow(int id, int schoolId, double standard, double sureness, double halfLife, String because, LocalDate knownFrom, @Nullable String by) {
        SkillSettings settings() {
            return new SkillSettings(standard, sureness, halfLife);
        }
    }

    /** The newest of each school. */
    List<SettingRow> settings(LocalDate asOf) {
        return db.sql("""
                select distinct on (s.school_id) s.id, s.school_id, s.standard, s.sureness, s.half_life, s.because, s.known_from, null as by
                  from skills_setting s where s.known_from <= :asOf order by s.school_id, s.id desc""").param("asOf", asOf).query(SettingRow.class).list();
    }

    /** All of a school, the newest first. */
    List<SettingRow> history(int school) {
        return db.sql("""
                select s.id, s.school_id, s.standard, s.sureness, s.half_life, s.because, s.known_from, p.name as by
                  from skills_setting s left join people_person p on p.id = s.recorded_by where s.school_id = :school order by s.id desc""")
                .param("school", school).query(SettingRow.class).list();
    }

    void set(int school, SkillSettings s, String because, LocalDate today) {
        db.sql("""
                insert into skills_setting (school_id, standard, sureness, half_life, because, known_from, recorded_by)
                values (:school, :standard, :sureness, :halfLife, :because, :today, :by)""").param("school", school).param("standard", s.standard())
                .param("sureness", s.sureness()).param("halfLife", s.halfLife()).param("because", because).param("today", today)
                .param("by", Viewer.current().id()).update();
    }
}
