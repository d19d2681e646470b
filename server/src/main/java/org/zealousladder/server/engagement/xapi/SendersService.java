package org.zealousladder.server.engagement.xapi;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.codec.digest.DigestUtils;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.core.engagement.ActivityKind;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SetupRights;

/** Makes and ends keys for programs that send, and says what their verbs are taken for and whom their actors are. */
@Service
class SendersService {
    private static final int SECRET_BYTES = 24;

    private final SendersStore store;
    private final StatementStore statements;
    private final SetupRights rights;
    private final RosterService roster;
    private final SchoolCalendar calendar;
    private final TransactionTemplate transaction;
    private final SecureRandom random = new SecureRandom();

    SendersService(SendersStore store, StatementStore statements, SetupRights rights, RosterService roster, SchoolCalendar calendar,
            PlatformTransactionManager transactions) {
        this.store = store;
        this.statements = statements;
        this.rights = rights;
        this.roster = roster;
        this.calendar = calendar;
        transaction = new TransactionTemplate(transactions);
    }

    /** The program with that key and secret; the secret is compared in the same time whether it is near or far. */
    Optional<Sender> known(String key, String secret) {
        String digest = digest(secret);
        Optional<SendersStore.Known> known = Viewer.SYSTEM.ask(() -> Objects.requireNonNullElse(transaction.execute(s -> store.byKey(key)), Optional.empty()));
        return known.filter(k -> MessageDigest.isEqual(k.digest().getBytes(StandardCharsets.US_ASCII), digest.getBytes(StandardCharsets.US_ASCII)))
                .map(k -> new Sender(k.id(), k.schoolId(), k.name(), k.key()));
    }

    static String digest(String secret) {
        return DigestUtils.sha256Hex(secret.getBytes(StandardCharsets.UTF_8));
    }

    private String random(int bytes) {
        byte[] all = new byte[bytes];
        random.nextBytes(all);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(all);
    }

    /** @param secret told this once */
    record SenderMade(int id, String key, String secret) {}

    /** @throws Refusal 403 for all but administrators */
    @Transactional
    SenderMade make(int school, String name) {
        if (Viewer.current().role() != Viewer.Role.ADMINISTRATOR) {
            throw Refusal.forbidden("Keys for programs are made by administrators. Nothing was saved.");
        }
        String key = random(9);
        String secret = random(SECRET_BYTES);
        return new SenderMade(store.add(school, name, key, digest(secret)), key, secret);
    }

    /** From now on what it sends is refused; what it sent stays. */
    @Transactional
    void end(int id) {
        if (Viewer.current().role() != Viewer.Role.ADMINISTRATOR) {
            throw Refusal.forbidden("Keys for programs are ended by administrators. Nothing was saved.");
        }
        if (!store.end(id)) {
            throw Refusal.notFound("That key has been ended already.");
        }
    }

    /** @param mayMake whether the viewer makes and ends keys; @param mayChange whether what verbs are taken for */
    record SendersView(List<SendersStore.SenderRow> senders, List<SendersStore.VerbRow> verbs, List<SendersStore.UnknownVerb> unknownVerbs,
            List<SendersStore.UnknownActor> unknownActors, boolean mayMake, boolean mayChange) {}

    @Transactional(readOnly = true)
    SendersView view(int school) {
        rights.require(school, "Programs that send");
        return new SendersView(store.all(school), store.verbs(school), store.unknownVerbs(school), store.unknownActors(school),
                Viewer.current().role() == Viewer.Role.ADMINISTRATOR, rights.mayChange(school));
    }

    /**
     * What a verb is taken for in a school from now on. What waited for it counts; what was counted already stays as it is.
     *
     * @param kind null: it counts as nothing
     * @return how many statements that waited are done with
     */
    @Transactional
    int verb(int school, String verb, @Nullable String activityType, @Nullable ActivityKind kind) {
        rights.require(school, "Programs that send");
        store.verb(school, verb, activityType, kind == null ? null : kind.code());
        return statements.turn(school, calendar.zone().getId());
    }

    /** Who is meant by an actor. */
    @Transactional
    int actor(int school, String actor, int student) {
        rights.require(school, "Programs that send");
        roster.requireStudents(Set.of(student));
        try {
            store.actor(school, actor, student);
        } catch (DuplicateKeyException e) {
            throw Refusal.conflict("Somebody has said already who that is. Look at it again; nothing was saved.");
        }
        return statements.turn(school, calendar.zone().getId());
    }
}
