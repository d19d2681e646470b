package org.zealousladder.server.learning;

import static java.util.Objects.requireNonNull;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A check from the bank to what follows, as its teacher and as its students. */
class ChecksTest extends ScreeningTest {
    private static final String PIXEL = "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==";

    /** A class, its teacher, a framework of two skills and four items of the school. */
    private Viewer classroom(String code, String... students) {
        String login = "c." + code.toLowerCase(java.util.Locale.ROOT);
        take("login,person,role,school", login + ",C. Teacher,teacher,SKERROW");
        newClass(code, 3, login, students);
        take("framework,framework_name,of_school", code + ",Framework " + code + ",SKERROW");
        take("framework,skill,skill_name,area,domain,grade", code + "," + code + "-one,Knots " + code + ",Sea,Ropes,3",
                code + "," + code + "-two,Tides " + code + ",Sea,Water,3");
        return person(login);
    }

    private int skill(String code) {
        return asking(Viewer.SYSTEM, () -> db.sql("select id from skills_skill where code = :c").param("c", code).query(Integer.class).single());
    }

    private Map<String, Object> item(String kind, String prompt, Map<String, Object> body, List<Map<String, Object>> keys, int... skills) {
        Map<String, Object> all = new LinkedHashMap<>(Map.of("options", List.of(), "targets", List.of()));
        all.putAll(body);
        return Map.of("school", school(), "kind", kind, "prompt", prompt, "body", all, "possible", 1, "keys", keys, "skills",
                java.util.Arrays.stream(skills).boxed().toList());
    }

    private static Map<String, Object> options(String... texts) {
        List<Map<String, Object>> all = new ArrayList<>();
        for (int i = 0; i < texts.length; i++) {
            all.add(Map.of("id", String.valueOf((char) ('A' + i)), "text", texts[i]));
        }
        return Map.of("options", all);
    }

    private static Map<String, Object> key(String answer, double share) {
        return Map.of("answer", answer, "share", share);
    }

    private int bank(Viewer teacher, Map<String, Object> item) throws Exception {
        return body(send(teacher, "/api/bank", item).andExpect(status().isCreated())).get("id").asInt();
    }

    private record Ready(Viewer teacher, int choice, int text, int number, int check, int giving) {}

    /** A check of three items, given to the class on a screen. */
    private Ready given(String code, Map<String, Object> more, String... students) throws Exception {
        Viewer teacher = classroom(code, students);
        int choice = bank(teacher, item("choice", "Which holds?", options("granny", "bowline", "slip"),
                List.of(key("B", 1), Map.of("answer", "A", "share", 0, "shows", "takes any knot")), skill(code + "-one")));
        int text = bank(teacher, item("text", "What follows ebb?", Map.of(), List.of(key("Flow", 1)), skill(code + "-two")));
        int number = bank(teacher, item("number", "Hours from low to high water?", Map.of("tolerance", 0.25), List.of(key("6", 1)), skill(code + "-two")));
        Map<String, Object> form = new LinkedHashMap<>(Map.of("school", school(), "name", "Sea " + code, "items", List.of(choice, text, number), "shuffle",
                false));
        form.putAll(more);
        int check = body(send(teacher, "/api/checks", form).andExpect(status().isCreated())).get("id").asInt();
        int giving = body(send(teacher, "/api/checks/" + check + "/give",
                Map.of("who", "class-" + classId(code), "starts", "2026-03-13", "ends", "2026-03-17", "onPaper", false)).andExpect(status().isCreated()))
                .get("id").asInt();
        return new Ready(teacher, choice, text, number, check, giving);
    }

    private Map<String, List<String>> cards(Viewer teacher, String code) throws Exception {
        Map<String, List<String>> words = new LinkedHashMap<>();
        body(send(teacher, "/api/checks/cards", Map.of("classId", classId(code)))).get("cards")
                .forEach(c -> words.put(c.at("/student/name").asString(), c.get("words").valueStream().map(JsonNode::asString).toList()));
        return words;
    }

    private MockHttpServletResponse student(MockHttpServletRequestBuilder request, Cookie card) throws Exception {
        signOutHere();
        return http.perform(request.header("X-Ladder-Taking", "1").cookie(card)).andReturn().getResponse();
    }

    private MockHttpServletResponse signIn(String words) throws Exception {
        signOutHere();
        return http.perform(MockMvcRequestBuilders.post("/api/taking/sign-in").header("X-Ladder-Taking", "1").contentType("application/json")
                .content(json.writeValueAsString(Map.of("words", words)))).andReturn().getResponse();
    }

    private Cookie card(List<String> words) throws Exception {
        MockHttpServletResponse in = signIn(String.join(" ", words));
        assertEquals(204, in.getStatus(), in.getContentAsString());
        return requireNonNull(in.getCookie("ladder-card"));
    }

    private int answer(Cookie card, int giving, int item, String answer, long told) throws Exception {
        Map<String, Object> form = new LinkedHashMap<>(Map.of("item", item, "told", told, "seconds", 7));
        form.put("answer", answer);
        return student(MockMvcRequestBuilders.put("/api/taking/checks/" + giving + "/answers").contentType("application/json")
                .content(json.writeValueAsString(form)), card).getStatus();
    }

    private int begin(Cookie card, int giving) throws Exception {
        return student(MockMvcRequestBuilders.post("/api/taking/checks/" + giving), card).getStatus();
    }

    private int done(Cookie card, int giving) throws Exception {
        return student(MockMvcRequestBuilders.post("/api/taking/checks/" + giving + "/done").contentType("application/json").content("{\"ranOut\":false}"),
                card).getStatus();
    }

    private JsonNode live(Ready r) throws Exception {
        return body(read(r.teacher(), "/api/checks/given/" + r.giving()).andExpect(status().isOk()));
    }

    private JsonNode sitter(JsonNode live, String name) {
        return live.get("students").valueStream().filter(s -> s.at("/student/name").asString().startsWith(name)).findFirst().orElseThrow();
    }

    private List<String> points(JsonNode sitter) {
        return sitter.get("cells").valueStream().map(c -> c.hasNonNull("points") ? c.get("points").asString() : "-").toList();
    }

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

    @Test
    void aCheckFeedsAMeasureOnceAllOfItIsDecided() throws Exception {
        take("measure,title,kind,area,unit,lowest,highest,decimals,better", "sea-ckf,Sea,probe,Reading,percent,0,100,0,higher");
        Ready r = given("CKF", Map.of("measureId", measure("sea-ckf"), "feeds", "share"), "Ada");
        Cookie ada = card(cards(r.teacher(), "CKF").get("Ada CKF"));
        begin(ada, r.giving());
        answer(ada, r.giving(), r.choice(), "b", 1);
        answer(ada, r.giving(), r.text(), "high water", 2);
        answer(ada, r.giving(), r.number(), "9", 3);
        assertEquals(204, done(ada, r.giving()));
        assertEquals("An answer waits to be decided.", sitter(live(r), "Ada").get("note").asString());
        send(r.teacher(), "/api/checks/worth", Map.of("item", r.text(), "answer", "high water", "share", 1)).andExpect(status().isOk());
        assertEquals(List.of("67.0"), scores("Ada CKF"));
        // Otherwise decided, the score is corrected.
        send(r.teacher(), "/api/checks/worth", Map.of("item", r.text(), "answer", "high water", "share", 0, "shows", "mixes up ebb and high water"))
                .andExpect(status().isOk());
        assertEquals(List.of("33.0"), scores("Ada CKF"));
        assertTrue(!sitter(live(r), "Ada").hasNonNull("note"));
        // Points that the measure has no room for.
        assertEquals(422, send(r.teacher(), "/api/checks", Map.of("school", school(), "name", "x", "items", List.of(r.choice()), "shuffle", false, "measureId",
                measure("oral-reading"), "feeds", "half")).andReturn().getResponse().getStatus());
    }

    private List<String> scores(String name) {
        return asking(Viewer.SYSTEM,
                () -> db.sql("select value::float8::text from scores_score where student_id = :s and measure_id = :m and superseded_by is null")
                        .param("s", student(name)).param("m", measure("sea-ckf")).query(String.class).list().stream().map(v -> Double.valueOf(v).toString())
                        .toList());
    }

    @Test
    void answersFromPaperAreTypedOneByOneAndFinished() throws Exception {
        Ready r = given("CKG", Map.of(), "Ada", "Ben");
        int paper = body(send(r.teacher(), "/api/checks/" + r.check() + "/give", Map.of("students", List.of(student("Ada CKG")), "starts", "2026-03-13", "ends",
                "2026-03-13", "onPaper", true)).andExpect(status().isCreated())).get("id").asInt();
        Ready on = new Ready(r.teacher(), r.choice(), r.text(), r.number(), r.check(), paper);
        type(on, Map.of("student", student("Ada CKG"), "item", r.choice(), "answer", "B"), 200);
        type(on, Map.of("student", student("Ada CKG"), "item", r.text(), "points", 1), 200);
        type(on, Map.of("student", student("Ada CKG"), "item", r.text(), "points", 3), 422);
        type(on, Map.of("student", student("Ben CKG"), "item", r.text(), "points", 1), 404);
        send(r.teacher(), "/api/checks/given/" + paper + "/done", Map.of("students", List.of(student("Ada CKG")))).andExpect(status().isNoContent());
        JsonNode live = live(on);
        assertEquals(List.of("1.0", "1.0", "0.0"), points(sitter(live, "Ada")));
        assertEquals("done", sitter(live, "Ada").get("state").asString());
        // What is on paper is not taken on a screen.
        Cookie ada = card(cards(r.teacher(), "CKG").get("Ada CKG"));
        assertEquals(404, begin(ada, paper));
        // Another teacher sees none of it.
        read(classroom("CKH", "Eva"), "/api/checks/given/" + paper).andExpect(status().isNotFound());
    }

    private void type(Ready r, Map<String, Object> form, int wanted) throws Exception {
        assertEquals(wanted, call(r.teacher(), MockMvcRequestBuilders.put("/api/checks/given/" + r.giving() + "/answers").contentType("application/json")
                .content(json.writeValueAsString(form))).andReturn().getResponse().getStatus());
    }

    @Test
    void whatEndedIsClosedAndCanBeOpenedAgain() throws Exception {
        Ready r = given("CKI", Map.of("shuffle", true, "minutes", 5), "Ada");
        Cookie ada = card(cards(r.teacher(), "CKI").get("Ada CKI"));
        JsonNode sheet = json.readTree(student(MockMvcRequestBuilders.post("/api/taking/checks/" + r.giving()), ada).getContentAsString());
        assertTrue(sheet.get("leftSeconds").asInt() > 290 && sheet.get("leftSeconds").asInt() <= 300);
        long before = System.currentTimeMillis() - 60_000;
        send(r.teacher(), "/api/checks/given/" + r.giving() + "/end", Map.of()).andExpect(status().isNoContent());
        assertEquals(409, begin(ada, r.giving()));
        assertEquals(409, answer(ada, r.giving(), r.choice(), "b", System.currentTimeMillis() + 60_000));
        assertEquals(204, answer(ada, r.giving(), r.choice(), "b", before), "given while it was open, and come late");
        call(r.teacher(), MockMvcRequestBuilders.put("/api/checks/given/" + r.giving() + "/ends").contentType("application/json")
                .content("{\"ends\":\"2026-03-20\"}")).andExpect(status().isNoContent());
        assertEquals(200, begin(ada, r.giving()));
        // Its items stay now; its name may change.
        Map<String, Object> form = Map.of("school", school(), "name", "Sea again", "items", List.of(r.choice()), "shuffle", false);
        assertEquals(409, call(r.teacher(), MockMvcRequestBuilders.put("/api/checks/" + r.check()).contentType("application/json")
                .content(json.writeValueAsString(form))).andReturn().getResponse().getStatus());
    }

    @Test
    void anItemIsRefusedWithWhatIsMissing() throws Exception {
        Viewer teacher = classroom("CKJ", "Ada");
        refuses(teacher, item("choice", "Which?", options("a", "b"), List.of()), "Say which answer is right.");
        refuses(teacher, item("choice", "Which?", options("a"), List.of(key("A", 1))), "There are 2 to 12 of them to choose from.");
        refuses(teacher, item("choice", "Which?", options("a", "b"), List.of(key("C", 1))), "The right answer is not among those to choose from.");
        refuses(teacher, item("choice", "  ", options("a", "b"), List.of(key("A", 1))), "Write what is asked.");
        refuses(teacher, item("number", "How many?", Map.of(), List.of(key("two", 1))), "The right answer is a number, such as 12 or 0.5.");
        refuses(teacher, item("text", "What?", Map.of(), List.of(key("x", 0))), "Write at least one right answer.");
        refuses(teacher, item("order", "In order?", options("a", "b", "c"), List.of(key("a|b", 1))), "The right order has every line once.");
        refuses(teacher, item("riddle", "What?", Map.of(), List.of()),
                "An item is a choice, several choices, a short text, a number, pairs to match, an order, or written freely.");
        Map<String, Object> everywhere = new LinkedHashMap<>(item("text", "What?", Map.of(), List.of(key("x", 1))));
        everywhere.put("school", null);
        send(teacher, "/api/bank", everywhere).andExpect(status().isForbidden());
    }

    private void refuses(Viewer teacher, Map<String, Object> item, String sentence) throws Exception {
        JsonNode problem = json.readTree(send(teacher, "/api/bank", item).andExpect(status().isUnprocessableContent()).andReturn().getResponse()
                .getContentAsString());
        assertEquals(sentence, problem.get("detail").asString());
    }

    /** What an answer is worth is said in one place, whatever the kind of the item. */
    @Test
    void answersAreWorthWhatTheirPartsAre() throws Exception {
        Viewer teacher = classroom("CKK", "Ada");
        int several = bank(teacher, item("choices", "Which float?", options("cork", "stone", "wood", "iron"), List.of(key("A|C", 1))));
        assertEquals(List.of(1.0, 1.0, 0.5, 0.0, 0.0), worth(several, "a|c", "C | A", "a", "a|b", "a|b|c|d"));
        int match = bank(teacher, item("match", "What goes with what?",
                Map.of("options", List.of(Map.of("id", "A", "text", "half"), Map.of("id", "B", "text", "quarter")), "targets",
                        List.of(Map.of("id", "1", "text", "0.25"), Map.of("id", "2", "text", "0.5"))),
                List.of(key("A 2|B 1", 1))));
        assertEquals(List.of(1.0, 0.5, 0.0), worth(match, "b 1|a 2", "a 2|b 2", "a 1"));
        int order = bank(teacher, item("order", "In order", options("first", "then", "last"), List.of(key("a|b|c", 1))));
        assertEquals(List.of(1.0, 0.0), worth(order, "a|b|c", "b|a|c"));
        int number = bank(teacher, item("number", "How far?", Map.of("tolerance", 0.5), List.of(key("12", 1), key("10", 0.5))));
        assertEquals(java.util.Arrays.asList(1.0, 1.0, 0.5, 0.0, null), worth(number, "12,5", "11.5", "10", "14", "twelve"));
        int written = bank(teacher, item("written", "Why?", Map.of(), List.of()));
        assertEquals(java.util.Arrays.asList((Double) null), worth(written, "because"));
    }

    private List<Double> worth(int item, String... answers) {
        List<Double> all = new ArrayList<>();
        for (String a : answers) {
            all.add(asking(Viewer.SYSTEM, () -> db.sql("select skills_worth(:i, :a)").param("i", item).param("a", a)
                    .query((r, n) -> java.util.Optional.ofNullable(r.getObject(1, Double.class))).single().orElse(null)));
        }
        return all;
    }

    @Test
    void aPictureIsLookedAtBeforeItIsKeptAndServedToWhoIsAskedByIt() throws Exception {
        Viewer teacher = classroom("CKL", "Ada");
        byte[] pixel = java.util.Base64.getDecoder().decode(PIXEL);
        String to = "/api/bank/pictures?school=" + school() + "&words=a+dot";
        assertEquals(422, call(teacher, MockMvcRequestBuilders.post(to).contentType("application/octet-stream").content("<svg onload=alert(1)>")).andReturn()
                .getResponse().getStatus());
        int picture = body(call(teacher, MockMvcRequestBuilders.post(to).contentType("application/octet-stream").content(pixel))
                .andExpect(status().isCreated())).get("id").asInt();
        int item = bank(teacher, item("text", "What is it?", Map.of("picture", picture), List.of(key("a dot", 1))));
        int check = body(send(teacher, "/api/checks", Map.of("school", school(), "name", "Dots", "items", List.of(item), "shuffle", false))).get("id").asInt();
        Cookie ada = card(cards(teacher, "CKL").get("Ada CKL"));
        assertEquals(404, student(MockMvcRequestBuilders.get("/api/taking/pictures/" + picture), ada).getStatus(), "before it is given");
        send(teacher, "/api/checks/" + check + "/give",
                Map.of("who", "class-" + classId("CKL"), "starts", "2026-03-13", "ends", "2026-03-13", "onPaper", false))
                .andExpect(status().isCreated());
        MockHttpServletResponse served = student(MockMvcRequestBuilders.get("/api/taking/pictures/" + picture), ada);
        assertEquals("200 image/png", served.getStatus() + " " + served.getContentType());
    }

    @Test
    void whatWasAnsweredStaysAsItWasAsked() throws Exception {
        Ready r = given("CKM", Map.of(), "Ada");
        Cookie ada = card(cards(r.teacher(), "CKM").get("Ada CKM"));
        begin(ada, r.giving());
        answer(ada, r.giving(), r.choice(), "a", 1);
        Map<String, Object> other = item("choice", "Which one holds?", options("granny", "bowline", "slip"), List.of(key("B", 1)), skill("CKM-one"));
        assertEquals(409, change(r, other));
        // Its skill, and what a wrong answer shows, may change.
        Map<String, Object> mended = item("choice", "Which holds?", options("granny", "bowline", "slip"),
                List.of(key("B", 1), Map.of("answer", "A", "share", 0, "shows", "has never tied one")), skill("CKM-two"));
        assertEquals(204, change(r, mended));
        assertEquals("has never tied one", sitter(live(r), "Ada").at("/cells/0/shows").asString());
    }

    private int change(Ready r, Map<String, Object> item) throws Exception {
        return call(r.teacher(), MockMvcRequestBuilders.put("/api/bank/" + r.choice()).contentType("application/json").content(json.writeValueAsString(item)))
                .andReturn().getResponse().getStatus();
    }
}
