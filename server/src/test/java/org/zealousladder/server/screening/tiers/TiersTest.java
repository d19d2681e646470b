package org.zealousladder.server.screening.tiers;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.ScreeningTest;
import tools.jackson.databind.JsonNode;

/** Tiers: proposed, talked about, decided, kept; and the closing of a window. */
class TiersTest extends ScreeningTest {
    private static final String CODE = "2025-TIERS";

    private JsonNode view(String login, String code, String more) {
        return body(read(person(login), "/api/tiers" + scope(code, "&area=Reading&window=" + window("Winter") + more)));
    }

    private Map<String, Object> decision(String name, String outcome, Integer tier, Integer proposed, String reason, Long seen) {
        Map<String, Object> d = new TreeMap<>(Map.of("studentId", student(name), "outcome", outcome));
        for (var e : new Object[][] {{"tier", tier}, {"proposed", proposed}, {"reason", reason}, {"seen", seen}}) {
            if (e[1] != null) {
                d.put((String) e[0], e[1]);
            }
        }
        return d;
    }

    @SafeVarargs
    private ResultActions decide(String login, String code, Map<String, Object>... decisions) {
        return send(person(login), "/api/tiers",
                Map.of("who", "class-" + classId(code), "year", thisYear(), "window", window("Winter"), "area", "Reading", "decisions", List.of(decisions)));
    }

    /** Grade 3, winter, local cuts: 85 and 98 in oral reading, 12 and 16 or so in maze. */
    private void students(String code, Object[]... scores) {
        String[] names = java.util.Arrays.stream(scores).map(s -> (String) s[0]).toArray(String[]::new);
        newClass(code, 3, "b.calder", names);
        for (Object[] s : scores) {
            score(code + "-" + s[0], "oral-reading", "2026-01-13", s[1]);
        }
    }

    @Test
    void theCloseCallsStandFirstAndTheUntestedHaveNoTier() {
        JsonNode view = view("r.oduya", "2025-KITTIWAKE", "");
        assertFalse(view.get("mayDecide").asBoolean());
        boolean close = true;
        for (JsonNode r : view.get("rows")) {
            boolean now = r.has("proposal") && r.at("/proposal/closeCall").asBoolean();
            assertTrue(close || !now, "a close call after the others");
            close = now;
            if (r.has("proposal")) {
                double certainty = r.at("/proposal/certainty").asDouble();
                boolean closeCall = r.at("/proposal/closeCall").asBoolean();
                assertTrue(certainty >= 0 && certainty <= 1);
                // Over 20 % on one side: of what is not sure at least a fifth, and all of it where that is over two fifths.
                assertTrue(closeCall ? certainty < 0.8 : certainty >= 0.6, r.toString());
                assertFalse(r.at("/proposal/reason").asString().isBlank());
            }
        }
        JsonNode oskar = of(view.get("rows"), "Oskar Vane");
        assertFalse(oskar.has("proposal"));
        assertTrue(oskar.at("/lastSeason/confirmed").asBoolean(), "the autumn tier came with the demo");
        int moved = each(view.get("flows")).mapToInt(f -> f.get("students").size()).sum();
        assertEquals(moved, each(view.get("rows")).filter(r -> r.has("lastSeason") && r.has("proposal")).count(), "everyone with two tiers is in one flow");
    }

    @Test
    void theTeamConfirmsOverridesAndAsksForARetest() throws Exception {
        students(CODE, new Object[][] {{"Ana", 130}, {"Ben", 60}, {"Cleo", 99}});
        String[] n = {"Ana " + CODE, "Ben " + CODE, "Cleo " + CODE};
        decide("b.calder", CODE, decision(n[0], "confirmed", null, 1, null, null)).andExpect(status().isForbidden())
                .andExpect(jsonPath("$.detail").value(containsString("give your view")));
        decide("m.tveit", CODE, decision(n[0], "confirmed", null, 2, null, null)).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value(containsString("has changed meanwhile, to tier 1")));
        decide("m.tveit", CODE, decision(n[2], "overridden", 2, 1, null, null)).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.field").value("reason"));
        decide("m.tveit", CODE, decision(n[2], "overridden", 9, 1, "because", null)).andExpect(jsonPath("$.field").value("tier"));
        decide("m.tveit", CODE, decision(n[0], "confirmed", null, 1, null, null), decision(n[1], "confirmed", null, 3, null, null)).andExpect(status().isOk())
                .andExpect(jsonPath("$.count").value(2));
        decide("m.tveit", CODE, decision(n[2], "overridden", 2, 1, "reads without understanding", null)).andExpect(status().isOk());
        JsonNode view = view("m.tveit", CODE, "");
        assertEquals("3 of 3 decided.", view.get("summary").asString());
        JsonNode cleo = of(view.get("rows"), n[2]).get("decided");
        assertEquals(List.of("overridden", 2, 1, "reads without understanding"),
                List.of(cleo.get("outcome").asString(), cleo.get("tier").asInt(), cleo.get("proposed").asInt(), cleo.get("reason").asString()));

        decide("m.tveit", CODE, decision(n[2], "retest", null, 1, null, null)).andExpect(status().isConflict());
        decide("m.tveit", CODE, decision(n[2], "retest", null, 1, null, cleo.get("id").asLong())).andExpect(status().isOk());
        assertEquals("retest", of(view("m.tveit", CODE, "").get("rows"), n[2]).at("/decided/outcome").asString());
        JsonNode yesterday = body(read(person("m.tveit"),
                "/api/tiers?who=class-" + classId(CODE) + "&year=" + thisYear() + "&asOf=2026-03-12&area=Reading&window=" + window("Winter")));
        assertTrue(each(yesterday.get("rows")).noneMatch(r -> r.has("decided")), "yesterday nothing was decided");
    }

    @Test
    void oneWrongDecisionLeavesAllOfThemUndone() throws Exception {
        String code = "2025-ALLNONE";
        students(code, new Object[][] {{"Gil", 130}});
        newClass("2025-NOSCORE", 3, "b.calder", "Hal");
        decide("m.tveit", code, decision("Gil " + code, "confirmed", null, 1, null, null), decision("Hal 2025-NOSCORE", "confirmed", null, 1, null, null))
                .andExpect(status().isForbidden());
        assertFalse(of(view("m.tveit", code, "").get("rows"), "Gil " + code).has("decided"));
        decide("m.tveit", "2025-NOSCORE", decision("Hal 2025-NOSCORE", "confirmed", null, null, null, null)).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.detail").value(containsString("has no score")));
    }

    @Test
    void aTeachersViewIsSecondEvidence() throws Exception {
        String code = "2025-OPINE";
        students(code, new Object[][] {{"Ida", 96}});
        Map<String, Object> form = new TreeMap<>(
                Map.of("studentId", student("Ida " + code), "window", window("Winter"), "area", "Reading", "tier", 2, "note", "guesses words"));
        send(person("r.oduya"), "/api/tiers/opinions", form).andExpect(status().isForbidden());
        send(person("b.calder"), "/api/tiers/opinions", form).andExpect(status().isNoContent());
        JsonNode opinion = of(view("m.tveit", code, "").get("rows"), "Ida " + code).get("opinion");
        assertEquals("guesses words", opinion.get("note").asString());
        assertEquals("B. Calder", opinion.get("by").asString());
        send(person("b.calder"), "/api/tiers/opinions", form).andExpect(status().isConflict());
        form.put("seen", opinion.get("id").asLong());
        form.put("tier", 3);
        send(person("b.calder"), "/api/tiers/opinions", form).andExpect(status().isNoContent());
        form.put("tier", 7);
        send(person("b.calder"), "/api/tiers/opinions", form).andExpect(status().isUnprocessableContent());
    }

    @Test
    void theRuleIsTheSchoolsAndCountsFromToday() throws Exception {
        Map<String, Object> form = new TreeMap<>(Map.of("school", school(), "area", "Writing", "rule", "weighted", "measures",
                List.of(Map.of("measureId", measure("story-writing"), "weight", 2))));
        change(person("r.oduya"), "tierRule", form).andExpect(status().isForbidden());
        form.put("rule", "best");
        change(person("m.tveit"), "tierRule", form).andExpect(refused("422 invalid rule"));
        form.putAll(Map.of("rule", "weighted", "measures", List.of(Map.of("measureId", measure("maze"), "weight", 2))));
        change(person("m.tveit"), "tierRule", form).andExpect(jsonPath("$.field").value("measures"));
        form.put("measures", List.of(Map.of("measureId", measure("story-writing"), "weight", 0)));
        change(person("m.tveit"), "tierRule", form).andExpect(jsonPath("$.field").value("measures"));
        form.put("measures", List.of(Map.of("measureId", measure("story-writing"), "weight", 2)));
        change(person("m.tveit"), "tierRule", form).andExpect(status().isNoContent());
        String route = "&area=Writing&window=" + window("Winter");
        JsonNode asTeacher = body(read(person("b.calder"), "/api/tiers" + scope("2025-FULMAR", route)));
        assertEquals("weighted", asTeacher.at("/rule/rule").asString());
        JsonNode asCoordinator = body(read(person("m.tveit"), "/api/tiers" + wholeSchool(route)));
        for (JsonNode r : asTeacher.get("rows")) {
            assertEquals(r.at("/proposal/tier").asInt(), of(asCoordinator.get("rows"), r.at("/student/name").asString()).at("/proposal/tier").asInt(),
                    "a class has the tiers that it has in the school's list");
        }
        JsonNode before = body(read(person("m.tveit"), "/api/tiers?who=class-" + classId("2025-FULMAR") + "&year=" + thisYear() + "&asOf=2026-03-12" + route));
        assertEquals("most", before.at("/rule/rule").asString());
    }

    @Test
    void aClosedWindowTakesNothingUntilItIsOpenedAgain() throws Exception {
        String code = "2025-CLOSED";
        newClass(code, 3, "b.calder", "Jon");
        int autumn = window("Autumn");
        Map<String, Object> form = new TreeMap<>(
                Map.of("window", autumn, "school", school(), "close", true, "parts", List.of(), "reason", "all is decided"));
        send(person("b.calder"), "/api/tiers/closing", form).andExpect(status().isForbidden());
        form.put("reason", " ");
        send(person("m.tveit"), "/api/tiers/closing", form).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("reason"));
        form.put("reason", "all is decided");
        send(person("m.tveit"), "/api/tiers/closing", form).andExpect(status().isNoContent());
        send(person("m.tveit"), "/api/tiers/closing", form).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value(containsString("closed on 13 Mar 2026 by M. Tveit")));
        Map<String, Object> entry = cell("Jon " + code, "maze", autumn, 12, null);
        entry.put("takenOn", "2025-09-10");
        send(person("b.calder"), "/api/entry", entry).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value(containsString("A coordinator can open it again")));
        form.put("close", false);
        form.remove("reason");
        send(person("m.tveit"), "/api/tiers/closing", form).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("reason"));
        form.put("reason", "two paper forms turned up");
        send(person("m.tveit"), "/api/tiers/closing", form).andExpect(status().isNoContent());
        send(person("b.calder"), "/api/entry", entry).andExpect(status().isOk());
        JsonNode state = body(read(person("m.tveit"), "/api/tiers" + scope(code, "&window=" + autumn))).get("state");
        assertEquals("two paper forms turned up", state.at("/events/0/reason").asString());
        assertEquals(2, state.get("events").size());
        form.putAll(Map.of("window", window("Spring"), "close", true));
        send(person("m.tveit"), "/api/tiers/closing", form).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value(containsString("runs until 15 May 2026")));
    }

    @Test
    void aWindowIsClosedForSomeClassesInSomeAreas() throws Exception {
        String code = "2025-PART";
        students(code, new Object[][] {{"Mo", 130}, {"Nia", 60}});
        newClass("2025-WHOLE", 3, "b.calder", "Oli");
        int winter = window("Winter");
        String overview = "/api/tiers/closing?school=" + school() + "&window=" + winter;
        read(person("b.calder"), overview).andExpect(status().isForbidden());
        decide("m.tveit", code, decision("Mo " + code, "confirmed", null, 1, null, null)).andExpect(status().isOk());
        JsonNode part = part(body(read(person("m.tveit"), overview)), code, "Reading");
        assertEquals(List.of(2, 1, 0), List.of(part.get("students").asInt(), part.get("undecided").size(), part.get("untested").size()));
        assertEquals("Nia " + code, part.at("/undecided/0/name").asString());
        assertEquals(2, part(body(read(person("m.tveit"), overview)), code, "Maths").get("untested").size());

        List<Map<String, Object>> parts = List.of(Map.of("classId", classId(code), "area", "Reading"));
        Map<String, Object> form = new TreeMap<>(Map.of("window", winter, "school", school(), "close", true, "parts", parts, "reason", "the team met"));
        send(person("m.tveit"), "/api/tiers/closing", form).andExpect(status().isNoContent());
        assertTrue(part(body(read(person("m.tveit"), overview)), code, "Reading").get("closed").asBoolean());
        assertFalse(part(body(read(person("m.tveit"), overview)), code, "Maths").get("closed").asBoolean());
        JsonNode state = view("m.tveit", code, "").get("state");
        assertTrue(state.get("closed").asBoolean(), "all that this view shows is closed");
        assertEquals("Reading: " + code, state.at("/events/0/about").asString());
        assertFalse(view("m.tveit", "2025-WHOLE", "").at("/state/closed").asBoolean());

        decide("m.tveit", code, decision("Nia " + code, "confirmed", null, 3, null, null)).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value(containsString("closed for reading in this class")));
        Map<String, Object> entry = cell("Nia " + code, "maze", winter, 12, null);
        entry.put("takenOn", "2026-01-14");
        send(person("b.calder"), "/api/entry", entry).andExpect(status().isConflict());
        entry.put("measureId", measure("number-facts"));
        send(person("b.calder"), "/api/entry", entry).andExpect(status().isOk());
        Map<String, Object> other = cell("Oli 2025-WHOLE", "maze", winter, 12, null);
        other.put("takenOn", "2026-01-14");
        send(person("b.calder"), "/api/entry", other).andExpect(status().isOk());

        form.putAll(Map.of("close", false, "reason", "one more score"));
        send(person("m.tveit"), "/api/tiers/closing", form).andExpect(status().isNoContent());
        assertEquals("reopened", view("m.tveit", code, "").at("/state/events/0/kind").asString());
        decide("m.tveit", code, decision("Nia " + code, "confirmed", null, 3, null, null)).andExpect(status().isOk());
        form.put("parts", List.of(Map.of("classId", classId(code), "area", "Juggling")));
        send(person("m.tveit"), "/api/tiers/closing", form).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("parts"));
    }

    private JsonNode part(JsonNode view, String className, String area) {
        return each(view.get("parts")).filter(p -> p.get("className").asString().equals(className) && p.get("area").asString().equals(area)).findFirst()
                .orElseThrow();
    }

    @Test
    void aRetestIsOwedUntilItIsOnRecord() throws Exception {
        String code = "2025-RETEST";
        students(code, new Object[][] {{"Pia", 96}, {"Rex", 130}});
        score(code + "-Pia", "oral-reading", "2026-01-20", 120);
        int winter = window("Winter");
        String name = "Pia " + code;
        decide("m.tveit", code, decision(name, "retest", null, 2, null, null)).andExpect(status().isOk());
        assertEquals("0 of 2 decided, one to be tested again.", view("m.tveit", code, "").get("summary").asString());
        JsonNode coverage = body(read(person("b.calder"), "/api/coverage" + scope(code, "&window=" + winter)));
        JsonNode owed = each(coverage.get("untested")).filter(u -> u.at("/student/name").asString().equals(name) && u.get("status").asString().equals("retest"))
                .findFirst().orElseThrow();
        assertEquals("Oral reading", owed.get("measure").asString());
        assertTrue(coverage.get("summary").asString().endsWith("One is to be tested again."), coverage.get("summary").asString());
        JsonNode collect = each(body(read(person("b.calder"), "/api/desk" + scope(code, ""))).get("collect"))
                .filter(c -> c.get("kind").asString().equals("retest")).findFirst().orElseThrow();
        assertEquals(List.of(name, "Reading", winter, "to be tested again for winter, asked on 13 Mar 2026"), List.of(collect.at("/student/name").asString(),
                collect.get("about").asString(), collect.get("windowId").asInt(), collect.get("text").asString()));

        JsonNode cell = entry(code, name);
        assertFalse(cell.has("value"), "the cell is to be filled anew");
        assertEquals(96, cell.get("again").asInt());
        Map<String, Object> typed = cell(name, "oral-reading", winter, 96, null);
        send(person("b.calder"), "/api/entry", typed).andExpect(status().isOk()).andExpect(jsonPath("$.value").value(96.0))
                .andExpect(jsonPath("$.takenOn").value("2026-03-13"));
        assertEquals("2026-03-13", entry(code, name).get("takenOn").asString(), "the retest is the screening score, though nothing but its day differs");
        assertEquals("invalid", asking(person("b.calder"), () -> db.sql("""
                select status from scores_score where student_id = :s and taken_on = '2026-01-13' and superseded_by is null""").param("s", student(name))
                .query(String.class).single()));
        JsonNode row = of(view("m.tveit", code, "").get("rows"), name);
        assertTrue(row.at("/decided/retested").asBoolean());
        assertEquals("0 of 2 decided, one close call to talk about.", view("m.tveit", code, "").get("summary").asString());
        assertTrue(
                each(body(read(person("b.calder"), "/api/desk" + scope(code, ""))).get("collect")).noneMatch(c -> c.get("kind").asString().equals("retest")));
        decide("m.tveit", code, decision(name, "confirmed", null, row.at("/proposal/tier").asInt(), null, row.at("/decided/id").asLong()))
                .andExpect(status().isOk());
    }

    private JsonNode entry(String code, String name) {
        JsonNode grid = body(read(person("b.calder"), "/api/entry" + scope(code, "&window=" + window("Winter"))));
        return each(of(grid.get("rows"), name).get("cells")).filter(c -> c.get("measureId").asInt() == measure("oral-reading")).findFirst().orElseThrow();
    }

    @Test
    void whatWasDecidedIsTakenBackAndDecidedAnew() throws Exception {
        String code = "2025-TBACK";
        students(code, new Object[][] {{"Sol", 130}, {"Tim", 60}});
        String sol = "Sol " + code;
        decide("m.tveit", code, decision(sol, "withdrawn", null, 1, null, null)).andExpect(refused("409 conflict"));
        decide("m.tveit", code, decision(sol, "confirmed", null, 1, null, null), decision("Tim " + code, "confirmed", null, 3, null, null))
                .andExpect(status().isOk());
        long seen = of(view("m.tveit", code, "").get("rows"), sol).at("/decided/id").asLong();
        decide("b.calder", code, decision(sol, "withdrawn", null, 1, null, seen)).andExpect(refused("403 forbidden"));
        decide("m.tveit", code, decision(sol, "withdrawn", null, 1, null, seen)).andExpect(status().isOk());
        decide("m.tveit", code, decision(sol, "withdrawn", null, 1, null, seen)).andExpect(refused("409 conflict"));
        assertEquals("1 of 2 decided.", view("m.tveit", code, "").get("summary").asString());
        assertFalse(of(view("m.tveit", code, "").get("rows"), sol).has("decided"));
        JsonNode page = body(read(person("m.tveit"), "/api/students/" + student(sol) + "?asOf=2026-03-13"));
        assertFalse(page.get("tiers").toString().contains("withdrawn"), page.get("tiers").toString());
        decide("m.tveit", code, decision(sol, "overridden", 2, 1, "reads without understanding", null)).andExpect(status().isOk());
        assertEquals("2 of 2 decided.", view("m.tveit", code, "").get("summary").asString());
    }
}
