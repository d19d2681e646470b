package org.zealousladder.server.overview.students;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** What a student's page says of now, and what it says to do, against what the same records say elsewhere. */
class NowTest extends ServerTest {
    private JsonNode page(String name) {
        return body(read(person("m.tveit"), "/api/students/" + student(name) + "?asOf=2026-03-13"));
    }

    private static List<String> sentences(JsonNode page) {
        List<String> all = new ArrayList<>();
        page.path("now").forEach(n -> all.add(n.path("before").asString("") + n.path("figure").asString("") + n.path("after").asString("")));
        return all;
    }

    @Test
    void theFiguresAreThoseOfTheLanes() {
        JsonNode page = page("Zuri Halloran");
        JsonNode lane = page.path("lanes").get(0);
        JsonNode phases = lane.path("card").path("phases");
        String slope = String.format(java.util.Locale.ROOT, "%.1f a week", phases.get(phases.size() - 1).path("slope").asDouble());
        List<String> now = sentences(page);
        assertTrue(now.get(0).startsWith("Oral reading: gaining " + slope + " since the new plan; goal 94 by 8 May. Hold course."), now.toString());
        assertTrue(now.stream().anyMatch(s -> s.startsWith("Paired reading 3 × a week since 12 Jan")), now.toString());
        long away = asking(Viewer.SYSTEM, () -> db
                .sql("select count(*) from attendance_day where student_id = :s and status = 'absent' and superseded_on is null and on_day >= '2025-08-25'")
                .param("s", student("Zuri Halloran")).query(Long.class).single());
        assertTrue(now.stream().anyMatch(s -> s.startsWith("Away " + away + (away == 1 ? " day of " : " days of "))), now.toString());
        // The same four weeks as the opened lane and a criterion, to the day.
        String lane4 = body(read(person("m.tveit"), "/api/students/" + student("Zuri Halloran") + "/lanes/time?asOf=2026-03-13")).path("middleSays")
                .asString("");
        String minutes = lane4.replaceAll(".*here (\\d+)\\.$", "$1");
        assertTrue(now.contains(minutes + " minutes of activity in the last four weeks."), now + " " + lane4);
        JsonNode found = body(send(person("m.tveit"), "/api/find", Map.of("text", "minutes of activity in the last 4 weeks is on record", "columns",
                "minutes of activity in the last 4 weeks", "asOf", "2026-03-13", "descending", false, "cannotTell", false, "from", 0, "rows", 500)));
        assertEquals(Long.parseLong(minutes),
                Math.round(found.path("rows").valueStream().filter(r -> r.at("/student/name").asString("").equals("Zuri Halloran"))
                        .findFirst().orElseThrow().at("/values/0").asDouble()),
                found.path("rows").path(0).toString());
        JsonNode plans = page.path("strips").path("plans");
        assertEquals(List.of("2026-01-11", "2026-01-12"), List.of(plans.get(0).path("to").asString(""), plans.get(1).path("from").asString("")),
                "one phase ends before the next begins");
        assertTrue(plans.get(1).path("running").asBoolean() && !plans.get(0).path("running").asBoolean());
        assertEquals(List.of("2024-25", "2025-26"), List.of(page.path("strips").path("years").get(0).path("name").asString(""),
                page.path("strips").path("years").get(1).path("name").asString("")));
        assertEquals("Puffin", page.path("strips").path("years").get(0).path("className").asString(""));
    }

    @Test
    void whatFitsHasItsReason() throws Exception {
        JsonNode next = page("Zuri Halloran").path("next");
        List<String> kinds = new ArrayList<>();
        next.forEach(n -> {
            kinds.add(n.path("kind").asString(""));
            assertTrue(n.path("because").asString("").endsWith("."), n.toString());
        });
        assertEquals(List.of("RETEST", "SET_GOAL", "CALL_HOME"), kinds);
        // Once home was reached, it need not be called.
        int zuri = student("Zuri Halloran");
        send(person("r.oduya"), "/api/contacts/notes",
                Map.of("students", List.of(zuri), "way", "call", "whom", "home", "on", "2026-03-12", "reached", true, "words", "Talked about the ferry"))
                .andExpect(status().is2xxSuccessful());
        JsonNode page = page("Zuri Halloran");
        List<String> after = new ArrayList<>();
        page.path("next").forEach(n -> after.add(n.path("kind").asString("")));
        assertTrue(!after.contains("CALL_HOME"), after.toString());
        assertTrue(sentences(page).contains("Home last reached on 12 Mar."), sentences(page).toString());
        send(person("r.oduya"), "/api/contacts/" + page.path("contacts").get(0).path("id").asInt() + "/withdraw", Map.of("because", "it was for a test"));
        assertTrue(sentences(page("Zuri Halloran")).contains("Home not reached this year."));
    }

    @Test
    void whoeverHasAProposalIsToDecide() {
        JsonNode next = page("Sunniva Hale").path("next");
        assertEquals("DECIDE", next.get(0).path("kind").asString(""));
        assertEquals("Change the plan in Oral reading", next.get(0).path("words").asString(""));
    }
}
