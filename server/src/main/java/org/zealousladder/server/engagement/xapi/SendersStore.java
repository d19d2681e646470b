package org.zealousladder.server.engagement.xapi;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.who.Viewer;

/** Programs that send, what their verbs are taken for, and whom their actors are. */
@Repository
class SendersStore {
    private final JdbcClient db;

    SendersStore(JdbcClient db) {
        this.db = db;
    }

    record Known(int id, int schoolId, String name, String key, String digest) {}

    Optional<Known> byKey(String key) {
        return db.sql("select id, school_id, name, key, digest from xapi_sender where key = :key and ended_at is null").param("key", key).query(Known.class)
                .optional();
    }

    /** @param last when it last sent; @param statements how many in the last 30 days */
    record SenderRow(int id, int schoolId, String name, String key, boolean ended, @Nullable OffsetDateTime last, long statements) {}

    List<SenderRow> all(int school) {
        return db
                .sql("""
                select s.id, s.school_id, s.name, s.key, s.ended_at is not null as ended, max(x.last) as last, coalesce(sum(x.statements), 0)::bigint as statements
                  from xapi_sender s left join xapi_sent x on x.sender_id = s.id and x.on_day > (now() at time zone 'UTC')::date - 30
                 where s.school_id = :school group by s.id order by s.ended_at is not null, s.name""")
                .param("school", school).query(SenderRow.class).list();
    }

    int add(int school, String name, String key, String digest) {
        return db.sql("insert into xapi_sender (school_id, name, key, digest, made_by) values (:school, :name, :key, :digest, :by) returning id")
                .param("school", school)
                .param("name", name).param("key", key).param("digest", digest).param("by", Viewer.current().id()).query(Integer.class).single();
    }

    boolean end(int id) {
        return db.sql("update xapi_sender set ended_at = now() where id = :id and ended_at is null").param("id", id).update() == 1;
    }

    record VerbRow(int id, @Nullable Integer schoolId, String verb, @Nullable String activityType, @Nullable String kind) {}

    List<VerbRow> verbs(int school) {
        return db.sql(
                "select id, school_id, verb, activity_type, kind from xapi_verb where school_id is null or school_id = :school order by verb, activity_type nulls first, school_id nulls first")
                .param("school", school).query(VerbRow.class).list();
    }

    void verb(int school, String verb, @Nullable String activityType, @Nullable String kind) {
        db.sql("""
                insert into xapi_verb (school_id, verb, activity_type, kind, made_by) values (:school, :verb, :type, :kind, :by)
                on conflict on constraint xapi_verb_once do update set kind = excluded.kind, made_by = excluded.made_by, made_at = now()""")
                .param("school", school).param("verb", verb).param("type", activityType).param("kind", kind).param("by", Viewer.current().id()).update();
    }

    record UnknownVerb(String verb, @Nullable String activityType, long statements) {}

    /** Verbs that wait to be known. */
    List<UnknownVerb> unknownVerbs(int school) {
        return db.sql("""
                select s.verb, min(s.activity_type) as activity_type, count(*) as statements from xapi_statement s
                 where s.school_id = :school and not s.turned and not s.voided and s.voids is null
                   and not exists (select from xapi_verb v where v.verb = s.verb and (v.school_id is null or v.school_id = :school)
                                      and (v.activity_type is null or v.activity_type = s.activity_type))
                 group by s.verb order by statements desc, s.verb limit 100""").param("school", school).query(UnknownVerb.class).list();
    }

    record UnknownActor(String actor, long statements, OffsetDateTime last) {}

    /** Actors whom nobody knows. */
    List<UnknownActor> unknownActors(int school) {
        return db
                .sql("""
                select actor, count(*) as statements, max(stored) as last from xapi_statement
                 where school_id = :school and student_id is null and not turned and not voided and voids is null group by actor order by statements desc, actor limit 100""")
                .param("school", school).query(UnknownActor.class).list();
    }

    void actor(int school, String actor, int student) {
        db.sql("insert into xapi_actor (school_id, actor, student_id, made_by) values (:school, :actor, :student, :by)").param("school", school)
                .param("actor", actor)
                .param("student", student).param("by", Viewer.current().id()).update();
    }
}
