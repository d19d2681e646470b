package org.zealousladder.server.monitoring.decisions;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import tools.jackson.databind.JsonNode;

/** Decisions are taken back with what they did, closed plans opened again, and the day to look again on comes whatever is proposed. */
class TakingBackTest extends ScreeningTest {
    private static final LocalDate FIRST = LocalDate.of(2025, 12, 4);

    /** A student of a class of their own, twelve weeks of scores at a pace, and a goal of 80. */
    private String monitored(String code, double pace) {
        newClass(code, 3, "b.calder", "Ada");
        String[] rows = new String[15];
        rows[0] = "student,measure,date,score";
        for (int i = 0; i < 14; i++) {
            rows[i + 1] = code + "-Ada,oral-reading," + FIRST.plusWeeks(i) + "," + Math.round(50 + pace * i + i % 3 - 1);
        }
        take(rows);
        take("student,measure,start_date,start_score,goal_date,goal_score", code + "-Ada,oral-reading,2025-12-04,50,2026-05-08,80");
        return "Ada " + code;
    }

    private JsonNode detail(String name, String asOf) {
        return body(read(person("b.calder"), "/api/trends/" + student(name) + "/" + measure("oral-reading") + "?asOf=" + asOf));
    }

    private JsonNode detail(String name) {
        return detail(name, "2026-03-13");
    }

    private Map<String, Object> decision(String name, String kind, Object... more) {
        Map<String, Object> form = new HashMap<>(
                Map.of("studentId", student(name), "measureId", measure("oral-reading"), "kind", kind, "proposed", "change", "because",
                        "because"));
        for (int i = 0; i < more.length; i += 2) {
            form.put((String) more[i], more[i + 1]);
        }
        return form;
    }

    private Map<String, Object> goal(String name, double score) {
        return Map.of("startDate", "2025-12-04", "startScore", 50, "goalDate", "2026-05-08", "goalScore", score, "replaces",
                detail(name).at("/card/goal/id").asLong());
    }

    private long newest(String name) {
        JsonNode all = detail(name).get("decisions");
        return all.get(all.size() - 1).get("id").asLong();
    }

    @Test
    void raisingTakesAHigherGoal() throws Exception {
        String ada = monitored("2025-RAISE", 3);
        for (double score : List.of(80.0, 70.0)) {
            send(person("b.calder"), "/api/decisions", decision(ada, "raise", "newGoal", goal(ada, score))).andExpect(status().isUnprocessableContent())
                    .andExpect(jsonPath("$.field").value("goalScore")).andExpect(jsonPath("$.detail").value(containsString("The goal is 80 now.")));
        }
        assertEquals(80, detail(ada).at("/card/goal/goalScore").asDouble());
        send(person("b.calder"), "/api/decisions", decision(ada, "raise", "newGoal", goal(ada, 95))).andExpect(status().isNoContent());
        assertEquals(95, detail(ada).at("/card/goal/goalScore").asDouble());
    }

    @Test
    void aRaisedGoalTakenBackIsWhatItWas() throws Exception {
        String ada = monitored("2025-LOWER", 3);
        assertEquals("raise", detail(ada).at("/card/proposal/kind").asString());
        send(person("b.calder"), "/api/decisions", decision(ada, "raise", "newGoal", goal(ada, 95))).andExpect(status().isNoContent());
        long id = newest(ada);
        send(person("b.calder"), "/api/decisions/" + id + "/withdrawal", Map.of("reason", " ")).andExpect(status().isUnprocessableContent());
        send(person("r.oduya"), "/api/decisions/" + id + "/withdrawal", Map.of("reason", "not mine")).andExpect(status().isConflict());
        send(person("b.calder"), "/api/decisions/" + id + "/withdrawal", Map.of("reason", "the wrong student")).andExpect(status().isNoContent());
        JsonNode after = detail(ada);
        assertEquals(80, after.at("/card/goal/goalScore").asDouble());
        assertFalse(after.get("card").has("settledUntil"), "the proposal is back");
        assertEquals("the wrong student", after.at("/decisions/0/withdrawnBecause").asString());
        assertEquals("B. Calder", after.at("/decisions/0/withdrawnBy").asString());
        send(person("b.calder"), "/api/decisions/" + id + "/withdrawal", Map.of("reason", "again")).andExpect(status().isConflict());
    }

    @Test
    void thePhaseThatBeganWithADecisionGoesWithIt() throws Exception {
        String ada = monitored("2025-PHASE", 0.1);
        send(person("b.calder"), "/api/plans",
                Map.of("students", List.of(student(ada)), "measureId", measure("oral-reading"), "worry", "slow", "starts", "2025-12-04",
                        "ends", "2026-05-08", "way", Map.of("strategy", "Echo reading", "perWeek", 2)))
                .andExpect(status().isNoContent());
        long plan = detail(ada).at("/plans/0/id").asLong();
        send(person("b.calder"), "/api/decisions", decision(ada, "plan-changed", "reason", "too few sessions", "planChange",
                Map.of("planId", plan, "way", Map.of("strategy", "Paired reading", "perWeek", 4)))).andExpect(status().isNoContent());
        assertEquals(2, detail(ada).at("/plans/0/phases").size());
        assertEquals(1, detail(ada).at("/card/planChanges").size());
        send(person("b.calder"), "/api/decisions/" + newest(ada) + "/withdrawal", Map.of("reason", "decided for the wrong one"))
                .andExpect(status().isNoContent());
        assertEquals(1, detail(ada).at("/plans/0/phases").size());
        assertEquals(0, detail(ada).at("/card/planChanges").size());
        send(person("b.calder"), "/api/decisions", decision(ada, "plan-changed", "reason", "now rightly", "planChange",
                Map.of("planId", plan, "way", Map.of("strategy", "Paired reading", "perWeek", 4)))).andExpect(status().isNoContent());
        assertEquals(2, detail(ada).at("/plans/0/phases").size());
    }

    @Test
    void onlyTheNewestCanBeTakenBack() throws Exception {
        String ada = monitored("2025-ORDER", 0.1);
        send(person("b.calder"), "/api/decisions", decision(ada, "hold", "proposed", "hold")).andExpect(status().isNoContent());
        long first = newest(ada);
        send(person("b.calder"), "/api/decisions", decision(ada, "hold", "reason", "once more")).andExpect(status().isNoContent());
        send(person("b.calder"), "/api/decisions/" + first + "/withdrawal", Map.of("reason", "no")).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value(containsString("Something else was decided since.")));
    }

    @Test
    void aClosedPlanIsOpenedAgain() throws Exception {
        String ada = monitored("2025-OPEN", 0.5);
        send(person("b.calder"), "/api/plans",
                Map.of("students", List.of(student(ada)), "measureId", measure("oral-reading"), "worry", "slow", "starts", "2025-12-04",
                        "ends", "2026-02-01", "way", Map.of("strategy", "Echo reading", "perWeek", 2)))
                .andExpect(status().isNoContent());
        long plan = detail(ada).at("/plans/0/id").asLong();
        send(person("b.calder"), "/api/plans/" + plan + "/closing", Map.of("on", "2026-03-12", "outcome", "stopped")).andExpect(status().isNoContent());
        long closed = detail(ada).at("/plans/0/id").asLong();
        send(person("b.calder"), "/api/plans/" + closed + "/reopening", Map.of("reason", "closed by mistake")).andExpect(status().isNoContent());
        JsonNode again = detail(ada).at("/plans/0");
        assertFalse(again.has("closedOn"));
        assertEquals("Echo reading", again.at("/phases/0/strategy").asString());
        assertTrue(LocalDate.parse(again.get("ends").asString()).isAfter(LocalDate.of(2026, 3, 13)), "a last day that is past would end it at once");
        send(person("b.calder"), "/api/plans/" + again.get("id").asLong() + "/reopening", Map.of("reason", "again")).andExpect(status().isConflict());
    }

    /** Also one who is on course: somebody wanted to look again. */
    @Test
    void theDayToLookAgainOnComesWhateverIsProposed() throws Exception {
        String ada = monitored("2025-LOOK", 1.5);
        assertEquals("hold", detail(ada).at("/card/proposal/kind").asString());
        String desk = "/api/desk" + scope("2025-LOOK", "");
        assertEquals(0, body(read(person("b.calder"), desk)).get("decide").size());
        take("student,measure,changed_on,change", "2025-LOOK-Ada,oral-reading,2025-12-08,another book");
        JsonNode decide = body(read(person("b.calder"), desk)).get("decide");
        assertEquals(1, decide.size());
        assertEquals("2026-01-05", decide.at("/0/card/lookAgain").asString());
        send(person("b.calder"), "/api/decisions", decision(ada, "hold", "proposed", "hold")).andExpect(status().isNoContent());
        JsonNode after = body(read(person("b.calder"), desk));
        assertEquals(0, after.get("decide").size());
        assertEquals(1, after.get("settled").asInt());
    }
}
