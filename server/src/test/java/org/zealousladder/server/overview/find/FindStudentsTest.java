package org.zealousladder.server.overview.find;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A criterion asked over HTTP, and lists kept of it, as those who may and those who may not. */
class FindStudentsTest extends ServerTest {
    @Autowired
    private LivingLists living;
    private Viewer teacher;
    private Viewer coordinator;
    private int school;

    @BeforeEach
    void people() {
        teacher = person("r.oduya");
        coordinator = person("m.tveit");
        school = db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
    }

    private Map<String, Object> ask(String text, @Nullable String who) {
        Map<String, Object> ask = new HashMap<>(Map.of("text", text, "asOf", "2026-03-13", "descending", false, "cannotTell", false, "from", 0, "rows", 100));
        if (who != null) {
            ask.put("who", who);
        }
        return ask;
    }

    private JsonNode find(Viewer viewer, String text, @Nullable String who) {
        return body(send(viewer, "/api/find", ask(text, who)));
    }

    private static List<String> names(JsonNode rows) {
        List<String> all = new ArrayList<>();
        rows.forEach(r -> all.add((r.has("student") ? r.path("student") : r).path("name").asString("")));
        return all;
    }

    @Test
    void eachLineSaysHowManyAreLeft() {
        String text = "(tier in Oral reading in winter is 3 or not screened in Oral reading in winter) and days absent are over 3 and no running plan in Reading";
        JsonNode view = find(coordinator, text, "school-" + school);
        List<JsonNode> lines = new ArrayList<>();
        view.path("lines").forEach(lines::add);
        assertEquals(4, lines.size());
        int tier = find(coordinator, "tier in Oral reading in winter is 3", "school-" + school).path("found").asInt();
        int untested = find(coordinator, "not screened in Oral reading in winter", "school-" + school).path("found").asInt();
        assertEquals(tier, lines.get(0).path("holds").asInt());
        assertTrue(lines.get(0).path("left").isMissingNode(), "within brackets nothing is left yet");
        assertEquals(untested, lines.get(1).path("holds").asInt());
        assertEquals(tier + untested, lines.get(1).path("left").asInt(), "nobody is both");
        assertEquals(view.path("found").asInt(), lines.get(3).path("left").asInt());
        assertTrue(lines.get(2).path("left").asInt() > lines.get(3).path("left").asInt() && lines.get(3).path("left").asInt() > 0);
        assertEquals(view.path("found").asInt(), view.path("rows").size());
    }

    @Test
    void aLineChangedInOnePlaceIsTheSameSentenceElsewhere() {
        JsonNode view = find(coordinator, "grade is 3 and (plan or no goal in Maze)", "school-" + school);
        JsonNode line = view.path("lines").get(2);
        assertEquals("whose grade is 3 and who have a plan", line.path("without").asString(""));
        assertEquals("whose grade is 3 and (who have a plan or who have a goal in Maze)", line.path("turned").asString(""));
        assertEquals("whose grade is 3 and (who have a plan or (who have no goal in Maze or …))", line.path("either").asString(""));
        assertEquals("whose grade is 3 and (who have a plan or who have no goal in Maze) and …", view.path("more").asString(""));
        JsonNode join = line.path("parts").get(0);
        assertEquals("JOIN", join.path("what").asString(""));
        assertEquals("whose grade is 3 and (who have a plan and who have no goal in Maze)", join.path("other").asString(""));
        assertTrue(find(coordinator, "grade is 3", "school-" + school).path("lines").get(0).path("without").isMissingNode());
    }

    @Test
    void aMistakeIsAnsweredWithItsPlace() throws Exception {
        JsonNode view = find(coordinator, "tier in Readin is 3", "school-" + school);
        assertEquals(8, view.path("mistake").path("start").asInt());
        assertEquals(14, view.path("mistake").path("end").asInt());
        assertTrue(view.path("mistake").path("sentence").asString("").contains("Did you mean Reading?"));
        assertEquals("tier in Readin is 3", view.path("text").asString(""));
        assertTrue(find(coordinator, "not screened in winter", "school-" + school).path("mistake").path("sentence").asString("")
                .contains("Say first of what, then when"));
        Map<String, Object> wrong = ask("grade is 3", "school-" + school);
        wrong.put("columns", "class; scor in Maze");
        send(coordinator, "/api/find", wrong).andExpect(refused("422 invalid columns"));
        send(coordinator, "/api/find/export", Map.of("ask", ask("grade is", "school-" + school), "format", "csv", "codes", false))
                .andExpect(refused("422 invalid text"));
    }

    @Test
    void cannotTellIsCountedShownAndSaidWhy() {
        JsonNode view = find(coordinator, "score in Oral reading in winter is under 60 and grade is 3", "school-" + school);
        assertTrue(view.path("cannotTell").asInt() > 0);
        assertEquals(0, view.path("reasons").get(0).path("line").asInt());
        assertEquals(view.path("cannotTell").asInt(), view.path("reasons").get(0).path("students").asInt());
        Map<String, Object> those = ask("score in Oral reading in winter is under 60 and grade is 3", "school-" + school);
        those.put("cannotTell", true);
        JsonNode shown = body(send(coordinator, "/api/find", those));
        assertEquals(view.path("cannotTell").asInt(), shown.path("rows").size());
        assertEquals("CANNOT_TELL", shown.path("shown").asString(""));
    }

    @Test
    void columnsAreChosenAndSorted() throws Exception {
        Map<String, Object> ask = ask("class is Kittiwake", "school-" + school);
        ask.put("columns", "score in oral reading in winter; support; running plan; days absent");
        ask.put("sort", 0);
        ask.put("descending", true);
        JsonNode view = body(send(coordinator, "/api/find", ask));
        assertEquals("[\"score in Oral reading in Winter\",\"support\",\"running plan\",\"days absent\"]", view.path("columns").toString());
        List<Double> scores = new ArrayList<>();
        view.path("rows").forEach(r -> scores.add(r.path("values").get(0).isNull() ? -1 : r.path("values").get(0).asDouble()));
        assertEquals(scores.stream().sorted(java.util.Comparator.reverseOrder()).toList(), scores, "nothing on record comes last");
        String csv = send(coordinator, "/api/find/export", Map.of("ask", ask, "format", "csv", "codes", true)).andExpect(status().isOk())
                .andReturn().getResponse().getContentAsString(java.nio.charset.StandardCharsets.UTF_8);
        assertEquals("student,name,score in Oral reading in Winter,support,running plan,days absent", csv.lines().findFirst().orElseThrow());
        assertEquals(view.path("rows").size() + 1, csv.lines().count());
        assertFalse(csv.contains("Zuri"), "names are hidden");
        send(coordinator, "/api/find/export", Map.of("ask", ask, "format", "xlsx", "codes", false)).andExpect(status().isOk())
                .andExpect(content().contentType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"));
        send(coordinator, "/api/find/export", Map.of("ask", ask, "format", "pdf", "codes", false)).andExpect(refused("422 invalid format"));
    }

    @Test
    void aTeacherFindsOnlyOwnStudents() throws Exception {
        JsonNode all = find(teacher, "grade is at least 1", null);
        assertEquals(find(teacher, "class is Kittiwake", "class-" + classId("2025-KITTIWAKE")).path("found").asInt(), all.path("found").asInt());
        assertTrue(all.path("found").asInt() < find(coordinator, "grade is at least 1", null).path("found").asInt());
        send(teacher, "/api/find", ask("grade is 3", "class-" + classId("2025-TERN"))).andExpect(refused("403 forbidden"));
        send(teacher, "/api/find", ask("grade is 3", "school-" + school)).andExpect(refused("403 forbidden"));
        JsonNode tern = find(teacher, "class is Tern", null);
        assertTrue(tern.path("mistake").path("sentence").asString("").contains("is not a class"), "what is not hers has no name");
    }

    /** Names are bound and never part of the statement. */
    @Test
    void injectionIsJustAName() {
        for (String bad : List.of("\"x') or true --\"", "\"'; delete from lists_list; --\"", "\"\\u0000\"", "\"{who}\"", "\":asOf\"", "\"%s\"")) {
            JsonNode view = find(coordinator, "class is " + bad, "school-" + school);
            assertTrue(view.path("mistake").path("sentence").asString("").contains("is not a class"), bad + ": " + view);
        }
        asking(Viewer.SYSTEM, () -> db.sql("insert into roster_grouping (code, name, sensitive) values ('odd', :name, false)")
                .param("name", "a'); :asOf {x} \"q\" --").update());
        JsonNode view = find(coordinator, "grouping \"a'); :asOf {x} \"\"q\"\" --\" is not on record", "school-" + school);
        assertEquals(view.path("students").asInt(), view.path("found").asInt(), view.toString());
    }

    private int keep(Viewer viewer, Map<String, Object> list, List<Integer> students) {
        return body(send(viewer, "/api/find/lists", Map.of("list", list, "students", students))).path("id").asInt();
    }

    private JsonNode list(Viewer viewer, int id) {
        return body(read(viewer, "/api/find/lists/" + id));
    }

    @Test
    void aLivingListFollowsTheRecords() throws Exception {
        String criterion = "no running plan in Reading and class is Kittiwake";
        int id = keep(coordinator, Map.of("name", "No plan yet", "criterion", criterion, "scope", "school-" + school, "shared", true), List.of());
        JsonNode kept = list(coordinator, id);
        assertEquals("who have no running plan in Reading and whose class is Kittiwake", kept.path("list").path("criterion").asString(""));
        assertEquals(new TreeSet<>(names(find(coordinator, criterion, "school-" + school).path("rows"))), new TreeSet<>(names(kept.path("students"))));
        // Used as a scope, by whoever sees it, for those whom they see.
        JsonNode scoped = find(teacher, "", "list-" + id);
        assertEquals(kept.path("students").size(), scoped.path("found").asInt(), scoped.toString());
        assertEquals(kept.path("students").size(), find(coordinator, "on the list \"No plan yet\"", "school-" + school).path("found").asInt());
        call(coordinator, put("/api/find/lists/" + id + "/watch").contentType("application/json").content("{\"on\":true}")).andExpect(status().isNoContent());
        // Somebody is taken off by hand in the records, and comes back with the next refresh as new.
        int student = kept.path("students").get(0).path("id").asInt();
        asking(Viewer.SYSTEM, () -> db.sql("update lists_member set ends = starts - 1 where list_id = :id and student_id = :student").param("id", id)
                .param("student", student).update());
        assertEquals(kept.path("students").size() - 1, list(coordinator, id).path("students").size());
        assertEquals(0, living.freshAll(), "it was brought up to date today");
        asking(Viewer.SYSTEM, () -> db.sql("update lists_list set fresh_on = null where id = :id").param("id", id).update());
        assertEquals(1, living.freshAll());
        assertEquals("No plan yet", body(read(coordinator, "/api/desk?who=school-" + school + "&year=" + thisYear() + "&asOf=2026-03-13&first=1")).path("lists")
                .get(0).path("name").asString(""));
        JsonNode fresh = list(coordinator, id);
        assertEquals(kept.path("students").size(), fresh.path("students").size());
        assertEquals(1, fresh.path("list").path("news").asInt());
        assertEquals(fresh.path("students").size(), fresh.path("turns").size(), "who came and went on one day never was on it");
        call(coordinator, post("/api/find/lists/" + id + "/seen"))
                .andExpect(status().isNoContent());
        assertEquals(0, list(coordinator, id).path("list").path("news").asInt());
        call(coordinator, delete("/api/find/lists/" + id)).andExpect(status().isNoContent());
        read(coordinator, "/api/find/lists/" + id).andExpect(refused("404 not-found"));
        assertTrue(find(coordinator, "on the list \"No plan yet\"", "school-" + school).path("mistake").path("sentence").asString("")
                .contains("is not a kept list"));
    }

    @Test
    void aPickedListIsItsOwnersAlone() throws Exception {
        List<Integer> two = List.of(student("Zuri Halloran"), student("Noor Ellery"));
        int id = keep(teacher, Map.of("name", "Two to watch", "shared", false), two);
        assertEquals(2, list(teacher, id).path("students").size());
        read(coordinator, "/api/find/lists/" + id).andExpect(refused("404 not-found"));
        send(coordinator, "/api/find", ask("grade is 3", "list-" + id)).andExpect(refused("403 forbidden"));
        assertTrue(find(coordinator, "on the list Two to watch", "school-" + school).has("mistake"));
        send(teacher, "/api/find/lists", Map.of("list", Map.of("name", "two to WATCH", "shared", false), "students", List.of()))
                .andExpect(refused("409 conflict"));
        send(teacher, "/api/find/lists", Map.of("list", Map.of("name", " ", "shared", false), "students", List.of()))
                .andExpect(refused("422 invalid name"));
        send(teacher, "/api/find/lists/" + id + "/students", Map.of("on", List.of(), "off", List.of(two.get(0)))).andExpect(status().isNoContent());
        assertEquals(List.of("Noor Ellery"), names(list(teacher, id).path("students")));
        // Nobody can be put on a list who is not one's own.
        int other = asking(Viewer.SYSTEM, () -> db.sql("select student_id from roster_enrolment where class_id = :c limit 1").param("c", classId("2025-TERN"))
                .query(Integer.class).single());
        send(teacher, "/api/find/lists/" + id + "/students", Map.of("on", List.of(other), "off", List.of())).andExpect(refused("403 forbidden"));
        send(teacher, "/api/find/lists", Map.of("list", Map.of("name", "Bad", "criterion", "grade is", "shared", false), "students", List.of()))
                .andExpect(refused("422 invalid criterion"));
    }

    @Test
    void aSharedListIsChangedByItsOwnerOnly() throws Exception {
        int id = keep(coordinator, Map.of("name", "Shared one", "criterion", "grade is 3", "scope", "school-" + school, "shared", true), List.of());
        assertEquals(find(teacher, "", null).path("found").asInt(), list(teacher, id).path("students").size(), "each sees their own on it");
        // Nor by the database, whatever the service would let through.
        assertEquals(0, asking(teacher, () -> db.sql("update lists_list set name = 'Mine' where id = :id").param("id", id).update()));
        assertEquals(0, asking(teacher, () -> db.sql("update lists_member set ends = starts where list_id = :id").param("id", id).update()));
        // It is not brought up to date by whom it is not: its scope may not be theirs.
        assertEquals(0, body(call(teacher, post("/api/find/lists/" + id + "/fresh"))).path("turned").asInt(-1));
        call(teacher,
                put("/api/find/lists/" + id).contentType("application/json").content("{\"name\":\"Mine now\",\"criterion\":\"grade is 2\",\"shared\":true}"))
                .andExpect(refused("403 forbidden"));
        call(teacher, delete("/api/find/lists/" + id)).andExpect(refused("403 forbidden"));
        call(coordinator, put("/api/find/lists/" + id).contentType("application/json")
                .content("{\"name\":\"Shared one\",\"criterion\":\"grade is 2\",\"scope\":\"school-" + school + "\",\"shared\":false}"))
                .andExpect(status().isNoContent());
        assertEquals(find(coordinator, "grade is 2", "school-" + school).path("found").asInt(), list(coordinator, id).path("students").size());
        read(teacher, "/api/find/lists/" + id).andExpect(refused("404 not-found"));
    }
}
