package org.zealousladder.server.engagement.xapi;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.apache.commons.codec.digest.DigestUtils;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A statement that has been checked, and what is asked of it.
 *
 * @param digest of what two statements are compared by
 * @param raw as it is given back
 * @param actor one line by which the same actor is known again; @param account name of the account, where it has one
 * @param activity the object's address, where it is an activity
 * @param related addresses of all activities in it
 * @param agents everybody who is named in it, each as in {@code actor}
 * @param refers the statement that it is about
 * @param chain where it was done, from the outermost: grouping, parent, the thing itself; null where the object is no activity
 * @param minutes as told, up to a day; null for nothing told, or more than a day has
 * @param voids the statement that it takes back
 */
record Statement(UUID id, Instant at, String digest, ObjectNode raw, String actor, @Nullable String account, String verb, @Nullable String activity,
        @Nullable String activityType, @Nullable UUID registration, List<String> related, @Nullable ArrayNode chain, @Nullable Double minutes,
        @Nullable UUID voids, List<String> agents, @Nullable UUID refers) {
    private static final double DAY = 1440;
    private static final List<String> IDENTIFIERS = List.of("account", "mbox", "mbox_sha1sum", "openid");
    private static final int DEEPEST = 8;
    private static final int LONGEST_NAME = 200;
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    /** @param id for a statement without one; @param authority who sent it */
    static Statement of(ObjectNode s, UUID id, Instant stored, String version, ObjectNode authority, JsonMapper json) {
        String digest = DigestUtils.sha256Hex(json.writeValueAsString(comparable(s, "")).getBytes(StandardCharsets.UTF_8));
        ObjectNode raw = s.deepCopy();
        raw.put("id", id.toString());
        raw.put("stored", stored.toString());
        if (!raw.has("timestamp")) {
            raw.put("timestamp", stored.toString());
        }
        if (!raw.has("version")) {
            raw.put("version", version.startsWith("2") ? "2.0.0" : "1.0.0");
        }
        raw.set("authority", authority);
        listed(raw);
        JsonNode object = s.get("object");
        boolean activity = !object.has("objectType") || object.get("objectType").asString().equals("Activity");
        boolean voiding = s.at("/verb/id").asString().equals(StatementCheck.VOIDED);
        Double minutes = s.at("/result/duration").isMissingNode() ? null : Shapes.minutes(s.at("/result/duration"), "result.duration");
        return new Statement(id, s.has("timestamp") ? Shapes.time(s.get("timestamp"), "timestamp") : stored, digest, raw, actor(s.get("actor")),
                account(s.get("actor")),
                s.at("/verb/id").asString(), activity ? object.get("id").asString() : null, activity ? object.at("/definition/type").asString(null) : null,
                s.at("/context/registration").isMissingNode() ? null : UUID.fromString(s.at("/context/registration").asString()), related(raw, activity),
                activity ? chain(raw) : null, minutes == null || minutes > DAY ? null : minutes, voiding ? UUID.fromString(object.get("id").asString()) : null,
                agents(raw), refers(object));
    }

    /** The same for the same actor, however it is written. */
    static String actor(JsonNode a) {
        if (a.has("account")) {
            return "account " + a.at("/account/homePage").asString() + " " + a.at("/account/name").asString();
        }
        for (String by : IDENTIFIERS) {
            if (a.has(by)) {
                return by + " " + a.get(by).asString();
            }
        }
        return "group of " + a.path("member").size();
    }

    private static @Nullable String account(JsonNode a) {
        return a.at("/account/name").asString(null);
    }

    /** Around it, single things as lists: that is how they are given back. */
    private static void listed(ObjectNode s) {
        if (s.at("/context/contextActivities") instanceof ObjectNode around) {
            for (String name : List.copyOf(around.propertyNames())) {
                if (!around.get(name).isArray()) {
                    around.set(name, NODES.arrayNode().add(around.get(name)));
                }
            }
        }
        if (s.get("object") instanceof ObjectNode o && o.path("objectType").asString("").equals("SubStatement")) {
            listed(o);
        }
    }

    /** Without what the store sets and what may differ between tellings of the same: order of properties, how a verb is called, lists of one. */
    private static JsonNode comparable(JsonNode node, String in) {
        if (node.isObject()) {
            TreeMap<String, JsonNode> sorted = new TreeMap<>();
            node.properties().forEach(e -> {
                boolean set = in.isEmpty() && List.of("id", "stored", "authority", "version").contains(e.getKey());
                boolean called = in.endsWith("/verb") && e.getKey().equals("display");
                if (!set && !called) {
                    JsonNode value = comparable(e.getValue(), in + "/" + e.getKey());
                    sorted.put(e.getKey(), in.endsWith("/contextActivities") && !value.isArray() ? NODES.arrayNode().add(value) : value);
                }
            });
            ObjectNode all = NODES.objectNode();
            sorted.forEach(all::set);
            return all;
        }
        if (node.isArray()) {
            ArrayNode all = NODES.arrayNode();
            node.forEach(n -> all.add(comparable(n, in)));
            return all;
        }
        if (node.isString() && in.equals("/timestamp")) {
            return NODES.stringNode(Shapes.time(node, "timestamp").toString());
        }
        return node;
    }

    private static @Nullable UUID refers(JsonNode object) {
        return object.path("objectType").asString("").equals("StatementRef") ? UUID.fromString(object.get("id").asString()) : null;
    }

    /** Actor, object, instructor, team, the store's authority, members of groups, and those of a sub-statement. */
    private static List<String> agents(JsonNode s) {
        LinkedHashSet<String> all = new LinkedHashSet<>();
        for (JsonNode one : List.of(s.path("actor"), s.path("object"), s.at("/context/instructor"), s.at("/context/team"), s.path("authority"))) {
            String kind = one.path("objectType").asString("");
            if (IDENTIFIERS.stream().anyMatch(one::has) && !kind.equals("Activity")) {
                all.add(actor(one));
            }
            one.path("member").forEach(m -> all.add(actor(m)));
        }
        if (s.at("/object/objectType").asString("").equals("SubStatement")) {
            all.addAll(agents(s.path("object")));
        }
        return List.copyOf(all);
    }

    private static List<String> related(ObjectNode s, boolean activity) {
        List<String> all = new ArrayList<>();
        if (activity) {
            all.add(s.at("/object/id").asString());
        }
        s.at("/context/contextActivities").forEach(list -> list.forEach(a -> all.add(a.path("id").asString())));
        return all.stream().distinct().toList();
    }

    /** Of several groupings the first is the outermost. */
    private static ArrayNode chain(ObjectNode s) {
        Map<String, String> places = new LinkedHashMap<>();
        for (String around : List.of("grouping", "parent")) {
            s.at("/context/contextActivities/" + around).forEach(a -> places.putIfAbsent(a.path("id").asString(), name(a)));
        }
        String own = s.at("/object/id").asString();
        places.remove(own);
        ArrayNode chain = NODES.arrayNode();
        places.entrySet().stream().limit(DEEPEST - 1).forEach(e -> chain.add(place(e.getKey(), e.getValue())));
        return chain.add(place(own, name(s.get("object"))));
    }

    private static ObjectNode place(String iri, String name) {
        return NODES.objectNode().put("iri", iri).put("name", name);
    }

    /** As the activity calls itself; else the last part of its address. */
    private static String name(JsonNode activity) {
        JsonNode names = activity.at("/definition/name");
        String name = names.has("en") ? names.get("en").asString() : names.isEmpty() ? "" : names.iterator().next().asString();
        if (name.isBlank()) {
            String iri = activity.path("id").asString().replaceFirst("[/#?]+$", "");
            name = iri.substring(Math.max(iri.lastIndexOf('/'), Math.max(iri.lastIndexOf('#'), iri.lastIndexOf(':'))) + 1);
        }
        String clean = name.replaceAll("\\p{Cntrl}", " ").strip();
        return clean.isEmpty() ? "?" : clean.substring(0, Math.min(LONGEST_NAME, clean.length()));
    }
}
