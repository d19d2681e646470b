package org.zealousladder.server.school.people;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.who.Viewer;

@Repository
class PeopleStore {
    private final JdbcClient db;

    PeopleStore(JdbcClient db) {
        this.db = db;
    }

    record Account(int id, String login, String name, Viewer.Role role, @Nullable Integer schoolId, @Nullable String passwordHash) {}

    Optional<Account> byLogin(String login) {
        return db.sql("select id, login, name, role, school_id, password_hash from people_person where login = lower(:login) and active")
                .param("login", login).query(Account.class).optional();
    }

    boolean nobodyYet() {
        return db.sql("select not exists (select from people_person)").query(Boolean.class).single();
    }

    /** Some people to try the demo as: an administrator, a coordinator, and teachers with their classes. */
    List<SamplePerson> samples() {
        return db.sql("""
                select login, name, role, about from (
                  select p.login, p.name, p.role, coalesce(t.classes, s.name, 'everything') as about, p.id,
                         row_number() over (partition by p.role order by p.id) as place
                    from people_person p left join roster_school s on s.id = p.school_id
                    left join people_taught t on t.person_id = p.id
                   where p.active) x
                 where place <= case role when 'teacher' then 7 else 1 end
                 order by case role when 'teacher' then 0 when 'coordinator' then 1 else 2 end, id""").query(SamplePerson.class).list();
    }

    int failedTries(String login, int minutes) {
        return db.sql("""
                select count(*) from people_signin_try t
                 where login = lower(:login) and not succeeded and at > now() - make_interval(mins => :minutes)
                   and at > coalesce((select max(at) from people_signin_try where login = lower(:login) and succeeded), '-infinity')""")
                .param("login", login).param("minutes", minutes).query(Integer.class).single();
    }

    int failedTriesFrom(String address, int minutes) {
        return db.sql("""
                select count(*) from people_signin_try
                 where address = :address and not succeeded and at > now() - make_interval(mins => :minutes)""")
                .param("address", address).param("minutes", minutes).query(Integer.class).single();
    }

    void recordTry(String login, String address, boolean succeeded) {
        db.sql("insert into people_signin_try (login, address, succeeded) values (lower(:login), :address, :succeeded)")
                .param("login", login).param("address", address).param("succeeded", succeeded).update();
    }

    void forgetOldTries() {
        db.sql("delete from people_signin_try where at < now() - interval '30 days'").update();
    }

    int setPassword(String login, String hash) {
        return db.sql("update people_person set password_hash = :hash where login = lower(:login)")
                .param("login", login).param("hash", hash).update();
    }

    void addAdministrator(String login, String name, String hash) {
        db.sql("insert into people_person (login, name, role, password_hash) values (lower(:login), :name, 'administrator', :hash)")
                .param("login", login).param("name", name).param("hash", hash).update();
    }

    void newSetupLink(String tokenHash) {
        db.sql("update people_setup_link set used_at = now() where used_at is null").update();
        db.sql("insert into people_setup_link (token_hash) values (:hash)").param("hash", tokenHash).update();
    }

    /** True for the one caller that gets to use the link. */
    boolean useSetupLink(String tokenHash) {
        return db.sql("update people_setup_link set used_at = now() where token_hash = :hash and used_at is null")
                .param("hash", tokenHash).update() == 1;
    }
}
