package org.zealousladder.server.school.facts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** What is kept of students: by whom it is seen and changed, and that an earlier day shows what was known on it. */
class FactsTest extends ServerTest {
    private static int made;
    private Viewer admin;
    private Viewer coordinator;
    private Viewer teacher;
    private String code;
    private int student;

    @BeforeEach
    void aStudentInAClassOfTheirOwn() throws Exception {
        code = "DUN" + ++made;
        take("class,school,year,name,grade", "dunlin-" + made + ",SKERROW,2025-26,Dunlin " + made + ",3");
        take("student,given_name,family_name,support", code + ",Dagny,Dunlin" + made + ",Speech");
        take("student,class,from", code + ",dunlin-" + made + ",2025-08-25");
        take("login,class", "b.calder,dunlin-" + made);
        admin = person("a.sandvik");
        coordinator = person("m.tveit");
        teacher = person("b.calder");
        student = asking(Viewer.SYSTEM, () -> db.sql("select id from roster_student where code = :c").param("c", code).query(Integer.class).single());
    }

    private void take(String... lines) {
        signInHere(Viewer.SYSTEM);
        var result = imports.take(TestServer.csv(lines));
        assertEquals(List.of(), result.refusals());
        signOutHere();
    }

    private JsonNode page(Viewer who, String asOf) throws Exception {
        return body(read(who, "/api/students/" + student + "?asOf=" + asOf).andExpect(status().isOk()));
    }

    private JsonNode facts(Viewer who, String asOf) throws Exception {
        return page(who, asOf).get("facts");
    }

    private List<String> grouped(Viewer who, String asOf) throws Exception {
        return facts(who, asOf).get("grouped").valueStream().map(g -> g.get("grouping").asString() + ": " + g.get("value").asString()).toList();
    }

    private ResultActions change(Viewer who, String path, Map<String, ?> form) {
        return call(who, put("/api/students/" + student + path).contentType("application/json").content(json.writeValueAsString(form)));
    }

    private int grouping(String name, boolean sensitive) throws Exception {
        return body(send(admin, "/api/groupings", Map.of("name", name, "sensitive", sensitive)).andExpect(status().isOk())).get("id").asInt();
    }

    @Test
    void aNameThatIsPreferredStandsOnListsAndTheOneOnRecordIsStillFound() throws Exception {
        change(teacher, "/called", Map.of("preferredName", "Dax")).andExpect(refused("403 forbidden"));
        change(coordinator, "/called", Map.of("preferredName", "Dax")).andExpect(refused("403 forbidden"));
        change(admin, "/called", Map.of("birthday", "2026-03-13")).andExpect(refused("422 invalid birthday"));
        change(admin, "/called", Map.of("birthday", "1991-03-13")).andExpect(refused("422 invalid birthday"));
        change(admin, "/called", Map.of("preferredName", " Dax ", "birthday", "2017-03-14")).andExpect(status().isNoContent());
        JsonNode page = page(teacher, "2026-03-13");
        assertEquals("Dax Dunlin" + made, page.get("student").get("name").asString());
        assertEquals("Dagny", page.get("facts").get("givenName").asString());
        assertEquals(8, page.get("facts").get("years").asInt(), "nine tomorrow");
        for (String words : List.of("dax dunlin", "dagny dunlin")) {
            JsonNode found = body(read(teacher, "/api/students?find=" + words + made + "&asOf=2026-03-13").andExpect(status().isOk()));
            assertEquals(1, found.size(), words + found);
        }
        // What somebody is called is what they are called, whatever day is looked at; what was on record then is said.
        JsonNode before = page(teacher, "2026-03-12");
        assertEquals("Dax Dunlin" + made, before.get("student").get("name").asString());
        assertFalse(before.get("facts").has("birthday"));
        assertFalse(before.get("facts").has("preferredName"));
    }

    @Test
    void groupingsAreSeenByRoleAndAnEarlierDayShowsWhatWasKnown() throws Exception {
        int quiet = grouping("Looked after " + made, true);
        assertEquals(List.of("Support: Speech"), grouped(teacher, "2026-03-13"));
        send(teacher, "/api/students/" + student + "/grouped", Map.of("grouping", quiet, "value", "yes")).andExpect(refused("403 forbidden"));
        send(coordinator, "/api/students/" + student + "/grouped", Map.of("grouping", 999_999, "value", "yes")).andExpect(refused("422 invalid grouping"));
        send(coordinator, "/api/students/" + student + "/grouped", Map.of("grouping", quiet, "value", "yes", "starts", "2026-03-02", "ends", "2026-03-01"))
                .andExpect(refused("422 invalid ends"));
        send(coordinator, "/api/students/" + student + "/grouped", Map.of("grouping", quiet, "value", "yes", "starts", "2026-03-02"))
                .andExpect(status().isNoContent());
        send(coordinator, "/api/students/" + student + "/grouped", Map.of("grouping", quiet, "value", "yes", "starts", "2026-03-02"))
                .andExpect(refused("422 invalid value"));
        assertEquals(List.of("Support: Speech"), grouped(teacher, "2026-03-13"), "not for teachers");
        assertEquals(0,
                asking(teacher,
                        () -> db.sql("select count(*)::integer from roster_grouped where grouping_id = :g").param("g", quiet).query(Integer.class).single()),
                "nor by plain SQL");
        assertTrue(body(read(teacher, "/api/groupings")).get("groupings").valueStream().noneMatch(g -> g.get("id").asInt() == quiet));
        assertEquals(List.of("Support: Speech", "Looked after " + made + ": yes"), grouped(coordinator, "2026-03-13"));
        assertEquals(List.of("Support: Speech"), grouped(coordinator, "2026-03-12"), "known from today");

        long row = facts(coordinator, "2026-03-13").get("grouped").get(1).get("id").asLong();
        change(coordinator, "/grouped/" + row, Map.of("grouping", quiet, "value", "yes", "starts", "2026-03-02", "ends", "2026-03-20"))
                .andExpect(status().isNoContent());
        change(coordinator, "/grouped/" + row, Map.of("grouping", quiet, "value", "no", "starts", "2026-03-02")).andExpect(refused("409 conflict"));
        long now = facts(coordinator, "2026-03-13").get("grouped").get(1).get("id").asLong();
        send(coordinator, "/api/students/" + student + "/grouped/" + now + "/taken-back", Map.of("because", " ")).andExpect(refused("422 invalid because"));
        send(coordinator, "/api/students/" + student + "/grouped/" + now + "/taken-back", Map.of("because", "another student"))
                .andExpect(status().isNoContent());
        assertEquals(List.of("Support: Speech"), grouped(coordinator, "2026-03-13"));
        send(coordinator, "/api/students/" + student + "/grouped/" + now + "/taken-back", Map.of("because", "again")).andExpect(refused("409 conflict"));
    }

    @Test
    void supportByFileEndsTheOneAndBeginsTheOther() throws Exception {
        assertEquals("Speech", ladderSupport("2026-03-13"));
        take("student,given_name,family_name,support", code + ",Dagny,Dunlin" + made + ",Individual plan");
        assertEquals("Individual plan", ladderSupport("2026-03-13"));
        assertEquals("Speech", ladderSupport("2026-03-12"));
        take("student,given_name,family_name,support", code + ",Dagny,Dunlin" + made + ",");
        assertEquals("Individual plan", ladderSupport("2026-03-13"), "an empty cell says nothing");
        signInHere(Viewer.SYSTEM);
        assertEquals(1, imports.take(TestServer.csv("student,given_name,family_name,support", code + ",Dagny,Dunlin" + made + ",Individual plan")).unchanged());
        signOutHere();
        take("student,grouping,value,from", code + ",support,Glasses,2026-01-12");
        assertEquals("Glasses, Individual plan", ladderSupport("2026-03-13"));
        take("student,grouping,value,from,to", code + ",support,Glasses,2026-01-12,2026-02-01");
        assertEquals("Individual plan", ladderSupport("2026-03-13"));
    }

    private String ladderSupport(String asOf) throws Exception {
        JsonNode view = body(
                read(teacher, "/api/table?who=class-" + classId("dunlin-" + made) + "&year=" + thisYear() + "&asOf=" + asOf).andExpect(status().isOk()));
        return view.get("rows").get(0).get("support").asString();
    }

    @Test
    void peopleAtHomeAreReachedAndKept() throws Exception {
        String home = "/api/students/" + student + "/home";
        send(teacher, home, Map.of("name", "Ane", "phone", "0555")).andExpect(refused("403 forbidden"));
        send(coordinator, home, Map.of("name", "Ane")).andExpect(refused("422 invalid phone"));
        send(coordinator, home, Map.of("name", "Ane", "email", "none")).andExpect(refused("422 invalid email"));
        send(coordinator, home, Map.of("name", "Ane", "phone", "0555 1", "language", "Tamil", "reachBy", "message", "reachWhen", "after 5"))
                .andExpect(status().isNoContent());
        send(coordinator, home, Map.of("name", "ANE", "phone", "0555 2")).andExpect(refused("422 invalid name"));
        JsonNode ane = facts(teacher, "2026-03-13").get("home").get(0);
        assertEquals("message", ane.get("reachBy").asString());
        assertEquals(0, facts(teacher, "2026-03-12").get("home").size());
        change(coordinator, "/home/" + ane.get("id").asLong(), Map.of("name", "Ane", "phone", "0555 9")).andExpect(status().isNoContent());
        change(coordinator, "/home/" + ane.get("id").asLong(), Map.of("name", "Ane", "phone", "0555 8")).andExpect(refused("409 conflict"));
        take("student,name,phone,reach_by", code + ",ane,0555 10,letter", code + ",Bo,,in-person");
        JsonNode both = facts(teacher, "2026-03-13").get("home");
        assertEquals(List.of("ane 0555 10", "Bo -"),
                both.valueStream().map(h -> h.get("name").asString() + " " + h.path("phone").asString("-")).sorted(String.CASE_INSENSITIVE_ORDER).toList());
        // Another's student is nobody's.
        Viewer other = person("l.iversen");
        read(other, "/api/students/" + student + "?asOf=2026-03-13").andExpect(refused("404 not-found"));
        assertEquals(0, asking(other,
                () -> db.sql("select count(*)::integer from roster_contact where student_id = :s").param("s", student).query(Integer.class).single()));
    }

    @Test
    void aFileOfThemIsUndoneWhole() throws Exception {
        take("student,grouping,value,from", code + ",home-language,Polish,");
        signInHere(Viewer.SYSTEM);
        imports.take(TestServer.csv("student,grouping,value,from,to", code + ",home-language,Polish,,2026-03-01", code + ",home-language,Tamil,2026-03-02,"));
        signOutHere();
        assertEquals(List.of("Support: Speech", "Language at home: Tamil", "Language at home: Polish"), grouped(teacher, "2026-03-13"));
        long done = asking(Viewer.SYSTEM, () -> db.sql("select max(id) from records_done").query(Long.class).single());
        send(admin, "/api/records/done/" + done + "/undo", Map.of("reason", "wrong file")).andExpect(status().isNoContent());
        assertEquals(List.of("Support: Speech", "Language at home: Polish"), grouped(teacher, "2026-03-13"));
        assertFalse(facts(teacher, "2026-03-13").get("grouped").get(1).has("ends"));
    }

    @Test
    void aStudentsOwnGradeIsWhatCutScoresAndNormsGoBy() throws Exception {
        int reading = measure("oral-reading");
        take("student,measure,date,score", code + ",oral-reading,2026-01-15,70");
        String ladder = "/api/ladder?who=class-" + classId("dunlin-" + made) + "&year=" + thisYear() + "&measure=" + reading + "&asOf=";
        String third = band(ladder + "2026-03-13");
        change(coordinator, "/grade", Map.of("grade", 2)).andExpect(refused("403 forbidden"));
        change(admin, "/grade", Map.of("grade", 14)).andExpect(refused("422 invalid grade"));
        change(admin, "/grade", Map.of("grade", 2)).andExpect(status().isNoContent());
        String second = band(ladder + "2026-03-13");
        assertFalse(third.equals(second), "70 words are enough in grade 2 and not in 3: " + third + ", " + second);
        assertEquals(third, band(ladder + "2026-03-12"), "an earlier day knew nothing of it");
        assertEquals(2, page(teacher, "2026-03-13").get("grade").asInt());
        assertEquals(3, page(teacher, "2026-03-12").get("grade").asInt());
        int school = db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
        assertTrue(inGrade(school, 2).contains(student));
        assertFalse(inGrade(school, 3).contains(student));
        change(admin, "/grade", Map.of("grade", 3)).andExpect(status().isNoContent());
        assertEquals(third, band(ladder + "2026-03-13"));
        take("student,class,from,grade", code + ",dunlin-" + made + ",2025-08-25,4");
        assertEquals(4, page(teacher, "2026-03-13").get("grade").asInt());
        signInHere(Viewer.SYSTEM);
        assertEquals(1, imports.take(TestServer.csv("student,class,from", code + ",dunlin-" + made + ",2025-08-25")).unchanged(),
                "a file without grades leaves them");
        signOutHere();
    }

    private String band(String ladder) throws Exception {
        JsonNode cells = body(read(teacher, ladder).andExpect(status().isOk())).get("rows").get(0).get("cells");
        return cells.valueStream().filter(c -> c.has("bandName")).map(c -> c.get("bandName").asString()).reduce((a, b) -> b).orElseThrow();
    }

    private List<Integer> inGrade(int school, int grade) throws Exception {
        return body(read(coordinator, "/api/table?who=grade-" + grade + "-" + school + "&year=" + thisYear() + "&asOf=2026-03-13").andExpect(status().isOk()))
                .get("rows")
                .valueStream().map(r -> r.get("student").get("id").asInt()).toList();
    }

    @Test
    void aMoveThatIsTypedLateIsKnownFromTheDayItWasTyped() throws Exception {
        take("class,school,year,name,grade", "dunlin-late-" + made + ",SKERROW,2025-26,Dunlin late " + made + ",3");
        int late = classId("dunlin-late-" + made);
        send(admin, "/api/students/" + student + "/move", Map.of("into", late, "from", "2026-03-02")).andExpect(status().isNoContent());
        assertEquals("Dunlin late " + made, page(admin, "2026-03-13").get("student").get("className").asString());
        assertEquals("Dunlin " + made, page(admin, "2026-03-12").get("student").get("className").asString(), "on the 12th nobody knew");
        String scope = "&year=" + thisYear() + "&asOf=2026-03-12";
        assertEquals(1, body(read(admin, "/api/table?who=class-" + classId("dunlin-" + made) + scope)).get("rows").size());
        assertEquals(0, body(read(admin, "/api/table?who=class-" + late + scope)).get("rows").size());
        assertEquals(0, body(read(admin, "/api/table?who=class-" + classId("dunlin-" + made) + scope.replace("12", "13"))).get("rows").size());
        assertEquals(1, body(read(admin, "/api/table?who=class-" + late + scope.replace("12", "13"))).get("rows").size());
    }

    @Test
    void supportStaysBesideTheNameAndNamesOfGroupingsAreTheirOwn() throws Exception {
        int own = grouping("Ferry " + made, false);
        send(admin, "/api/groupings", Map.of("name", "ferry " + made, "sensitive", false)).andExpect(refused("422 invalid name"));
        send(teacher, "/api/groupings", Map.of("name", "Mine", "sensitive", false)).andExpect(refused("403 forbidden"));
        call(admin, put("/api/groupings/1").contentType("application/json").content("{\"name\":\"Support\",\"sensitive\":true,\"ended\":false}"))
                .andExpect(refused("422 invalid sensitive"));
        call(admin, put("/api/groupings/" + own).contentType("application/json").content("{\"name\":\"Ferry\",\"sensitive\":false,\"ended\":true}"))
                .andExpect(status().isNoContent());
        send(coordinator, "/api/students/" + student + "/grouped", Map.of("grouping", own, "value", "yes")).andExpect(refused("422 invalid grouping"));
        call(admin, put("/api/groupings/999999").contentType("application/json").content("{\"name\":\"X\",\"sensitive\":false,\"ended\":true}"))
                .andExpect(refused("404 not-found"));
    }
}
