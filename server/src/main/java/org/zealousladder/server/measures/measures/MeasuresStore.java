package org.zealousladder.server.measures.measures;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.server.platform.sql.BoundTo;
import org.zealousladder.server.platform.sql.Known;

@Repository
class MeasuresStore {
    /** A change from before there were thresholds recorded none. */
    private static final String MEASURES = """
            select m.id, m.code, coalesce(w.name || ': ', '') || m.name as name, m.kind, m.area, m.unit, m.lowest, m.highest, m.decimals, m.better, m.sem, m.rule,
                   m.minimum_scores, m.minimum_weeks, coalesce(m.last_points, 4) as last_points, coalesce(m.change_at_most, 0.25) as change_at_most,
                   coalesce(m.raise_at_least, 0.9) as raise_at_least, m.ends, m.part_of, m.adds_up, m.name as own_name""";
    /** Parts after their whole. */
    private static final String PLACED = " m left join measures_measure w on w.id = m.part_of order by coalesce(m.part_of, m.id), m.part_position nulls first";

    private final JdbcClient db;

    MeasuresStore(JdbcClient db) {
        this.db = db;
    }

    List<Measure> measures() {
        return db.sql(MEASURES + " from measures_measure" + PLACED).query(Measure.class).list();
    }

    /** As they were known on a day: what a later change replaced is read from its record. */
    List<Measure> measures(LocalDate asOf) {
        return db.sql(MEASURES + " from (" + Known.version("measures_measure", "measures_change") + ")" + PLACED).param("asOf", asOf).query(Measure.class)
                .list();
    }

    /** @param whole null for a measure by itself */
    int addMeasure(NewMeasure m, String code, String name, @Nullable Integer whole) {
        return db.sql("""
                insert into measures_measure (code, name, kind, area, unit, lowest, highest, decimals, better, sem, adds_up, part_of, part_position)
                values (:code, :name, :kind, :area, :unit, :lowest, :highest, :decimals, :better, :sem, :addsUp, :whole::smallint,
                        case when :whole::smallint is not null then (select coalesce(max(part_position), 0) + 1 from measures_measure where part_of = :whole::smallint) end)
                returning id""").param("code", code).param("name", name)
                .param("kind", m.kind()).param("area", m.area().strip()).param("unit", m.unit().strip()).param("lowest", m.lowest())
                .param("highest", m.highest())
                .param("decimals", m.decimals()).param("better", m.better()).param("sem", m.sem(), java.sql.Types.DOUBLE).param("addsUp", m.isSum())
                .param("whole", whole, java.sql.Types.INTEGER).query(Integer.class).single();
    }

    void changeRule(int id, RuleSettings s) {
        db.sql("""
                update measures_measure set rule = :rule, last_points = :points, change_at_most = :change, raise_at_least = :raise,
                       minimum_scores = :scores, minimum_weeks = :weeks where id = :id""").param("id", id).param("rule", s.rule().code())
                .param("points", s.lastPoints()).param("change", s.changeAtMost()).param("raise", s.raiseAtLeast())
                .param("scores", s.minimumScores()).param("weeks", Math.round(s.minimumWeeks())).update();
    }

    /** Whether anything is on record of a measure's parts. */
    boolean partsScored(int whole) {
        return db.sql("select exists (select from scores_score s join measures_measure p on p.id = s.measure_id where p.part_of = :whole)")
                .param("whole", whole)
                .query(Boolean.class).single();
    }

    void addUp(int whole, boolean addsUp) {
        db.sql("update measures_measure set adds_up = :adds where id = :id").param("id", whole).param("adds", addsUp).update();
    }

    void end(int id, @Nullable LocalDate last) {
        db.sql("update measures_measure set ends = :ends where id = :id").param("id", id).param("ends", last, java.sql.Types.DATE).update();
    }

    void changeMeasure(MeasureForm form) {
        db.sql("""
                update measures_measure set name = :name, area = :area, unit = :unit, lowest = :lowest, highest = :highest, decimals = :decimals, sem = :sem
                 where id = :id""").paramSource(new BoundTo(form)).update();
    }
}
