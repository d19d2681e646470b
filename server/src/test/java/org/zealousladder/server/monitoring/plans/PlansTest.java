package org.zealousladder.server.monitoring.plans;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.TestServer;
import tools.jackson.databind.JsonNode;

/** Concerns, plans, phases, sessions and strategies. */
class PlansTest extends ScreeningTest {
    private static final String TODAY = "2026-03-13";

    private JsonNode view(String code) {
        return view(code, TODAY);
    }

    private JsonNode view(String code, String asOf) {
        return body(read(person("b.calder"),
                "/api/plans?who=class-" + classId(code) + "&year=" + thisYear() + "&measure=" + measure("oral-reading") + "&asOf=" + asOf));
    }

    private static Map<String, Object> way(String strategy, int perWeek) {
        return Map.of("strategy", strategy, "perWeek", perWeek, "minutes", 20);
    }

    private Map<String, Object> plan(List<String> names, String starts, String ends) {
        Map<String, Object> form = new HashMap<>(Map.of("students", names.stream().map(this::student).toList(), "measureId", measure("oral-reading"),
                "worry", "Reads word by word", "success", "A page without a stop", "starts", starts, "ends", ends, "way", way("Echo reading", 3)));
        if (names.size() > 1) {
            form.put("groupName", "Echoes");
        }
        return form;
    }

    private ResultActions make(String starts, String ends, String... names) {
        return send(person("b.calder"), "/api/plans", plan(List.of(names), starts, ends));
    }

    private long planOf(String code, String name) {
        return of(view(code).get("rows"), name).at("/plan/id").asLong();
    }

    @Test
    void aGroupGetsItsPlanAndItsSessionsAreTickedTogether() throws Exception {
        String code = "2025-PLANA";
        newClass(code, 3, "b.calder", "Ada", "Bo", "Cy");
        make("2026-03-02", "2026-04-24", "Ada " + code, "Bo " + code).andExpect(status().isNoContent());
        JsonNode view = view(code);
        assertEquals(2, view.get("rows").size());
        assertEquals(1, view.get("others").size(), "who has no concern, plan or goal has no form");
        JsonNode ada = of(view.get("rows"), "Ada " + code);
        JsonNode bo = of(view.get("rows"), "Bo " + code);
        assertEquals(ada.at("/plan/groupId").asLong(), bo.at("/plan/groupId").asLong());
        assertEquals(0, ada.at("/plan/given").asInt());
        assertEquals(6, ada.at("/plan/planned").asInt(), "ten school days at three a week");
        assertTrue(ada.at("/plan/tooLittle").asBoolean());
        List<Long> both = List.of(ada.at("/plan/id").asLong(), bo.at("/plan/id").asLong());
        for (String day : List.of("2026-03-03", "2026-03-05", "2026-03-10", "2026-03-12")) {
            send(person("b.calder"), "/api/plans/sessions", Map.of("plans", both, "day", day, "given", 1)).andExpect(status().isNoContent());
        }
        send(person("b.calder"), "/api/plans/sessions", Map.of("plans", List.of(both.get(1)), "day", "2026-03-12", "given", 0))
                .andExpect(status().isNoContent());
        JsonNode after = view(code);
        assertEquals(4, of(after.get("rows"), "Ada " + code).at("/plan/given").asInt());
        assertFalse(of(after.get("rows"), "Ada " + code).at("/plan/tooLittle").asBoolean());
        assertEquals(3, of(after.get("rows"), "Bo " + code).at("/plan/given").asInt());
        assertEquals(1, of(after.get("rows"), "Ada " + code).at("/sessions/2026-03-10").asInt());
        send(person("b.calder"), "/api/plans/sessions", Map.of("plans", both, "day", "2026-03-16", "given", 1))
                .andExpect(jsonPath("$.detail", containsString("still to come")));
        send(person("b.calder"), "/api/plans/sessions", Map.of("plans", both, "day", "2026-02-27", "given", 1))
                .andExpect(jsonPath("$.detail", containsString("The plan begins on 2 Mar")));
    }

    @Test
    void twoPlansForTheSameMeasureAtOnceAreRefusedAndNothingIsHalfSaved() throws Exception {
        String code = "2025-PLANB";
        newClass(code, 3, "b.calder", "Ada", "Bo");
        make("2026-03-02", "2026-04-24", "Ada " + code).andExpect(status().isNoContent());
        make("2026-03-09", "2026-05-01", "Bo " + code, "Ada " + code).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail", containsString("Ada " + code + " has a plan for this measure")));
        assertEquals(1, view(code).get("rows").size(), "Bo got none either");
        make("2026-03-09", "2026-03-09", "Bo " + code).andExpect(jsonPath("$.detail", containsString("after the first")));
        Map<String, Object> empty = plan(List.of("Bo " + code), "2026-03-09", "2026-05-01");
        empty.put("worry", " ");
        send(person("b.calder"), "/api/plans", empty).andExpect(refused("422 invalid worry"));
        // Closed, it makes room for another from that day on.
        send(person("b.calder"), "/api/plans/" + planOf(code, "Ada " + code) + "/closing",
                Map.of("on", TODAY, "outcome", "partly", "note", "Reads longer stretches"))
                .andExpect(status().isNoContent());
        make(TODAY, "2026-05-01", "Ada " + code).andExpect(status().isNoContent());
        JsonNode ada = of(view(code).get("rows"), "Ada " + code);
        assertEquals("partly", ada.at("/past/0/outcome").asString());
        assertEquals(TODAY, ada.at("/plan/starts").asString());
        JsonNode page = body(read(person("b.calder"), "/api/students/" + student("Ada " + code) + "?asOf=" + TODAY));
        assertEquals(2, page.at("/plans/0/plans").size(), "both stay on the student's page");
    }

    @Test
    void aChangeBeginsAPhaseThatMustNotOverlap() throws Exception {
        String code = "2025-PLANC";
        newClass(code, 3, "b.calder", "Ada");
        make("2026-02-02", "2026-04-24", "Ada " + code).andExpect(status().isNoContent());
        long id = planOf(code, "Ada " + code);
        Map<String, Object> more = Map.of("strategy", "Echo reading", "perWeek", 5, "reason", "Two more times a week");
        send(person("b.calder"), "/api/plans/" + id + "/phases", Map.of("starts", "2026-02-02", "way", more))
                .andExpect(jsonPath("$.detail", containsString("phases cannot overlap")));
        send(person("b.calder"), "/api/plans/" + id + "/phases", Map.of("starts", "2026-04-24", "way", more))
                .andExpect(jsonPath("$.detail", containsString("must begin before")));
        send(person("b.calder"), "/api/plans/" + id + "/phases", Map.of("starts", "2026-03-02", "way", way("Echo reading", 5)))
                .andExpect(jsonPath("$.detail", containsString("why the plan changes")));
        send(person("b.calder"), "/api/plans/" + id + "/phases", Map.of("starts", "2026-03-02", "way", more)).andExpect(status().isNoContent());
        JsonNode plan = of(view(code).get("rows"), "Ada " + code).get("plan");
        assertEquals(2, plan.get("phases").size());
        assertEquals(19, plan.get("planned").asInt(), "four weeks at three of which the storm took one, ten days at five");
        send(person("b.calder"), "/api/plans/" + id + "/closing", Map.of("on", "2026-02-20", "outcome", "met"))
                .andExpect(jsonPath("$.detail", containsString("from 2 Mar 2026 to today")));
    }

    @Test
    void thePlansOfAGroupAreChangedWordedAndClosedTogether() throws Exception {
        String code = "2025-PLANT";
        newClass(code, 3, "b.calder", "Ada", "Bo", "Cy");
        make("2026-02-02", "2026-04-24", "Ada " + code, "Bo " + code).andExpect(status().isNoContent());
        make("2026-02-02", "2026-04-24", "Cy " + code).andExpect(status().isNoContent());
        long ada = planOf(code, "Ada " + code);
        List<Long> bo = List.of(planOf(code, "Bo " + code));
        Map<String, Object> more = Map.of("strategy", "Echo reading", "perWeek", 5, "reason", "Two more times a week");
        send(person("b.calder"), "/api/plans/" + ada + "/phases", Map.of("starts", "2026-03-02", "way", more, "together", List.of(planOf(code, "Cy " + code))))
                .andExpect(refused("422 invalid together"));
        send(person("b.calder"), "/api/plans/" + ada + "/phases", Map.of("starts", "2026-03-02", "way", more, "together", bo))
                .andExpect(status().isNoContent());
        for (String name : List.of("Ada ", "Bo ")) {
            assertEquals(5, of(view(code).get("rows"), name + code).at("/plan/phases/1/perWeek").asInt());
        }
        assertEquals(1, of(view(code).get("rows"), "Cy " + code).at("/plan/phases").size());
        send(person("b.calder"), "/api/plans/" + ada + "/amendment",
                Map.of("worry", "Reads word by word", "ends", "2026-05-01", "together", bo)).andExpect(status().isNoContent());
        JsonNode worded = of(view(code).get("rows"), "Bo " + code).get("plan");
        assertEquals(List.of("Reads word by word", "2026-05-01"), List.of(worded.get("worry").asString(), worded.get("ends").asString()));
        // The version that was seen is not the newest any more: nobody's plan is closed.
        send(person("b.calder"), "/api/plans/" + planOf(code, "Ada " + code) + "/closing", Map.of("on", TODAY, "outcome", "met", "together", bo))
                .andExpect(refused("409 conflict"));
        assertTrue(of(view(code).get("rows"), "Ada " + code).has("plan"));
        send(person("b.calder"), "/api/plans/" + planOf(code, "Ada " + code) + "/closing",
                Map.of("on", TODAY, "outcome", "met", "together", List.of(worded.get("id").asLong()))).andExpect(status().isNoContent());
        assertEquals(List.of("Cy " + code), each(view(code).get("rows")).filter(r -> r.has("plan")).map(r -> r.at("/student/name").asString()).toList());
    }

    @Test
    void aChangeSplitsTheTrendOnEveryChart() throws Exception {
        String code = "2025-PLAND";
        newClass(code, 3, "b.calder", "Ada");
        String ada = code + "-Ada";
        for (int week = 0; week < 12; week++) {
            score(ada, "oral-reading", java.time.LocalDate.of(2025, 12, 18).plusWeeks(week).toString(), 50 + week + (week % 2));
        }
        take("student,measure,start_date,start_score,goal_date,goal_score", ada + ",oral-reading,2025-12-25,51,2026-05-08,80");
        make("2025-12-20", "2026-04-24", "Ada " + code).andExpect(status().isNoContent());
        String detail = "/api/trends/" + student("Ada " + code) + "/" + measure("oral-reading") + "?asOf=" + TODAY;
        assertEquals(0, body(read(person("b.calder"), detail)).at("/card/planChanges").size(), "the first phase is no change");
        send(person("b.calder"), "/api/plans/" + planOf(code, "Ada " + code) + "/phases", Map.of("starts", "2026-02-09",
                "way", Map.of("strategy", "Phrase reading", "perWeek", 3, "reason", "Too easy"))).andExpect(status().isNoContent());
        JsonNode card = body(read(person("b.calder"), detail)).get("card");
        assertEquals("2026-02-09", card.at("/planChanges/0").asString());
        assertEquals(2, card.get("phases").size());
        assertFalse(card.at("/phases/1").has("shrinkage"), "after a change it stands by itself");
        assertEquals("Phrase reading", card.at("/plan/strategy").asString());
    }

    @Test
    void aDecisionToChangeThePlanChangesIt() throws Exception {
        String code = "2025-PLANE";
        newClass(code, 3, "b.calder", "Ada");
        make("2026-02-02", "2026-04-24", "Ada " + code).andExpect(status().isNoContent());
        Map<String, Object> form = new HashMap<>(Map.of("studentId", student("Ada " + code), "measureId", measure("oral-reading"), "kind", "plan-changed",
                "proposed", "change", "because", "x", "reason", "Smaller steps", "planChange",
                Map.of("planId", planOf(code, "Ada " + code), "way", way("Word steps", 4))));
        send(person("b.calder"), "/api/decisions", form).andExpect(status().isNoContent());
        JsonNode plan = of(view(code).get("rows"), "Ada " + code).get("plan");
        assertEquals("Word steps", plan.at("/phases/1/strategy").asString());
        assertEquals("Smaller steps", plan.at("/phases/1/reason").asString());
        // A second change on the same day fails, and takes its decision with it.
        send(person("b.calder"), "/api/decisions", form).andExpect(refused("422 invalid starts"));
        JsonNode detail = body(read(person("b.calder"), "/api/trends/" + student("Ada " + code) + "/" + measure("oral-reading") + "?asOf=" + TODAY));
        assertEquals(1, detail.get("decisions").size());
        // Nor can a decision about one student change the plan of another.
        newClass(code + "2", 3, "b.calder", "Bo");
        Map<String, Object> stranger = new HashMap<>(form);
        stranger.put("studentId", student("Bo " + code + "2"));
        stranger.put("planChange", Map.of("planId", planOf(code, "Ada " + code), "way", way("Word steps", 4)));
        send(person("b.calder"), "/api/decisions", stranger).andExpect(jsonPath("$.detail", containsString("of another student or measure")));
    }

    @Test
    void aConcernIsKeptWhenItChangesAndTwoPeopleDoNotOverwriteEachOther() throws Exception {
        String code = "2025-PLANF";
        newClass(code, 3, "b.calder", "Ada", "Bo");
        take("student,area,year,window,tier,decided", code + "-Ada,Reading,2025-26,Winter,3,2026-02-02");
        JsonNode view = view(code);
        assertEquals(0, view.get("rows").size());
        assertEquals("Tier 3 in winter", view.at("/suggested/0/because").asString());
        assertEquals(3, view.at("/suggested/0/level").asInt());
        Map<String, Object> form = Map.of("studentId", student("Ada " + code), "area", "Reading", "level", 2, "note", "Stumbles over long words");
        send(person("b.calder"), "/api/plans/concerns", form).andExpect(status().isNoContent());
        send(person("m.tveit"), "/api/plans/concerns", form).andExpect(status().isConflict());
        JsonNode ada = of(view(code).get("rows"), "Ada " + code);
        assertFalse(ada.has("suggested"), "a person has judged since");
        Map<String, Object> back = new HashMap<>(form);
        back.putAll(Map.of("level", 0, "seen", ada.at("/concern/id").asLong()));
        send(person("b.calder"), "/api/plans/concerns", back).andExpect(status().isNoContent());
        assertEquals(0, view(code).get("rows").size());
        back.put("level", 7);
        send(person("b.calder"), "/api/plans/concerns", back).andExpect(refused("422 invalid level"));
    }

    @Test
    void aConcernCanBeInAnAreaOfTheSchoolsOwn() throws Exception {
        String code = "2025-PLANI";
        newClass(code, 3, "b.calder", "Ada", "Bo");
        int ada = student("Ada " + code);
        send(person("b.calder"), "/api/plans/concerns", Map.of("studentId", ada, "area", " Attention ", "level", 2, "note", "Loses the thread"))
                .andExpect(status().isNoContent());
        JsonNode view = view(code);
        assertEquals(0, view.get("rows").size(), "it is no reason to be followed in reading");
        assertEquals("Attention", view.at("/elsewhere/0/concern/area").asString());
        assertEquals("Ada " + code, view.at("/elsewhere/0/student/name").asString());
        JsonNode page = body(read(person("b.calder"), "/api/students/" + ada + "?asOf=" + TODAY));
        assertEquals(2, page.at("/concerns/0/level").asInt());
        List<String> areas = each(page.get("areas")).map(JsonNode::asString).toList();
        assertTrue(areas.containsAll(List.of("Attention", "Reading", "Maths")), areas.toString());
        Map<String, Object> back = Map.of("studentId", ada, "area", "Attention", "level", 0, "seen", page.at("/concerns/0/id").asLong());
        send(person("b.calder"), "/api/plans/concerns", back).andExpect(status().isNoContent());
        assertEquals(0, view(code).get("elsewhere").size());
        // A measure in that area makes it one like the others.
        send(person("b.calder"), "/api/plans/concerns", Map.of("studentId", ada, "area", "Attention", "level", 1,
                "seen", body(read(person("b.calder"), "/api/students/" + ada + "?asOf=" + TODAY)).at("/concerns/0/id").asLong()))
                .andExpect(status().isNoContent());
        assertEquals(0, view(code, "2026-03-12").get("elsewhere").size(), "nobody knew the day before");
        assertFalse(each(body(read(person("r.oduya"), "/api/students/" + student("Zuri Halloran") + "?asOf=" + TODAY)).get("areas")).map(JsonNode::asString)
                .anyMatch("Attention"::equals), "another teacher does not learn of it");
    }

    @Test
    void othersSeeNeitherPlansNorConcernsAndCannotTickSessions() throws Exception {
        String code = "2025-PLANG";
        newClass(code, 3, "b.calder", "Ada");
        make("2026-03-02", "2026-04-24", "Ada " + code).andExpect(status().isNoContent());
        long id = planOf(code, "Ada " + code);
        send(person("r.oduya"), "/api/plans", plan(List.of("Ada " + code), "2026-03-02", "2026-04-24")).andExpect(refused("422 invalid students"));
        send(person("r.oduya"), "/api/plans/sessions", Map.of("plans", List.of(id), "day", "2026-03-03", "given", 1)).andExpect(refused("404 not-found"));
        send(person("r.oduya"), "/api/plans/" + id + "/closing", Map.of("on", TODAY, "outcome", "met")).andExpect(refused("404 not-found"));
        send(person("r.oduya"), "/api/plans/" + id + "/reopening", Map.of("reason", "why not")).andExpect(refused("404 not-found"));
        send(person("r.oduya"), "/api/plans/concerns", Map.of("studentId", student("Ada " + code), "area", "Reading", "level", 2))
                .andExpect(status().isForbidden());
        assertEquals(0, of(view(code).get("rows"), "Ada " + code).at("/plan/given").asInt());
    }

    @Test
    void theListOfStrategiesIsTheSchoolsAndTeachersOnlyReadIt() throws Exception {
        Map<String, Object> form = Map.of("schoolId", school(), "area", "Reading", "name", "Whisper reading", "how", "Very quietly", "retired", false);
        send(person("r.oduya"), "/api/plans/strategies", form).andExpect(status().isForbidden());
        send(person("m.tveit"), "/api/plans/strategies", form).andExpect(status().isNoContent());
        send(person("m.tveit"), "/api/plans/strategies", form).andExpect(jsonPath("$.detail", containsString("of that name already")));
        Map<String, Object> everyones = new HashMap<>(form);
        everyones.put("name", "paired READING");
        send(person("m.tveit"), "/api/plans/strategies", everyones).andExpect(jsonPath("$.detail", containsString("of that name already")));
        JsonNode mine = each(view("2025-FULMAR").get("strategies")).filter(s -> s.get("name").asString().equals("Whisper reading")).findFirst().orElseThrow();
        Map<String, Object> gone = new HashMap<>(form);
        gone.putAll(Map.of("id", mine.get("id").asInt(), "retired", true));
        send(person("m.tveit"), "/api/plans/strategies", gone).andExpect(status().isNoContent());
        assertTrue(
                each(view("2025-FULMAR").get("strategies")).anyMatch(s -> s.get("name").asString().equals("Whisper reading") && s.get("retired").asBoolean()));
    }

    @Test
    void filesBringPlansPhasesAndSessionsAndSayWhatDoesNotFit() {
        String code = "2025-PLANH";
        newClass(code, 3, "b.calder", "Ada", "Bo");
        String ada = code + "-Ada";
        String plans = "student,measure,starts,ends,worry,strategy,per_week,group";
        take(plans, ada + ",oral-reading,2026-02-02,2026-04-24,Slow,Echo reading,3,Early birds",
                code + "-Bo,oral-reading,2026-02-02,2026-04-24,Slow,Echo reading,3,Early birds");
        take("student,measure,starts,strategy,per_week,reason", ada + ",oral-reading,2026-03-02,Echo reading,5,more often");
        take("student,measure,held_on,given", ada + ",oral-reading,2026-02-03,1", ada + ",oral-reading,2026-03-09,4");
        JsonNode view = view(code);
        JsonNode plan = of(view.get("rows"), "Ada " + code).get("plan");
        assertEquals(5, plan.get("given").asInt());
        assertEquals(2, plan.get("phases").size());
        assertEquals(plan.get("groupId").asLong(), of(view.get("rows"), "Bo " + code).at("/plan/groupId").asLong());
        signInHere(org.zealousladder.server.platform.who.Viewer.SYSTEM);
        var busy = imports.take(TestServer.csv(plans, ada + ",oral-reading,2026-03-01,2026-04-24,Slow,Other,3,"));
        assertEquals(1, busy.refused());
        var overlap = imports.take(TestServer.csv("student,measure,starts,strategy,per_week", ada + ",oral-reading,2026-02-20,Other,3"));
        assertEquals(1, overlap.refused());
        assertTrue(overlap.refusals().get(0).message().contains("phases cannot overlap"), overlap.refusals().toString());
        var before = imports.take(TestServer.csv("student,measure,held_on,given", ada + ",oral-reading,2026-01-20,1"));
        assertTrue(before.refusals().get(0).message().contains("No plan runs"), before.refusals().toString());
        assertEquals(1, of(view(code, "2026-02-20").get("rows"), "Ada " + code).at("/plan/phases").size(), "as it was known then");
    }
}
