package org.zealousladder.server.engagement.tuning;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Up to how many minutes between two actions count as time. */
@Repository
class GapStore {
    private final JdbcClient db;

    GapStore(JdbcClient db) {
        this.db = db;
    }

    /** @param because null for what came with the program; @param by null likewise */
    record PastGap(double minutes, @Nullable String because, LocalDate on, @Nullable String by) {}

    /** The newest first. */
    List<PastGap> all(String zone) {
        return db.sql("""
                select g.minutes, g.because, (g.made_at at time zone :zone)::date as on, p.name as by
                  from engagement_gap g left join people_person p on p.id = g.made_by order by g.made_at desc, g.id desc""").param("zone", zone)
                .query(PastGap.class).list();
    }

    void set(double minutes, String because) {
        db.sql("select engagement_gap_set(:minutes::real, :because)").param("minutes", minutes).param("because", because).query().listOfRows();
    }
}
