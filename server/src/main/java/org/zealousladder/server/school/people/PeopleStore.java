package org.zealousladder.server.school.people;

import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;
import org.zealousladder.server.platform.database.PeopleDatabase;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;

@Repository
class PeopleStore {
    private final JdbcClient db;
    private final SchoolCalendar calendar;

    PeopleStore(@PeopleDatabase JdbcClient db, SchoolCalendar calendar) {
        this.db = db;
        this.calendar = calendar;
    }

    record Account(int id, Viewer viewer, @Nullable String passwordHash) {}

    /** Of several roles the one counts that lets a person see most. */
    private static final String OPEN = """
            select p.id, p.login, p.name, p.school_id, p.password_hash, array_agg(r.role) as roles, array_remove(array_agg(distinct r.school_id), null) as schools,
                   array_remove(array_agg(distinct r.school_id) filter (where r.role = 'coordinator'), null) as led
              from people_person p join people_roles(:today) r on r.person_id = p.id
             where p.active and %s = %s group by p.id""";

    private Optional<Account> open(String column, String value, Object param) {
        return db.sql(OPEN.formatted(column, value)).param("value", param).param("today", calendar.today())
                .query((r, n) -> new Account(r.getInt("id"), new Viewer(r.getInt("id"), r.getString("login"), r.getString("name"),
                        Arrays.stream((String[]) r.getArray("roles").getArray()).map(w -> Coded.of(PersonRole.class, w, "role").rights())
                                .max(Comparator.naturalOrder())
                                .orElseThrow(),
                        r.getObject("school_id", Integer.class), schools(r.getArray("schools")), schools(r.getArray("led"))), r.getString("password_hash")))
                .optional();
    }

    private static Set<Integer> schools(java.sql.@Nullable Array ids) throws SQLException {
        return ids == null ? Set.of() : Set.of((Integer[]) ids.getArray());
    }

    Optional<Account> byLogin(String login) {
        return open("p.login", "lower(:value)", login);
    }

    Optional<Account> byId(int id) {
        return open("p.id", ":value", id);
    }

    record ClassTeacher(int classId, String name) {}

    List<ClassTeacher> teachers(Collection<Integer> classes, LocalDate asOf) {
        return db.sql("""
                select t.class_id, p.name from people_teaches t join people_person p on p.id = t.person_id
                  join roster_class c on c.id = t.class_id join roster_year y on y.id = c.year_id
                 where t.class_id = any(:classes) and (t.ends is null or t.ends >= least(:asOf::date, y.ends))
                 order by p.name collate "und-x-icu", p.id""").param("classes", classes.toArray(Integer[]::new)).param("asOf", asOf)
                .query(ClassTeacher.class).list();
    }

    List<AccountService.Person> everyone() {
        Map<Integer, List<AccountService.Teaching>> teaches = new HashMap<>();
        db.sql("""
                select t.person_id, t.class_id, c.name, y.name, t.ends
                  from people_teaches t join roster_class c on c.id = t.class_id join roster_year y on y.id = c.year_id
                 order by y.starts desc, c.name collate "und-x-icu" """)
                .query(r -> {
                    teaches.computeIfAbsent(r.getInt(1), id -> new ArrayList<>())
                            .add(new AccountService.Teaching(r.getInt(2), r.getString(3), r.getString(4), r.getObject(5, LocalDate.class)));
                });
        Map<Integer, List<AccountService.Beside>> beside = new HashMap<>();
        db.sql("select r.id, r.person_id, r.role, r.school_id, r.starts, r.ends from people_role r order by r.starts desc, r.id").query(r -> {
            beside.computeIfAbsent(r.getInt(2), id -> new ArrayList<>())
                    .add(new AccountService.Beside(r.getInt(1), Coded.of(PersonRole.class, r.getString(3), "role"),
                            r.getObject(4, Integer.class), r.getObject(5, LocalDate.class), r.getObject(6, LocalDate.class)));
        });
        return db.sql("""
                select p.id, p.login, p.name, p.role, p.school_id, p.active, p.password_hash is not null,
                       exists (select from people_factor f where f.person_id = p.id and f.confirmed_at is not null), p.signed_in_at,
                       (select i.ends_at from people_invitation i where i.person_id = p.id and i.used_at is null and i.ends_at > now()),
                       coalesce((select k.students from people_caseload_size k where k.person_id = p.id), 0), p.email
                  from people_person p order by p.name collate "und-x-icu", p.id""")
                .query((r, n) -> new AccountService.Person(r.getInt(1), r.getString(2), r.getString(3), Coded.of(PersonRole.class, r.getString(4), "role"),
                        r.getObject(5, Integer.class), r.getBoolean(6), r.getBoolean(7), r.getBoolean(8), instant(r.getObject(9, OffsetDateTime.class)),
                        instant(r.getObject(10, OffsetDateTime.class)), teaches.getOrDefault(r.getInt(1), List.of()), r.getInt(11), r.getString(12),
                        beside.getOrDefault(r.getInt(1), List.of())))
                .list();
    }

    private static @Nullable Instant instant(@Nullable OffsetDateTime at) {
        return at == null ? null : at.toInstant();
    }

    void signedIn(int person) {
        db.sql("update people_person set signed_in_at = now() where id = :id").param("id", person).update();
    }

    Optional<String> login(int id) {
        return db.sql("select login from people_person where id = :id").param("id", id).query(String.class).optional();
    }

    /** @return the login, if there is such a person */
    Optional<String> setActive(int id, boolean active) {
        return db.sql("update people_person set active = :active where id = :id returning login").param("active", active).param("id", id)
                .query(String.class).optional();
    }

    /** @return whether there is no such role at that time yet */
    boolean addRole(int person, PersonRole role, @Nullable Integer school, LocalDate starts, @Nullable LocalDate ends) {
        return db.sql("""
                insert into people_role (person_id, role, school_id, starts, ends)
                select :person, :role, :school::integer, :starts, :ends::date
                 where not exists (select from people_role r where r.person_id = :person and r.role = :role and r.school_id is not distinct from :school::integer
                                      and daterange(r.starts, r.ends, '[]') && daterange(:starts, :ends::date, '[]'))""").param("person", person)
                .param("role", role.code()).param("school", school, java.sql.Types.INTEGER).param("starts", starts).param("ends", ends, java.sql.Types.DATE)
                .update() == 1;
    }

    /** @return how many: one, or none where there is no such role or it would end before it begins */
    int endRole(int person, int id, @Nullable LocalDate ends) {
        return db.sql("update people_role set ends = :ends where id = :id and person_id = :person and (:ends::date is null or :ends::date >= starts)")
                .param("ends", ends, java.sql.Types.DATE).param("id", id).param("person", person).update();
    }

    List<AccountService.TaughtClass> classes() {
        return db.sql("""
                select c.id, c.name, y.name as year, c.school_id from roster_class c join roster_year y on y.id = c.year_id
                 where y.ends >= :today and (c.ends is null or c.ends >= :today) order by y.starts, c.name collate "und-x-icu\"""")
                .param("today", calendar.today())
                .query(AccountService.TaughtClass.class).list();
    }

    void teach(int person, int classId) {
        db.sql("insert into people_teaches (person_id, class_id) values (:person, :class) on conflict (person_id, class_id) do update set ends = null")
                .param("person", person).param("class", classId).update();
    }

    void changeEmail(int person, @Nullable String email) {
        db.sql("update people_person set email = :email where id = :id").param("email", email).param("id", person).update();
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
                 order by case role when 'teacher' then 0 when 'interventionist' then 1 when 'coordinator' then 2 else 3 end, id""").query(SamplePerson.class)
                .list();
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
