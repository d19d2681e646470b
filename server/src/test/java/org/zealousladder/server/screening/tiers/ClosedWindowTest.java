package org.zealousladder.server.screening.tiers;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.exchange.records.ImportResult;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A closed window is closed for every way in, and for its own class and area alone. */
class ClosedWindowTest extends ScreeningTest {
    private void close(String code, String window, boolean close) throws Exception {
        Map<String, Object> form = new TreeMap<>(Map.of("window", window(window), "school", school(), "close", close, "parts",
                List.of(Map.of("classId", classId(code), "area", "Reading")), "reason", "as agreed"));
        send(person("m.tveit"), "/api/tiers/closing", form).andExpect(status().isNoContent());
    }

    private Map<String, Object> typed(int student, String measure, String day, double value) {
        return new HashMap<>(Map.of("studentId", student, "measureId", measure(measure), "takenOn", day, "value", value, "status", "scored", "sure", true));
    }

    private JsonNode history(int student) {
        return body(read(person("b.calder"), "/api/trends/" + student + "/" + measure("oral-reading") + "?asOf=2026-03-13")).get("history");
    }

    private ImportResult file(String code, String day, int value) {
        signInHere(Viewer.SYSTEM);
        return imports.take(TestServer.csv("student,measure,date,score", code + "-Per,oral-reading," + day + "," + value));
    }

    @Test
    void everyWayInIsClosed() throws Exception {
        String code = "2025-SHUT";
        newClass(code, 3, "b.calder", "Per");
        score(code + "-Per", "oral-reading", "2026-01-14", 61);
        int per = student("Per " + code);
        long there = history(per).at("/0/id").asLong();
        close(code, "Winter", true);

        Map<String, Object> chart = typed(per, "oral-reading", "2026-01-15", 63);
        Map<String, Object> correction = Map.of("value", 66, "status", "scored", "reason", "misread", "sure", true);
        Map<String, Object> withdrawal = Map.of("status", "withdrawn", "reason", "not Per's", "sure", true);
        Map<String, Object> strip = new HashMap<>(Map.of("studentId", per, "measureId", measure("oral-reading"), "day", "2026-01-15", "values", List.of(63),
                "status", "scored", "sure", true));
        Map<String, Object> grid = cell("Per " + code, "oral-reading", window("Winter"), 63, there);
        for (Object[] way : new Object[][] {{"/api/scores", chart}, {"/api/scores/" + there + "/corrections", correction},
                {"/api/scores/" + there + "/corrections", withdrawal}, {"/api/strip", strip}, {"/api/entry", grid}}) {
            @SuppressWarnings("unchecked")
            Map<String, Object> form = (Map<String, Object>) way[1];
            send(person("b.calder"), (String) way[0], form).andExpect(refused("409 conflict"))
                    .andExpect(jsonPath("$.detail").value(containsString("The winter window was closed for reading in this class")));
        }
        ImportResult refused = file(code, "2026-01-14", 66);
        assertEquals(1, refused.refused());
        assertEquals("The window Winter is closed for this student; a coordinator can open it again under Tiers.", refused.refusals().get(0).message());
        assertEquals(1, file(code, "2026-01-15", 66).refused());
        assertEquals(0, file(code, "2026-01-14", 61).refused(), "what is on record already is no change");
        assertEquals(1, history(per).size(), "nothing came in");

        // Another day, another area, and another class of the grade are open.
        assertEquals(0, file(code, "2026-02-16", 66).refused());
        send(person("b.calder"), "/api/scores", typed(per, "number-facts", "2026-01-15", 20)).andExpect(status().isNoContent());
        newClass("2025-AJAR", 3, "b.calder", "Ann");
        send(person("b.calder"), "/api/scores", typed(student("Ann 2025-AJAR"), "oral-reading", "2026-01-15", 63)).andExpect(status().isNoContent());

        close(code, "Winter", false);
        send(person("b.calder"), "/api/scores/" + there + "/corrections", correction).andExpect(status().isNoContent());
        assertEquals(0, file(code, "2026-01-15", 64).refused());
    }

    /** A score of another day that was taken as a make-up belongs to its window. */
    @Test
    void aMakeUpForAClosedWindowIsClosedToo() throws Exception {
        String code = "2025-LATE";
        newClass(code, 3, "b.calder", "Per");
        int per = student("Per " + code);
        send(person("b.calder"), "/api/entry", cell("Per " + code, "oral-reading", window("Winter"), 63, null)).andExpect(status().isOk());
        close(code, "Winter", true);
        send(person("b.calder"), "/api/scores/" + history(per).at("/0/id").asLong() + "/corrections",
                Map.of("value", 66, "status", "scored", "reason", "misread", "sure", true)).andExpect(refused("409 conflict"));
        assertEquals(1, file(code, "2026-03-13", 66).refused());
    }
}
