package org.zealousladder.server.monitoring.goals;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A goal that was set by mistake goes, and what stood before it comes back. */
class GoalTakenBackTest extends ScreeningTest {
    private String ada;
    private String code;

    private void ada(String className) {
        code = className;
        ada = "Ada " + className;
        newClass(className, 3, "b.calder", "Ada", "Bo");
        for (int week = 0; week < 8; week++) {
            score(className + "-Ada", "oral-reading", java.time.LocalDate.of(2026, 1, 8).plusWeeks(week).toString(), 60 + week);
        }
    }

    private JsonNode detail(String asOf) {
        return body(read(person("b.calder"), "/api/trends/" + student(ada) + "/" + measure("oral-reading") + "?asOf=" + asOf));
    }

    private void set(double score, Long replaces) throws Exception {
        Map<String, Object> form = new HashMap<>(Map.of("studentId", student(ada), "measureId", measure("oral-reading"), "startDate", "2026-01-08",
                "startScore", 60, "goalDate", "2026-06-12", "goalScore", score));
        if (replaces != null) {
            form.put("replaces", replaces);
        }
        send(person("b.calder"), "/api/goals", form).andExpect(status().isNoContent());
    }

    private void takeBack(Viewer who, long id, String how) throws Exception {
        var answer = send(who, "/api/goals/" + id + "/withdrawal", Map.of("reason", "meant for another student"));
        if (how.isEmpty()) {
            answer.andExpect(status().isNoContent());
        } else {
            answer.andExpect(refused(how));
        }
    }

    @Test
    void theOnlyGoalGoesAndNobodyIsMonitoredAnyMore() throws Exception {
        ada("2025-GBACK");
        set(96, null);
        long id = detail("2026-03-13").at("/card/goal/id").asLong();
        String desk = "/api/desk?who=class-" + classId(code) + "&year=" + thisYear() + "&asOf=2026-03-13";
        assertEquals(1, body(read(person("b.calder"), desk)).get("monitored").asInt());
        takeBack(person("b.calder"), id, "");
        JsonNode after = detail("2026-03-13");
        assertFalse(after.at("/card").has("goal"));
        assertFalse(after.at("/card").has("proposal"));
        assertEquals(0, after.get("replacedGoals").size(), "a goal that was a mistake is not drawn as the one before");
        assertEquals(8, after.at("/card/points").size(), "the scores stay");
        assertEquals(0, body(read(person("b.calder"), desk)).get("monitored").asInt());
        takeBack(person("b.calder"), id, "409 conflict");
        set(90, null);
        assertEquals(90, detail("2026-03-13").at("/card/goal/goalScore").asDouble());
    }

    /** Else a student would be told for years that last year's goal is met, by scores of another year. */
    @Test
    void lastYearsGoalIsHistoryAndInNobodysWay() throws Exception {
        ada("2025-GLAST");
        take("student,measure,start_date,start_score,goal_date,goal_score", code + "-Ada,oral-reading,2024-10-03,40,2025-05-02,62");
        JsonNode card = detail("2026-03-13").get("card");
        assertFalse(card.has("goal"));
        assertFalse(card.has("proposal"));
        assertEquals(8, card.at("/phases/0/n").asInt(), "all scores of this year are one phase");
        JsonNode page = body(read(person("b.calder"), "/api/students/" + student(ada) + "?asOf=2026-03-13"));
        JsonNode lane = each(page.get("lanes")).filter(l -> l.at("/measure/id").asInt() == measure("oral-reading")).findFirst().orElseThrow();
        assertFalse(lane.get("card").has("goal"));
        assertEquals(62, lane.at("/earlierGoals/0/goalScore").asDouble(), "the line is still drawn where it was");
        assertEquals(0, each(page.get("next")).filter(n -> n.toString().contains("goal")).count(), "nothing is to be said of it: " + page.get("next"));
        assertEquals(0, body(read(person("b.calder"), "/api/strip?who=class-" + classId(code) + "&measure=" + measure("oral-reading") + "&year=" + thisYear()))
                .get("monitored").asInt());
        set(96, null);
        assertEquals(96, detail("2026-03-13").at("/card/goal/goalScore").asDouble());
        send(person("b.calder"), "/api/goals", Map.of("studentId", student(ada), "measureId", measure("oral-reading"), "startDate", "2026-01-08",
                "startScore", 60, "goalDate", "2026-06-12", "goalScore", 97)).andExpect(refused("409 conflict"));
        JsonNode again = body(read(person("b.calder"), "/api/students/" + student(ada) + "?asOf=2026-03-13"));
        assertEquals(62, each(again.get("lanes")).filter(l -> l.at("/measure/id").asInt() == measure("oral-reading")).findFirst().orElseThrow()
                .at("/earlierGoals/0/goalScore").asDouble(), "it stays when another year's goal comes");
        takeBack(person("b.calder"), detail("2026-03-13").at("/card/goal/id").asLong(), "");
        assertFalse(detail("2026-03-13").get("card").has("goal"), "last year's does not come back");
    }

    @Test
    void theGoalBeforeComesBackWithHowItWasChosen() throws Exception {
        ada("2025-GBEFORE");
        set(80, null);
        long first = detail("2026-03-13").at("/card/goal/id").asLong();
        set(120, first);
        takeBack(person("b.calder"), first, "409 conflict");
        takeBack(person("b.calder"), detail("2026-03-13").at("/card/goal/id").asLong(), "");
        assertEquals(80, detail("2026-03-13").at("/card/goal/goalScore").asDouble());
        assertTrue(detail("2026-03-13").at("/card/goal/id").asLong() != first, "history is kept: it is set anew");
    }

    @Test
    void onlyByThoseWhoMaySeeTheStudentAndNotWithoutAReason() throws Exception {
        ada("2025-GWHO");
        set(96, null);
        long id = detail("2026-03-13").at("/card/goal/id").asLong();
        takeBack(person("r.oduya"), id, "404 not-found");
        takeBack(person("b.calder"), 987_654_321, "404 not-found");
        send(person("b.calder"), "/api/goals/" + id + "/withdrawal", Map.of("reason", "  ")).andExpect(refused("422 invalid reason"));
        assertEquals(96, detail("2026-03-13").at("/card/goal/goalScore").asDouble());
    }

    /** A decision raised the goal, then somebody set another: taking the decision back leaves that one. */
    @Test
    void aGoalThatWasSetSinceStaysWhenTheDecisionIsTakenBack() throws Exception {
        ada("2025-GSINCE");
        set(70, null);
        Map<String, Object> raise = Map.of("studentId", student(ada), "measureId", measure("oral-reading"), "kind", "raise", "proposed", "raise", "because",
                "as shown", "newGoal", Map.of("startDate", "2026-01-08", "startScore", 60, "goalDate", "2026-06-12", "goalScore", 85, "replaces",
                        detail("2026-03-13").at("/card/goal/id").asLong()));
        send(person("b.calder"), "/api/decisions", raise).andExpect(status().isNoContent());
        set(99, detail("2026-03-13").at("/card/goal/id").asLong());
        long decision = detail("2026-03-13").at("/decisions/0/id").asLong();
        send(person("b.calder"), "/api/decisions/" + decision + "/withdrawal", Map.of("reason", "too early")).andExpect(status().isNoContent());
        assertEquals(99, detail("2026-03-13").at("/card/goal/goalScore").asDouble());
    }
}
