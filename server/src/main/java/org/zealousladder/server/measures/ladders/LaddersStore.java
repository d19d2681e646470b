package org.zealousladder.server.measures.ladders;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.sql.Known;

@Repository
class LaddersStore {
    private final JdbcClient db;

    LaddersStore(JdbcClient db) {
        this.db = db;
    }

    List<CutSet> sets() {
        return db.sql("select id, code, name, kind, school_id, note from measures_cut_set order by id").query(CutSet.class).list();
    }

    int defaultSet(@Nullable Integer school, LocalDate asOf) {
        return db.sql("select d.set_id from measures_default_set d where (d.school_id = :school or d.school_id is null) and" + Known.asOf("d")
                + "order by d.school_id nulls last, d.id desc limit 1").param("school", school, java.sql.Types.INTEGER).param("asOf", asOf).query(Integer.class)
                .single();
    }

    void chooseDefault(@Nullable Integer school, int set, LocalDate today, int by) {
        db.sql("""
                update measures_default_set set superseded_on = greatest(:today, known_from)
                 where school_id is not distinct from :school and superseded_on is null""").param("school", school, java.sql.Types.INTEGER)
                .param("today", today).update();
        db.sql("insert into measures_default_set (school_id, set_id, known_from, recorded_by) values (:school, :set, :today, :by)")
                .param("school", school, java.sql.Types.INTEGER).param("set", set).param("today", today).param("by", by).update();
    }

    record BandRow(int measureId, int windowId, int grade, int position, String name, int tier, @Nullable Double fromScore) {}

    List<BandRow> bands(List<Integer> windowIds, LocalDate asOf, int setId) {
        return db.sql("""
                select l.measure_id, l.window_id, l.grade, b.position, b.name, b.tier, b.from_score
                  from measures_ladder l join measures_band b on b.ladder_id = l.id
                 where l.window_id = any(:windows) and l.set_id = :set and""" + Known.asOf("l") + """
                 order by l.measure_id, l.window_id, l.grade, b.position""")
                .param("windows", windowIds.toArray(Integer[]::new)).param("set", setId).param("asOf", asOf).query(BandRow.class).list();
    }

    record LadderBand(int id, int setId, int measureId, int grade, int windowId, LocalDate knownFrom, @Nullable String recordedBy, @Nullable String reason,
            String name, int tier, @Nullable Double fromScore) {}

    List<LadderBand> drawn(List<Integer> sets, int measureId, List<Integer> windows, LocalDate asOf) {
        return db.sql("""
                select l.id, l.set_id, l.measure_id, l.grade, l.window_id, l.known_from, p.name as recorded_by, l.reason, b.name, b.tier, b.from_score
                  from measures_ladder l join measures_band b on b.ladder_id = l.id left join people_person p on p.id = l.recorded_by
                 where l.set_id = any(:sets) and l.measure_id = :measure and l.window_id = any(:windows) and""" + Known.asOf("l") + """
                 order by l.set_id, l.grade, l.window_id, b.position""")
                .param("sets", sets.stream().map(Integer::shortValue).toArray(Short[]::new)).param("measure", measureId)
                .param("windows", windows.toArray(Integer[]::new)).param("asOf", asOf)
                .query(LadderBand.class).list();
    }

    Optional<Integer> currentLadder(LadderEditor.Place place) {
        return db.sql("""
                select id from measures_ladder
                 where set_id = :set and measure_id = :measure and grade = :grade and window_id = :window and superseded_on is null""")
                .param("set", place.set().id()).param("measure", place.measure().id()).param("grade", place.grade()).param("window", place.window().id())
                .query(Integer.class).optional();
    }

    /** @return whether it was still the current one */
    boolean supersedeLadder(int id, LocalDate today) {
        return db.sql("update measures_ladder set superseded_on = greatest(:today, known_from) where id = :id and superseded_on is null")
                .param("today", today).param("id", id).update() == 1;
    }

    /** @param from the day from which the ladder is known: today, or for the first one in its place the window's first day if that is past */
    record Version(LocalDate from, int by, @Nullable String reason) {}

    void insertLadder(LadderEditor.Place place, List<DrawnLadder.DrawnBand> bands, Version version) {
        int id = db.sql("""
                insert into measures_ladder (set_id, measure_id, grade, window_id, known_from, recorded_by, reason)
                values (:set, :measure, :grade, :window, :from, :by, :reason) returning id""")
                .param("set", place.set().id()).param("measure", place.measure().id()).param("grade", place.grade()).param("window", place.window().id())
                .param("from", version.from()).param("by", version.by()).param("reason", version.reason(), java.sql.Types.VARCHAR).query(Integer.class)
                .single();
        db.sql("""
                insert into measures_band (ladder_id, position, name, tier, from_score)
                select :id, ordinality - 1, name, tier, from_score
                  from unnest(:names, :tiers, :cuts) with ordinality as b(name, tier, from_score, ordinality)""")
                .param("id", id).param("names", bands.stream().map(DrawnLadder.DrawnBand::name).toArray(String[]::new))
                .param("tiers", bands.stream().map(b -> (short) b.tier()).toArray(Short[]::new))
                .param("cuts", bands.stream().map(DrawnLadder.DrawnBand::fromScore).toArray(Double[]::new)).update();
    }

    int insertSet(String code, String name, SetKind kind, @Nullable Integer school, @Nullable String note) {
        return db.sql("insert into measures_cut_set (code, name, kind, school_id, note) values (:code, :name, :kind, :school, :note) returning id")
                .param("code", code).param("name", name).param("kind", kind.code()).param("school", school, java.sql.Types.INTEGER)
                .param("note", note, java.sql.Types.VARCHAR).query(Integer.class).single();
    }

    /** Copies every ladder that counts today from one set to another. */
    void copyLadders(int from, int to, LocalDate today, int by) {
        db.sql("""
                insert into measures_ladder (set_id, measure_id, grade, window_id, known_from, recorded_by, reason)
                select :to, measure_id, grade, window_id, least(known_from, :today), :by, 'copied'
                  from measures_ladder where set_id = :from and superseded_on is null""").param("from", from).param("to", to).param("today", today)
                .param("by", by).update();
        db.sql("""
                insert into measures_band (ladder_id, position, name, tier, from_score)
                select c.id, b.position, b.name, b.tier, b.from_score
                  from measures_ladder c join measures_ladder l on (l.measure_id, l.grade, l.window_id) = (c.measure_id, c.grade, c.window_id)
                       and l.set_id = :from and l.superseded_on is null
                  join measures_band b on b.ladder_id = l.id
                 where c.set_id = :to and c.superseded_on is null""").param("from", from).param("to", to).update();
    }

    long laddersOf(int window) {
        return db.sql("select count(*) from measures_ladder where window_id = :window").param("window", window).query(Long.class).single();
    }

    record Cut(double fromScore, String name, int grade, String window) {}

    /** A cut score in use that a range would leave outside. */
    Optional<Cut> cutOutside(int measure, double lowest, double highest) {
        return db.sql("""
                select b.from_score, b.name, l.grade, w.name || ' ' || y.name as "window"
                  from measures_ladder l join measures_band b on b.ladder_id = l.id join measures_window w on w.id = l.window_id
                  join roster_year y on y.id = w.year_id
                 where l.measure_id = :measure and l.superseded_on is null and b.from_score not between :lowest and :highest
                 order by w.starts desc, l.grade, b.position limit 1""")
                .param("measure", measure).param("lowest", lowest).param("highest", highest).query(Cut.class).optional();
    }
}
