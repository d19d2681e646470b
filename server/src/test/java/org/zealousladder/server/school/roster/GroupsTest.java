package org.zealousladder.server.school.roster;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A second class for a student: teaching groups with members, teachers and dates, and what they let their teachers see. */
class GroupsTest extends ServerTest {
    private int schoolId() {
        return db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
    }

    private int code(String student) {
        return asking(Viewer.SYSTEM, () -> db.sql("select id from roster_student where code = :c").param("c", student).query(Integer.class).single());
    }

    private int make(Viewer who, String name, List<Integer> students, List<Integer> teachers) throws Exception {
        return body(send(who, "/api/groups",
                Map.of("school", schoolId(), "year", thisYear(), "name", name, "subject", "Reading", "students", students, "teachers", teachers))
                .andExpect(status().isOk())).get("id").asInt();
    }

    private ResultActions ends(Viewer who, String path, String day) {
        return call(who, put(path).contentType("application/json").content("{\"ends\":\"" + day + "\"}"));
    }

    private String trends(int group) {
        return "/api/trends?who=group-" + group + "&year=" + thisYear() + "&measure=" + measure("oral-reading") + "&asOf=2026-03-13";
    }

    private List<String> inScope(Viewer who) throws Exception {
        return StreamSupport.stream(body(read(who, "/api/scope").andExpect(status().isOk())).get("groups").spliterator(), false)
                .map(g -> g.get("name").asString()).toList();
    }

    @Test
    void aGroupsTeacherSeesItsStudentsAndNobodyElseDoes() throws Exception {
        Viewer coordinator = person("m.tveit");
        Viewer teacher = person("t.sato");
        Viewer other = person("b.calder");
        String kittiwake = asking(Viewer.SYSTEM, () -> db.sql("""
                select s.code from roster_student s join roster_enrolment e on e.student_id = s.id join roster_class c on c.id = e.class_id
                 where c.name = 'Kittiwake' and c.grade = 3 and e.ends is null order by s.code limit 1""").query(String.class).single());
        int student = code(kittiwake);
        read(teacher, "/api/students/" + student + "?asOf=2026-03-13").andExpect(refused("404 not-found"));
        int group = make(coordinator, "Early readers", List.of(student, code("S1001")), List.of(teacher.id()));
        assertEquals(List.of("Early readers"), inScope(teacher));
        assertEquals(List.of(), inScope(other));
        read(teacher, trends(group)).andExpect(status().isOk());
        read(other, trends(group)).andExpect(refused("403 forbidden"));
        send(teacher, "/api/groups", Map.of("school", schoolId(), "year", thisYear(), "name", "Mine", "students", List.of(), "teachers", List.of()))
                .andExpect(refused("403 forbidden"));
        String entry = "/api/entry?who=group-" + group + "&year=" + thisYear() + "&asOf=2026-03-13";
        assertEquals(2, body(read(teacher, entry).andExpect(status().isOk())).get("rows").size());

        // Twice in one group is once; who leaves is not on its lists any more, and the teacher keeps what happened.
        send(coordinator, "/api/groups/" + group + "/members", Map.of("students", List.of(student, code("S1002")))).andExpect(status().isNoContent());
        assertEquals(3, body(read(teacher, entry)).get("rows").size());
        ends(coordinator, "/api/groups/" + group + "/members/" + student + "/ends", "2026-03-12").andExpect(status().isNoContent());
        ends(teacher, "/api/groups/" + group + "/members/" + student + "/ends", "2026-03-12").andExpect(refused("403 forbidden"));
        assertTrue(
                asking(teacher, () -> db.sql("select count(*) from roster_member where group_id = :g").param("g", group).query(Integer.class).single()) >= 2);

        ends(coordinator, "/api/groups/" + group + "/ends", "2026-03-12").andExpect(status().isNoContent());
        assertEquals(List.of(), inScope(teacher));
        send(coordinator, "/api/groups/" + group + "/members", Map.of("students", List.of(student))).andExpect(refused("404 not-found"));
        call(coordinator, put("/api/groups/" + group + "/ends").contentType("application/json").content("{}")).andExpect(status().isNoContent());
        assertEquals(List.of("Early readers"), inScope(teacher));
    }

    @Test
    void whoLeadsAGroupIsAddedAndEnds() throws Exception {
        Viewer coordinator = person("m.tveit");
        Viewer teacher = person("g.rustad");
        int group = make(coordinator, "Evening readers", List.of(code("S1001")), List.of());
        String leaders = "/api/groups/" + group + "/teachers";
        send(teacher, leaders, Map.of("teachers", List.of(teacher.id()))).andExpect(refused("404 not-found"));
        send(coordinator, leaders, Map.of("teachers", List.of(999_999))).andExpect(refused("422 invalid teachers"));
        send(coordinator, leaders, Map.of("teachers", List.of(teacher.id()))).andExpect(status().isNoContent());
        send(coordinator, leaders, Map.of("teachers", List.of(teacher.id()))).andExpect(refused("422 invalid teachers"));
        assertEquals(List.of("Evening readers"), inScope(teacher));
        JsonNode of = body(read(coordinator, "/api/classes?year=" + thisYear())).get("groups").valueStream().filter(g -> g.get("id").asInt() == group)
                .findFirst().orElseThrow();
        assertEquals("G. Rustad", of.get("teachers").get(0).get("name").asString());
        ends(coordinator, leaders + "/" + teacher.id() + "/ends", "2026-03-12").andExpect(refused("404 not-found"));
        ends(coordinator, leaders + "/" + teacher.id() + "/ends", "2026-03-13").andExpect(status().isNoContent());
        assertEquals(0,
                body(read(coordinator, "/api/classes?year=" + thisYear())).get("groups").valueStream().filter(g -> g.get("id").asInt() == group).findFirst()
                        .orElseThrow().get("teachers").size());
    }

    @Test
    void namesAreTheirOwnAndAnotherSchoolsStudentsAreNobodys() throws Exception {
        Viewer coordinator = person("m.tveit");
        make(coordinator, "Number talk", List.of(), List.of());
        send(coordinator, "/api/groups", Map.of("school", schoolId(), "year", thisYear(), "name", "Number talk", "students", List.of(), "teachers", List.of()))
                .andExpect(refused("422 invalid name"));
        signInHere(Viewer.SYSTEM);
        imports.take(TestServer.csv("school,name", "far,Far School"));
        int far = db.sql("select id from roster_school where code = 'far'").query(Integer.class).single();
        send(coordinator, "/api/groups", Map.of("school", far, "year", thisYear(), "name", "Theirs", "students", List.of(), "teachers", List.of()))
                .andExpect(refused("403 forbidden"));
    }

    @Test
    void aMoveEndsTheOneClassAndBeginsTheOther() throws Exception {
        Viewer admin = person("a.sandvik");
        signInHere(Viewer.SYSTEM);
        imports.take(TestServer.csv("class,school,year,name,grade", "mv-a,SKERROW,2025-26,Move A,5", "mv-b,SKERROW,2025-26,Move B,5"));
        imports.take(TestServer.csv("student,given_name,family_name", "MV1,Mova,Ble"));
        imports.take(TestServer.csv("student,class,from", "MV1,mv-a,2025-08-25"));
        String path = "/api/students/" + code("MV1") + "/move";
        send(person("m.tveit"), path, Map.of("into", classId("mv-b"), "from", "2026-03-16")).andExpect(refused("403 forbidden"));
        send(admin, path, Map.of("into", classId("mv-b"), "from", "2027-03-16")).andExpect(refused("422 invalid from"));
        send(admin, path, Map.of("into", classId("mv-b"), "from", "2025-08-25")).andExpect(refused("422 invalid from"));
        send(admin, path, Map.of("into", classId("mv-b"), "from", "2026-03-16")).andExpect(status().isNoContent());
        assertEquals(List.of("mv-a 2025-08-25 2026-03-15", "mv-b 2026-03-16 -"), asking(Viewer.SYSTEM, () -> db.sql("""
                select c.code || ' ' || e.starts || ' ' || coalesce(e.ends::text, '-') from roster_enrolment e join roster_class c on c.id = e.class_id
                  join roster_student s on s.id = e.student_id where s.code = 'MV1' order by 1""").query(String.class).list()));
        JsonNode view = body(read(person("i.mensah"), "/api/classes?year=" + thisYear()).andExpect(status().isOk()));
        assertFalse(view.get("mayMove").asBoolean() || view.get("mayGroup").asBoolean());
        assertTrue(StreamSupport.stream(view.get("students").spliterator(), false).noneMatch(s -> s.get("code").asString().equals("MV1")));
    }
}
