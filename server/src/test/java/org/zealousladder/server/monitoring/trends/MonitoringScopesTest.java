package org.zealousladder.server.monitoring.trends;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** The monitoring views over a class of none and of forty, a student who moved, an earlier day, and another school. */
class MonitoringScopesTest extends ScreeningTest {
    private static final String TODAY = "2026-03-13";
    private static final List<String> VIEWS = List.of("/api/trends", "/api/strip", "/api/plans", "/api/meeting", "/api/reading", "/api/trends/spans");

    private String path(String view, String code, String asOf) {
        String days = view.equals("/api/strip") ? "&day=" + asOf : view.endsWith("spans") ? "&from=2025-09-01&to=" + asOf : "";
        return view + scope(code, "&measure=" + measure("oral-reading") + days).replace(TODAY, asOf);
    }

    private JsonNode view(String login, String view, String code, String asOf) {
        return body(read(person(login), path(view, code, asOf)));
    }

    private Map<String, Object> plan(List<Integer> students, String starts) {
        return new HashMap<>(
                Map.of("students", students, "measureId", measure("oral-reading"), "groupName", "All", "worry", "Slow", "starts", starts, "ends", "2026-05-08",
                        "way", Map.of("strategy", "Echo reading", "perWeek", 3)));
    }

    @Test
    void aClassOfNoneIsEmptyEverywhereAndNothingFails() throws Exception {
        newClass("2025-NONE", 3, "b.calder");
        for (String view : VIEWS) {
            read(person("b.calder"), path(view, "2025-NONE", TODAY)).andExpect(status().isOk());
        }
        assertEquals(0, view("b.calder", "/api/trends", "2025-NONE", TODAY).get("cards").size());
        assertEquals(0, view("b.calder", "/api/plans", "2025-NONE", TODAY).get("rows").size());
        assertEquals("", view("b.calder", "/api/plans", "2025-NONE", TODAY).get("summary").asString());
        assertEquals(0, view("b.calder", "/api/meeting", "2025-NONE", TODAY).get("items").size());
        assertEquals(0, view("b.calder", "/api/strip", "2025-NONE", TODAY).get("rows").size());
    }

    @Test
    void fortyStudentsGetOnePlanTheirGoalsAndASessionAtOnce() throws Exception {
        String code = "2025-FORTY";
        String[] names = IntStream.rangeClosed(1, 41).mapToObj(i -> "N" + i).toArray(String[]::new);
        newClass(code, 3, "b.calder", names);
        List<String> rows = new ArrayList<>(List.of("student,measure,date,score"));
        for (int i = 0; i < 41; i++) {
            for (int week = 0; week < 4; week++) {
                rows.add(code + "-" + names[i] + ",oral-reading," + java.time.LocalDate.of(2026, 2, 16).plusWeeks(week) + ","
                        + (40 + i + 2 * week + (7 * i + 3 * week) % 5));
            }
        }
        take(rows.toArray(String[]::new));
        List<Integer> all = each(view("b.calder", "/api/strip", code, TODAY).get("rows")).map(r -> r.at("/student/id").asInt()).toList();
        send(person("b.calder"), "/api/plans", plan(all, TODAY)).andExpect(status().isUnprocessableContent());
        List<Integer> forty = all.subList(0, 40);
        JsonNode tried = body(
                send(person("b.calder"), "/api/trends/joint-goals?asOf=" + TODAY + "&measure=" + measure("oral-reading"), Map.of("students", forty,
                        "draft", Map.of("kind", "norm-growth", "start", "latest", "goalDate", "2026-06-12", "percentile", 50))));
        assertEquals(40, tried.get("rows").size());
        Map<String, Object> form = plan(forty, "2026-03-12");
        form.put("goals", each(tried.get("rows")).map(r -> Map.of("studentId", r.at("/student/id").asInt(), "measureId", measure("oral-reading"),
                "startDate", r.at("/from/date").asString(), "startScore", r.at("/from/score").asDouble(), "goalDate", r.at("/advice/goalDate").asString(),
                "goalScore", r.at("/advice/goalScore").asDouble())).toList());
        send(person("b.calder"), "/api/plans", form).andExpect(status().isNoContent());
        JsonNode view = view("b.calder", "/api/plans", code, TODAY);
        assertEquals(40, view.get("rows").size());
        assertEquals(1, view.get("others").size());
        List<Long> plans = each(view.get("rows")).map(r -> r.at("/plan/id").asLong()).toList();
        send(person("b.calder"), "/api/plans/sessions", Map.of("plans", plans, "day", TODAY, "given", 1)).andExpect(status().isNoContent());
        assertTrue(each(view("b.calder", "/api/plans", code, TODAY).get("rows")).allMatch(r -> r.at("/plan/given").asInt() == 1));
        JsonNode cards = view("b.calder", "/api/trends", code, TODAY).get("cards");
        assertEquals(40, cards.size());
        assertTrue(each(cards).allMatch(c -> c.at("/phases/0").has("shrinkage")), "with forty alike, each trend leans on the others");
    }

    @Test
    void whoMovesTakesPlanAndGoalAlongAndTheOldClassKeepsItsPast() throws Exception {
        newClass("2025-MOVEA", 3, "b.calder", "Ada");
        newClass("2025-MOVEB", 3, "n.haddad");
        String ada = "2025-MOVEA-Ada";
        take("student,measure,date,score", ada + ",oral-reading,2026-01-12,50", ada + ",oral-reading,2026-01-19,52", ada + ",oral-reading,2026-01-26,55");
        take("student,measure,start_date,start_score,goal_date,goal_score", ada + ",oral-reading,2026-01-19,52,2026-05-08,75");
        take("student,measure,starts,ends,worry,strategy,per_week", ada + ",oral-reading,2026-01-26,2026-05-01,Slow,Echo reading,3");
        read(person("n.haddad"), "/api/students/" + student("Ada 2025-MOVEA") + "?asOf=" + TODAY).andExpect(status().isNotFound());
        take("student,class,from,to", ada + ",2025-MOVEA,2025-08-25,2026-02-27", ada + ",2025-MOVEB,2026-03-02,");
        JsonNode now = view("n.haddad", "/api/plans", "2025-MOVEB", TODAY).at("/rows/0");
        assertEquals("Echo reading", now.at("/plan/phases/0/strategy").asString());
        assertEquals(75, now.at("/goal/goalScore").asDouble());
        send(person("n.haddad"), "/api/plans/sessions", Map.of("plans", List.of(now.at("/plan/id").asLong()), "day", "2026-03-10", "given", 1))
                .andExpect(status().isNoContent());
        assertEquals(1, view("n.haddad", "/api/meeting", "2025-MOVEB", TODAY).get("items").size());
        assertEquals(3, view("n.haddad", "/api/trends", "2025-MOVEB", TODAY).at("/cards/0/points").size());
        assertEquals(0, view("b.calder", "/api/trends", "2025-MOVEA", TODAY).get("cards").size());
        assertEquals(1, view("b.calder", "/api/trends", "2025-MOVEA", "2026-02-20").get("cards").size());
    }

    @Test
    void asOfAnEarlierDayEverythingIsAsItWasKnown() throws Exception {
        String code = "2025-ASOFM";
        newClass(code, 3, "b.calder", "Ada");
        String ada = code + "-Ada";
        take("student,area,level,since", ada + ",Reading,3,2026-02-02");
        take("student,measure,starts,ends,worry,strategy,per_week", ada + ",oral-reading,2026-02-02,2026-05-01,Slow,Echo reading,3");
        take("student,measure,held_on,given", ada + ",oral-reading,2026-02-03,1", ada + ",oral-reading,2026-02-05,1", ada + ",oral-reading,2026-03-03,1");
        long id = view("b.calder", "/api/plans", code, TODAY).at("/rows/0/plan/id").asLong();
        send(person("b.calder"), "/api/plans/" + id + "/closing", Map.of("on", TODAY, "outcome", "stopped", "note", "Moved to another programme"))
                .andExpect(status().isNoContent());
        JsonNode before = view("b.calder", "/api/plans", code, "2026-01-30");
        assertEquals(0, before.get("rows").size());
        JsonNode february = view("b.calder", "/api/plans", code, "2026-02-06").at("/rows/0");
        assertEquals(2, february.at("/plan/given").asInt());
        assertEquals(2, february.get("sessions").size(), "the week of that day");
        JsonNode yesterday = view("b.calder", "/api/plans", code, "2026-03-12").at("/rows/0");
        assertEquals(3, yesterday.at("/plan/given").asInt());
        assertFalse(yesterday.get("plan").has("closedOn"), "not closed yet");
        JsonNode today = view("b.calder", "/api/plans", code, TODAY).at("/rows/0");
        assertFalse(today.has("plan"));
        assertEquals("stopped", today.at("/past/0/outcome").asString());
        assertEquals(3, today.at("/concern/level").asInt(), "the concern stands until somebody takes it back");
    }

    @Test
    void anotherSchoolSeesNothingOfIt() throws Exception {
        signInHere(Viewer.SYSTEM);
        take("school,name", "ELSEWHERE,School of Elsewhere");
        take("login,person,role,school", "c.elsewhere,C. Elsewhere,coordinator,ELSEWHERE");
        newClass("2025-OURS", 3, "b.calder", "Ada");
        int ada = student("Ada 2025-OURS");
        for (String view : VIEWS) {
            read(person("c.elsewhere"), path(view, "2025-OURS", TODAY)).andExpect(status().isForbidden());
        }
        send(person("c.elsewhere"), "/api/plans", plan(List.of(ada), TODAY)).andExpect(refused("422 invalid students"));
        send(person("c.elsewhere"), "/api/plans/concerns", Map.of("studentId", ada, "area", "Reading", "level", 1)).andExpect(status().isForbidden());
        send(person("c.elsewhere"), "/api/trends/joint-goals?asOf=" + TODAY + "&measure=" + measure("oral-reading"), Map.of("students", List.of(ada)))
                .andExpect(refused("422 invalid students"));
        send(person("c.elsewhere"), "/api/strip",
                Map.of("studentId", ada, "measureId", measure("oral-reading"), "day", TODAY, "values", List.of(60), "status", "scored"))
                .andExpect(status().isForbidden());
        send(person("c.elsewhere"), "/api/strip/median",
                Map.of("classId", classId("2025-OURS"), "measureId", measure("oral-reading"), "day", TODAY, "median", 80))
                .andExpect(status().isForbidden());
        assertEquals(0, view("b.calder", "/api/plans", "2025-OURS", TODAY).get("rows").size());
    }

    @Test
    void theMeetingAlsoTalksAboutWhoeverIsFollowedWithoutAGoal() throws Exception {
        String code = "2025-TALK";
        newClass(code, 3, "b.calder", "Ada", "Bo", "Cy", "Di");
        take("student,measure,date,score", code + "-Ada,oral-reading,2026-02-02,50", code + "-Bo,oral-reading,2026-02-02,52");
        take("student,measure,start_date,start_score,goal_date,goal_score", code + "-Ada,oral-reading,2026-02-02,50,2026-05-08,70");
        take("student,area,level", code + "-Bo,Reading,1", code + "-Di,Maths,3");
        take("student,measure,starts,ends,worry,strategy,per_week,group", code + "-Cy,oral-reading,2026-03-02,2026-05-01,Slow,Echo reading,3,Echoes");
        JsonNode view = view("b.calder", "/api/meeting", code, TODAY);
        assertEquals(List.of("Ada " + code, "Bo " + code, "Cy " + code), each(view.get("items")).map(i -> i.at("/card/student/name").asString()).toList(),
                "a goal first; a concern in maths is no matter of reading");
        assertFalse(view.at("/items/1/card").has("goal"));
        assertEquals(1, view.at("/items/1/concern/level").asInt());
        assertEquals("Echo reading", view.at("/items/2/plans/0/phases/0/strategy").asString());
        assertEquals(0, view.at("/items/2/card/points").size());
        JsonNode trends = view("b.calder", "/api/trends", code, TODAY);
        assertEquals(1, trends.get("cards").size());
        assertEquals(List.of("Bo " + code, "Cy " + code), each(trends.get("withoutGoal")).map(s -> s.get("name").asString()).toList());
        JsonNode group = body(read(person("b.calder"), path("/api/meeting", code, TODAY) + "&group=Echoes"));
        assertEquals(List.of("Cy " + code), each(group.get("items")).map(i -> i.at("/card/student/name").asString()).toList());
    }
}
