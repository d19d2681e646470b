package org.zealousladder.server.learning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A check as its students take it, with a card and nothing else. */
class TakingTest extends CheckScenes {
    @Test
    void studentsTakeItAndItIsScoredAtOnceAndWhatNobodyForesawIsDecidedForAll() throws Exception {
        Ready r = given("CKA", Map.of(), "Ada", "Ben", "Cy");
        Map<String, List<String>> cards = cards(r.teacher(), "CKA");
        assertEquals(4, cards.get("Ada CKA").size());
        Cookie ada = card(cards.get("Ada CKA"));
        Cookie ben = card(cards.get("Ben CKA"));
        assertEquals(200, begin(ada, r.giving()));
        assertEquals(200, begin(ben, r.giving()));
        assertEquals(204, answer(ada, r.giving(), r.choice(), "b", 1000));
        assertEquals(204, answer(ada, r.giving(), r.text(), "High  Water", 1001));
        assertEquals(204, answer(ada, r.giving(), r.number(), "6,2", 1002));
        assertEquals(204, answer(ben, r.giving(), r.choice(), "a", 1000));
        assertEquals(204, answer(ben, r.giving(), r.text(), "high water", 1001));
        JsonNode live = live(r);
        assertEquals(List.of("1.0", "-", "1.0"), points(sitter(live, "Ada")));
        assertEquals("takes any knot", sitter(live, "Ben").at("/cells/0/shows").asString());
        assertEquals("not-begun", sitter(live, "Cy").get("state").asString());
        assertEquals(1, live.get("waiting").size(), "written by two, shown once");
        assertEquals(2, live.at("/waiting/0/students").size());
        // An earlier answer that comes late does not take the place of a later one.
        assertEquals(204, answer(ada, r.giving(), r.choice(), "c", 900));
        assertEquals("b", sitter(live(r), "Ada").at("/cells/0/answer").asString());
        JsonNode decided = body(send(r.teacher(), "/api/checks/worth", Map.of("item", r.text(), "answer", "high water", "share", 0.5)));
        assertEquals(2, decided.get("sittings").asInt());
        live = live(r);
        assertEquals(List.of("1.0", "0.5", "1.0"), points(sitter(live, "Ada")));
        assertEquals(0, live.get("waiting").size());
        assertEquals(204, done(ada, r.giving()));
        assertEquals(204, done(ben, r.giving()));
        // What was left out counts, and nothing is answered any more.
        assertEquals(List.of("0.0", "0.5", "0.0"), points(sitter(live(r), "Ben")));
        assertEquals(409, answer(ben, r.giving(), r.number(), "6", Long.MAX_VALUE));
        // What follows.
        JsonNode after = body(read(r.teacher(), "/api/checks/given/" + r.giving() + "/after").andExpect(status().isOk()));
        assertEquals("2 of 3", after.get("done").asInt() + " of " + after.get("students").asInt());
        assertEquals(List.of("go-on 1", "once-more 0", "again 1"),
                after.get("bands").valueStream().map(b -> b.get("band").asString() + " " + b.get("students").size()).toList());
        assertEquals(List.of("Knots CKA Ben CKA", "On Ada CKA"),
                after.get("groups").valueStream().map(g -> g.get("name").asString() + " " + g.at("/students/0/name").asString()).toList());
        JsonNode page = after.get("pages").valueStream().filter(p -> p.at("/student/name").asString().startsWith("Ben")).findFirst().orElseThrow();
        assertEquals("Knots CKA", page.get("next").asString());
        // And the class's skills go by it.
        JsonNode skills = body(read(r.teacher(), "/api/skills?who=class-" + classId("CKA") + "&year=" + thisYear() + "&asOf=2026-03-13&framework="
                + asking(Viewer.SYSTEM, () -> db.sql("select id from skills_framework where code = 'CKA'").query(Integer.class).single())));
        assertEquals(2, skills.get("rows").valueStream().filter(x -> x.get("name").asString().equals("Knots CKA")).findFirst().orElseThrow()
                .at("/counts/tried").asInt());
    }

    @Test
    void aStudentReachesNothingButTheirOwnChecks() throws Exception {
        Ready r = given("CKB", Map.of(), "Ada", "Ben");
        Ready other = given("CKC", Map.of(), "Eva");
        Cookie ada = card(cards(r.teacher(), "CKB").get("Ada CKB"));
        Cookie eva = card(cards(other.teacher(), "CKC").get("Eva CKC"));
        begin(eva, other.giving());
        assertEquals(404, begin(ada, other.giving()));
        assertEquals(404, answer(ada, other.giving(), other.choice(), "b", 1));
        assertEquals(404, done(ada, other.giving()));
        begin(ada, r.giving());
        assertEquals(404, answer(ada, r.giving(), other.choice(), "b", 1), "an item of another check");
        String sheet = student(MockMvcRequestBuilders.post("/api/taking/checks/" + r.giving()), ada).getContentAsString();
        assertFalse(sheet.contains("keys") || sheet.contains("takes any knot") || sheet.contains("Flow"), "nothing tells what is right: " + sheet);
        String mine = student(MockMvcRequestBuilders.get("/api/taking"), ada).getContentAsString();
        assertTrue(mine.contains("Sea CKB") && !mine.contains("CKC") && !mine.contains("Ben"), mine);
        // Every other route: a card is no sign-in there.
        JsonNode paths = json.readTree(Files.readString(Path.of("..", "web", "openapi.json"))).get("paths");
        int asked = 0;
        for (var path : paths.properties()) {
            String at = path.getKey().replaceAll("\\{[a-zA-Z]+}", "1");
            if (at.startsWith("/api/taking") || List.of("/api/session", "/api/setup", "/api/join", "/api/join/look", "/api/health", "/api/elsewhere",
                    "/api/elsewhere/back").contains(at) || at.startsWith("/api/passkey/")) {
                continue;
            }
            for (var method : path.getValue().properties()) {
                MockHttpServletRequestBuilder request = MockMvcRequestBuilders
                        .request(org.springframework.http.HttpMethod.valueOf(method.getKey().toUpperCase(java.util.Locale.ROOT)), at)
                        .contentType("application/json").content("{}");
                int status = student(request, ada).getStatus();
                assertTrue(status == 401 || status == 403 || at.startsWith("/xapi") || at.startsWith("/calendar/"), method.getKey() + " " + at + ": " + status);
                asked++;
            }
        }
        assertTrue(asked > 200, asked + " routes were asked");
        // Without a card, with one of no session, and without the header of our own.
        assertEquals(401, student(MockMvcRequestBuilders.get("/api/taking"), new Cookie("ladder-card", "x")).getStatus());
        signOutHere();
        assertEquals(403, http.perform(MockMvcRequestBuilders.post("/api/taking/checks/" + r.giving()).cookie(ada)).andReturn().getResponse().getStatus());
        student(MockMvcRequestBuilders.delete("/api/taking"), ada);
        assertEquals(401, student(MockMvcRequestBuilders.get("/api/taking"), ada).getStatus(), "signed out");
    }

    @Test
    void aCardIsGoodForItsClassAndUntilItIsRenewedAndWrongWordsWait() throws Exception {
        Viewer teacher = classroom("CKD", "Ada", "Ben");
        Map<String, List<String>> cards = cards(teacher, "CKD");
        assertEquals(cards, cards(teacher, "CKD"), "who has one keeps it");
        Cookie before = card(cards.get("Ada CKD"));
        assertEquals(204, signIn("  " + String.join("-", cards.get("Ada CKD")).toUpperCase(java.util.Locale.ROOT)).getStatus());
        body(send(teacher, "/api/checks/cards", Map.of("classId", classId("CKD"), "students", List.of(student("Ada CKD")))));
        Map<String, List<String>> after = cards(teacher, "CKD");
        assertNotEquals(cards.get("Ada CKD"), after.get("Ada CKD"));
        assertEquals(cards.get("Ben CKD"), after.get("Ben CKD"));
        assertEquals(401, signIn(String.join(" ", cards.get("Ada CKD"))).getStatus());
        assertEquals(401, student(MockMvcRequestBuilders.get("/api/taking"), before).getStatus(), "who was in by the old words is out");
        // Another teacher's class.
        Viewer other = classroom("CKE", "Eva");
        read(other, "/api/checks/cards?class=" + classId("CKD")).andExpect(status().isForbidden());
        send(other, "/api/checks/cards", Map.of("classId", classId("CKD"))).andExpect(status().isForbidden());
        // Who leaves the class is not let in any more.
        Cookie ben = card(after.get("Ben CKD"));
        take("student,class,from,to", "CKD-Ben,CKD,2025-08-25,2026-03-01");
        assertEquals(401, student(MockMvcRequestBuilders.get("/api/taking"), ben).getStatus());
        assertEquals(422, signIn("boat ".repeat(100)).getStatus());
        assertEquals(413, signIn("boat ".repeat(10_000)).getStatus());
        int last = 0;
        for (int i = 0; i < 80 && last != 429; i++) {
            last = signIn("boat boat boat boat").getStatus();
        }
        assertEquals(429, last);
        asking(Viewer.SYSTEM, () -> db.sql("delete from skills_card_try").update());
    }
}
