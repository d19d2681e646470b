package org.zealousladder.server.learning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Small groups: proposed, kept, looked at as a scope, changed; who worked with whom. */
class SmallGroupsTest extends ScreeningTest {
    private static final String[] SIX = {"Ada", "Ben", "Cy", "Di", "Eva", "Fay"};

    private Viewer teacher(String code) {
        String login = "g." + code.toLowerCase(java.util.Locale.ROOT);
        take("login,person,role,school", login + ",G. Teacher,teacher,SKERROW");
        newClass(code, 3, login, SIX);
        return person(login);
    }

    private List<Integer> six(String code) {
        return List.of(SIX).stream().map(n -> student(n + " " + code)).toList();
    }

    private Map<String, Object> asking(String code, int least, int most) {
        return new HashMap<>(
                Map.of("who", "class-" + classId(code), "year", thisYear(), "asOf", "2026-03-13", "students", six(code), "need", "none", "least", least, "most",
                        most, "fresh", 1, "stays", List.of(), "seed", 1));
    }

    private Map<String, Object> keep(String code, String title, boolean standing, String day, List<List<Integer>> groups) {
        List<Map<String, Object>> tables = new ArrayList<>();
        groups.forEach(g -> tables.add(Map.of("name", "Table " + (tables.size() + 1), "students", g, "stays", List.of())));
        return new HashMap<>(Map.of("who", "class-" + classId(code), "year", thisYear(), "title", title, "standing", standing, "day", day, "tables", tables));
    }

    private static Set<Set<Integer>> groups(JsonNode proposed) {
        Set<Set<Integer>> all = new HashSet<>();
        proposed.get("groups").forEach(g -> all.add(new HashSet<>(g.get("students").valueStream().map(JsonNode::asInt).toList())));
        return all;
    }

    @Test
    void freshCompanyIsProposedAndLocksHold() throws Exception {
        Viewer teacher = teacher("GRA");
        List<Integer> s = six("GRA");
        // Ada sat with Ben and Cy, Di with Eva and Fay.
        take("student,class,set_of_groups,sat_at,on_day", "GRA-Ada,GRA,First,One,2026-03-12", "GRA-Ben,GRA,First,One,2026-03-12",
                "GRA-Cy,GRA,First,One,2026-03-12",
                "GRA-Di,GRA,First,Two,2026-03-12", "GRA-Eva,GRA,First,Two,2026-03-12", "GRA-Fay,GRA,First,Two,2026-03-12");
        JsonNode fresh = body(send(teacher, "/api/small-groups/proposal", asking("GRA", 2, 2)).andExpect(status().isOk()));
        assertEquals(3, fresh.get("newPairs").asInt(), fresh.toString());
        send(teacher, "/api/small-groups/pairs", Map.of("a", s.get(0), "b", s.get(1), "together", true, "because", "read together"))
                .andExpect(status().isNoContent());
        JsonNode together = body(send(teacher, "/api/small-groups/proposal", asking("GRA", 2, 2)));
        assertTrue(groups(together).contains(Set.of(s.get(0), s.get(1))), together.toString());
        JsonNode met = together.get("groups").valueStream().filter(g -> !g.get("again").isEmpty()).findFirst().orElseThrow().at("/again/0");
        assertEquals("1 2026-03-12", met.get("times").asInt() + " " + met.get("last").asString());
        // Apart now, and no longer together.
        send(teacher, "/api/small-groups/pairs", Map.of("a", s.get(1), "b", s.get(0), "together", false, "until", "2026-04-01"))
                .andExpect(status().isNoContent());
        assertTrue(!groups(body(send(teacher, "/api/small-groups/proposal", asking("GRA", 2, 2)))).contains(Set.of(s.get(0), s.get(1))));
        Map<String, Object> stays = asking("GRA", 3, 3);
        stays.put("stays", List.of(Map.of("student", s.get(0), "group", 0), Map.of("student", s.get(1), "group", 0)));
        send(teacher, "/api/small-groups/proposal", stays).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("groups"));
        JsonNode board = body(read(teacher, "/api/small-groups?who=class-" + classId("GRA") + "&year=" + thisYear() + "&asOf=2026-03-13"));
        assertEquals(1, board.get("pairs").size());
        call(teacher, MockMvcRequestBuilders.delete("/api/small-groups/pairs/" + board.at("/pairs/0/id").asInt())).andExpect(status().isNoContent());
        call(teacher, MockMvcRequestBuilders.delete("/api/small-groups/pairs/" + board.at("/pairs/0/id").asInt())).andExpect(status().isNotFound());
    }

    @Test
    void sizesThatCannotBeAreSaidInASentence() throws Exception {
        Viewer teacher = teacher("GRB");
        send(teacher, "/api/small-groups/proposal", asking("GRB", 4, 5)).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.detail").value("6 students do not make groups of 4 to 5; allow other sizes."));
        send(teacher, "/api/small-groups/proposal", asking("GRB", 5, 4)).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.field").value("most"));
        Map<String, Object> noSkill = asking("GRB", 2, 3);
        noSkill.put("need", "skill");
        send(teacher, "/api/small-groups/proposal", noSkill).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("skill"));
        send(teacher("GRC"), "/api/small-groups/proposal", asking("GRB", 2, 3)).andExpect(status().isForbidden());
    }

    @Test
    void keptGroupsAreScopesAndFollowWhoMovesAndLeaves() throws Exception {
        Viewer teacher = teacher("GRD");
        List<Integer> s = six("GRD");
        int id = body(send(teacher, "/api/small-groups", keep("GRD", "Crews", true, "2026-03-13", List.of(s.subList(0, 3), s.subList(3, 6))))
                .andExpect(status().isCreated()))
                .get("id").asInt();
        JsonNode scope = body(read(teacher, "/api/scope"));
        List<Integer> tables = scope.get("tables").valueStream().filter(t -> t.get("title").asString().equals("Crews")).map(t -> t.get("id").asInt()).toList();
        assertEquals(2, tables.size());
        String ladder = "/api/skills?year=" + thisYear() + "&asOf=2026-03-13&who=table-";
        read(teacher, ladder + tables.get(0)).andExpect(status().isOk());
        read(teacher("GRE"), ladder + tables.get(0)).andExpect(status().isForbidden());
        // Ada goes over to the second, Di leaves.
        call(teacher, MockMvcRequestBuilders.put("/api/small-groups/" + id + "/seats").contentType("application/json")
                .content("{\"student\":" + s.get(0) + ",\"table\":" + tables.get(1) + "}")).andExpect(status().isNoContent());
        call(teacher,
                MockMvcRequestBuilders.put("/api/small-groups/" + id + "/seats").contentType("application/json").content("{\"student\":" + s.get(3) + "}"))
                .andExpect(status().isNoContent());
        JsonNode worked = body(read(teacher, "/api/small-groups/worked?who=class-" + classId("GRD") + "&year=" + thisYear() + "&asOf=2026-03-13"));
        // Ada with the two who stayed at the second table, those two, and the two whom she left: where she would have sat from that day on she never sat.
        assertEquals(4, worked.get("met").size(), worked.toString());
        call(teacher, MockMvcRequestBuilders.put("/api/small-groups/" + id + "/tables/" + tables.get(0)).contentType("application/json")
                .content("{\"leader\":\"K. Oyelaran\",\"atTime\":\"9:40\"}")).andExpect(status().isNoContent());
        call(teacher, MockMvcRequestBuilders.put("/api/small-groups/" + id + "/tables/999999").contentType("application/json").content("{}"))
                .andExpect(status().isNotFound());
        JsonNode kept = body(read(teacher, "/api/small-groups?who=class-" + classId("GRD") + "&year=" + thisYear() + "&asOf=2026-03-13")).at("/kept/0");
        assertEquals("K. Oyelaran 9:40", kept.at("/tables/0/leader").asString() + " " + kept.at("/tables/0/atTime").asString());
        // A table that everybody left on its first day can be sat at again.
        for (int student : List.of(s.get(1), s.get(2))) {
            call(teacher, MockMvcRequestBuilders.put("/api/small-groups/" + id + "/seats").contentType("application/json")
                    .content("{\"student\":" + student + ",\"table\":" + tables.get(1) + "}")).andExpect(status().isNoContent());
        }
        call(teacher, MockMvcRequestBuilders.put("/api/small-groups/" + id + "/seats").contentType("application/json")
                .content("{\"student\":" + s.get(1) + ",\"table\":" + tables.get(0) + "}")).andExpect(status().isNoContent());
        send(teacher, "/api/small-groups/" + id + "/end", Map.of()).andExpect(status().isNoContent());
        assertEquals(0, body(read(teacher, "/api/scope")).get("tables").valueStream()
                .filter(t -> t.get("title").asString().equals("Crews") && t.get("ends").isNull()).count());
    }

    @Test
    void nobodySitsTwiceAndNoDayHasBeen() throws Exception {
        Viewer teacher = teacher("GRF");
        List<Integer> s = six("GRF");
        send(teacher, "/api/small-groups", keep("GRF", "Twice", false, "2026-03-16", List.of(s.subList(0, 3), s.subList(2, 6))))
                .andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.detail").value("Cy GRF is in two groups. Nothing was saved."));
        send(teacher, "/api/small-groups", keep("GRF", "Past", false, "2026-03-12", List.of(s))).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.field").value("day"));
        send(teacher("GRG"), "/api/small-groups", keep("GRF", "Theirs", false, "2026-03-16", List.of(s))).andExpect(status().isForbidden());
        send(teacher, "/api/small-groups", keep("GRF", "Monday", false, "2026-03-16", List.of(s))).andExpect(status().isCreated());
        JsonNode board = body(read(teacher, "/api/small-groups?who=class-" + classId("GRF") + "&year=" + thisYear() + "&asOf=2026-03-13"));
        assertEquals("Monday 6", board.at("/kept/0/title").asString() + " " + board.at("/kept/0/tables/0/students").size());
    }

    @Test
    void aPlanOfAStandingGroupFollowsWhoJoinsAndWhoLeaves() throws Exception {
        Viewer teacher = teacher("GRP");
        List<Integer> s = six("GRP");
        int id = body(send(teacher, "/api/small-groups", keep("GRP", "Crews", true, "2026-03-13", List.of(s.subList(0, 3), s.subList(3, 6)))))
                .get("id").asInt();
        List<Integer> tables = body(read(teacher, "/api/scope")).get("tables").valueStream().filter(t -> t.get("title").asString().equals("Crews"))
                .map(t -> t.get("id").asInt()).toList();
        Map<String, Object> plan = new HashMap<>(Map.of("students", s.subList(0, 3), "measureId", measure("oral-reading"), "groupName", "Table 1", "worry",
                "Reads word by word", "starts", "2026-03-13", "ends", "2026-05-08", "way", Map.of("strategy", "Echo reading", "perWeek", 3, "minutes", 15)));
        String at = "/api/small-groups/" + id + "/tables/" + tables.get(0) + "/plans";
        send(teacher, at, plan).andExpect(status().isNoContent());
        plan.put("students", List.of(s.get(4)));
        send(teacher, at, plan).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("students"));
        assertEquals(3, running(s).size());
        // Ada leaves it, Di joins it, Eva joins and goes again.
        seat(teacher, id, s.get(0), tables.get(1));
        seat(teacher, id, s.get(3), tables.get(0));
        seat(teacher, id, s.get(4), tables.get(0));
        seat(teacher, id, s.get(4), tables.get(1));
        assertEquals(List.of("Ben", "Cy", "Di"), running(s));
        assertEquals(List.of("Ada stopped Left the group Table 1", "Eva stopped Left the group Table 1"), asking(Viewer.SYSTEM, () -> db.sql("""
                select r.given_name || ' ' || p.outcome || ' ' || p.outcome_note from plans_plan p join roster_student r on r.id = p.student_id
                 where p.student_id = any(:s) and p.superseded_by is null and p.closed_on is not null order by 1""").param("s", s.toArray(Integer[]::new))
                .query(String.class).list()));
        assertEquals(1, asking(Viewer.SYSTEM, () -> db.sql("""
                select count(distinct group_id)::integer from plans_plan where student_id = any(:s) and superseded_by is null""")
                .param("s", s.toArray(Integer[]::new)).query(Integer.class).single()), "all of one group");
        // Somebody who has a plan of their own keeps it.
        plan.put("students", List.of(s.get(5)));
        plan.put("groupName", null);
        plan.put("worry", "Own");
        send(teacher, "/api/plans", plan).andExpect(status().isNoContent());
        seat(teacher, id, s.get(5), tables.get(0));
        assertEquals(List.of("Ben", "Cy", "Di", "Fay"), running(s));
    }

    private List<String> running(List<Integer> students) {
        return asking(Viewer.SYSTEM, () -> db.sql("""
                select r.given_name from plans_plan p join roster_student r on r.id = p.student_id
                 where p.student_id = any(:s) and p.superseded_by is null and p.closed_on is null order by 1""").param("s", students.toArray(Integer[]::new))
                .query(String.class).list());
    }

    private void seat(Viewer teacher, int id, int student, int table) throws Exception {
        call(teacher, MockMvcRequestBuilders.put("/api/small-groups/" + id + "/seats").contentType("application/json")
                .content("{\"student\":" + student + ",\"table\":" + table + "}")).andExpect(status().isNoContent());
    }
}
