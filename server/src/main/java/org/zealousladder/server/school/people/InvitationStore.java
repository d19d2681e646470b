package org.zealousladder.server.school.people;

import java.sql.Types;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.database.PeopleDatabase;

@Repository
class InvitationStore {
    private final JdbcClient db;

    InvitationStore(@PeopleDatabase JdbcClient db) {
        this.db = db;
    }

    /** @return the person's number; empty where the name is taken */
    Optional<Integer> add(String login, String name, PersonRole role, @Nullable Integer school, @Nullable String email) {
        return db
                .sql("""
                insert into people_person (login, name, role, school_id, email) values (lower(:login), :name, :role, :school, :email) on conflict do nothing returning id""")
                .param("login", login).param("name", name).param("role", role.code()).param("school", school, Types.INTEGER).param("email", email)
                .query(Integer.class).optional();
    }

    boolean open(int person) {
        return db.sql("select exists (select from people_person where id = :id and active)").param("id", person).query(Boolean.class).single();
    }

    /** The only one of the person that counts from now on. */
    void make(String tokenHash, int person, int by, Instant ends) {
        db.sql("delete from people_invitation where person_id = :person and used_at is null").param("person", person).update();
        db.sql("insert into people_invitation (token_hash, person_id, made_by, ends_at) values (:hash, :person, :by, :ends)").param("hash", tokenHash)
                .param("person", person).param("by", by).param("ends", ends.atOffset(ZoneOffset.UTC)).update();
    }

    /** Whom a link that still counts is for. */
    Optional<Invitations.Invited> whom(String tokenHash, Instant now) {
        return db.sql("""
                select p.id, p.login, p.name from people_invitation i join people_person p on p.id = i.person_id
                 where i.token_hash = :hash and i.used_at is null and i.ends_at > :now and p.active""").param("hash", tokenHash)
                .param("now", now.atOffset(ZoneOffset.UTC)).query(Invitations.Invited.class).optional();
    }

    boolean use(String tokenHash) {
        return db.sql("update people_invitation set used_at = now() where token_hash = :hash and used_at is null").param("hash", tokenHash).update() == 1;
    }

    List<Invitations.School> schools() {
        return db.sql("select id, name from roster_school order by name collate \"und-x-icu\"").query(Invitations.School.class).list();
    }
}
