package org.zealousladder.server.overview.feed;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;

/** Secrets by their digests, and the days of whoever asks. */
@Repository
class FeedStore {
    private final JdbcClient db;

    FeedStore(JdbcClient db) {
        this.db = db;
    }

    Optional<OffsetDateTime> made(int person) {
        return db.sql("select made_at from feed_calendar where person_id = :p").param("p", person).query(OffsetDateTime.class).optional();
    }

    Optional<Integer> person(String digest) {
        return db.sql("select person_id from feed_calendar where digest = :d").param("d", digest).query(Integer.class).optional();
    }

    void keep(int person, String digest) {
        forget(person);
        db.sql("insert into feed_calendar (person_id, digest) values (:p, :d)").param("p", person).param("d", digest).update();
    }

    boolean forget(int person) {
        return db.sql("delete from feed_calendar where person_id = :p").param("p", person).update() == 1;
    }

    /** What a day is about. */
    enum Kind implements Coded {
        CONTACT,
        ASIDE,
        DECISION,
        PLAN,
        GOAL,
        MAKEUP,
        MEETING,
        WINDOW_OPENS,
        WINDOW_CLOSES
    }

    private record DayRow(LocalDate day, String kind, int n, String name) {}

    /** @param n students; 0 where it is about none; @param name of a window; else empty */
    record FeedDay(LocalDate day, Kind kind, int n, String name) {}

    /** Days from one on, of the students and schools that the asking person sees; look-again days only of their own making. */
    List<FeedDay> days(int person, LocalDate from, LocalDate to) {
        return db.sql("""
                select day, kind, n::integer, name from (
                  select look_again_on as day, 'contact' as kind, count(distinct student_id) as n, '' as name from contacts_contact
                   where recorded_by = :p and looked_on is null and withdrawn_on is null group by 1
                  union all
                  select until, 'aside', count(distinct student_id), '' from engagement_aside where recorded_by = :p and withdrawn_on is null group by 1
                  union all
                  select look_again_on, 'decision', count(distinct student_id), '' from (
                    select distinct on (student_id, measure_id) student_id, look_again_on, recorded_by from decisions_decision where withdrawn_on is null
                     order by student_id, measure_id, decided_on desc, id desc) d where recorded_by = :p group by 1
                  union all
                  select ends, 'plan', count(distinct student_id), '' from plans_plan where closed_on is null and superseded_by is null group by 1
                  union all
                  select goal_date, 'goal', count(distinct student_id), '' from goals_goal where superseded_by is null and withdrawn_because is null group by 1
                  union all
                  select on_day, 'makeup', count(distinct student_id), '' from coverage_makeup where superseded_by is null group by 1
                  union all
                  select on_day, 'meeting', 0, '' from meeting_day where off_at is null group by 1
                  union all
                  select w.starts, 'window-opens', 0, w.name from measures_window w join roster_year y on y.id = w.year_id
                   where y.school_id is null or y.school_id in (select scope_schools()) or (select scope_role()) = 'administrator'
                  union all
                  select w.ends, 'window-closes', 0, w.name from measures_window w join roster_year y on y.id = w.year_id
                   where y.school_id is null or y.school_id in (select scope_schools()) or (select scope_role()) = 'administrator') all_days
                 where day between :from and :to order by day, kind, name""")
                .param("p", person).param("from", from).param("to", to).query(DayRow.class).stream()
                .map(r -> new FeedDay(r.day(), Coded.of(Kind.class, r.kind(), "a kind"), r.n(), r.name())).toList();
    }
}
