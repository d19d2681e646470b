package org.zealousladder.server.engagement.xapi;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Whether a statement is one, by the rules of xAPI 1.0.3 (part two, chapter 2) with what 2.0 adds. */
final class StatementCheck {
    static final String VOIDED = "http://adlnet.gov/expapi/verbs/voided";
    private static final Set<String> STATEMENT = Set.of("id", "actor", "verb", "object", "result", "context", "timestamp", "stored", "authority", "version",
            "attachments");
    private static final Set<String> SUB = Set.of("objectType", "actor", "verb", "object", "result", "context", "timestamp", "attachments");
    private static final Set<String> CONTEXT = Set.of("registration", "instructor", "team", "contextActivities", "revision", "platform", "language",
            "statement", "extensions",
            "contextAgents", "contextGroups");
    private static final List<String> AROUND = List.of("parent", "grouping", "category", "other");
    private static final List<String> IDENTIFIERS = List.of("mbox", "mbox_sha1sum", "openid", "account");
    private static final Set<String> DEFINITION = Set.of("name", "description", "type", "moreInfo", "extensions", "interactionType", "correctResponsesPattern",
            "choices", "scale",
            "source", "target", "steps");
    private static final Set<String> INTERACTIONS = Set.of("true-false", "choice", "fill-in", "long-fill-in", "matching", "performance", "sequencing", "likert",
            "numeric", "other");
    private static final Pattern SHA1 = Pattern.compile("[0-9a-fA-F]{40}");
    private static final int DEEPEST = 20;
    /** Clocks differ; a statement of later than this is of the future. */
    private static final long AHEAD_SECONDS = 3600;

    private StatementCheck() {}

    /** @throws BadStatement saying where and why */
    static void check(JsonNode s, Instant now) {
        Shapes.only(s, "the statement", STATEMENT);
        noNulls(s, "", 0);
        if (s.has("id")) {
            Shapes.uuid(s.get("id"), "id");
        }
        parts(s, "", now);
        if (s.has("stored")) {
            Shapes.time(s.get("stored"), "stored");
        }
        if (s.has("authority")) {
            actor(s.get("authority"), "authority");
        }
        if (s.has("version") && !Shapes.text(s.get("version"), "version").matches("1\\.0(\\.\\d+)?|2\\.0\\.\\d+")) {
            throw new BadStatement("version", "has to be 1.0.x or 2.0.x");
        }
        if (Shapes.text(s.path("verb").path("id"), "verb.id").equals(VOIDED) && !"StatementRef".equals(s.path("object").path("objectType").asString(""))) {
            throw new BadStatement("object", "of a voiding statement has to be a StatementRef");
        }
    }

    private static void parts(JsonNode s, String in, Instant now) {
        for (String must : List.of("actor", "verb", "object")) {
            if (!s.has(must)) {
                throw new BadStatement(in + must, "is missing");
            }
        }
        actor(s.get("actor"), in + "actor");
        JsonNode verb = s.get("verb");
        Shapes.only(verb, in + "verb", Set.of("id", "display"));
        Shapes.iri(verb.path("id"), in + "verb.id");
        if (verb.has("display")) {
            Shapes.languages(verb.get("display"), in + "verb.display");
        }
        boolean activity = object(s.get("object"), in + "object", in.isEmpty(), now);
        if (s.has("result")) {
            result(s.get("result"), in + "result");
        }
        if (s.has("context")) {
            context(s.get("context"), in + "context", activity);
        }
        if (s.has("timestamp") && Shapes.time(s.get("timestamp"), in + "timestamp").isAfter(now.plusSeconds(AHEAD_SECONDS))) {
            throw new BadStatement(in + "timestamp", "lies in the future");
        }
        if (s.has("attachments") && !(s.get("attachments").isArray() && s.get("attachments").isEmpty())) {
            throw new BadStatement(in + "attachments", "are not taken here; send the statement without them");
        }
    }

    private static void noNulls(JsonNode node, String where, int deep) {
        if (deep > DEEPEST) {
            throw new BadStatement(where, "lies too deep");
        }
        if (node.isNull()) {
            throw new BadStatement(where, "is null; leave it out");
        }
        if (node.isString() && node.asString().indexOf(0) >= 0) {
            throw new BadStatement(where, "holds a character that is none");
        }
        node.properties().forEach(e -> {
            if (e.getKey().indexOf(0) >= 0) {
                throw new BadStatement(where, "has a property with a character that is none");
            }
            if (!e.getKey().equals("extensions")) {
                noNulls(e.getValue(), where.isEmpty() ? e.getKey() : where + "." + e.getKey(), deep + 1);
            }
        });
        if (node.isArray()) {
            node.forEach(n -> noNulls(n, where, deep + 1));
        }
    }

    static void actor(JsonNode a, String where) {
        boolean group = type(a, where).equals("Group");
        if (!group && !type(a, where).equals("Agent")) {
            throw new BadStatement(where, "has to be an Agent or a Group");
        }
        Shapes.only(a, where, group ? Set.of("objectType", "name", "mbox", "mbox_sha1sum", "openid", "account", "member")
                : Set.of("objectType", "name", "mbox", "mbox_sha1sum", "openid", "account"));
        List<String> by = IDENTIFIERS.stream().filter(a::has).toList();
        if (by.size() > 1) {
            throw new BadStatement(where, "has two identifiers, " + by.get(0) + " and " + by.get(1));
        }
        if (by.isEmpty() && !(group && a.path("member").isArray() && !a.path("member").isEmpty())) {
            throw new BadStatement(where, group ? "has to have an identifier or members" : "has to have one of " + String.join(", ", IDENTIFIERS));
        }
        if (a.has("name")) {
            Shapes.text(a.get("name"), where + ".name");
        }
        if (a.has("mbox") && !Shapes.iri(a.get("mbox"), where + ".mbox").matches("mailto:[^@\\s]+@[^@\\s]+")) {
            throw new BadStatement(where + ".mbox", "has to be mailto: and an address");
        }
        if (a.has("mbox_sha1sum") && !SHA1.matcher(Shapes.text(a.get("mbox_sha1sum"), where + ".mbox_sha1sum")).matches()) {
            throw new BadStatement(where + ".mbox_sha1sum", "has to be 40 hexadecimal digits");
        }
        if (a.has("openid")) {
            Shapes.iri(a.get("openid"), where + ".openid");
        }
        if (a.has("account")) {
            Shapes.only(a.get("account"), where + ".account", Set.of("homePage", "name"));
            Shapes.iri(a.get("account").path("homePage"), where + ".account.homePage");
            if (Shapes.text(a.get("account").path("name"), where + ".account.name").isEmpty()) {
                throw new BadStatement(where + ".account.name", "is empty");
            }
        }
        if (a.has("member")) {
            if (!a.get("member").isArray()) {
                throw new BadStatement(where + ".member", "has to be a list");
            }
            a.get("member").forEach(m -> {
                if (!type(m, where + ".member").equals("Agent")) {
                    throw new BadStatement(where + ".member", "holds agents only");
                }
                actor(m, where + ".member");
            });
        }
    }

    private static String type(JsonNode node, String where) {
        return node.has("objectType") ? Shapes.text(node.get("objectType"), where + ".objectType") : "Agent";
    }

    /** @return whether it is an activity */
    private static boolean object(JsonNode o, String where, boolean outermost, Instant now) {
        if (!o.isObject()) {
            throw new BadStatement(where, "has to be an object");
        }
        switch (o.has("objectType") ? Shapes.text(o.get("objectType"), where + ".objectType") : "Activity") {
            case "Activity" -> {
                activity(o, where);
                return true;
            }
            case "Agent", "Group" -> actor(o, where);
            case "StatementRef" -> {
                Shapes.only(o, where, Set.of("objectType", "id"));
                Shapes.uuid(o.path("id"), where + ".id");
            }
            case "SubStatement" -> {
                if (!outermost) {
                    throw new BadStatement(where, "a SubStatement holds no other");
                }
                Shapes.only(o, where, SUB);
                parts(o, where + ".", now);
            }
            default -> throw new BadStatement(where + ".objectType", "is none that there is");
        }
        return false;
    }

    private static void activity(JsonNode o, String where) {
        Shapes.only(o, where, Set.of("objectType", "id", "definition"));
        if (o.has("objectType") && !"Activity".equals(o.get("objectType").asString(""))) {
            throw new BadStatement(where + ".objectType", "has to be Activity");
        }
        Shapes.iri(o.path("id"), where + ".id");
        JsonNode d = o.get("definition");
        if (d == null) {
            return;
        }
        Shapes.only(d, where + ".definition", DEFINITION);
        for (String texts : List.of("name", "description")) {
            if (d.has(texts)) {
                Shapes.languages(d.get(texts), where + ".definition." + texts);
            }
        }
        for (String address : List.of("type", "moreInfo")) {
            if (d.has(address)) {
                Shapes.iri(d.get(address), where + ".definition." + address);
            }
        }
        if (d.has("extensions")) {
            Shapes.extensions(d.get("extensions"), where + ".definition.extensions");
        }
        if (d.has("interactionType") && !INTERACTIONS.contains(Shapes.text(d.get("interactionType"), where + ".definition.interactionType"))) {
            throw new BadStatement(where + ".definition.interactionType", "is none that there is");
        }
        if (d.has("correctResponsesPattern")) {
            each(d.get("correctResponsesPattern"), where + ".definition.correctResponsesPattern", (n, at) -> Shapes.text(n, at));
        }
        for (String parts : List.of("choices", "scale", "source", "target", "steps")) {
            if (d.has(parts)) {
                each(d.get(parts), where + ".definition." + parts, (n, at) -> {
                    Shapes.only(n, at, Set.of("id", "description"));
                    Shapes.text(n.path("id"), at + ".id");
                    if (n.has("description")) {
                        Shapes.languages(n.get("description"), at + ".description");
                    }
                });
            }
        }
    }

    private static void each(JsonNode list, String where, java.util.function.BiConsumer<JsonNode, String> check) {
        if (!list.isArray()) {
            throw new BadStatement(where, "has to be a list");
        }
        list.forEach(n -> check.accept(n, where));
    }

    private static void result(JsonNode r, String where) {
        Shapes.only(r, where, Set.of("score", "success", "completion", "response", "duration", "extensions"));
        Shapes.yesNo(r.get("success"), where + ".success");
        Shapes.yesNo(r.get("completion"), where + ".completion");
        if (r.has("response")) {
            Shapes.text(r.get("response"), where + ".response");
        }
        if (r.has("duration")) {
            Shapes.minutes(r.get("duration"), where + ".duration");
        }
        if (r.has("extensions")) {
            Shapes.extensions(r.get("extensions"), where + ".extensions");
        }
        if (r.has("score")) {
            JsonNode s = r.get("score");
            Shapes.only(s, where + ".score", Set.of("scaled", "raw", "min", "max"));
            Double scaled = number(s, "scaled", where);
            Double raw = number(s, "raw", where);
            Double min = number(s, "min", where);
            Double max = number(s, "max", where);
            if (scaled != null && (scaled < -1 || scaled > 1)) {
                throw new BadStatement(where + ".score.scaled", "lies from -1 to 1");
            }
            if (min != null && max != null && min >= max || raw != null && (min != null && raw < min || max != null && raw > max)) {
                throw new BadStatement(where + ".score", "the raw score lies from min to max, and min is below max");
            }
        }
    }

    private static @Nullable Double number(JsonNode s, String name, String where) {
        if (!s.has(name)) {
            return null;
        }
        if (!s.get(name).isNumber()) {
            throw new BadStatement(where + ".score." + name, "has to be a number");
        }
        return s.get(name).asDouble();
    }

    private static void context(JsonNode c, String where, boolean ofActivity) {
        Shapes.only(c, where, CONTEXT);
        if (c.has("registration")) {
            Shapes.uuid(c.get("registration"), where + ".registration");
        }
        if (c.has("instructor")) {
            actor(c.get("instructor"), where + ".instructor");
        }
        if (c.has("team")) {
            if (!type(c.get("team"), where + ".team").equals("Group")) {
                throw new BadStatement(where + ".team", "has to be a Group");
            }
            actor(c.get("team"), where + ".team");
        }
        for (String words : List.of("revision", "platform")) {
            if (c.has(words)) {
                Shapes.text(c.get(words), where + "." + words);
                if (!ofActivity) {
                    throw new BadStatement(where + "." + words, "is told of activities only");
                }
            }
        }
        if (c.has("language")) {
            Shapes.text(c.get("language"), where + ".language");
        }
        if (c.has("statement")) {
            Shapes.only(c.get("statement"), where + ".statement", Set.of("objectType", "id"));
            Shapes.uuid(c.get("statement").path("id"), where + ".statement.id");
        }
        if (c.has("extensions")) {
            Shapes.extensions(c.get("extensions"), where + ".extensions");
        }
        if (c.has("contextActivities")) {
            JsonNode around = c.get("contextActivities");
            Shapes.only(around, where + ".contextActivities", Set.copyOf(AROUND));
            around.properties().forEach(e -> {
                String at = where + ".contextActivities." + e.getKey();
                if (e.getValue().isArray()) {
                    e.getValue().forEach(a -> activity(a, at));
                } else {
                    activity(e.getValue(), at);
                }
            });
        }
    }
}
