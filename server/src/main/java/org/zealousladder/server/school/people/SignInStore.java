package org.zealousladder.server.school.people;

import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.database.PeopleDatabase;
import org.zealousladder.server.school.people.SignInPauses.Failures;

/** Tries to sign in, known devices, and sessions that are ended from outside. */
@Repository
class SignInStore {
    private final JdbcClient db;

    SignInStore(@PeopleDatabase JdbcClient db) {
        this.db = db;
    }

    /** Until the transaction ends no other try for the account is counted, so that many at once are counted one after another. */
    void oneAtATime(String login) {
        db.sql("select pg_advisory_xact_lock(hashtextextended(lower(:login), 20))").param("login", login).query((r, n) -> 0).single();
    }

    SignInPauses.Record record(String login, String place, Duration memory) {
        return db.sql("""
                with failed as (
                  select t.login, t.place, t.at from people_signin_try t
                   where not t.succeeded and t.at > now() - make_interval(secs => :memory) and (t.login = lower(:login) or t.place = :place)),
                here as (
                  select count(*) as n, max(at) as last from failed f where f.login = lower(:login) and f.place = :place
                     and f.at > coalesce((select max(at) from people_signin_try g where g.login = f.login and g.place = f.place and g.succeeded), '-infinity')),
                account as (select count(*) as n, max(at) as last from failed where login = lower(:login) and place not like 'device:%'),
                place as (select count(*) as n, max(at) as last from failed where place = :place)
                select here.n, here.last, account.n, account.last, place.n, place.last from here, account, place""")
                .param("login", login).param("place", place).param("memory", memory.toSeconds())
                .query((r, n) -> new SignInPauses.Record(new Failures(r.getInt(1), instant(r.getObject(2, OffsetDateTime.class))),
                        new Failures(r.getInt(3), instant(r.getObject(4, OffsetDateTime.class))),
                        new Failures(r.getInt(5), instant(r.getObject(6, OffsetDateTime.class)))))
                .single();
    }

    private static @Nullable Instant instant(@Nullable OffsetDateTime at) {
        return at == null ? null : at.toInstant();
    }

    /** @return the try, wrong until it is told to be right */
    long begin(String login, String place) {
        return db.sql("insert into people_signin_try (login, place, succeeded) values (lower(:login), :place, false) returning id")
                .param("login", login).param("place", place).query(Long.class).single();
    }

    void succeeded(long id) {
        db.sql("update people_signin_try set succeeded = true where id = :id").param("id", id).update();
    }

    /** A try that was neither right nor wrong. */
    void forget(long id) {
        db.sql("delete from people_signin_try where id = :id").param("id", id).update();
    }

    void forgetOld() {
        db.sql("delete from people_signin_try where at < now() - interval '30 days'").update();
        db.sql("delete from people_device where last_used < now() - interval '1 year'").update();
    }

    /** Whether a device is one in which the person has signed in before. */
    boolean knows(String login, String tokenHash) {
        return db
                .sql("""
                select exists (select from people_device d join people_person p on p.id = d.person_id where d.token_hash = :hash and p.login = lower(:login))""")
                .param("hash", tokenHash).param("login", login).query(Boolean.class).single();
    }

    void learn(String tokenHash, int person) {
        db.sql("""
                insert into people_device (token_hash, person_id) values (:hash, :person) on conflict (token_hash, person_id) do update set last_used = now()""")
                .param("hash", tokenHash).param("person", person).update();
    }

    /** Every other way in: for whoever sets a password because somebody else may know a way. */
    void forgetOtherWays(int person) {
        db.sql("delete from people_passkey where person_id = :person").param("person", person).update();
        db.sql("delete from people_elsewhere where person_id = :person").param("person", person).update();
    }

    void forgetDevices(int person) {
        db.sql("delete from people_device where person_id = :person").param("person", person).update();
    }

    /** @param but the session that stays, as its own id; null: none */
    int endSessions(String login, @Nullable String but) {
        return db.sql("delete from spring_session where principal_name = :login and session_id is distinct from :but")
                .param("login", login).param("but", but, java.sql.Types.VARCHAR).update();
    }

    Optional<Boolean> endsWhenIdle(int person) {
        return db.sql("select ends_when_idle from people_person where id = :id").param("id", person).query(Boolean.class).optional();
    }

    void endWhenIdle(int person, boolean ends) {
        db.sql("update people_person set ends_when_idle = :ends where id = :id").param("ends", ends).param("id", person).update();
    }
}
