package org.zealousladder.server.screening.tiers;

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
import org.zealousladder.core.tiers.TierRule;
import org.zealousladder.server.platform.sql.BoundTo;
import org.zealousladder.server.platform.sql.Known;

@Repository
class TiersStore {
    private static final String KNOWN = Known.asOf("t");

    private final JdbcClient db;

    TiersStore(JdbcClient db) {
        this.db = db;
    }

    record DecidedRow(long id, int studentId, int windowId, TierOutcome outcome, @Nullable Integer tier, @Nullable Integer proposed, String because,
            @Nullable String reason, @Nullable String by, LocalDate onDay) {}

    List<DecidedRow> decided(Collection<Integer> students, String area, Collection<Integer> windows, LocalDate asOf) {
        return db.sql("""
                select t.id, t.student_id, t.window_id, t.outcome, t.tier, t.proposed, t.because, t.reason, p.name as "by", t.known_from as on_day
                  from tiers_tier t left join people_person p on p.id = t.recorded_by
                 where t.outcome <> 'withdrawn' and t.area = :area and t.window_id = any(:windows) and t.student_id = any(:students) and""" + KNOWN)
                .param("area", area).param("windows", windows.toArray(Integer[]::new)).param("students", students.toArray(Integer[]::new))
                .param("asOf", asOf).query(DecidedRow.class).list();
    }

    /** What was decided for a student in all areas and windows, the newest first. */
    List<TiersOnRecord.TierOnRecord> ofStudent(int student, LocalDate asOf) {
        return db.sql("""
                select t.area, w.name as "window", y.name as year, t.outcome, t.tier, t.reason, p.name as "by", t.known_from as on_day
                  from tiers_tier t join measures_window w on w.id = t.window_id join roster_year y on y.id = w.year_id
                  left join people_person p on p.id = t.recorded_by
                 where t.student_id = :student and t.outcome <> 'withdrawn' and""" + KNOWN + " order by w.starts desc, t.area").param("student", student)
                .param("asOf", asOf)
                .query(TiersOnRecord.TierOnRecord.class).list();
    }

    private record NewestRow(int studentId, String area, String window, String year, TierOutcome outcome, @Nullable Integer tier, @Nullable String reason,
            @Nullable String by, LocalDate onDay) {}

    Map<Integer, TiersOnRecord.TierOnRecord> newest(Collection<Integer> students, String area, LocalDate asOf) {
        return db.sql("""
                select distinct on (t.student_id) t.student_id, t.area, w.name as "window", y.name as year, t.outcome, t.tier, t.reason, p.name as "by",
                       t.known_from as on_day
                  from tiers_tier t join measures_window w on w.id = t.window_id join roster_year y on y.id = w.year_id
                  left join people_person p on p.id = t.recorded_by
                 where t.student_id = any(:students) and t.area = :area and t.tier is not null and""" + KNOWN + " order by t.student_id, w.starts desc")
                .param("students", students.toArray(Integer[]::new)).param("area", area).param("asOf", asOf).query(NewestRow.class).stream()
                .collect(Collectors.toMap(NewestRow::studentId, r -> new TiersOnRecord.TierOnRecord(r.area(), r.window(), r.year(), r.outcome(),
                        r.tier(), r.reason(), r.by(), r.onDay())));
    }

    record RetestRow(int studentId, int windowId, String area, LocalDate onDay, OffsetDateTime recordedAt) {}

    /** Retests that were asked for and not replaced by another decision. */
    List<RetestRow> retests(Collection<Integer> students, Collection<Integer> windows, LocalDate asOf) {
        return db.sql("""
                select t.student_id, t.window_id, t.area, t.known_from as on_day, t.recorded_at from tiers_tier t
                 where t.outcome = 'retest' and t.student_id = any(:students) and t.window_id = any(:windows) and""" + KNOWN)
                .param("students", students.toArray(Integer[]::new)).param("windows", windows.toArray(Integer[]::new)).param("asOf", asOf)
                .query(RetestRow.class).list();
    }

    record OpinionRow(long id, int studentId, int tier, @Nullable String note, @Nullable String by, LocalDate onDay) {}

    List<OpinionRow> opinions(Collection<Integer> students, String area, int window, LocalDate asOf) {
        return db.sql("""
                select t.id, t.student_id, t.tier, t.note, p.name as "by", t.known_from as on_day
                  from tiers_opinion t left join people_person p on p.id = t.recorded_by
                 where t.area = :area and t.window_id = :window and t.student_id = any(:students) and""" + KNOWN)
                .param("area", area).param("window", window).param("students", students.toArray(Integer[]::new)).param("asOf", asOf)
                .query(OpinionRow.class).list();
    }

    /** @param seen the current record's id as the deciding person saw it, or null */
    record NewTier(int studentId, TierOutcome outcome, @Nullable Integer tier, @Nullable Integer proposed, @Nullable Double certainty, String because,
            @Nullable String reason, @Nullable Long seen) {}

    /** Writes all at once. Returns how many were written; fewer than asked for when somebody else decided meanwhile. */
    int decide(List<NewTier> tiers, int window, String area, LocalDate today, int by) {
        return db.sql("""
                with wanted as (
                  select nextval(pg_get_serial_sequence('tiers_tier', 'id')) as id, w.*
                    from unnest(:students, :outcomes, :tiers, :proposed, :certainties, :becauses, :reasons, :seen)
                         as w(student_id, outcome, tier, proposed, certainty, because, reason, seen)),
                replaced as (
                  update tiers_tier t set superseded_by = w.id, superseded_on = greatest(:today, t.known_from)
                    from wanted w
                   where t.student_id = w.student_id and t.window_id = :window and t.area = :area and t.superseded_by is null
                     and (t.id = w.seen or w.seen is null and t.outcome = 'withdrawn')
                  returning t.id)
                insert into tiers_tier (id, student_id, window_id, area, outcome, tier, proposed, certainty, because, reason, known_from, recorded_by)
                select w.id, w.student_id, :window, :area, w.outcome, w.tier, w.proposed, w.certainty, w.because, w.reason, :today, :by
                  from wanted w left join replaced r on r.id = w.seen
                 where w.seen is null or r.id is not null""")
                .param("students", tiers.stream().map(NewTier::studentId).toArray(Integer[]::new))
                .param("outcomes", tiers.stream().map(t -> t.outcome().code()).toArray(String[]::new))
                .param("tiers", tiers.stream().map(t -> shortOf(t.tier())).toArray(Short[]::new))
                .param("proposed", tiers.stream().map(t -> shortOf(t.proposed())).toArray(Short[]::new))
                .param("certainties", tiers.stream().map(NewTier::certainty).toArray(Double[]::new))
                .param("becauses", tiers.stream().map(NewTier::because).toArray(String[]::new))
                .param("reasons", tiers.stream().map(NewTier::reason).toArray(String[]::new))
                .param("seen", tiers.stream().map(NewTier::seen).toArray(Long[]::new))
                .param("window", window).param("area", area).param("today", today).param("by", by).update();
    }

    private static @Nullable Short shortOf(@Nullable Integer n) {
        return n == null ? null : n.shortValue();
    }

    /** @return false when somebody else wrote meanwhile */
    boolean opine(DecidingService.OpinionForm form, @Nullable String note, LocalDate today, int by) {
        long id = db.sql("select nextval(pg_get_serial_sequence('tiers_opinion', 'id'))").query(Long.class).single();
        if (form.seen() != null && db.sql("""
                update tiers_opinion set superseded_by = :id, superseded_on = greatest(:today, known_from)
                 where id = :seen and superseded_by is null""").param("id", id).param("today", today).param("seen", form.seen()).update() == 0) {
            return false;
        }
        return db.sql("""
                insert into tiers_opinion (id, student_id, window_id, area, tier, note, known_from, recorded_by)
                values (:id, :studentId, :window, :area, :tier, :note, :today, :by)""")
                .paramSource(new BoundTo(form).and("id", id).and("note", note).and("today", today).and("by", by)).update() == 1;
    }

    record RuleRow(int id, TierRule rule) {}

    Optional<RuleRow> rule(int school, String area, LocalDate asOf) {
        return db.sql("select t.id, t.rule from tiers_rule t where t.school_id = :school and t.area = :area and" + KNOWN + "order by t.id desc limit 1")
                .param("school", school).param("area", area).param("asOf", asOf).query(RuleRow.class).optional();
    }

    List<TiersView.Weighed> ruleMeasures(int rule) {
        return db.sql("select measure_id, weight from tiers_rule_measure where rule_id = :rule order by measure_id").param("rule", rule)
                .query(TiersView.Weighed.class).list();
    }

    void chooseRule(int school, String area, TierRule rule, List<TiersView.Weighed> measures, LocalDate today, int by) {
        db.sql("""
                update tiers_rule set superseded_on = greatest(:today, known_from)
                 where school_id = :school and area = :area and superseded_on is null""").param("today", today).param("school", school).param("area", area)
                .update();
        int id = db.sql("insert into tiers_rule (school_id, area, rule, known_from, recorded_by) values (:school, :area, :rule, :today, :by) returning id")
                .param("school", school).param("area", area).param("rule", rule.code()).param("today", today).param("by", by).query(Integer.class).single();
        db.sql("insert into tiers_rule_measure (rule_id, measure_id, weight) select :id, * from unnest(:measures, :weights)").param("id", id)
                .param("measures", measures.stream().map(m -> (short) m.measureId()).toArray(Short[]::new))
                .param("weights", measures.stream().map(TiersView.Weighed::weight).toArray(Double[]::new)).update();
    }
}
