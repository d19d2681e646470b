package org.zealousladder.server.engagement.xapi;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What is no statement is refused with where and why, and never makes the server fail. */
class MalformedStatementsTest extends XapiCase {
    @Test
    void whatIsNoStatementIsRefusedWithWhereAndWhy() throws Exception {
        Map<String, java.util.function.Consumer<ObjectNode>> wrong = new java.util.LinkedHashMap<>();
        wrong.put("verb.id", s -> s.putObject("verb").put("id", "answered"));
        wrong.put("timestamp: lies in the future", s -> s.put("timestamp", "2125-01-01T00:00:00Z"));
        wrong.put("timestamp: has to be a time", s -> s.put("timestamp", "2026-03-12T10:15:00"));
        wrong.put("actor: has two identifiers", s -> ((ObjectNode) s.get("actor")).put("mbox", "mailto:a@b.example"));
        wrong.put("actor.mbox", s -> s.putObject("actor").put("mbox", "a@b.example"));
        wrong.put("a property 'Verb'", s -> s.putObject("Verb"));
        wrong.put("result.duration", s -> ((ObjectNode) s.get("result")).put("duration", "12 minutes"));
        wrong.put("result.score.scaled", s -> ((ObjectNode) s.get("result")).putObject("score").put("scaled", 1.5));
        wrong.put("raw score lies", s -> ((ObjectNode) s.get("result")).putObject("score").put("raw", 11).put("max", 10));
        wrong.put("result.success", s -> ((ObjectNode) s.get("result")).put("success", "true"));
        wrong.put("is null", s -> ((ObjectNode) s.get("object")).putNull("definition"));
        wrong.put("object.id", s -> s.putObject("object").put("id", "page one"));
        wrong.put("objectType", s -> s.putObject("object").put("objectType", "activity").put("id", "https://x.example/"));
        wrong.put("context.registration", s -> ((ObjectNode) s.get("context")).put("registration", "1"));
        wrong.put("context.revision", s -> {
            s.putObject("object").put("objectType", "Agent").put("mbox", "mailto:a@b.example");
            ((ObjectNode) s.get("context")).put("revision", "1");
        });
        wrong.put("id: has to be a UUID", s -> s.put("id", "1"));
        wrong.put("no language", s -> ((ObjectNode) s.get("verb")).putObject("display").put("english please", "x"));
        wrong.put("has to be an IRI", s -> ((ObjectNode) s.get("result")).putObject("extensions").put("x", 1));
        wrong.put("are not taken here", s -> s.putArray("attachments").addObject().put("usageType", "https://x.example/"));
        wrong.put("a character that is none", s -> ((ObjectNode) s.at("/actor/account")).put("name", "a\u0000b"));
        for (var w : wrong.entrySet()) {
            ObjectNode s = statement("XAPI-Ada", ANSWERED, "wrong");
            w.getValue().accept(s);
            MockHttpServletResponse answer = send(s);
            assertEquals(400, answer.getStatus(), w.getKey() + " " + answer.getContentAsString());
            assertTrue(answer.getContentAsString(StandardCharsets.UTF_8).contains(w.getKey()), w.getKey() + " " + answer.getContentAsString());
        }
        // More than a day has is kept as it came, and counts as no told time.
        ObjectNode long_ = statement("XAPI-Ada", ANSWERED, "long");
        ((ObjectNode) long_.get("result")).put("duration", "PT1000000M");
        assertEquals(200, send(long_).getStatus());
        assertEquals(null,
                actions("XAPI-Ada").stream().filter(a -> String.valueOf(a.get("name")).equals("Page long")).findFirst().orElseThrow().get("minutes"));
        MockHttpServletResponse cut = ask(post("/xapi/statements").contentType("application/json").content("{\"actor\":{\"acc"));
        assertEquals(400, cut.getStatus());
        assertTrue(cut.getContentAsString().contains("not all of it came"));
    }

    /** Mutated by the thousand: what is no statement is refused, and nothing makes the server fail. */
    @Test
    void malformedStatementsByTheThousandNeverMakeItFail() throws Exception {
        Random random = new Random(7);
        int refused = 0;
        for (int i = 0; i < 2000; i++) {
            ObjectNode s = statement("XAPI-Ada", ANSWERED, "m" + i % 5);
            mutate(s, random);
            MockHttpServletResponse answer = send(random.nextInt(10) == 0 ? JsonNodeFactory.instance.arrayNode().add(s) : s);
            assertTrue(answer.getStatus() < 500, s + " " + answer.getContentAsString());
            refused += answer.getStatus() == 400 ? 1 : 0;
        }
        assertTrue(refused > 1000, "refused " + refused);
    }

    private static void mutate(ObjectNode s, Random random) {
        List<ObjectNode> objects = new ArrayList<>();
        collect(s, objects);
        ObjectNode at = objects.get(random.nextInt(objects.size()));
        List<String> names = new ArrayList<>(at.propertyNames());
        String name = names.isEmpty() ? "x" : names.get(random.nextInt(names.size()));
        switch (random.nextInt(8)) {
            case 0 -> at.putNull(name);
            case 1 -> at.remove(name);
            case 2 -> at.put(name, random.nextInt());
            case 3 -> at.put(name, "\ud800\u0007 ' \" \\ " + random.nextInt());
            case 4 -> at.putArray(name).addNull();
            case 5 -> at.putObject(name).put("id", "x");
            case 6 -> at.put("extra" + random.nextInt(3), true);
            default -> at.put(name, "x".repeat(random.nextInt(4000)));
        }
    }

    private static void collect(JsonNode node, List<ObjectNode> all) {
        if (node instanceof ObjectNode o) {
            all.add(o);
        }
        node.forEach(n -> collect(n, all));
    }
}
