package org.zealousladder.server.learning.skills;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.who.Viewer;

/** What profiles rest on, and what is advised. */
@Repository
class ProfilesStore {
    private final JdbcClient db;

    ProfilesStore(JdbcClient db) {
        this.db = db;
    }

    /** Of a grade, by domain. */
    record OfGrade(String domain, int students, double mean, double sd) {}

    List<OfGrade> grade(int school, int year, int grade, int framework, LocalDate from, LocalDate asOf) {
        return db.sql("select domain, students, mean, sd from skills_of_grade(:school, :year, :grade, :framework, :from, :asOf)").param("school", school)
                .param("year", year).param("grade", grade).param("framework", framework).param("from", from).param("asOf", asOf).query(OfGrade.class).list();
    }

    record AdviceRow(int id, @Nullable Integer schoolId, String domain, String own, String advice, boolean mayChange) {}

    List<AdviceRow> advice(int school, int framework) {
        return db.sql("""
                select id, school_id, domain, own, advice, skills_may_write(school_id) as may_change from skills_advice
                 where framework_id = :framework and not ended and (school_id is null or school_id = :school) order by id""").param("framework", framework)
                .param("school", school).query(AdviceRow.class).list();
    }

    record FollowedRow(int adviceId, int studentId, LocalDate onDay) {}

    List<FollowedRow> followed(Collection<Integer> students, LocalDate asOf) {
        return db.sql("select advice_id, student_id, on_day from skills_followed where student_id = any(:students) and on_day <= :asOf")
                .param("students", students.toArray(Integer[]::new)).param("asOf", asOf).query(FollowedRow.class).list();
    }

    void follow(int advice, Collection<Integer> students, LocalDate today) {
        db.sql("insert into skills_followed (advice_id, student_id, on_day, recorded_by) select :advice, x, :today, :by from unnest(:students::integer[]) x on conflict do nothing")
                .param("advice", advice).param("students", students.toArray(Integer[]::new)).param("today", today).param("by", Viewer.current().id()).update();
    }

    void unfollow(int advice, Collection<Integer> students) {
        db.sql("delete from skills_followed where advice_id = :advice and student_id = any(:students)").param("advice", advice)
                .param("students", students.toArray(Integer[]::new)).update();
    }

    void add(int school, int framework, String domain, String own, String advice) {
        db.sql("insert into skills_advice (school_id, framework_id, domain, own, advice, made_by) values (:school, :framework, :domain, :own, :advice, :by)")
                .param("school", school).param("framework", framework).param("domain", domain).param("own", own).param("advice", advice)
                .param("by", Viewer.current().id()).update();
    }

    boolean change(int id, String advice, boolean ended) {
        return db.sql("update skills_advice set advice = :advice, ended = :ended where id = :id").param("id", id).param("advice", advice).param("ended", ended)
                .update() == 1;
    }
}
