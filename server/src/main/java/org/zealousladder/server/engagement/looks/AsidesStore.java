package org.zealousladder.server.engagement.looks;

import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.server.platform.who.Viewer;

/** What was set aside and who is watched. */
@Repository
class AsidesStore {
    private final JdbcClient db;

    AsidesStore(JdbcClient db) {
        this.db = db;
    }

    /** The newest of each kind for each student that counts on a day. */
    List<Aside> counting(Collection<Integer> students, LocalDate asOf) {
        return db.sql("""
                select distinct on (a.student_id, a.what) a.*, p.name as by_name from engagement_aside a left join people_person p on p.id = a.recorded_by
                 where a.student_id = any(:students) and a.known_from <= :asOf and (a.withdrawn_on is null or a.withdrawn_on > :asOf)
                 order by a.student_id, a.what, a.id desc""")
                .param("students", students.toArray(Integer[]::new)).param("asOf", asOf).query(AsidesStore::row).list();
    }

    private static Aside row(ResultSet row, int n) throws SQLException {
        Array rules = row.getArray("rules");
        return new Aside(row.getLong("id"), row.getInt("student_id"), Coded.of(Aside.What.class, row.getString("what"), "a way"),
                Arrays.stream((String[]) rules.getArray()).map(r -> Coded.of(EngagementRule.class, r, "a rule")).toList(),
                row.getObject("until", LocalDate.class),
                row.getString("reason"), row.getObject("known_from", LocalDate.class), row.getString("by_name"));
    }

    void add(int student, Aside.What what, List<EngagementRule> rules, LocalDate until, @Nullable String reason, LocalDate today) {
        db.sql("""
                insert into engagement_aside (student_id, what, rules, until, reason, known_from, recorded_by)
                values (:student, :what, :rules, :until, :reason, :today, :by)""")
                .param("student", student).param("what", what.code()).param("rules", rules.stream().map(EngagementRule::code).toArray(String[]::new))
                .param("until", until)
                .param("reason", reason).param("today", today).param("by", Viewer.current().id()).update();
    }

    /** @return whether there was one */
    boolean withdraw(long id, LocalDate today) {
        return db.sql("update engagement_aside set withdrawn_on = :today, withdrawn_by = :by where id = :id and withdrawn_on is null").param("id", id)
                .param("today", today)
                .param("by", Viewer.current().id()).update() == 1;
    }
}
