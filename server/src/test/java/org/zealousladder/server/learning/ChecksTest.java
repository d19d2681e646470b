package org.zealousladder.server.learning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Checks as their teacher has them: fed into a measure, on paper, ended and opened again. */
class ChecksTest extends CheckScenes {
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
}
