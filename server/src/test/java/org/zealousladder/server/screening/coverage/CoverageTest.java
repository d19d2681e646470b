package org.zealousladder.server.screening.coverage;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import tools.jackson.databind.JsonNode;

/** Who is tested and who is not, by the dates they were here. */
class CoverageTest extends ScreeningTest {
    @Test
    void everyoneExpectedIsCountedOnce() {
        JsonNode view = body(read(person("m.tveit"), "/api/coverage" + wholeSchool("&window=" + window("Winter"))));
        List<String> demo = List.of("Fulmar", "Kittiwake", "Puffin", "Gannet", "Guillemot", "Tern");
        assertEquals(demo.stream().sorted().toList(),
                each(view.get("classes")).map(c -> c.get("className").asString()).filter(demo::contains).sorted().toList(),
                "each of the demo's classes once");
        for (JsonNode c : view.get("classes")) {
            for (JsonNode n : c.get("counts")) {
                assertEquals(n.get("expected").asInt(),
                        n.get("tested").asInt() + n.get("absent").asInt() + n.get("exempt").asInt() + n.get("invalid").asInt() + n.get("none").asInt());
            }
        }
        for (JsonNode m : view.get("measures")) {
            int owed = each(view.get("classes")).flatMap(c -> each(c.get("counts"))).filter(n -> n.get("measureId").asInt() == m.get("id").asInt())
                    .mapToInt(n -> n.get("absent").asInt() + n.get("invalid").asInt() + n.get("none").asInt()).sum();
            assertEquals(owed, each(view.get("untested")).filter(u -> u.get("measureId").asInt() == m.get("id").asInt()).count(), m.get("name").asString());
        }
    }

    @Test
    void whoWasNeverScreenedIsListedAndWhoHadLeftIsNot() {
        JsonNode winter = body(read(person("r.oduya"), "/api/coverage" + scope("2025-KITTIWAKE", "")));
        assertEquals("Winter", winter.at("/window/name").asString(), "the newest window that has begun");
        assertTrue(
                each(winter.get("untested")).anyMatch(u -> u.at("/student/name").asString().equals("Oskar Vane") && u.get("status").asString().equals("none")));
        assertFalse(each(winter.get("untested")).anyMatch(u -> u.at("/student/name").asString().equals("Ilse Marrow")), "left in December");
    }

    @Test
    void whoLeavesOrComesIsTreatedByTheDates() {
        newClass("2025-COVER", 3, "b.calder", "Stay");
        take("student,given_name,family_name", "COV-L,Leaver,Cover", "COV-I,Within,Cover", "COV-A,After,Cover");
        take("student,class,from,to", "COV-L,2025-COVER,2025-08-25,2026-01-15", "COV-I,2025-COVER,2026-01-14,", "COV-A,2025-COVER,2026-02-02,");
        score("2025-COVER-Stay", "maze", "2026-01-13", 12);
        score("COV-L", "maze", "2026-01-13", 11);
        JsonNode view = body(read(person("b.calder"), "/api/coverage" + scope("2025-COVER", "&window=" + window("Winter"))));
        JsonNode maze = each(view.at("/classes/0/counts")).filter(n -> n.get("measureId").asInt() == measure("maze")).findFirst().orElseThrow();
        assertEquals(List.of(2, 1, 1), List.of(maze.get("expected").asInt(), maze.get("tested").asInt(), maze.get("none").asInt()),
                "Stay and Within are expected");
        JsonNode within = each(view.get("untested")).filter(u -> u.at("/student/name").asString().equals("Within Cover")).findFirst().orElseThrow();
        assertEquals("came on 14 Jan 2026", within.get("note").asString());
        assertEquals("left on 15 Jan 2026", of(view.get("apart"), "Leaver Cover").get("why").asString());
        assertEquals(1, of(view.get("apart"), "Leaver Cover").get("tested").asInt());
        assertEquals("came on 2 Feb 2026, after the window", of(view.get("apart"), "After Cover").get("why").asString());
    }

    @Test
    void aMakeUpDayIsSetChangedAndTakenBack() throws Exception {
        newClass("2025-MAKEUP", 3, "b.calder", "Una", "Duo");
        int winter = window("Winter");
        List<Map<String, Object>> owed = List.of(Map.of("studentId", student("Una 2025-MAKEUP"), "measureId", measure("maze")),
                Map.of("studentId", student("Duo 2025-MAKEUP"), "measureId", measure("maze")));
        Map<String, Object> form = Map.of("windowId", winter, "owed", owed, "onDay", "2026-03-20");
        send(person("b.calder"), "/api/coverage/make-ups", form).andExpect(status().isNoContent());
        send(person("b.calder"), "/api/coverage/make-ups", Map.of("windowId", winter, "owed", owed.subList(0, 1), "onDay", "2026-03-23"))
                .andExpect(status().isNoContent());
        assertEquals("2026-03-23", makeUp("Una 2025-MAKEUP", "2026-03-13"));
        assertEquals("2026-03-20", makeUp("Duo 2025-MAKEUP", "2026-03-13"));
        assertEquals("", makeUp("Duo 2025-MAKEUP", "2026-03-12"), "yesterday nothing was set");
        send(person("b.calder"), "/api/coverage/make-ups", Map.of("windowId", winter, "owed", owed.subList(0, 1))).andExpect(status().isNoContent());
        assertEquals("", makeUp("Una 2025-MAKEUP", "2026-03-13"));

        send(person("b.calder"), "/api/coverage/make-ups", Map.of("windowId", winter, "owed", owed, "onDay", "2026-03-01"))
                .andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("onDay"));
        send(person("r.oduya"), "/api/coverage/make-ups", form).andExpect(status().isForbidden());
        send(person("b.calder"), "/api/coverage/make-ups", Map.of("windowId", winter, "owed", List.of(), "onDay", "2026-03-20"))
                .andExpect(status().isUnprocessableContent());
        String csv = read(person("b.calder"), "/api/coverage/untested.csv" + scope("2025-MAKEUP", "&window=" + winter)).andReturn().getResponse()
                .getContentAsString();
        assertTrue(csv.lines().anyMatch(l -> l.startsWith("2025-MAKEUP-Duo,Duo 2025-MAKEUP,2025-MAKEUP,Maze,Winter,none,2026-03-20")), csv);
    }

    private String makeUp(String student, String asOf) {
        JsonNode view = body(read(person("b.calder"),
                "/api/coverage?who=class-" + classId("2025-MAKEUP") + "&year=" + thisYear() + "&asOf=" + asOf + "&window=" + window("Winter")));
        return each(view.get("untested")).filter(u -> u.at("/student/name").asString().equals(student) && u.get("measureId").asInt() == measure("maze"))
                .map(u -> u.has("makeUp") ? u.get("makeUp").asString() : "").findFirst().orElseThrow();
    }

    @Test
    void anotherTeachersClassIsNotCounted() throws Exception {
        read(person("b.calder"), "/api/coverage" + scope("2025-KITTIWAKE", "")).andExpect(status().isForbidden())
                .andExpect(jsonPath("$.detail").value(containsString("not one of yours")));
        read(person("r.oduya"), "/api/coverage" + wholeSchool("")).andExpect(status().isForbidden());
    }
}
