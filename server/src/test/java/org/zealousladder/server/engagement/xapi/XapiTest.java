package org.zealousladder.server.engagement.xapi;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The receiving end, rule by rule over HTTP. */
class XapiTest extends XapiCase {
    @Autowired
    private StatementsService statements;

    @Test
    void aStatementBecomesMinutesWithItsPlaceAndIsGivenBackAsItCame() throws Exception {
        ObjectNode s = statement("XAPI-Ada", ANSWERED, "one");
        MockHttpServletResponse answer = send(s);
        assertEquals(200, answer.getStatus(), answer.getContentAsString());
        assertEquals("1.0.3", answer.getHeader("X-Experience-API-Version"));
        String id = json.readTree(answer.getContentAsString()).get(0).asString();
        Map<String, Object> action = actions("XAPI-Ada").stream().filter(a -> String.valueOf(a.get("name")).equals("Page one")).findFirst().orElseThrow();
        assertEquals("2026-03-12|practice|12.5|Stories > Das Buch > Page one",
                action.get("day") + "|" + action.get("kind") + "|" + action.get("minutes") + "|" + action.get("place"));
        JsonNode back = found("statementId", id);
        assertEquals(s.get("actor"), back.get("actor"));
        assertEquals(s.get("result"), back.get("result"));
        // A single activity around it comes back as a list; what the store sets is there.
        assertTrue(back.at("/context/contextActivities/parent").isArray());
        assertEquals("1.0.0|" + key, back.get("version").asString() + "|" + back.at("/authority/account/name").asString());
        assertTrue(back.has("stored"));
    }

    @Test
    void theSameAgainChangesNothingAndAnotherUnderTheSameIdIsRefused() throws Exception {
        String id = UUID.randomUUID().toString();
        ObjectNode s = statement("XAPI-Ben", ANSWERED, "conflict");
        assertEquals(204, putOne(id, s).getStatus());
        assertEquals(204, putOne(id, s).getStatus());
        // Told with the id in it, other words for the verb, and the list as a list: the same.
        ObjectNode same = s.deepCopy();
        same.put("id", id);
        ((ObjectNode) same.at("/verb/display")).put("en", "did it");
        ((ObjectNode) same.at("/context/contextActivities")).set("parent", JsonNodeFactory.instance.arrayNode().add(s.at("/context/contextActivities/parent")));
        assertEquals(200, send(same).getStatus());
        ObjectNode other = s.deepCopy();
        ((ObjectNode) other.get("result")).put("duration", "PT13M");
        assertEquals(409, putOne(id, other).getStatus());
        other.put("id", id);
        // All or none: the good one beside it is not kept either.
        String good = UUID.randomUUID().toString();
        ObjectNode beside = statement("XAPI-Ben", ANSWERED, "beside");
        beside.put("id", good);
        assertEquals(409, send(JsonNodeFactory.instance.arrayNode().add(beside).add(other)).getStatus());
        assertEquals(404, ask(get("/xapi/statements").queryParam("statementId", good)).getStatus());
        assertEquals(1, actions("XAPI-Ben").stream().filter(a -> String.valueOf(a.get("name")).equals("Page conflict")).count());
        assertEquals(400, putOne(UUID.randomUUID().toString(), same).getStatus(), "another id than the address");
        assertEquals(400, send(JsonNodeFactory.instance.arrayNode().add(beside).add(beside)).getStatus(), "twice in a list");
    }

    private ObjectNode voiding(String target) {
        ObjectNode s = statement("XAPI-Ada", VOIDED, "x");
        s.remove("context");
        s.remove("result");
        s.putObject("object").put("objectType", "StatementRef").put("id", target);
        return s;
    }

    @Test
    void aVoidedStatementCountsNoMoreAndIsFoundOnlyAsVoided() throws Exception {
        String id = UUID.randomUUID().toString();
        assertEquals(204, putOne(id, statement("XAPI-Ada", ANSWERED, "void")).getStatus());
        MockHttpServletResponse answer = send(voiding(id));
        assertEquals(200, answer.getStatus(), answer.getContentAsString());
        assertEquals(404, ask(get("/xapi/statements").queryParam("statementId", id)).getStatus());
        assertEquals(id, found("voidedStatementId", id).get("id").asString());
        assertEquals(true, actions("XAPI-Ada").stream().filter(a -> String.valueOf(a.get("name")).equals("Page void")).findFirst().orElseThrow().get("gone"));
        String voiding = json.readTree(answer.getContentAsString()).get(0).asString();
        assertEquals(400, send(voiding(voiding)).getStatus(), "a voiding statement cannot be voided");
        assertEquals(voiding, found("statementId", voiding).get("id").asString());
        // The taking back may come first.
        String later = UUID.randomUUID().toString();
        assertEquals(200, send(voiding(later)).getStatus());
        assertEquals(204, putOne(later, statement("XAPI-Ada", ANSWERED, "late")).getStatus());
        assertEquals(404, ask(get("/xapi/statements").queryParam("statementId", later)).getStatus());
        ObjectNode noRef = statement("XAPI-Ada", VOIDED, "x");
        assertEquals(400, send(noRef).getStatus());
    }

    @Test
    void statementsAreAskedForByWhoAndWhatAndWhenInPages() throws Exception {
        String registration = UUID.randomUUID().toString();
        String agent = "{\"account\":{\"homePage\":\"https://school.example\",\"name\":\"XAPI-Query\"}}";
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            ObjectNode s = statement("XAPI-Query", i < 4 ? ANSWERED : "http://adlnet.gov/expapi/verbs/experienced", "q" + i);
            ((ObjectNode) s.get("context")).put("registration", registration);
            MockHttpServletResponse answer = send(s);
            ids.add(json.readTree(answer.getContentAsString()).get(0).asString());
        }
        List<String> newest = new ArrayList<>(ids);
        java.util.Collections.reverse(newest);
        assertEquals(newest, ids(found("agent", agent)));
        assertEquals(ids, ids(found("agent", agent, "ascending", "true")));
        assertEquals(List.of(ids.get(4)), ids(found("agent", agent, "verb", "http://adlnet.gov/expapi/verbs/experienced")));
        assertEquals(List.of(ids.get(2)), ids(found("activity", "https://stories.example/q2")));
        assertEquals(List.of(), ids(found("agent", agent, "activity", "https://stories.example/book")));
        assertEquals(5, ids(found("registration", registration, "activity", "https://stories.example/book", "related_activities", "true")).size());
        String third = found("statementId", ids.get(2)).get("stored").asString();
        // Since leaves its moment out, until keeps it.
        assertEquals(List.of(ids.get(4), ids.get(3)), ids(found("agent", agent, "since", third)));
        assertEquals(List.of(ids.get(2), ids.get(1), ids.get(0)), ids(found("agent", agent, "until", third)));
        JsonNode page = found("agent", agent, "limit", "2");
        List<String> walked = new ArrayList<>(ids(page));
        for (int i = 0; i < 5 && !page.get("more").asString().isEmpty(); i++) {
            page = json.readTree(ask(get(java.net.URI.create(page.get("more").asString()))).getContentAsString());
            walked.addAll(ids(page));
        }
        assertEquals(newest, walked);
        JsonNode bare = found("agent", agent, "limit", "1", "format", "ids").at("/statements/0");
        assertFalse(bare.get("verb").has("display") || bare.get("object").has("definition"), bare.toString());
        for (String[] bad : new String[][] {{"Agent", agent}, {"agent", "{}"}, {"limit", "-1"}, {"limit", "x"}, {"since", "yesterday"}, {"verb", "did"},
                {"format", "all"},
                {"ascending", "yes"}, {"statementId", "1"}, {"registration", "1"}, {"from", "x"}}) {
            assertEquals(400, ask(get("/xapi/statements").queryParam(bad[0], bad[1])).getStatus(), bad[0] + " " + bad[1]);
        }
        assertEquals(400, ask(get("/xapi/statements").queryParam("statementId", ids.get(0)).queryParam("limit", "1")).getStatus());
        assertEquals(200, ask(get("/xapi/statements").queryParam("statementId", ids.get(0)).queryParam("format", "canonical")).getStatus());
    }

    private static List<String> ids(JsonNode list) {
        return list.get("statements").valueStream().map(s -> s.get("id").asString()).toList();
    }

    @Test
    void versionKeyAndPaceAreAskedForAndAboutNeedsNone() throws Exception {
        MockHttpServletResponse about = http.perform(get("/xapi/about")).andReturn().getResponse();
        assertEquals("{\"version\":[\"1.0.3\",\"2.0.0\"]}", about.getContentAsString());
        assertEquals(400, http.perform(get("/xapi/statements").header("Authorization", basic(key, secret))).andReturn().getResponse().getStatus());
        assertEquals(400,
                http.perform(get("/xapi/statements").header("Authorization", basic(key, secret)).header("X-Experience-API-Version", "0.9")).andReturn()
                        .getResponse()
                        .getStatus());
        MockHttpServletResponse second = http
                .perform(get("/xapi/statements").header("Authorization", basic(key, secret)).header("X-Experience-API-Version", "2.0.0")).andReturn()
                .getResponse();
        assertEquals("200 2.0.0", second.getStatus() + " " + second.getHeader("X-Experience-API-Version"));
        for (String wrong : new String[] {basic(key, secret + "x"), basic("nobody-here", secret), "Basic ???", "Bearer x"}) {
            MockHttpServletResponse answer = http.perform(get("/xapi/statements").header("Authorization", wrong).header("X-Experience-API-Version", "1.0.3"))
                    .andReturn().getResponse();
            assertEquals(401, answer.getStatus(), wrong);
            assertTrue(String.valueOf(answer.getHeader("WWW-Authenticate")).startsWith("Basic"));
        }
        // Without a key nobody is let in by the session of a person either.
        assertEquals(401, call(person("a.sandvik"), get("/xapi/statements").header("X-Experience-API-Version", "1.0.3")).andReturn().getResponse().getStatus());
        // A key that has been ended.
        JsonNode made = body(send(person("a.sandvik"), "/api/engagement/senders", Map.of("school", school(), "name", "Tally Quay")));
        send(person("m.tveit"), "/api/engagement/senders", Map.of("school", school(), "name", "Tally Quay")).andExpect(status().isForbidden());
        send(person("a.sandvik"), "/api/engagement/senders/" + made.get("id").asInt() + "/end", Map.of()).andExpect(status().isNoContent());
        signOutHere();
        assertEquals(401, http.perform(get("/xapi/statements").header("X-Experience-API-Version", "1.0.3")
                .header("Authorization", basic(made.get("key").asString(), made.get("secret").asString()))).andReturn().getResponse().getStatus());
    }

    @Test
    void unknownVerbsAndUnknownStudentsWaitUntilSomebodySaysWhoAndWhat() throws Exception {
        String juggled = "https://stories.example/verbs/juggled";
        assertEquals(200, send(statement("XAPI-Ben", juggled, "juggle")).getStatus());
        assertEquals(200, send(statement("nobody-knows", ANSWERED, "nobody")).getStatus());
        JsonNode view = body(read(person("m.tveit"), "/api/engagement/senders?school=" + school()).andExpect(status().isOk()));
        assertTrue(view.get("unknownVerbs").valueStream().anyMatch(v -> v.get("verb").asString().equals(juggled)), view.get("unknownVerbs").toString());
        assertTrue(view.get("unknownActors").valueStream().anyMatch(a -> a.get("actor").asString().endsWith(" nobody-knows")));
        read(person("r.oduya"), "/api/engagement/senders?school=" + school()).andExpect(status().isForbidden());
        long before = actions("XAPI-Ben").size();
        assertEquals(1,
                body(send(person("m.tveit"), "/api/engagement/senders/verbs", Map.of("school", school(), "verb", juggled, "kind", "other"))
                        .andExpect(status().isOk()))
                        .get("statements").asInt());
        assertEquals(before + 1, actions("XAPI-Ben").size());
        String actor = view.get("unknownActors").valueStream().map(a -> a.get("actor").asString()).filter(a -> a.endsWith(" nobody-knows")).findFirst()
                .orElseThrow();
        assertEquals(1,
                body(send(person("m.tveit"), "/api/engagement/senders/actors", Map.of("school", school(), "actor", actor, "student", student("Ben XAPI")))
                        .andExpect(status().isOk())).get("statements").asInt());
        send(person("m.tveit"), "/api/engagement/senders/actors", Map.of("school", school(), "actor", actor, "student", student("Ada XAPI")))
                .andExpect(status().isConflict());
        assertEquals(before + 2, actions("XAPI-Ben").size());
        // From now on they are known.
        signOutHere();
        assertEquals(200, send(statement("nobody-knows", juggled, "again")).getStatus());
        assertEquals(before + 3, actions("XAPI-Ben").size());
    }

    @Test
    void whoComesWithARosterLaterIsFoundByTheCode() throws Exception {
        assertEquals(200, send(statement("XLATE-Late", ANSWERED, "later")).getStatus());
        assertEquals(List.of(), actions("XLATE-Late"));
        newClass("XLATE", 3, "r.oduya", "Late");
        signInHere(Viewer.SYSTEM);
        // What the clock does every ten minutes.
        assertTrue(statements.again() >= 1);
        assertEquals(1, actions("XLATE-Late").size());
    }

    @Test
    void aWholeListIsOneAndAnotherSchoolsKeySeesNothingOfIt() throws Exception {
        ArrayNode list = JsonNodeFactory.instance.arrayNode();
        for (int i = 0; i < 300; i++) {
            list.add(statement("XAPI-Ada", ANSWERED, "list" + i));
        }
        MockHttpServletResponse answer = send(list);
        assertEquals(200, answer.getStatus());
        JsonNode ids = json.readTree(answer.getContentAsString());
        assertEquals(300, ids.size());
        take("school,name", "XOTHER,Other school");
        int other = asking(Viewer.SYSTEM, () -> db.sql("select id from roster_school where code = 'XOTHER'").query(Integer.class).single());
        JsonNode made = body(send(person("a.sandvik"), "/api/engagement/senders", Map.of("school", other, "name", "Elsewhere")));
        signOutHere();
        MockHttpServletRequestBuilder one = get("/xapi/statements").queryParam("statementId", ids.get(0).asString()).header("X-Experience-API-Version", "1.0.3")
                .header("Authorization", basic(made.get("key").asString(), made.get("secret").asString()));
        assertEquals(404, http.perform(one).andReturn().getResponse().getStatus());
    }

    private List<String> foundIds(String... query) throws Exception {
        return found(query).get("statements").valueStream().map(n -> n.get("id").asString()).toList();
    }

    @Test
    void whoIsNamedAnywhereIsFoundWhereThatIsAskedFor() throws Exception {
        ObjectNode s = statement("XAPI-Ada", ANSWERED, "with-others");
        ObjectNode context = (ObjectNode) s.get("context");
        context.putObject("instructor").put("mbox", "mailto:instructor@xapi.example");
        ObjectNode team = context.putObject("team").put("objectType", "Group");
        team.putArray("member").addObject().put("mbox", "mailto:member@xapi.example");
        String id = json.readTree(send(s).getContentAsString()).get(0).asString();
        for (String who : List.of("instructor", "member")) {
            String agent = "{\"mbox\":\"mailto:" + who + "@xapi.example\"}";
            assertEquals(List.of(), foundIds("agent", agent));
            assertEquals(List.of(id), foundIds("agent", agent, "related_agents", "true"));
        }
        assertEquals(List.of(), foundIds("agent", "{\"mbox\":\"mailto:nobody@xapi.example\"}", "related_agents", "true"));
    }

    @Test
    void aStatementAboutAnotherIsFoundByWhatThatOneIsAbout() throws Exception {
        String about = json.readTree(send(statement("XAPI-Ada", ANSWERED, "commented-on")).getContentAsString()).get(0).asString();
        String activity = "https://stories.example/commented-on";
        List<String> chain = new ArrayList<>(List.of(about));
        for (String who : List.of("a-teacher", "another")) {
            ObjectNode comment = JsonNodeFactory.instance.objectNode();
            comment.putObject("actor").put("mbox", "mailto:" + who + "@xapi.example");
            comment.putObject("verb").put("id", "http://adlnet.gov/expapi/verbs/commented");
            comment.putObject("object").put("objectType", "StatementRef").put("id", chain.get(0));
            chain.add(0, json.readTree(send(comment).getContentAsString()).get(0).asString());
        }
        assertEquals(chain, foundIds("activity", activity));
        assertEquals(List.of(about), foundIds("activity", activity, "verb", ANSWERED, "limit", "1", "ascending", "true"));
        // Once it is voided, what is about it stands; it is not given back itself.
        ObjectNode voiding = JsonNodeFactory.instance.objectNode();
        voiding.putObject("actor").put("mbox", "mailto:a-teacher@xapi.example");
        voiding.putObject("verb").put("id", VOIDED);
        voiding.putObject("object").put("objectType", "StatementRef").put("id", about);
        String by = json.readTree(send(voiding).getContentAsString()).get(0).asString();
        assertEquals(List.of(by, chain.get(0), chain.get(1)), foundIds("activity", activity));
    }
}
