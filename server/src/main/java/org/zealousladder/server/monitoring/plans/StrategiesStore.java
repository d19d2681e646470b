package org.zealousladder.server.monitoring.plans;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
class StrategiesStore {
    private final JdbcClient db;

    StrategiesStore(JdbcClient db) {
        this.db = db;
    }

    List<Strategy> strategies(int school, @Nullable String area) {
        return db.sql("""
                select id, school_id, area, name, how, retired from plans_strategy
                 where (school_id is null or school_id = :school) and (:area::text is null or area = :area)
                 order by retired, area, name""").param("school", school).param("area", area).query(Strategy.class).list();
    }

    int insert(int school, String area, String name, @Nullable String how) {
        return db.sql("insert into plans_strategy (school_id, area, name, how) values (:school, :area, :name, :how) returning id")
                .param("school", school).param("area", area).param("name", name).param("how", how).query(Integer.class).single();
    }

    /** @return whether there was such a strategy of the school */
    boolean change(int id, int school, String name, @Nullable String how, boolean retired) {
        return db.sql("update plans_strategy set name = :name, how = :how, retired = :retired where id = :id and (school_id = :school or school_id is null)")
                .param("id", id).param("school", school).param("name", name).param("how", how).param("retired", retired).update() == 1;
    }
}
