package org.zealousladder.server.screening.norms;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.sql.Known;

@Repository
class NormsStore {
    private final JdbcClient db;

    NormsStore(JdbcClient db) {
        this.db = db;
    }

    List<NormsView.NormSet> sets(int school) {
        return db.sql("select id, name, kind from norms_set where school_id is null or school_id = :school order by kind, name").param("school", school)
                .query(NormsView.NormSet.class).list();
    }

    record PointRow(int tableId, int grade, String about, @Nullable String season, @Nullable Integer restsOn, LocalDate knownFrom, int percentile,
            double value) {}

    List<PointRow> points(int set, int measure, LocalDate asOf) {
        return db.sql("""
                select t.id as table_id, t.grade, t.about, t.season, t.rests_on, t.known_from, p.percentile, p.value
                  from norms_table t join norms_point p on p.table_id = t.id
                 where t.set_id = :set and t.measure_id = :measure and""" + Known.asOf("t") + """
                 order by t.about desc, t.grade, t.id, p.percentile""")
                .param("set", set).param("measure", measure).param("asOf", asOf).query(PointRow.class).list();
    }

    record GrowthRow(String name, int grade, int percentile, double value) {}

    List<GrowthRow> growth(int school, int measure, Collection<Integer> grades, LocalDate asOf) {
        return db.sql("""
                with used as (
                  select distinct on (t.grade) t.id, t.grade, s.name from norms_table t join norms_set s on s.id = t.set_id
                   where t.measure_id = :measure and t.grade = any(:grades) and t.about = 'growth' and (s.school_id is null or s.school_id = :school)
                     and""" + Known.asOf("t") + """
                   order by t.grade, s.kind = 'local', t.id desc)
                select u.name, u.grade, p.percentile, p.value from used u join norms_point p on p.table_id = u.id order by u.grade, p.percentile""")
                .param("school", school).param("measure", measure).param("grades", grades.toArray(Integer[]::new)).param("asOf", asOf)
                .query(GrowthRow.class).list();
    }

    int localSet(int school) {
        return db.sql("""
                insert into norms_set (code, name, kind, school_id)
                select 'local-' || s.code, 'Local norms of ' || s.name, 'local', s.id from roster_school s where s.id = :school
                on conflict (code) do update set name = excluded.name returning id""").param("school", school).query(Integer.class).single();
    }

    /** Replaces the tables of a set that are computed anew; those before stay for as-of views. */
    void replace(int set, List<NormsService.Computed> tables, LocalDate today, int by) {
        Short[] measures = tables.stream().map(t -> (short) t.measureId()).toArray(Short[]::new);
        Short[] grades = tables.stream().map(t -> (short) t.grade()).toArray(Short[]::new);
        String[] abouts = tables.stream().map(t -> t.season() == null ? "growth" : "score").toArray(String[]::new);
        String[] seasons = tables.stream().map(NormsService.Computed::season).toArray(String[]::new);
        db.sql("""
                update norms_table t set superseded_on = greatest(:today, t.known_from)
                  from unnest(:measures, :grades, :abouts, :seasons) as n(measure_id, grade, about, season)
                 where t.set_id = :set and (t.measure_id, t.grade, t.about) = (n.measure_id, n.grade, n.about)
                   and t.season is not distinct from n.season and t.superseded_on is null""")
                .param("set", set).param("today", today).param("measures", measures).param("grades", grades).param("abouts", abouts).param("seasons", seasons)
                .update();
        db.sql("""
                insert into norms_table (set_id, measure_id, grade, about, season, rests_on, known_from, recorded_by)
                select :set, measure_id, grade, about, season, rests_on, :today, :by
                  from unnest(:measures, :grades, :abouts, :seasons, :counts) as n(measure_id, grade, about, season, rests_on)""")
                .param("set", set).param("today", today).param("by", by).param("measures", measures).param("grades", grades).param("abouts", abouts)
                .param("seasons", seasons).param("counts", tables.stream().map(NormsService.Computed::restsOn).toArray(Integer[]::new)).update();
        record Flat(int table, int percentile, double value) {}
        List<Flat> flat = new java.util.ArrayList<>();
        for (int i = 0; i < tables.size(); i++) {
            for (var p : tables.get(i).points()) {
                flat.add(new Flat(i, p.percentile(), p.value()));
            }
        }
        db.sql("""
                insert into norms_point (table_id, percentile, value)
                select t.id, p.percentile, p.value
                  from unnest(:places, :percentiles, :values) as p(place, percentile, value)
                  join unnest(:measures, :grades, :abouts, :seasons) with ordinality as n(measure_id, grade, about, season, place) on n.place = p.place + 1
                  join norms_table t on t.set_id = :set and (t.measure_id, t.grade, t.about) = (n.measure_id, n.grade, n.about)
                       and t.season is not distinct from n.season and t.superseded_on is null""")
                .param("set", set).param("measures", measures).param("grades", grades).param("abouts", abouts).param("seasons", seasons)
                .param("places", flat.stream().map(Flat::table).toArray(Integer[]::new))
                .param("percentiles", flat.stream().map(f -> (short) f.percentile()).toArray(Short[]::new))
                .param("values", flat.stream().map(Flat::value).toArray(Double[]::new)).update();
    }
}
