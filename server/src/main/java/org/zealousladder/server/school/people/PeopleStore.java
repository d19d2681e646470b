package org.zealousladder.server.school.people;

import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;
import org.zealousladder.server.platform.database.PeopleDatabase;
import org.zealousladder.server.platform.who.Viewer;

@Repository
class PeopleStore {
    private final JdbcClient db;

    PeopleStore(@PeopleDatabase JdbcClient db) {
        this.db = db;
    }

    record Account(int id, String login, String name, Viewer.Role role, @Nullable Integer schoolId, @Nullable String passwordHash) {
        Viewer viewer() {
            return new Viewer(id, login, name, role, schoolId);
        }
    }

    private static final String OPEN = "select id, login, name, role, school_id, password_hash from people_person where active and ";

    Optional<Account> byLogin(String login) {
        return db.sql(OPEN + "login = lower(:login)").param("login", login).query(Account.class).optional();
    }

    Optional<Account> byId(int id) {
        return db.sql(OPEN + "id = :id").param("id", id).query(Account.class).optional();
    }

    List<AccountService.Person> everyone() {
        Map<Integer, List<AccountService.Teaching>> teaches = new HashMap<>();
        db.sql("""
                select t.person_id, t.class_id, c.name, t.ends
                  from people_teaches t join roster_class c on c.id = t.class_id join roster_year y on y.id = c.year_id
                 order by y.starts desc, c.name collate "und-x-icu" """)
                .query(r -> {
                    teaches.computeIfAbsent(r.getInt(1), id -> new ArrayList<>())
                            .add(new AccountService.Teaching(r.getInt(2), r.getString(3), r.getObject(4, LocalDate.class)));
                });
        return db.sql("""
                select p.id, p.login, p.name, p.role, p.school_id, p.active, p.password_hash is not null,
                       exists (select from people_factor f where f.person_id = p.id and f.confirmed_at is not null), p.signed_in_at,
                       (select i.ends_at from people_invitation i where i.person_id = p.id and i.used_at is null and i.ends_at > now()),
                       coalesce((select k.students from people_caseload_size k where k.person_id = p.id), 0)
                  from people_person p order by p.name collate "und-x-icu", p.id""")
                .query((r, n) -> new AccountService.Person(r.getInt(1), r.getString(2), r.getString(3), Coded.of(Viewer.Role.class, r.getString(4), "role"),
                        r.getObject(5, Integer.class), r.getBoolean(6), r.getBoolean(7), r.getBoolean(8), instant(r.getObject(9, OffsetDateTime.class)),
                        instant(r.getObject(10, OffsetDateTime.class)), teaches.getOrDefault(r.getInt(1), List.of()), r.getInt(11)))
                .list();
    }

    private static @Nullable Instant instant(@Nullable OffsetDateTime at) {
        return at == null ? null : at.toInstant();
    }

    void signedIn(int person) {
        db.sql("update people_person set signed_in_at = now() where id = :id").param("id", person).update();
    }

    /** @return the login, if there is such a person */
    Optional<String> setActive(int id, boolean active) {
        return db.sql("update people_person set active = :active where id = :id returning login").param("active", active).param("id", id)
                .query(String.class).optional();
    }

    int endTeaching(int person, int classId, @Nullable LocalDate ends) {
        return db.sql("update people_teaches set ends = :ends where person_id = :person and class_id = :class")
                .param("ends", ends, java.sql.Types.DATE).param("person", person).param("class", classId).update();
    }

    boolean nobodyYet() {
        return db.sql("select not exists (select from people_person)").query(Boolean.class).single();
    }

    /** Some people to try the demo as: an administrator, a coordinator, and teachers with their classes. */
    List<SamplePerson> samples() {
        return db.sql("""
                select login, name, role, about from (
                  select p.login, p.name, p.role, coalesce(t.classes, 'a caseload of ' || k.students, s.name, 'everything') as about, p.id,
                         row_number() over (partition by p.role order by p.id) as place
                    from people_person p left join roster_school s on s.id = p.school_id
                    left join people_taught t on t.person_id = p.id left join people_caseload_size k on k.person_id = p.id
                   where p.active) x
                 where place <= case role when 'teacher' then 8 else 1 end
                 order by case role when 'teacher' then 0 when 'coordinator' then 1 else 2 end, id""").query(SamplePerson.class).list();
    }

    /** @return the person, if there is one */
    Optional<Integer> setPassword(String login, String hash) {
        return db.sql("update people_person set password_hash = :hash where login = lower(:login) returning id")
                .param("login", login).param("hash", hash).query(Integer.class).optional();
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
