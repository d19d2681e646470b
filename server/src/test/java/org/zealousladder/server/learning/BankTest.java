package org.zealousladder.server.learning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Items of the bank: what is missing is said, what answers are worth, pictures, and what stays once it was answered. */
class BankTest extends CheckScenes {
    private static final String PIXEL = "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==";

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
