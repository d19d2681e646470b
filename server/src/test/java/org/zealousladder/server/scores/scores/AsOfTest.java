package org.zealousladder.server.scores.scores;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.exchange.records.ImportResult;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** What was known on a day: scores, goals, ladders and the roster, each by its own rule. */
class AsOfTest extends ServerTest {
    private String kittiwake(String day) {
        return "?who=class-" + classId("2025-KITTIWAKE") + "&year=" + thisYear() + "&asOf=" + day;
    }

    private JsonNode detail(String name, String measure, String day) {
        return body(read(person("r.oduya"), "/api/trends/" + student(name) + "/" + measure(measure) + "?asOf=" + day));
    }

    private static List<Double> values(JsonNode detail) {
        return StreamSupport.stream(detail.at("/card/points").spliterator(), false).filter(p -> p.has("value")).map(p -> p.get("value").asDouble()).toList();
    }

    @Test
    void aScoreTypedInLateIsKnownFromTheDayItWasTyped() throws Exception {
        Map<String, Object> late = Map.of("studentId", student("Emre Castellan"), "measureId", measure("maze"), "takenOn", "2026-02-20", "value", 37, "status",
                "scored", "sure", true);
        send(person("r.oduya"), "/api/scores", late).andExpect(status().isNoContent());
        assertTrue(values(detail("Emre Castellan", "maze", "2026-03-13")).contains(37.0));
        assertFalse(values(detail("Emre Castellan", "maze", "2026-03-12")).contains(37.0), "yesterday nobody knew it");
    }

    @Test
    void anImportedScoreIsKnownFromTheDayItWasTakenUnlessTheFileSaysOtherwise() {
        String code = asking(Viewer.SYSTEM,
                () -> db.sql("select code from roster_student where id = :id").param("id", student("Noor Ellery")).query(String.class).single());
        ImportResult r = imports
                .take(TestServer.csv("student,measure,date,score,known", code + ",maze,2026-02-10,31,", code + ",maze,2026-02-11,32,2026-03-01"));
        assertEquals(2, r.added());
        assertEquals(List.of(31.0), values(detail("Noor Ellery", "maze", "2026-02-20")).stream().filter(v -> v == 31 || v == 32).toList());
        assertEquals(List.of(31.0, 32.0), values(detail("Noor Ellery", "maze", "2026-03-01")).stream().filter(v -> v == 31 || v == 32).toList());
        signInHere(Viewer.SYSTEM); // a request over HTTP leaves nobody signed in here
        ImportResult early = imports.look(TestServer.csv("student,measure,date,score,known", code + ",maze,2026-02-12,33,2026-02-11"));
        assertEquals("known", early.refusals().get(0).column());
    }

    @Test
    void theHistoryOfAnEarlierDayDoesNotTellLaterCorrections() throws Exception {
        JsonNode now = detail("Caspian Ng", "oral-reading", "2026-03-13");
        JsonNode last = now.at("/history/0");
        send(person("r.oduya"), "/api/scores/" + last.get("id").asLong() + "/corrections", Map.of("status", "invalid", "reason", "the clock stopped"))
                .andExpect(status().isNoContent());
        JsonNode after = detail("Caspian Ng", "oral-reading", "2026-03-13");
        assertEquals("invalid", after.at("/history/0/status").asString());
        assertEquals("the clock stopped", after.at("/history/0/reason").asString());
        JsonNode before = detail("Caspian Ng", "oral-reading", "2026-03-12");
        assertEquals(last.get("value").asDouble(), before.at("/history/0/value").asDouble());
        assertTrue(values(before).size() == values(after).size() + 1, "an invalid score leaves the picture, not the record");
    }

    @Test
    void aStudentIsInTheClassOfThatDay() {
        assertTrue(names("2025-11-07", "2025-FULMAR").contains("Marit Solano"));
        assertFalse(names("2025-11-07", "2025-KITTIWAKE").contains("Marit Solano"));
        assertTrue(names("2025-11-10", "2025-KITTIWAKE").contains("Marit Solano"));
        assertFalse(names("2025-11-10", "2025-FULMAR").contains("Marit Solano"));
    }

    private List<String> names(String day, String code) {
        JsonNode rows = body(read(person("m.tveit"), "/api/ladder?who=class-" + classId(code) + "&year=" + thisYear() + "&asOf=" + day + "&measure=1"))
                .get("rows");
        return StreamSupport.stream(rows.spliterator(), false).map(r -> r.at("/student/name").asString()).toList();
    }

    @Test
    void cutScoresThatChangedTodayLeaveYesterdaysBandsAlone() {
        String ladder = "/api/ladder" + kittiwake("2026-03-13") + "&measure=" + measure("story-writing");
        JsonNode before = body(read(person("r.oduya"), ladder));
        signInHere(Viewer.SYSTEM);
        assertEquals(3, imports.take(TestServer.csv("measure,grade,year,window,band,tier,from_score", "story-writing,3,2025-26,Winter,Low,3,",
                "story-writing,3,2025-26,Winter,Middle,2,1", "story-writing,3,2025-26,Winter,High,1,2")).changed());
        JsonNode after = body(read(person("r.oduya"), ladder));
        assertEquals("High", after.at("/seasons/1/bands/2/name").asString());
        JsonNode yesterday = body(read(person("r.oduya"), ladder.replace("2026-03-13", "2026-03-12")));
        assertEquals(before.at("/seasons/1/bands").toString(), yesterday.at("/seasons/1/bands").toString());
    }

    @Test
    void aYearThatIsOverShowsItsLastDay() throws Exception {
        int lastYear = db.sql("select id from roster_year where name = '2024-25'").query(Integer.class).single();
        String then = "?who=class-" + classId("2024-KITTIWAKE") + "&year=" + lastYear + "&asOf=2026-03-13&measure=1";
        JsonNode view = body(read(person("m.tveit"), "/api/ladder" + then).andExpect(status().isOk()));
        assertEquals("Spring", view.at("/seasons/1/name").asString());
        assertEquals(26, view.get("rows").size());
        read(person("r.oduya"), "/api/ladder" + then).andExpect(status().isForbidden());
    }

    @Test
    void goalsThatCannotBeAreRefusedAtTheirField() throws Exception {
        Map<String, Object> good = new HashMap<>(Map.of("studentId", student("Yusra Penhale"), "measureId", measure("maze"), "startDate", "2026-01-14",
                "startScore", 12, "goalDate", "2026-05-08", "goalScore", 20));
        for (Object[] wrong : List.of(new Object[] {"goalDate", "2026-01-10"}, new Object[] {"goalDate", "2026-03-01"},
                new Object[] {"startDate", "2026-03-20"},
                new Object[] {"goalScore", 12}, new Object[] {"goalScore", 400}, new Object[] {"startScore", -1})) {
            Map<String, Object> form = new HashMap<>(good);
            form.put((String) wrong[0], wrong[1]);
            send(person("r.oduya"), "/api/goals", form).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value(wrong[0]));
        }
        send(person("r.oduya"), "/api/goals", good).andExpect(status().isNoContent());
        send(person("r.oduya"), "/api/goals", good).andExpect(status().isConflict()).andExpect(jsonPath("$.detail")
                .value(org.hamcrest.Matchers.containsString("Somebody else has set a goal")));
        JsonNode now = detail("Yusra Penhale", "maze", "2026-03-13");
        good.put("replaces", now.at("/card/goal/id").asLong());
        good.put("goalScore", 22);
        send(person("r.oduya"), "/api/goals", good).andExpect(status().isNoContent());
        JsonNode after = detail("Yusra Penhale", "maze", "2026-03-13");
        assertEquals(22, after.at("/card/goal/goalScore").asDouble());
        assertEquals(20, after.at("/replacedGoals/0/goalScore").asDouble());
    }

    @Test
    void decisionsNeedWhatTheirKindNeeds() throws Exception {
        Map<String, Object> form = new HashMap<>(Map.of("studentId", student("Caspian Ng"), "measureId", measure("oral-reading"), "kind", "plan-changed",
                "proposed", "too-soon", "because", "as shown"));
        send(person("r.oduya"), "/api/decisions", form).andExpect(jsonPath("$.field").value("reason"));
        form.put("reason", "smaller group");
        form.put("lookAgainOn", "2026-03-13");
        send(person("r.oduya"), "/api/decisions", form).andExpect(jsonPath("$.field").value("lookAgainOn"));
        form.put("lookAgainOn", "2026-04-10");
        form.put("kind", "forget");
        send(person("r.oduya"), "/api/decisions", form).andExpect(jsonPath("$.field").value("kind"));
        form.put("kind", "raise");
        send(person("r.oduya"), "/api/decisions", form).andExpect(jsonPath("$.field").value("newGoal"));
        form.put("kind", "plan-changed");
        send(person("r.oduya"), "/api/decisions", form).andExpect(status().isNoContent());
        JsonNode after = detail("Caspian Ng", "oral-reading", "2026-03-13");
        assertEquals("2026-03-13", after.at("/card/planChanges/0").asString());
        assertEquals("R. Oduya", after.at("/decisions/0/by").asString());
        assertEquals(0, detail("Caspian Ng", "oral-reading", "2026-03-12").get("decisions").size());
    }
}
