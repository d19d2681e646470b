package org.zealousladder.server.measures;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class MeasuresStore {
    private final JdbcClient db;

    MeasuresStore(JdbcClient db) {
        this.db = db;
    }

    List<Measure> measures() {
        return db.sql("""
                select id, code, name, kind, area, unit, lowest, highest, decimals, better, sem, rule, minimum_scores, minimum_weeks
                  from measures_measure order by id""").query(Measure.class).list();
    }

    /** The windows that had begun by {@code asOf}, the newest first. */
    List<Window> begun(LocalDate asOf, int limit) {
        return db.sql("select id, year_id, name, starts, ends from measures_window where starts <= :asOf order by starts desc limit :limit")
                .param("asOf", asOf).param("limit", limit).query(Window.class).list();
    }

    record BandRow(int measureId, int windowId, int grade, int position, String name, int tier, @Nullable Double fromScore) {}

    List<BandRow> bands(List<Integer> windowIds, LocalDate asOf) {
        return db.sql("""
                select l.measure_id, l.window_id, l.grade, b.position, b.name, b.tier, b.from_score
                  from measures_ladder l join measures_band b on b.ladder_id = l.id
                 where l.window_id = any(:windows)
                   and l.known_from <= :asOf and (l.superseded_on is null or l.superseded_on > :asOf)
                 order by l.measure_id, l.window_id, l.grade, b.position""")
                .param("windows", windowIds.toArray(Integer[]::new)).param("asOf", asOf).query(BandRow.class).list();
    }
}
