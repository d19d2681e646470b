package org.zealousladder.server.school.passkeys;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.web.webauthn.api.AuthenticatorTransport;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.CredentialRecord;
import org.springframework.security.web.webauthn.api.ImmutableCredentialRecord;
import org.springframework.security.web.webauthn.api.ImmutablePublicKeyCose;
import org.springframework.security.web.webauthn.api.ImmutablePublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialType;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.database.PeopleDatabase;

/** Keeps passkeys as Spring Security's relying party asks for them. A person is known to it by the sign-in name. */
@Repository
class PasskeyStore implements UserCredentialRepository, PublicKeyCredentialUserEntityRepository {
    private static final String KEYS = """
            select k.credential_id, u.handle, k.public_key, k.signatures, k.uv, k.backup_able, k.backed_up, k.transports, k.attestation, k.client_data, k.name, k.made_at, k.used_at
              from people_passkey k join people_passkey_user u on u.person_id = k.person_id join people_person p on p.id = k.person_id and p.active where\s""";
    private static final String USERS = "select u.handle, p.login, p.name from people_passkey_user u join people_person p on p.id = u.person_id where p.active and ";

    private final JdbcClient db;

    PasskeyStore(@PeopleDatabase JdbcClient db) {
        this.db = db;
    }

    /** One of a person's keys, as their account shows it. */
    record Own(byte[] id, String name, Instant madeAt, @Nullable Instant usedAt) {}

    List<Own> own(int person) {
        return db.sql("select credential_id, name, made_at, used_at from people_passkey where person_id = :person order by made_at").param("person", person)
                .query((r, n) -> new Own(r.getBytes(1), r.getString(2), at(r.getObject(3, OffsetDateTime.class)), r.getObject(4) == null ? null
                        : at(r.getObject(4, OffsetDateTime.class))))
                .list();
    }

    /** @return whether it was there, and the person's */
    boolean remove(int person, byte[] id) {
        return db.sql("delete from people_passkey where person_id = :person and credential_id = :id").param("person", person).param("id", id).update() == 1;
    }

    Optional<Integer> person(Bytes handle) {
        return db.sql("select person_id from people_passkey_user where handle = :handle").param("handle", handle.getBytes()).query(Integer.class).optional();
    }

    @Override
    public void delete(Bytes id) {
        db.sql("delete from people_passkey where credential_id = :id").param("id", id.getBytes()).update();
    }

    @Override
    public void save(CredentialRecord key) {
        db.sql("""
                insert into people_passkey (credential_id, person_id, public_key, signatures, uv, backup_able, backed_up, transports, attestation, client_data, name)
                select :id, u.person_id, :key, :signatures, :uv, :able, :backed, :transports, :attestation, :client, :name from people_passkey_user u where u.handle = :handle
                on conflict (credential_id) do update set signatures = excluded.signatures, uv = excluded.uv, backed_up = excluded.backed_up, used_at = now()
                 where people_passkey.person_id = excluded.person_id""")
                .param("id", key.getCredentialId().getBytes()).param("key", key.getPublicKey().getBytes()).param("signatures", key.getSignatureCount())
                .param("uv", key.isUvInitialized()).param("able", key.isBackupEligible()).param("backed", key.isBackupState())
                .param("transports", key.getTransports().stream().map(AuthenticatorTransport::getValue).toArray(String[]::new))
                .param("attestation", bytes(key.getAttestationObject())).param("client", bytes(key.getAttestationClientDataJSON()))
                .param("name", key.getLabel())
                .param("handle", key.getUserEntityUserId().getBytes()).update();
    }

    private static byte @Nullable [] bytes(@Nullable Bytes of) {
        return of == null ? null : of.getBytes();
    }

    @Override
    public @Nullable CredentialRecord findByCredentialId(Bytes id) {
        return db.sql(KEYS + "k.credential_id = :id").param("id", id.getBytes()).query(PasskeyStore::key).optional().orElse(null);
    }

    @Override
    public List<CredentialRecord> findByUserId(Bytes handle) {
        return db.sql(KEYS + "u.handle = :handle").param("handle", handle.getBytes()).query(PasskeyStore::key).list();
    }

    private static CredentialRecord key(ResultSet r, int n) throws SQLException {
        OffsetDateTime used = r.getObject(13, OffsetDateTime.class);
        Instant made = at(r.getObject(12, OffsetDateTime.class));
        return ImmutableCredentialRecord.builder().credentialType(PublicKeyCredentialType.PUBLIC_KEY).credentialId(new Bytes(r.getBytes(1)))
                .userEntityUserId(new Bytes(r.getBytes(2))).publicKey(new ImmutablePublicKeyCose(r.getBytes(3))).signatureCount(r.getLong(4))
                .uvInitialized(r.getBoolean(5))
                .backupEligible(r.getBoolean(6)).backupState(r.getBoolean(7))
                .transports(Arrays.stream((String[]) r.getArray(8).getArray()).map(AuthenticatorTransport::valueOf).collect(Collectors.toSet()))
                .attestationObject(new Bytes(r.getBytes(9))).attestationClientDataJSON(new Bytes(r.getBytes(10))).label(r.getString(11)).created(made)
                .lastUsed(used == null ? made : at(used)).build();
    }

    private static Instant at(OffsetDateTime time) {
        return time.toInstant();
    }

    @Override
    public @Nullable PublicKeyCredentialUserEntity findById(Bytes handle) {
        return db.sql(USERS + "u.handle = :handle").param("handle", handle.getBytes()).query(PasskeyStore::user).optional().orElse(null);
    }

    @Override
    public @Nullable PublicKeyCredentialUserEntity findByUsername(String login) {
        return db.sql(USERS + "p.login = :login").param("login", login).query(PasskeyStore::user).optional().orElse(null);
    }

    @Override
    public void save(PublicKeyCredentialUserEntity user) {
        db.sql("insert into people_passkey_user (person_id, handle) select id, :handle from people_person where login = :login on conflict do nothing")
                .param("handle", user.getId().getBytes()).param("login", user.getName()).update();
    }

    private static PublicKeyCredentialUserEntity user(ResultSet r, int n) throws SQLException {
        return ImmutablePublicKeyCredentialUserEntity.builder().id(new Bytes(r.getBytes(1))).name(r.getString(2)).displayName(r.getString(3)).build();
    }
}
