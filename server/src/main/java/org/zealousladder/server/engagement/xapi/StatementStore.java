package org.zealousladder.server.engagement.xapi;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Statements as they came. */
@Repository
class StatementStore {
    /** Between the addresses of one statement, as xapi_take takes them apart. */
    private static final String APART = "\u001f";

    private final JdbcClient db;

    StatementStore(JdbcClient db) {
        this.db = db;
    }

    /** One writer of a school at a time: the same statement may come twice at once. */
    void alone(int school) {
        db.sql("select pg_advisory_xact_lock(hashtext('xapi'), :school)").param("school", school).query().listOfRows();
    }

    record Digest(UUID id, String digest) {}

    Map<UUID, String> digests(int school, Collection<UUID> ids) {
        Map<UUID, String> all = new HashMap<>();
        db.sql("select id, digest from xapi_statement where school_id = :school and id = any(:ids)").param("school", school)
                .param("ids", ids.toArray(UUID[]::new))
                .query(Digest.class).list().forEach(d -> all.put(d.id(), d.digest()));
        return all;
    }

    /** Keeps them and turns into actions what can be turned now. */
    void take(Sender sender, Instant stored, List<Statement> all, String zone) {
        db.sql("""
                select xapi_take(:school, :sender, :stored, :zone, :ids::uuid[], :ats::timestamptz[], :digests::text[], :raws::text[], :actors::text[], :accounts::text[],
                                 :verbs::text[], :activities::text[], :types::text[],
                                 :registrations::uuid[], :relateds::text[], :chains::text[], :minutes::real[], :voids::uuid[], :agents::text[], :refers::uuid[])""")
                .param("school", sender.schoolId()).param("sender", sender.id()).param("stored", stored.atOffset(ZoneOffset.UTC)).param("zone", zone)
                .param("ids", all.stream().map(Statement::id).toArray(UUID[]::new)).param("ats", texts(all, s -> s.at().toString()))
                .param("digests", texts(all, Statement::digest)).param("raws", texts(all, s -> s.raw().toString()))
                .param("actors", texts(all, Statement::actor))
                .param("accounts", texts(all, Statement::account)).param("verbs", texts(all, Statement::verb))
                .param("activities", texts(all, Statement::activity))
                .param("types", texts(all, Statement::activityType)).param("registrations", all.stream().map(Statement::registration).toArray(UUID[]::new))
                .param("relateds", texts(all, s -> String.join(APART, s.related())))
                .param("chains", texts(all, s -> s.chain() == null ? null : s.chain().toString()))
                .param("minutes", all.stream().map(s -> s.minutes() == null ? null : Float.valueOf(s.minutes().floatValue())).toArray(Float[]::new))
                .param("voids", all.stream().map(Statement::voids).toArray(UUID[]::new)).param("agents", texts(all, s -> String.join(APART, s.agents())))
                .param("refers", all.stream().map(Statement::refers).toArray(UUID[]::new)).query().listOfRows();
    }

    private static @Nullable String[] texts(List<Statement> all, java.util.function.Function<Statement, @Nullable String> of) {
        return all.stream().map(of).toArray(String[]::new);
    }

    /** Turns what waits and has come to be known. @return how many */
    int turn(int school, String zone) {
        return db.sql("select xapi_turn(:school, :zone)").param("school", school).param("zone", zone).query(Integer.class).single();
    }

    List<Integer> schoolsThatWait() {
        return db.sql("select distinct school_id from xapi_statement where not turned and not voided and voids is null").query(Integer.class).list();
    }

    void voided(int school, Collection<UUID> targets) {
        db.sql("select xapi_void(:school, :ids::uuid[])").param("school", school).param("ids", targets.toArray(UUID[]::new)).query().listOfRows();
    }

    /** Of these, which a statement on record takes back; and which take others back. */
    List<UUID> takenBack(int school, Collection<UUID> ids) {
        return db.sql("select voids from xapi_statement where school_id = :school and voids = any(:ids)").param("school", school)
                .param("ids", ids.toArray(UUID[]::new))
                .query(UUID.class).list();
    }

    List<UUID> voiding(int school, Collection<UUID> ids) {
        return db.sql("select id from xapi_statement where school_id = :school and id = any(:ids) and voids is not null").param("school", school)
                .param("ids", ids.toArray(UUID[]::new)).query(UUID.class).list();
    }

    Optional<String> one(int school, UUID id, boolean voided) {
        return db.sql("select raw::text from xapi_statement where school_id = :school and id = :id and voided = :voided").param("school", school)
                .param("id", id)
                .param("voided", voided).query(String.class).optional();
    }

    /**
     * What is asked for.
     *
     * @param related whether an activity counts wherever it stands in the statement; @param everybody whether an agent does
     * @param after those stored before (or after, ascending) this one come next
     */
    record Query(@Nullable String actor, boolean everybody, @Nullable String verb, @Nullable String activity, boolean related, @Nullable UUID registration,
            @Nullable Instant since, @Nullable Instant until, boolean ascending, @Nullable Cursor after, int limit) {}

    record Cursor(Instant stored, UUID id) {}

    record Found(UUID id, OffsetDateTime stored, String raw) {}

    List<Found> find(int school, Query q) {
        Map<String, Object> values = new HashMap<>(Map.of("school", school, "limit", q.limit()));
        StringBuilder about = new StringBuilder();
        and(about, values, q.actor(), "actor", q.everybody() ? " and X.agents @> array[:actor::text]" : " and X.actor = :actor");
        and(about, values, q.verb(), "verb", " and X.verb = :verb");
        and(about, values, q.activity(), "activity", q.related() ? " and X.related @> array[:activity::text]" : " and X.activity = :activity");
        and(about, values, q.registration(), "registration", " and X.registration = :registration");
        StringBuilder sql = new StringBuilder("select id, stored, raw::text as raw from xapi_statement s where school_id = :school and not voided");
        if (!about.isEmpty()) {
            // A statement about another statement is found by what that one is about, too, however far away; voided ones lead to what voids them.
            sql.append("""
                    \sand (true%1$s or refers is not null and exists (
                       with recursive t(id, refers, found, deep) as (
                         select x.id, x.refers, true%2$s, 1 from xapi_statement x where x.id = s.refers and x.school_id = :school
                         union all
                         select x.id, x.refers, true%2$s, t.deep + 1 from t join xapi_statement x on x.id = t.refers and x.school_id = :school where t.deep < 8)
                       select from t where t.found))""".formatted(about.toString().replace("X.", "s."), about.toString().replace("X.", "x.")));
        }
        and(sql, values, q.since() == null ? null : q.since().atOffset(ZoneOffset.UTC), "since", " and stored > :since");
        and(sql, values, q.until() == null ? null : q.until().atOffset(ZoneOffset.UTC), "until", " and stored <= :until");
        if (q.after() != null) {
            values.put("atStored", q.after().stored().atOffset(ZoneOffset.UTC));
            values.put("atId", q.after().id());
            sql.append(q.ascending() ? " and (stored, id) > (:atStored, :atId)" : " and (stored, id) < (:atStored, :atId)");
        }
        sql.append(q.ascending() ? " order by stored, id" : " order by stored desc, id desc").append(" limit :limit");
        return db.sql(sql.toString()).params(values).query(Found.class).list();
    }

    private static void and(StringBuilder sql, Map<String, Object> values, @Nullable Object value, String name, String clause) {
        if (value != null) {
            values.put(name, value);
            sql.append(clause);
        }
    }
}
