package org.zealousladder.server.monitoring.trends;

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
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.ScreeningTest;
import tools.jackson.databind.JsonNode;

/** The strip, goals of four kinds, pooled trends, rule settings, spans and the meeting. */
class MonitoringTest extends ScreeningTest {
    private static final String TODAY = "2026-03-13";

    private String trends(String path, String code, String more) {
        return path + scope(code, "&measure=" + measure("oral-reading") + more);
    }

    private ResultActions enter(String login, String student, String day, Object values, String status, Long seen) {
        Map<String, Object> form = new HashMap<>(
                Map.of("studentId", student(student), "measureId", measure("oral-reading"), "day", day, "values", values, "status", status));
        if (seen != null) {
            form.put("seen", seen);
        }
        return send(person(login), "/api/strip", form);
    }

    private void weekly(String student, double start, double pace, int weeks, LocalDate from) {
        String[] rows = new String[weeks + 1];
        rows[0] = "student,measure,date,score";
        for (int i = 0; i < weeks; i++) {
            rows[i + 1] = student + ",oral-reading," + from.plusWeeks(i) + "," + Math.round(start + pace * i + (i * 7 % 5 - 2) * 1.5);
        }
        take(rows);
    }

    @Test
    void theStripTakesAScoreFormsAndLettersAndSavesWhatComesTwiceOnce() throws Exception {
        String code = "2025-STRIPA";
        newClass(code, 3, "b.calder", "Ada", "Bo");
        score(code + "-Ada", "oral-reading", "2026-03-05", 61);
        String ada = "Ada " + code;
        JsonNode first = body(enter("b.calder", ada, TODAY, List.of(66), "scored", null).andExpect(status().isOk()));
        assertEquals(66, first.get("value").asDouble());
        assertEquals(61, first.get("last").asDouble());
        // The answer was lost on the way and the page sends it again, knowing of no record.
        assertEquals(first.get("scoreId").asLong(),
                body(enter("b.calder", ada, TODAY, List.of(66), "scored", null).andExpect(status().isOk())).get("scoreId").asLong());
        enter("m.tveit", ada, TODAY, List.of(70), "scored", null).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail", containsString("Somebody else entered 66"))).andExpect(jsonPath("$.theirs.value").value(66));
        JsonNode forms = body(enter("b.calder", ada, TODAY, List.of(58, 71, 64), "scored", first.get("scoreId").asLong()).andExpect(status().isOk()));
        assertEquals(64, forms.get("value").asDouble(), "the median of three");
        assertEquals(3, forms.get("forms").size());
        assertEquals("absent", body(enter("b.calder", "Bo " + code, TODAY, List.of(), "absent", null).andExpect(status().isOk())).get("status").asString());
        JsonNode gone = body(enter("b.calder", ada, TODAY, List.of(), "withdrawn", forms.get("scoreId").asLong()).andExpect(status().isOk()));
        assertFalse(gone.has("value"));
        enter("b.calder", ada, "2026-03-16", List.of(66), "scored", null).andExpect(jsonPath("$.detail", containsString("in the future")));
        enter("b.calder", ada, TODAY, List.of(66, 67, 68, 69), "scored", null).andExpect(refused("422 invalid values"));
        enter("b.calder", ada, TODAY, List.of(900), "scored", null).andExpect(jsonPath("$.detail", containsString("runs from 0 to")));
        enter("r.oduya", ada, TODAY, List.of(66), "scored", null).andExpect(status().isForbidden());
    }

    @Test
    void theMedianOfAClassIsAPointOfThePeersLine() throws Exception {
        String code = "2025-STRIPB";
        newClass(code, 3, "b.calder", "Ada");
        weekly(code + "-Ada", 50, 1, 8, LocalDate.of(2026, 1, 8));
        take("student,measure,start_date,start_score,goal_date,goal_score", code + "-Ada,oral-reading,2026-01-15,51,2026-05-08,80");
        Map<String, Object> form = new HashMap<>(Map.of("classId", classId(code), "measureId", measure("oral-reading"), "day", "2026-03-05", "median", 88));
        send(person("r.oduya"), "/api/strip/median", form).andExpect(refused("403 forbidden"));
        send(person("b.calder"), "/api/strip/median", form).andExpect(status().isNoContent());
        form.put("median", 90);
        send(person("b.calder"), "/api/strip/median", form).andExpect(status().isNoContent());
        JsonNode peers = body(read(person("b.calder"), trends("/api/trends", code, ""))).get("peers");
        assertEquals(1, peers.size());
        assertEquals(90, peers.at("/0/median").asDouble());
        form.put("median", 9000);
        send(person("b.calder"), "/api/strip/median", form).andExpect(refused("422 invalid median"));
    }

    @Test
    void aTrendLeansOnTheGradeTheSameForTeacherAndCoordinator() {
        String path = "/api/trends/" + student("Sunniva Hale") + "/" + measure("oral-reading") + "?asOf=2026-03-06";
        JsonNode teacher = body(read(person("r.oduya"), path)).at("/card/phases/0");
        JsonNode coordinator = body(read(person("m.tveit"), path)).at("/card/phases/0");
        assertTrue(teacher.get("shrinkage").asDouble() > 0 && teacher.get("shrinkage").asDouble() < 1);
        assertTrue(teacher.get("others").asInt() >= 4);
        assertEquals(teacher.get("slope").asDouble(), coordinator.get("slope").asDouble(), 1e-12);
        JsonNode zuri = body(read(person("r.oduya"), "/api/trends/" + student("Zuri Halloran") + "/" + measure("oral-reading") + "?asOf=2026-03-06"));
        assertFalse(zuri.at("/card/phases/1").has("shrinkage"), "after a change of plan a trend stands by itself");
        JsonNode rules = zuri.at("/card/proposal/rules");
        assertEquals(3, rules.size());
        each(rules).forEach(r -> assertFalse(r.get("why").asString().isBlank()));
    }

    private Map<String, Object> draft(String kind, Object... more) {
        Map<String, Object> draft = new HashMap<>(Map.of("kind", kind, "startDate", "2026-01-15", "startScore", 51, "goalDate", "2026-05-07"));
        for (int i = 0; i < more.length; i += 2) {
            draft.put((String) more[i], more[i + 1]);
        }
        return draft;
    }

    @Test
    void aGoalIsAdvisedOnInFourKindsBeforeItIsSet() throws Exception {
        String code = "2025-GOALA";
        newClass(code, 3, "b.calder", "Ada", "New");
        weekly(code + "-Ada", 50, 1, 9, LocalDate.of(2026, 1, 8));
        String base = "/api/trends/" + student("Ada " + code) + "/" + measure("oral-reading");
        JsonNode options = body(read(person("b.calder"), base + "/goal-options?asOf=" + TODAY));
        assertEquals("Spring", options.at("/benchmarks/0/window").asString());
        assertTrue(options.has("median") && options.has("norms"));
        assertEquals(1, options.get("ownPerWeek").asDouble(), 0.4);
        JsonNode norm = body(send(person("b.calder"), base + "/goal-advice?asOf=" + TODAY, draft("norm-growth", "percentile", 75)));
        assertEquals(75, norm.get("percentile").asInt(), 2, "rounding to whole words moves it a little");
        JsonNode pace = body(send(person("b.calder"), base + "/goal-advice?asOf=" + TODAY, draft("own-pace", "factor", 1.5)));
        assertEquals(51 + 16 * 1.5 * options.get("ownPerWeek").asDouble(), pace.get("goalScore").asDouble(), 0.51);
        JsonNode far = body(send(person("b.calder"), base + "/goal-advice?asOf=" + TODAY, draft("by-hand", "goalScore", 150)));
        assertTrue(far.get("unusual").asBoolean());
        assertTrue(far.get("norms").asString().contains("out of the ordinary"));
        assertTrue(far.get("chance").asDouble() < 0.05);
        JsonNode near = body(send(person("b.calder"), base + "/goal-advice?asOf=" + TODAY, draft("by-hand", "goalScore", 56)));
        assertTrue(near.get("chance").asDouble() > far.get("chance").asDouble());
        assertTrue(body(send(person("b.calder"), base + "/goal-advice?asOf=" + TODAY, draft("by-hand", "goalScore", 40))).get("problem").asString()
                .contains("not better than the start"));
        assertTrue(body(send(person("b.calder"), base + "/goal-advice?asOf=" + TODAY, draft("by-hand", "goalDate", "2026-01-01", "goalScore", 90)))
                .get("problem").asString().contains("after the start"));
        String empty = "/api/trends/" + student("New " + code) + "/" + measure("oral-reading") + "/goal-advice?asOf=" + TODAY;
        assertTrue(body(send(person("b.calder"), empty, draft("own-pace"))).get("problem").asString().contains("no trend yet"));
        // Set as advised, it keeps how it was chosen.
        Map<String, Object> goal = new HashMap<>(Map.of("studentId", student("Ada " + code), "measureId", measure("oral-reading"), "startDate", "2026-01-15",
                "startScore", 51, "goalDate", "2026-05-07", "goalScore", norm.get("goalScore").asDouble(), "kind", "norm-growth", "percentile", 75, "basis",
                norm.get("basis").asString()));
        send(person("b.calder"), "/api/goals", goal).andExpect(status().isNoContent());
        JsonNode row = each(body(read(person("b.calder"), trends("/api/plans", code, ""))).get("rows")).findFirst().orElseThrow();
        assertEquals("norm-growth", row.at("/goal/kind").asString());
        goal.put("goalDate", "2026-01-10");
        send(person("b.calder"), "/api/goals", goal).andExpect(jsonPath("$.detail", containsString("after the start date")));
    }

    @Test
    void aChangeOfARuleSaysWhoWouldBeProposedOtherwiseAndTeachersOnlyRead() throws Exception {
        Map<String, Object> rule = new HashMap<>(
                Map.of("measureId", measure("oral-reading"), "rule", "chance", "lastPoints", 4, "changeAtMost", 0.25, "raiseAtLeast", 0.75,
                        "minimumScores", 6, "minimumWeeks", 4));
        String effect = "/api/trends/rule-effect?who=class-" + classId("2025-KITTIWAKE") + "&year=" + thisYear() + "&asOf=" + TODAY;
        assertEquals(0, body(send(person("m.tveit"), effect, rule)).get("differ").size(), "the settings as they are");
        rule.put("minimumScores", 40);
        JsonNode all = body(send(person("m.tveit"), effect, rule));
        // Whoever is told something now cannot be told anything with fewer than forty scores, in the whole school.
        JsonNode cards = body(read(person("m.tveit"), "/api/trends" + wholeSchool("&measure=" + measure("oral-reading")))).get("cards");
        assertEquals(each(cards).filter(c -> List.of("hold", "raise", "change").contains(c.at("/proposal/kind").asString())).count(), all.get("differ").size());
        assertEquals(cards.size(), all.get("monitored").asInt());
        assertEquals("Skerrow Island School", all.get("school").asString());
        each(all.get("differ")).forEach(d -> assertEquals("Too soon to tell", d.get("after").asString()));
        rule.put("changeAtMost", 0.95);
        change(person("a.sandvik"), "rule", rule).andExpect(jsonPath("$.detail", containsString("must be under")));
        rule.put("changeAtMost", 0.3);
        rule.put("minimumScores", 6);
        change(person("r.oduya"), "rule", rule).andExpect(status().isForbidden());
        rule.put("measureId", measure("maze"));
        change(person("a.sandvik"), "rule", rule).andExpect(status().isNoContent());
        assertEquals(0.3, db.sql("select change_at_most from measures_measure where code = 'maze'").query(Double.class).single());
        rule.put("changeAtMost", 0.25);
        change(person("a.sandvik"), "rule", rule).andExpect(status().isNoContent());
    }

    @Test
    void spansCompareFirstBestAndLatestOverAnyDays() throws Exception {
        String code = "2025-SPANS";
        newClass(code, 3, "b.calder", "Ada", "Bo");
        for (Object[] s : new Object[][] {{"2025-10-02", 50}, {"2025-11-06", 72}, {"2026-02-05", 64}}) {
            score(code + "-Ada", "oral-reading", (String) s[0], s[1]);
        }
        JsonNode whole = body(read(person("b.calder"), trends("/api/trends/spans", code, "&from=2025-08-25&to=" + TODAY)));
        assertEquals(1, whole.get("without").asInt());
        JsonNode ada = whole.at("/rows/0");
        assertEquals(14, ada.get("firstToLatest").asDouble());
        assertEquals(22, ada.get("firstToBest").asDouble());
        assertEquals(-8, ada.get("bestToLatest").asDouble());
        JsonNode part = body(read(person("b.calder"), trends("/api/trends/spans", code, "&from=2025-08-25&to=2025-11-30")));
        assertEquals(22, part.at("/rows/0/firstToLatest").asDouble());
        read(person("b.calder"), trends("/api/trends/spans", code, "&from=2026-02-01&to=2026-01-01")).andExpect(refused("422 invalid from"));
    }

    @Test
    void theMeetingHasEveryoneInOrderWithPlansAndCanBeNarrowed() {
        JsonNode all = body(read(person("r.oduya"), "/api/meeting" + scope("2025-KITTIWAKE", "&measure=" + measure("oral-reading"))));
        assertEquals(11, all.get("items").size());
        assertTrue(each(all.get("items")).anyMatch(i -> i.get("plans").size() == 1 && i.at("/plans/0/planned").asInt() == 57));
        assertTrue(each(all.get("items")).anyMatch(i -> i.has("concern")));
        int sunniva = student("Sunniva Hale");
        JsonNode one = body(read(person("r.oduya"), "/api/meeting" + scope("2025-KITTIWAKE", "&measure=" + measure("oral-reading") + "&students=" + sunniva)));
        assertEquals(1, one.get("items").size());
        assertEquals("Sunniva Hale", one.at("/items/0/card/student/name").asString());
        String group = all.at("/groups/0").asString();
        JsonNode few = body(read(person("r.oduya"), "/api/meeting" + scope("2025-KITTIWAKE", "&measure=" + measure("oral-reading") + "&group=" + group)));
        assertEquals(5, few.get("items").size());
    }

    @Test
    void aStudentsPeersAreTheirClassAlsoWhereTheWholeSchoolIsLookedAt() {
        String path = "&measure=" + measure("oral-reading");
        JsonNode whole = body(read(person("m.tveit"), "/api/trends" + wholeSchool(path)));
        JsonNode own = body(read(person("r.oduya"), "/api/trends" + scope("2025-KITTIWAKE", path)));
        int kittiwake = classId("2025-KITTIWAKE");
        assertEquals(own.get("peers"), json.valueToTree(each(whole.get("peers")).filter(p -> p.get("classId").asInt() == kittiwake).toList()));
        assertEquals(2, own.get("peers").size(), "autumn and winter");
        assertTrue(each(whole.get("peers")).map(p -> p.get("classId").asInt()).distinct().count() >= 6);
        assertTrue(each(own.get("cards")).allMatch(c -> c.at("/student/classId").asInt() == kittiwake));
    }
}
