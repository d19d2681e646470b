package org.zealousladder.server.monitoring.plans;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import tools.jackson.databind.JsonNode;

/** Several people do the same thing in the same moment: one of them succeeds, the others learn of it, and nothing stands twice. */
class TwoAtOnceTest extends ScreeningTest {
    private static final String TODAY = "2026-03-13";
    private static final int PEOPLE = 6;

    /** Sends the same from several threads at once and gives the answers' codes, lowest first. */
    private List<Integer> atOnce(String path, Map<String, ?> form) throws Exception {
        ExecutorService people = Executors.newFixedThreadPool(PEOPLE);
        CyclicBarrier together = new CyclicBarrier(PEOPLE);
        List<Future<Integer>> answers = new ArrayList<>();
        for (int i = 0; i < PEOPLE; i++) {
            var viewer = person(i % 2 == 0 ? "b.calder" : "m.tveit");
            Callable<Integer> one = () -> {
                together.await();
                return send(viewer, path, form).andReturn().getResponse().getStatus();
            };
            answers.add(people.submit(one));
        }
        List<Integer> codes = new ArrayList<>();
        for (Future<Integer> answer : answers) {
            codes.add(answer.get());
        }
        people.shutdown();
        return codes.stream().sorted().toList();
    }

    private void assertOneOf(int success, int refusal, List<Integer> codes) {
        assertEquals(1, codes.stream().filter(c -> c == success).count(), codes.toString());
        assertEquals(PEOPLE - 1, codes.stream().filter(c -> c == refusal).count(), codes.toString());
    }

    private JsonNode row(String code) {
        return body(read(person("b.calder"), "/api/plans" + scope(code, "&measure=" + measure("oral-reading")))).at("/rows/0");
    }

    private Map<String, Object> plan(int student) {
        return Map.of("students", List.of(student), "measureId", measure("oral-reading"), "worry", "Reads word by word", "starts", "2026-03-02", "ends",
                "2026-05-01",
                "way", Map.of("strategy", "Echo reading", "perWeek", 3));
    }

    @Test
    void onlyOnePlanIsMade() throws Exception {
        newClass("2025-ONCEA", 3, "b.calder", "Ada");
        assertOneOf(204, 409, atOnce("/api/plans", plan(student("Ada 2025-ONCEA"))));
        assertEquals(0, row("2025-ONCEA").get("past").size());
        assertEquals("Echo reading", row("2025-ONCEA").at("/plan/phases/0/strategy").asString());
        assertEquals(1, row("2025-ONCEA").at("/plan/phases").size());
    }

    @Test
    void aPlanIsClosedOnceAndChangedOnceADay() throws Exception {
        newClass("2025-ONCEB", 3, "b.calder", "Ada");
        send(person("b.calder"), "/api/plans", plan(student("Ada 2025-ONCEB"))).andExpect(status().isNoContent());
        long id = row("2025-ONCEB").at("/plan/id").asLong();
        List<Integer> changes = atOnce("/api/plans/" + id + "/phases",
                Map.of("starts", "2026-03-09", "way", Map.of("strategy", "Word steps", "perWeek", 4, "reason", "Too easy")));
        assertEquals(1, changes.stream().filter(c -> c == 204).count(), changes.toString());
        assertTrue(changes.stream().allMatch(c -> c < 500), changes.toString());
        assertEquals(2, row("2025-ONCEB").at("/plan/phases").size());
        List<Integer> closings = atOnce("/api/plans/" + id + "/closing", Map.of("on", TODAY, "outcome", "met"));
        assertEquals(1, closings.stream().filter(c -> c == 204).count(), closings.toString());
        assertTrue(closings.stream().allMatch(c -> c < 500), closings.toString());
    }

    @Test
    void aSessionTickedByEverybodyWasHeldOnce() throws Exception {
        newClass("2025-ONCEC", 3, "b.calder", "Ada");
        send(person("b.calder"), "/api/plans", plan(student("Ada 2025-ONCEC"))).andExpect(status().isNoContent());
        List<Integer> codes = atOnce("/api/plans/sessions",
                Map.of("plans", List.of(row("2025-ONCEC").at("/plan/id").asLong()), "day", "2026-03-10", "given", 1));
        assertTrue(codes.stream().allMatch(c -> c == 204 || c == 409), codes.toString());
        assertEquals(1, row("2025-ONCEC").at("/plan/given").asInt());
    }

    @Test
    void onlyOneGoalStands() throws Exception {
        newClass("2025-ONCED", 3, "b.calder", "Ada");
        int ada = student("Ada 2025-ONCED");
        Map<String, Object> goal = new HashMap<>(Map.of("studentId", ada, "measureId", measure("oral-reading"), "startDate", "2026-02-02", "startScore", 50,
                "goalDate", "2026-05-08", "goalScore", 70));
        assertOneOf(204, 409, atOnce("/api/goals", goal));
        long first = row("2025-ONCED").at("/goal/id").asLong();
        goal.putAll(Map.of("goalScore", 80, "replaces", first));
        assertOneOf(204, 409, atOnce("/api/goals", goal));
        assertEquals(80, row("2025-ONCED").at("/goal/goalScore").asDouble());
        JsonNode detail = body(read(person("b.calder"), "/api/trends/" + ada + "/" + measure("oral-reading") + "?asOf=" + TODAY));
        assertEquals(1, detail.get("replacedGoals").size());
    }

    @Test
    void aConcernIsSetOnce() throws Exception {
        newClass("2025-ONCEE", 3, "b.calder", "Ada");
        assertOneOf(204, 409, atOnce("/api/plans/concerns", Map.of("studentId", student("Ada 2025-ONCEE"), "area", "Reading", "level", 2)));
        assertEquals(2, row("2025-ONCEE").at("/concern/level").asInt());
    }

    @Test
    void aScoreOfTheStripIsSavedOnceAndTheSameFromAnotherIsNoConflict() throws Exception {
        newClass("2025-ONCEF", 3, "b.calder", "Ada");
        Map<String, Object> entry = Map.of("studentId", student("Ada 2025-ONCEF"), "measureId", measure("oral-reading"), "day", TODAY, "values", List.of(64),
                "status", "scored");
        List<Integer> codes = atOnce("/api/strip", entry);
        assertTrue(codes.stream().allMatch(c -> c == 200 || c == 409), codes.toString());
        assertEquals(200, codes.get(0), codes.toString());
        JsonNode history = body(read(person("b.calder"), "/api/trends/" + student("Ada 2025-ONCEF") + "/" + measure("oral-reading") + "?asOf=" + TODAY))
                .get("history");
        assertEquals(1, history.size(), history.toString());
    }

    @Test
    void theSameDecisionFromEverybodyIsRecordedOnce() throws Exception {
        newClass("2025-ONCEG", 3, "b.calder", "Ada");
        send(person("b.calder"), "/api/plans", plan(student("Ada 2025-ONCEG"))).andExpect(status().isNoContent());
        Map<String, Object> decision = Map.of("studentId", student("Ada 2025-ONCEG"), "measureId", measure("oral-reading"), "kind", "plan-changed", "proposed",
                "change",
                "because", "x", "reason", "Smaller steps", "planChange",
                Map.of("planId", row("2025-ONCEG").at("/plan/id").asLong(), "way", Map.of("strategy", "Word steps", "perWeek", 4)));
        List<Integer> codes = atOnce("/api/decisions", decision);
        assertEquals(1, codes.stream().filter(c -> c == 204).count(), codes.toString());
        assertTrue(codes.stream().allMatch(c -> c < 500), codes.toString());
        assertEquals(2, row("2025-ONCEG").at("/plan/phases").size());
        assertEquals(1, body(read(person("b.calder"), "/api/trends/" + student("Ada 2025-ONCEG") + "/" + measure("oral-reading") + "?asOf=" + TODAY))
                .get("decisions").size());
    }

    @Test
    void theClassMedianOfADayIsOne() throws Exception {
        newClass("2025-ONCEH", 3, "b.calder", "Ada");
        int id = classId("2025-ONCEH");
        List<Integer> codes = atOnce("/api/strip/median", Map.of("classId", id, "measureId", measure("oral-reading"), "day", "2026-03-12", "median", 81));
        assertTrue(codes.stream().allMatch(c -> c < 300), codes.toString());
        JsonNode peers = body(read(person("b.calder"), "/api/trends" + scope("2025-ONCEH", "&measure=" + measure("oral-reading")))).get("peers");
        assertEquals(1, peers.size(), peers.toString());
    }
}
