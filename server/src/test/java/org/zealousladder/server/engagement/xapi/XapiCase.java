package org.zealousladder.server.engagement.xapi;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A program that sends, with a class of two whom it tells of. */
abstract class XapiCase extends ScreeningTest {
    static final String ANSWERED = "http://adlnet.gov/expapi/verbs/answered";
    static final String VOIDED = "http://adlnet.gov/expapi/verbs/voided";
    static String key = "";
    static String secret = "";

    @BeforeEach
    void sender() throws Exception {
        if (key.isEmpty()) {
            newClass("XAPI", 3, "r.oduya", "Ada", "Ben");
            JsonNode made = body(
                    send(person("a.sandvik"), "/api/engagement/senders", Map.of("school", school(), "name", "Saltmarsh Stories")).andExpect(status().isOk()));
            key = made.get("key").asString();
            secret = made.get("secret").asString();
        }
        signOutHere();
    }

    MockHttpServletResponse ask(MockHttpServletRequestBuilder request) throws Exception {
        return http.perform(request.header("X-Experience-API-Version", "1.0.3").header("Authorization", basic(key, secret))).andReturn().getResponse();
    }

    static String basic(String key, String secret) {
        return "Basic " + Base64.getEncoder().encodeToString((key + ":" + secret).getBytes(StandardCharsets.UTF_8));
    }

    MockHttpServletResponse send(JsonNode what) throws Exception {
        return ask(post("/xapi/statements").contentType("application/json").content(what.toString()));
    }

    MockHttpServletResponse putOne(String id, JsonNode what) throws Exception {
        return ask(put("/xapi/statements").queryParam("statementId", id).contentType("application/json").content(what.toString()));
    }

    JsonNode found(String... query) throws Exception {
        MockHttpServletRequestBuilder request = get("/xapi/statements");
        for (int i = 0; i < query.length; i += 2) {
            request = request.queryParam(query[i], query[i + 1]);
        }
        MockHttpServletResponse answer = ask(request);
        assertEquals(200, answer.getStatus(), answer.getContentAsString());
        return json.readTree(answer.getContentAsString(StandardCharsets.UTF_8));
    }

    ObjectNode statement(String student, String verb, String page) {
        ObjectNode s = JsonNodeFactory.instance.objectNode();
        s.putObject("actor").put("objectType", "Agent").putObject("account").put("homePage", "https://school.example").put("name", student);
        s.putObject("verb").put("id", verb).putObject("display").put("en", "did");
        ObjectNode object = s.putObject("object");
        object.put("id", "https://stories.example/" + page).putObject("definition").put("type", "https://stories.example/page").putObject("name").put("en",
                "Page " + page);
        ObjectNode around = s.putObject("context").putObject("contextActivities");
        around.putArray("grouping").addObject().put("id", "https://stories.example").putObject("definition").putObject("name").put("en", "Stories");
        around.putObject("parent").put("id", "https://stories.example/book").putObject("definition").putObject("name").put("de", "Das Buch");
        s.putObject("result").put("duration", "PT12M30S");
        s.put("timestamp", "2026-03-12T10:15:00+01:00");
        return s;
    }

    List<Map<String, Object>> actions(String student) {
        return asking(Viewer.SYSTEM, () -> db.sql("""
                select a.on_day::text as day, a.kind, a.minutes, a.superseded_at is not null as gone, c.name, (select string_agg(p.name, ' > ' order by o) from unnest(c.path) with ordinality u(i, o)
                       join engagement_context p on p.id = u.i) as place
                  from engagement_action a join roster_student s on s.id = a.student_id left join engagement_context c on c.id = a.context_id
                 where s.code = :s and a.statement_id is not null order by a.id""").param("s", student).query().listOfRows());
    }
}
