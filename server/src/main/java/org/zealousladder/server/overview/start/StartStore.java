package org.zealousladder.server.overview.start;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class StartStore {
    private final JdbcClient db;

    StartStore(JdbcClient db) {
        this.db = db;
    }

    /** @param year null: none there yet */
    StartView.Counts counts(@Nullable Integer year) {
        return db.sql("""
                with here as (select id from roster_class where year_id = :year),
                teachers as (select distinct t.person_id from people_teaches t join here h on h.id = t.class_id where t.ends is null or t.ends >= scope_today())
                select (select count(*) from here)::integer as classes,
                       (select count(distinct e.student_id) from roster_enrolment e join here h on h.id = e.class_id)::integer as students,
                       (select count(*) from teachers)::integer as teachers,
                       (select count(*) from measures_measure where part_of is null)::integer as measures,
                       (select count(*) from measures_window where year_id = :year)::integer as windows,
                       (select count(distinct l.measure_id) from measures_ladder l join measures_window w on w.id = l.window_id
                         where w.year_id = :year and l.superseded_on is null)::integer as cuts,
                       (select count(*) from (select from scores_score limit 1000) s)::integer as scores""").param("year", year, java.sql.Types.INTEGER)
                .query(StartView.Counts.class).single();
    }

    List<String> withoutCuts(@Nullable Integer year) {
        return db.sql("""
                select m.name from measures_measure m
                 where not exists (select from measures_ladder l join measures_window w on w.id = l.window_id
                                    where l.measure_id = m.id and w.year_id = :year and l.superseded_on is null)
                 order by m.id""").param("year", year, java.sql.Types.INTEGER).query(String.class).list();
    }
}
