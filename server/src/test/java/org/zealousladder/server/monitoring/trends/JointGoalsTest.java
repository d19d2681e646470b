package org.zealousladder.server.monitoring.trends;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.ScreeningTest;
import tools.jackson.databind.JsonNode;

/** One kind of goal for several students, tried first and then set with their plan. */
class JointGoalsTest extends ScreeningTest {
    private static final String TODAY = "2026-03-13";

    private ResultActions tryOut(String login, List<String> names, Map<String, Object> draft) {
        Map<String, Object> ask = new HashMap<>(Map.of("students", names.stream().map(this::student).toList()));
        if (draft != null) {
            ask.put("draft", draft);
        }
        return send(person(login), "/api/trends/joint-goals?measure=" + measure("oral-reading") + "&asOf=" + TODAY, ask);
    }

    private JsonNode tried(List<String> names, Map<String, Object> draft) {
        return body(tryOut("b.calder", names, draft));
    }

    /** Three scores in winter and one in March for each. */
    private List<String> scored(String code, String... students) {
        newClass(code, 3, "b.calder", students);
        List<String> rows = new ArrayList<>(List.of("student,measure,date,score"));
        for (int i = 0; i < students.length; i++) {
            int[] scores = {40 + 10 * i, 44 + 10 * i, 41 + 10 * i, 50 + 10 * i};
            String[] days = {"2026-01-12", "2026-01-19", "2026-01-26", "2026-03-09"};
            for (int k = 0; k < 4; k++) {
                rows.add(code + "-" + students[i] + ",oral-reading," + days[k] + "," + scores[k]);
            }
        }
        take(rows.toArray(String[]::new));
        return java.util.Arrays.stream(students).map(s -> s + " " + code).toList();
    }

    private Map<String, Object> goal(JsonNode row) {
        Map<String, Object> goal = new HashMap<>(Map.of("studentId", row.at("/student/id").asInt(), "measureId", measure("oral-reading"),
                "startDate", row.at("/from/date").asString(), "startScore", row.at("/from/score").asDouble(), "goalDate", row.at("/advice/goalDate").asString(),
                "goalScore", row.at("/advice/goalScore").asDouble(), "kind", "norm-growth", "percentile", 75, "basis", row.at("/advice/basis").asString()));
        if (row.has("standing")) {
            goal.put("replaces", row.at("/standing/id").asLong());
        }
        return goal;
    }

    private Map<String, Object> plan(List<String> names, List<Map<String, Object>> goals) {
        return new HashMap<>(Map.of("students", names.stream().map(this::student).toList(), "measureId", measure("oral-reading"), "groupName", "Sprinters",
                "worry", "Reads word by word", "starts", TODAY, "ends", "2026-05-08", "way", Map.of("strategy", "Echo reading", "perWeek", 3), "goals", goals));
    }

    private JsonNode goals(String code) {
        return body(read(person("b.calder"), "/api/plans" + scope(code, "&measure=" + measure("oral-reading")))).get("rows");
    }

    @Test
    void eachStartsFromTheirOwnScoresAndHasFiguresOfTheirOwn() {
        List<String> both = scored("2025-JOINA", "Ada", "Bo");
        JsonNode view = tried(both, Map.of("kind", "norm-growth", "start", "median", "goalDate", "2026-05-18", "percentile", 75));
        JsonNode ada = of(view.get("rows"), both.get(0));
        JsonNode bo = of(view.get("rows"), both.get(1));
        assertEquals(41, ada.at("/from/score").asDouble(), "the median of 40, 44 and 41");
        assertEquals("2026-01-19", ada.at("/from/date").asString());
        assertEquals(51, bo.at("/from/score").asDouble());
        assertEquals(ada.at("/advice/neededPerWeek").asDouble(), bo.at("/advice/neededPerWeek").asDouble(), 0.1, "the same growth is asked of both");
        assertEquals(10, bo.at("/advice/goalScore").asDouble() - ada.at("/advice/goalScore").asDouble(), 1.01);
        assertEquals(75, ada.at("/advice/percentile").asInt(), 3, "the goal is a whole number of words");
        assertTrue(ada.at("/advice/chance").isNumber(), "four scores make a trend to reckon with");
        JsonNode latest = tried(both, Map.of("kind", "by-hand", "start", "latest", "goalDate", "2026-05-18", "goalScore", 72));
        assertEquals(50, of(latest.get("rows"), both.get(0)).at("/from/score").asDouble());
        assertEquals(2.2, of(latest.get("rows"), both.get(0)).at("/advice/neededPerWeek").asDouble(), 1e-9);
        assertEquals(1.2, of(latest.get("rows"), both.get(1)).at("/advice/neededPerWeek").asDouble(), 1e-9);
    }

    @Test
    void withoutADraftItSaysWhatThereIsToChooseFrom() {
        List<String> both = scored("2025-JOINB", "Ada", "Bo");
        JsonNode view = tried(both, null);
        assertEquals("Spring", view.at("/benchmarks/0/window").asString());
        assertEquals("Secure", view.at("/benchmarks/0/band").asString());
        assertEquals(1, view.at("/benchmarks/0/tier").asInt());
        assertEquals("[\"Northern Isles 2025\"]", view.get("norms").toString());
        assertFalse(view.at("/rows/0").has("advice"));
        Map<String, Object> secure = Map.of("kind", "benchmark", "start", "median", "benchmark", json.convertValue(view.at("/benchmarks/0"), Map.class));
        JsonNode aimed = tried(both, secure);
        assertEquals(of(aimed.get("rows"), both.get(0)).at("/advice/goalScore").asDouble(),
                of(aimed.get("rows"), both.get(1)).at("/advice/goalScore").asDouble(),
                "a band begins at one score for the whole grade");
        assertEquals("Where Secure begins in spring", aimed.at("/rows/0/advice/basis").asString());
        assertEquals(view.at("/benchmarks/0/date").asString(), aimed.at("/rows/0/advice/goalDate").asString());
    }

    @Test
    void whoHasNoScoreYetGetsASentenceAndTheOthersTheirGoal() {
        String code = "2025-JOINC";
        List<String> one = scored(code, "Ada");
        take("student,given_name,family_name", code + "-New,New," + code);
        take("student,class,from,to", code + "-New," + code + ",2026-03-02,");
        List<String> both = List.of(one.get(0), "New " + code);
        JsonNode view = tried(both, Map.of("kind", "own-pace", "start", "median", "goalDate", "2026-05-18", "factor", 1.5));
        assertTrue(of(view.get("rows"), both.get(1)).at("/advice/problem").asString().startsWith("No score yet to start from"));
        assertEquals("1.5 times the own pace of", of(view.get("rows"), both.get(0)).at("/advice/basis").asString().substring(0, 25));
        assertTrue(
                tried(one, Map.of("kind", "by-hand", "start", "median", "goalScore", 80)).at("/rows/0/advice/problem").asString().contains("the day to reach"));
        assertTrue(tried(one, Map.of("kind", "benchmark", "start", "median")).at("/rows/0/advice/problem").asString().contains("No cut score"));
    }

    @Test
    void planAndGoalsAreSetTogetherAndTheOldGoalIsKept() throws Exception {
        String code = "2025-JOIND";
        List<String> both = scored(code, "Ada", "Bo");
        take("student,measure,start_date,start_score,goal_date,goal_score", code + "-Ada,oral-reading,2026-01-19,41,2026-05-08,60");
        JsonNode view = tried(both, Map.of("kind", "norm-growth", "start", "median", "goalDate", "2026-05-18", "percentile", 75));
        assertEquals(60, of(view.get("rows"), both.get(0)).at("/standing/goalScore").asDouble());
        List<Map<String, Object>> goals = List.of(goal(of(view.get("rows"), both.get(0))), goal(of(view.get("rows"), both.get(1))));
        send(person("b.calder"), "/api/plans", plan(both, goals)).andExpect(status().isNoContent());
        JsonNode ada = of(goals(code), both.get(0));
        assertEquals("Echo reading", ada.at("/plan/phases/0/strategy").asString());
        assertEquals(goals.get(0).get("goalScore"), ada.at("/goal/goalScore").asDouble());
        assertEquals("norm-growth", ada.at("/goal/kind").asString());
        assertEquals(75, ada.at("/goal/percentile").asInt());
        assertEquals(goals.get(1).get("goalScore"), of(goals(code), both.get(1)).at("/goal/goalScore").asDouble());
        JsonNode detail = body(read(person("b.calder"), "/api/trends/" + student(both.get(0)) + "/" + measure("oral-reading") + "?asOf=" + TODAY));
        assertEquals(60, detail.at("/replacedGoals/0/goalScore").asDouble());
    }

    @Test
    void aGoalThatCannotBeSetTakesThePlanWithIt() throws Exception {
        String code = "2025-JOINE";
        List<String> both = scored(code, "Ada", "Bo");
        JsonNode view = tried(both, Map.of("kind", "norm-growth", "start", "median", "goalDate", "2026-05-18", "percentile", 75));
        Map<String, Object> good = goal(of(view.get("rows"), both.get(0)));
        Map<String, Object> past = new HashMap<>(goal(of(view.get("rows"), both.get(1))));
        past.put("goalDate", "2026-03-01");
        send(person("b.calder"), "/api/plans", plan(both, List.of(good, past))).andExpect(jsonPath("$.detail", containsString("The goal date is past")));
        assertEquals(0, goals(code).size(), "neither plan nor goal");
        // Somebody else sets Bo's goal while the dialog is open.
        take("student,measure,start_date,start_score,goal_date,goal_score", code + "-Bo,oral-reading,2026-01-19,51,2026-05-08,70");
        send(person("b.calder"), "/api/plans", plan(both, List.of(good, goal(of(view.get("rows"), both.get(1)))))).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail", containsString("Somebody else has set a goal")));
        assertEquals(1, goals(code).size(), "only the goal of the other person");
        Map<String, Object> stranger = new HashMap<>(good);
        stranger.put("studentId", student(both.get(1)));
        send(person("b.calder"), "/api/plans", plan(List.of(both.get(0)), List.of(stranger)))
                .andExpect(jsonPath("$.detail", containsString("another student")));
        send(person("b.calder"), "/api/plans", plan(both, List.of(good, good))).andExpect(jsonPath("$.detail", containsString("one for each student")));
        assertEquals(1, goals(code).size());
    }

    @Test
    void othersAreToldNothingAndRefused() throws Exception {
        List<String> both = scored("2025-JOINF", "Ada", "Bo");
        tryOut("r.oduya", both, Map.of("kind", "by-hand", "start", "latest", "goalDate", "2026-05-18", "goalScore", 90))
                .andExpect(refused("422 invalid students"))
                .andExpect(jsonPath("$.detail", containsString("not yours")));
        send(person("r.oduya"), "/api/goals", Map.of("studentId", student(both.get(0)), "measureId", measure("oral-reading"), "startDate", "2026-01-19",
                "startScore", 41, "goalDate", "2026-05-18", "goalScore", 90)).andExpect(status().isForbidden());
        tryOut("b.calder", both, Map.of("kind", "wish", "start", "latest")).andExpect(status().isUnprocessableContent());
        tryOut("b.calder", List.of(), null).andExpect(status().isUnprocessableContent());
    }
}
