package org.zealousladder.server.school.facts;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.sql.BoundTo;

@Repository
class GroupingsStore {
    private final JdbcClient db;

    GroupingsStore(JdbcClient db) {
        this.db = db;
    }

    List<Grouping> all() {
        return db.sql("""
                select g.id, g.code, g.name, g.school_id, g.sensitive, g.ended, coalesce(n.students, 0)::integer as students
                  from roster_grouping g
                  left join (select grouping_id, count(distinct student_id) as students from roster_grouped
                              where superseded_on is null and (starts is null or starts <= scope_today()) and (ends is null or ends >= scope_today())
                              group by grouping_id) n on n.grouping_id = g.id
                 order by g.ended, g.id""").query(Grouping.class).list();
    }

    record NewGrouping(String code, String name, @Nullable Integer school, boolean sensitive) {}

    int add(NewGrouping grouping) {
        return db.sql("insert into roster_grouping (code, name, school_id, sensitive) values (:code, :name, :school, :sensitive) returning id")
                .paramSource(new BoundTo(grouping)).query(Integer.class).single();
    }

    void change(int id, String name, boolean sensitive, boolean ended) {
        db.sql("update roster_grouping set name = :name, sensitive = :sensitive, ended = :ended where id = :id").param("id", id).param("name", name)
                .param("sensitive", sensitive).param("ended", ended).update();
    }
}
