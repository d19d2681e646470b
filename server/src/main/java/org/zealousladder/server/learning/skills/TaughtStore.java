package org.zealousladder.server.learning.skills;

import java.time.LocalDate;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.who.Viewer;

/** What classes and groups are being taught. */
@Repository
class TaughtStore {
    private final JdbcClient db;

    TaughtStore(JdbcClient db) {
        this.db = db;
    }

    private static final String OF = " (class_id = :class::integer or group_id = :group::integer) and skill_id = :skill and ends is null";

    private record TaughtRow(int skillId, LocalDate starts) {}

    /** By skill, since when. */
    Map<Integer, LocalDate> taught(@Nullable Integer inClass, @Nullable Integer inGroup, LocalDate asOf) {
        return db
                .sql("""
                select skill_id, starts from skills_taught where (class_id = :class::integer or group_id = :group::integer) and starts <= :asOf and (ends is null or ends > :asOf)""")
                .param("class", inClass, java.sql.Types.INTEGER).param("group", inGroup, java.sql.Types.INTEGER).param("asOf", asOf).query(TaughtRow.class)
                .list()
                .stream().collect(Collectors.toMap(TaughtRow::skillId, TaughtRow::starts, (x, y) -> x));
    }

    void begin(@Nullable Integer inClass, @Nullable Integer inGroup, int skill, LocalDate today) {
        db.sql("""
                insert into skills_taught (class_id, group_id, skill_id, starts, said_by) values (:class::integer, :group::integer, :skill, :today, :by) on conflict do nothing""")
                .param("class", inClass, java.sql.Types.INTEGER).param("group", inGroup, java.sql.Types.INTEGER).param("skill", skill).param("today", today)
                .param("by", Viewer.current().id()).update();
    }

    /** What began today is as if it had not been. */
    void end(@Nullable Integer inClass, @Nullable Integer inGroup, int skill, LocalDate today) {
        db.sql("delete from skills_taught where starts = :today and" + OF).param("class", inClass, java.sql.Types.INTEGER)
                .param("group", inGroup, java.sql.Types.INTEGER).param("skill", skill).param("today", today).update();
        db.sql("update skills_taught set ends = :today where" + OF).param("class", inClass, java.sql.Types.INTEGER)
                .param("group", inGroup, java.sql.Types.INTEGER).param("skill", skill).param("today", today).update();
    }
}
