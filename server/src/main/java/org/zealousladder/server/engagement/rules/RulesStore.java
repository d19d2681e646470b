package org.zealousladder.server.engagement.rules;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.RuleSetting;
import org.zealousladder.server.platform.who.Viewer;

/** How rules were set, place by place. */
@Repository
class RulesStore {
    private final JdbcClient db;

    RulesStore(JdbcClient db) {
        this.db = db;
    }

    /** What counts on a day, one row a place and rule. */
    List<RuleRow> counting(LocalDate asOf) {
        return db.sql("""
                select distinct on (r.school_id, r.grade, r.class_id, r.rule) r.*, p.name as by_name
                  from engagement_rule r left join people_person p on p.id = r.made_by
                 where r.known_from <= :asOf order by r.school_id, r.grade, r.class_id, r.rule, r.id desc""").param("asOf", asOf).query(RulesStore::row).list();
    }

    /** Everything that was set in a place, the newest first. */
    List<RuleRow> of(Place place) {
        return db
                .sql("""
                select r.*, p.name as by_name from engagement_rule r left join people_person p on p.id = r.made_by
                 where r.school_id is not distinct from :school and r.grade is not distinct from :grade and r.class_id is not distinct from :class order by r.id desc""")
                .param("school", place.schoolId()).param("grade", place.grade()).param("class", place.classId()).query(RulesStore::row).list();
    }

    private static RuleRow row(ResultSet row, int n) throws SQLException {
        RuleSetting setting = row.getBoolean("set_here")
                ? new RuleSetting(row.getBoolean("asked"), row.getDouble("threshold"), row.getDouble("share"), row.getInt("weeks"),
                        row.getBoolean("lowest_quarter"))
                : null;
        return new RuleRow(
                new Place(row.getObject("school_id", Integer.class), row.getObject("grade", Integer.class), row.getObject("class_id", Integer.class)),
                Coded.of(EngagementRule.class, row.getString("rule"), "a rule"), setting, row.getString("because"),
                row.getObject("known_from", LocalDate.class),
                row.getString("by_name"));
    }

    void add(Place place, EngagementRule rule, @Nullable RuleSetting s, String because, LocalDate today) {
        db.sql("""
                insert into engagement_rule (school_id, grade, class_id, rule, set_here, asked, threshold, share, weeks, lowest_quarter, because, known_from, made_by)
                values (:school, :grade, :class, :rule, :here, :asked, :threshold, :share, :weeks, :quarter, :because, :today, :by)""")
                .param("school", place.schoolId()).param("grade", place.grade()).param("class", place.classId()).param("rule", rule.code())
                .param("here", s != null)
                .param("asked", s == null ? null : s.on()).param("threshold", s == null ? null : s.threshold()).param("share", s == null ? null : s.share())
                .param("weeks", s == null ? null : s.weeks()).param("quarter", s == null ? null : s.lowestQuarter()).param("because", because)
                .param("today", today)
                .param("by", Viewer.current().id()).update();
    }
}
