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
            select id, code, name, kind, area, unit, lowest, highest, decimals, better, sem, rule, minimum_scores, minimum_weeks,
                   coalesce(last_points, 4) as last_points, coalesce(change_at_most, 0.25) as change_at_most,
                   coalesce(raise_at_least, 0.9) as raise_at_least, ends""";

    private final JdbcClient db;

    MeasuresStore(JdbcClient db) {
        this.db = db;
    }

    List<Measure> measures() {
        return db.sql(MEASURES + " from measures_measure order by id").query(Measure.class).list();
    }

    /** As they were known on a day: what a later change replaced is read from its record. */
    List<Measure> measures(LocalDate asOf) {
        return db.sql(MEASURES + " from (" + Known.version("measures_measure", "measures_change") + ") m order by id").param("asOf", asOf).query(Measure.class)
                .list();
    }

    int addMeasure(NewMeasure m, String code, String name) {
        return db.sql("""
                insert into measures_measure (code, name, kind, area, unit, lowest, highest, decimals, better, sem)
                values (:code, :name, :kind, :area, :unit, :lowest, :highest, :decimals, :better, :sem) returning id""").param("code", code).param("name", name)
                .param("kind", m.kind()).param("area", m.area().strip()).param("unit", m.unit().strip()).param("lowest", m.lowest())
                .param("highest", m.highest())
                .param("decimals", m.decimals()).param("better", m.better()).param("sem", m.sem(), java.sql.Types.DOUBLE).query(Integer.class).single();
    }

    void changeRule(int id, RuleSettings s) {
        db.sql("""
                update measures_measure set rule = :rule, last_points = :points, change_at_most = :change, raise_at_least = :raise,
                       minimum_scores = :scores, minimum_weeks = :weeks where id = :id""").param("id", id).param("rule", s.rule().code())
                .param("points", s.lastPoints()).param("change", s.changeAtMost()).param("raise", s.raiseAtLeast())
                .param("scores", s.minimumScores()).param("weeks", Math.round(s.minimumWeeks())).update();
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
