package org.zealousladder.server.overview.students;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.who.Viewer;

/** Lanes as each person has chosen them. */
@Repository
class LanesStore {
    private final JdbcClient db;

    LanesStore(JdbcClient db) {
        this.db = db;
    }

    LaneChoice own() {
        return db.sql("select sequence, hidden from students_lanes where person_id = :person").param("person", Viewer.current().id())
                .query((r, n) -> new LaneChoice(List.of((String[]) r.getArray(1).getArray()), List.of((String[]) r.getArray(2).getArray()))).optional()
                .orElse(LaneChoice.AS_THEY_ARE);
    }

    @Transactional
    void keep(LaneChoice choice) {
        db.sql("""
                insert into students_lanes (person_id, sequence, hidden) values (:person, :order, :hidden)
                on conflict (person_id) do update set sequence = excluded.sequence, hidden = excluded.hidden""").param("person", Viewer.current().id())
                .param("order", choice.order().toArray(String[]::new)).param("hidden", choice.hidden().toArray(String[]::new)).update();
    }
}
