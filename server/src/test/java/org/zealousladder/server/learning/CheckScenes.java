package org.zealousladder.server.learning;

import static java.util.Objects.requireNonNull;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A class with a check that its students take: what the tests of checks begin with. */
abstract class CheckScenes extends ScreeningTest {
    /** A class, its teacher, a framework of two skills and four items of the school. */
    protected Viewer classroom(String code, String... students) {
        String login = "c." + code.toLowerCase(java.util.Locale.ROOT);
        take("login,person,role,school", login + ",C. Teacher,teacher,SKERROW");
        newClass(code, 3, login, students);
        take("framework,framework_name,of_school", code + ",Framework " + code + ",SKERROW");
        take("framework,skill,skill_name,area,domain,grade", code + "," + code + "-one,Knots " + code + ",Sea,Ropes,3",
                code + "," + code + "-two,Tides " + code + ",Sea,Water,3");
        return person(login);
    }

    protected int skill(String code) {
        return asking(Viewer.SYSTEM, () -> db.sql("select id from skills_skill where code = :c").param("c", code).query(Integer.class).single());
    }

    protected Map<String, Object> item(String kind, String prompt, Map<String, Object> body, List<Map<String, Object>> keys, int... skills) {
        Map<String, Object> all = new LinkedHashMap<>(Map.of("options", List.of(), "targets", List.of()));
        all.putAll(body);
        return Map.of("school", school(), "kind", kind, "prompt", prompt, "body", all, "possible", 1, "keys", keys, "skills",
                java.util.Arrays.stream(skills).boxed().toList());
    }

    protected static Map<String, Object> options(String... texts) {
        List<Map<String, Object>> all = new ArrayList<>();
        for (int i = 0; i < texts.length; i++) {
            all.add(Map.of("id", String.valueOf((char) ('A' + i)), "text", texts[i]));
        }
        return Map.of("options", all);
    }

    protected static Map<String, Object> key(String answer, double share) {
        return Map.of("answer", answer, "share", share);
    }

    protected int bank(Viewer teacher, Map<String, Object> item) throws Exception {
        return body(send(teacher, "/api/bank", item).andExpect(status().isCreated())).get("id").asInt();
    }

    protected record Ready(Viewer teacher, int choice, int text, int number, int check, int giving) {}

    /** A check of three items, given to the class on a screen. */
    protected Ready given(String code, Map<String, Object> more, String... students) throws Exception {
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

    protected Map<String, List<String>> cards(Viewer teacher, String code) throws Exception {
        Map<String, List<String>> words = new LinkedHashMap<>();
        body(send(teacher, "/api/checks/cards", Map.of("classId", classId(code)))).get("cards")
                .forEach(c -> words.put(c.at("/student/name").asString(), c.get("words").valueStream().map(JsonNode::asString).toList()));
        return words;
    }

    protected MockHttpServletResponse student(MockHttpServletRequestBuilder request, Cookie card) throws Exception {
        signOutHere();
        return http.perform(request.header("X-Ladder-Taking", "1").cookie(card)).andReturn().getResponse();
    }

    protected MockHttpServletResponse signIn(String words) throws Exception {
        signOutHere();
        return http.perform(MockMvcRequestBuilders.post("/api/taking/sign-in").header("X-Ladder-Taking", "1").contentType("application/json")
                .content(json.writeValueAsString(Map.of("words", words)))).andReturn().getResponse();
    }

    protected Cookie card(List<String> words) throws Exception {
        MockHttpServletResponse in = signIn(String.join(" ", words));
        assertEquals(204, in.getStatus(), in.getContentAsString());
        return requireNonNull(in.getCookie("ladder-card"));
    }

    protected int answer(Cookie card, int giving, int item, String answer, long told) throws Exception {
        Map<String, Object> form = new LinkedHashMap<>(Map.of("item", item, "told", told, "seconds", 7));
        form.put("answer", answer);
        return student(MockMvcRequestBuilders.put("/api/taking/checks/" + giving + "/answers").contentType("application/json")
                .content(json.writeValueAsString(form)), card).getStatus();
    }

    protected int begin(Cookie card, int giving) throws Exception {
        return student(MockMvcRequestBuilders.post("/api/taking/checks/" + giving), card).getStatus();
    }

    protected int done(Cookie card, int giving) throws Exception {
        return student(MockMvcRequestBuilders.post("/api/taking/checks/" + giving + "/done").contentType("application/json").content("{\"ranOut\":false}"),
                card).getStatus();
    }

    protected JsonNode live(Ready r) throws Exception {
        return body(read(r.teacher(), "/api/checks/given/" + r.giving()).andExpect(status().isOk()));
    }

    protected JsonNode sitter(JsonNode live, String name) {
        return live.get("students").valueStream().filter(s -> s.at("/student/name").asString().startsWith(name)).findFirst().orElseThrow();
    }

    protected List<String> points(JsonNode sitter) {
        return sitter.get("cells").valueStream().map(c -> c.hasNonNull("points") ? c.get("points").asString() : "-").toList();
    }
}
