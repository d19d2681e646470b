package org.zealousladder.server.engagement.xapi;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.engagement.xapi.StatementStore.Found;
import org.zealousladder.server.engagement.xapi.StatementStore.Query;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Takes statements in, all or none, gives them back, and has them turned into what counts. */
@Service
class StatementsService {
    private final StatementStore store;
    private final SchoolCalendar calendar;
    private final JsonMapper json;

    StatementsService(StatementStore store, SchoolCalendar calendar, JsonMapper json) {
        this.store = store;
        this.calendar = calendar;
        this.json = json;
    }

    /**
     * @param named the id that a single one has to have; null: its own, or a new one
     * @return ids in the order sent
     * @throws BadStatement for one that is none
     * @throws Refusal 409 for another statement under an id that is taken
     */
    @Transactional
    List<UUID> take(Sender sender, List<JsonNode> sent, @Nullable UUID named, String version) {
        // The database keeps a millionth of a second, and so does what is given back.
        Instant now = Instant.now().truncatedTo(ChronoUnit.MICROS);
        ObjectNode authority = JsonNodeFactory.instance.objectNode().put("objectType", "Agent");
        authority.putObject("account").put("homePage", "https://zealous-ladder.invalid/senders").put("name", sender.key());
        List<UUID> ids = new ArrayList<>();
        Map<UUID, Statement> fresh = new LinkedHashMap<>();
        for (int i = 0; i < sent.size(); i++) {
            String at = sent.size() == 1 ? "" : "statement " + (i + 1) + ", ";
            try {
                StatementCheck.check(sent.get(i), now);
            } catch (BadStatement e) {
                throw sent.size() == 1 ? e : new BadStatement("", at + e.getMessage());
            }
            ObjectNode s = (ObjectNode) sent.get(i);
            UUID own = s.has("id") ? UUID.fromString(s.get("id").asString()) : null;
            if (named != null && own != null && !named.equals(own)) {
                throw new BadStatement("id", "is another one than the address says");
            }
            UUID id = named != null ? named : own != null ? own : UUID.randomUUID();
            Statement statement = Statement.of(s, id, now, version, authority, json);
            Statement twin = fresh.putIfAbsent(id, statement);
            if (twin != null) {
                throw new BadStatement("", at + "id: there are two with this id in the list");
            }
            ids.add(id);
        }
        store.alone(sender.schoolId());
        Map<UUID, String> there = store.digests(sender.schoolId(), ids);
        there.forEach((id, digest) -> {
            Statement again = fresh.remove(id);
            if (again != null && !again.digest().equals(digest)) {
                throw new Refusal(HttpStatus.CONFLICT, "other-statement", "id", "Another statement has the id " + id + ". Nothing was kept.");
            }
        });
        List<UUID> targets = fresh.values().stream().map(Statement::voids).filter(java.util.Objects::nonNull).map(java.util.Objects::requireNonNull).toList();
        if (!targets.isEmpty() && (!store.voiding(sender.schoolId(), targets).isEmpty()
                || targets.stream().anyMatch(t -> fresh.containsKey(t) && fresh.get(t).voids() != null))) {
            throw new BadStatement("object", "is a voiding statement itself, which cannot be voided");
        }
        if (!fresh.isEmpty()) {
            store.take(sender, now, List.copyOf(fresh.values()), calendar.zone().getId());
            List<UUID> back = new ArrayList<>(targets);
            back.addAll(store.takenBack(sender.schoolId(), fresh.keySet()));
            if (!back.isEmpty()) {
                store.voided(sender.schoolId(), back);
            }
        }
        return ids;
    }

    /** Turns what waits and can be turned now. @return how many */
    @Transactional
    int again() {
        return store.schoolsThatWait().stream().mapToInt(school -> store.turn(school, calendar.zone().getId())).sum();
    }

    @Transactional(readOnly = true)
    Optional<String> one(Sender sender, UUID id, boolean voided) {
        return store.one(sender.schoolId(), id, voided);
    }

    @Transactional(readOnly = true)
    List<Found> find(Sender sender, Query query) {
        return store.find(sender.schoolId(), query);
    }
}
