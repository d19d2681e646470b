package org.zealousladder.server.engagement.xapi;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.util.UriComponentsBuilder;
import org.zealousladder.server.engagement.xapi.StatementStore.Cursor;
import org.zealousladder.server.engagement.xapi.StatementStore.Found;
import org.zealousladder.server.engagement.xapi.StatementStore.Query;
import org.zealousladder.server.platform.problems.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The statement resource of xAPI, and about. */
@RestController
@RequestMapping("/xapi")
class XapiController {
    private static final int MOST = 100;
    private static final Set<String> ALONE = Set.of("statementId", "voidedStatementId");
    private static final Set<String> BESIDE = Set.of("format", "attachments");
    private static final Set<String> KNOWN = Set.of("statementId", "voidedStatementId", "agent", "verb", "activity", "registration", "related_activities",
            "related_agents", "since",
            "until", "limit", "format", "attachments", "ascending", "from");

    private final StatementsService statements;
    private final JsonMapper json;

    XapiController(StatementsService statements, JsonMapper json) {
        this.statements = statements;
        this.json = json;
    }

    @ExceptionHandler
    ResponseEntity<Map<String, Object>> bad(BadStatement e) {
        return ResponseEntity.badRequest().contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(Map.of("title", "Not a statement", "status", 400, "detail", String.valueOf(e.getMessage())));
    }

    @GetMapping("/about")
    Map<String, List<String>> about() {
        return Map.of("version", List.of("1.0.3", "2.0.0"));
    }

    private static Sender sender(HttpServletRequest request) {
        return (Sender) request.getAttribute(XapiGate.SENDER);
    }

    private JsonNode read(byte[] body) {
        try {
            return json.readTree(body);
        } catch (JacksonException e) {
            throw new BadStatement("", "What was sent is no JSON, or not all of it came.");
        }
    }

    @PostMapping("/statements")
    List<UUID> post(@RequestBody(required = false) byte @Nullable [] body, HttpServletRequest request) {
        if (!request.getParameterMap().isEmpty()) {
            throw new BadStatement("", "Statements are posted without parameters.");
        }
        JsonNode sent = read(body == null ? new byte[0] : body);
        return statements.take(sender(request), sent.isArray() ? List.copyOf(sent.valueStream().toList()) : List.of(sent), null,
                String.valueOf(request.getHeader(XapiGate.VERSION)));
    }

    @PutMapping("/statements")
    ResponseEntity<Void> put(@RequestParam(required = false) @Nullable String statementId, @RequestBody(required = false) byte @Nullable [] body,
            HttpServletRequest request) {
        if (statementId == null || request.getParameterMap().size() > 1) {
            throw new BadStatement("", "A statement is put with its statementId, and no other parameter.");
        }
        JsonNode sent = read(body == null ? new byte[0] : body);
        if (!sent.isObject()) {
            throw new BadStatement("", "One statement is put at a time.");
        }
        statements.take(sender(request), List.of(sent), uuid(statementId, "statementId"), String.valueOf(request.getHeader(XapiGate.VERSION)));
        return ResponseEntity.noContent().build();
    }

    private static UUID uuid(String text, String where) {
        return Shapes.uuid(JsonNodeFactory.instance.stringNode(text), where);
    }

    @GetMapping("/statements")
    ResponseEntity<String> get(HttpServletRequest request) {
        Map<String, String> asked = new LinkedHashMap<>();
        request.getParameterMap().forEach((name, values) -> {
            if (!KNOWN.contains(name)) {
                throw new BadStatement(name, "is no parameter; capitals count");
            }
            if (values.length > 1) {
                throw new BadStatement(name, "is said twice");
            }
            asked.put(name, values[0]);
        });
        String format = asked.getOrDefault("format", "exact");
        if (!Set.of("ids", "exact", "canonical").contains(format)) {
            throw new BadStatement("format", "is ids, exact or canonical");
        }
        if (yes(asked, "attachments")) {
            throw new BadStatement("attachments", "are not kept here; ask without them");
        }
        List<String> alone = ALONE.stream().filter(asked::containsKey).toList();
        if (!alone.isEmpty()) {
            if (alone.size() > 1 || asked.keySet().stream().anyMatch(n -> !ALONE.contains(n) && !BESIDE.contains(n))) {
                throw new BadStatement(alone.get(0), "is asked for alone, or with format and attachments");
            }
            UUID id = uuid(String.valueOf(asked.get(alone.get(0))), alone.get(0));
            String raw = statements.one(sender(request), id, alone.get(0).equals("voidedStatementId"))
                    .orElseThrow(() -> new Refusal(HttpStatus.NOT_FOUND, "no-statement", null, "There is no such statement."));
            return answer(shown((ObjectNode) json.readTree(raw), format));
        }
        return answer(list(sender(request), asked, format));
    }

    private ResponseEntity<String> answer(ObjectNode body) {
        return ResponseEntity.ok().contentType(new MediaType(MediaType.APPLICATION_JSON, StandardCharsets.UTF_8))
                .header("X-Experience-API-Consistent-Through", Instant.now().toString())
                .body(json.writeValueAsString(body));
    }

    private ObjectNode list(Sender sender, Map<String, String> asked, String format) {
        int limit = 0;
        if (asked.containsKey("limit")) {
            try {
                limit = Integer.parseInt(String.valueOf(asked.get("limit")));
            } catch (NumberFormatException e) {
                throw new BadStatement("limit", "is a whole number");
            }
            if (limit < 0) {
                throw new BadStatement("limit", "is 0 or more");
            }
        }
        limit = limit == 0 ? MOST : Math.min(limit, MOST);
        boolean ascending = yes(asked, "ascending");
        String registration = asked.get("registration");
        Query query = new Query(actor(asked.get("agent")), yes(asked, "related_agents"), iri(asked, "verb"), iri(asked, "activity"),
                yes(asked, "related_activities"),
                registration == null ? null : uuid(registration, "registration"), time(asked, "since"), time(asked, "until"), ascending,
                cursor(asked.get("from")), limit + 1);
        List<Found> found = statements.find(sender, query);
        ObjectNode all = JsonNodeFactory.instance.objectNode();
        ArrayNode shown = all.putArray("statements");
        found.stream().limit(limit).forEach(f -> shown.add(shown((ObjectNode) json.readTree(f.raw()), format)));
        String more = "";
        if (found.size() > limit) {
            Found last = found.get(limit - 1);
            UriComponentsBuilder next = UriComponentsBuilder.fromPath("/xapi/statements");
            asked.forEach((name, value) -> {
                if (!name.equals("from")) {
                    next.queryParam(name, "{" + name + "}");
                }
            });
            Map<String, Object> values = new LinkedHashMap<>(asked);
            values.put("from", last.stored().toInstant() + "~" + last.id());
            more = next.queryParam("from", "{from}").encode().buildAndExpand(values).toUriString();
        }
        all.put("more", more);
        return all;
    }

    private static boolean yes(Map<String, String> asked, String name) {
        String value = asked.getOrDefault(name, "false");
        if (!value.equals("true") && !value.equals("false")) {
            throw new BadStatement(name, "is true or false");
        }
        return value.equals("true");
    }

    private @Nullable String actor(@Nullable String agent) {
        if (agent == null) {
            return null;
        }
        JsonNode node = read(agent.getBytes(StandardCharsets.UTF_8));
        StatementCheck.actor(node, "agent");
        return Statement.actor(node);
    }

    private static @Nullable String iri(Map<String, String> asked, String name) {
        return asked.containsKey(name) ? Shapes.iri(JsonNodeFactory.instance.stringNode(asked.get(name)), name) : null;
    }

    private static @Nullable Instant time(Map<String, String> asked, String name) {
        return asked.containsKey(name) ? Shapes.time(JsonNodeFactory.instance.stringNode(asked.get(name)), name) : null;
    }

    private static @Nullable Cursor cursor(@Nullable String from) {
        if (from == null) {
            return null;
        }
        int apart = from.indexOf('~');
        if (apart < 0) {
            throw new BadStatement("from", "is what 'more' said");
        }
        return new Cursor(Shapes.time(JsonNodeFactory.instance.stringNode(from.substring(0, apart)), "from"), uuid(from.substring(apart + 1), "from"));
    }

    /** As asked: exact, only what identifies (ids), or with one language of each text (canonical). */
    private static ObjectNode shown(ObjectNode s, String format) {
        if (format.equals("ids")) {
            bare(s);
        } else if (format.equals("canonical")) {
            oneLanguage(s);
        }
        return s;
    }

    private static void bare(ObjectNode s) {
        for (String actor : List.of("actor", "authority")) {
            if (s.get(actor) instanceof ObjectNode a) {
                a.remove("name");
            }
        }
        if (s.get("verb") instanceof ObjectNode v) {
            v.remove("display");
        }
        if (s.get("object") instanceof ObjectNode o) {
            o.remove("definition");
            o.remove("name");
        }
        s.at("/context/contextActivities").forEach(list -> list.forEach(a -> ((ObjectNode) a).remove("definition")));
    }

    private static void oneLanguage(JsonNode node) {
        if (node instanceof ObjectNode o) {
            for (String name : new ArrayList<>(o.propertyNames())) {
                JsonNode value = o.get(name);
                if (Set.of("display", "name", "description").contains(name) && value instanceof ObjectNode texts && texts.size() > 1) {
                    String kept = texts.has("en") ? "en" : texts.propertyNames().iterator().next();
                    texts.retain(kept);
                } else if (!name.equals("extensions")) {
                    oneLanguage(value);
                }
            }
        } else if (node.isArray()) {
            node.forEach(XapiController::oneLanguage);
        }
    }
}
