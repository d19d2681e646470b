package org.zealousladder.server.school.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.core.NestedExceptionUtils;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Several roles of one person, each at a school and with dates: what they let be seen, and what not. */
class RolesTest extends ServerTest {
    private static int made;
    private String login;
    private Viewer admin;
    private int id;
    private int north;
    private int there;

    @BeforeEach
    void aTeacherHereAndAnotherSchool() {
        int n = ++made;
        login = "both" + n + ".roles";
        signInHere(Viewer.SYSTEM);
        for (String[] lines : List.of(new String[] {"school,name", "NORTH" + n + ",North " + n},
                new String[] {"login,person,role,school", login + ",B. Roles,teacher,SKERROW"},
                new String[] {"class,school,year,name,grade", "north-" + n + ",NORTH" + n + ",2025-26,North class,3"},
                new String[] {"student,given_name,family_name", "NO" + n + ",Nora,Northling"},
                new String[] {"student,class,from", "NO" + n + ",north-" + n + ",2025-08-25"},
                new String[] {"login,class", login + ",2025-TERN"})) {
            assertEquals(List.of(), imports.take(TestServer.csv(lines)).refusals());
        }
        signOutHere();
        admin = person("a.sandvik");
        id = person(login).id();
        north = db.sql("select id from roster_school where code = :c").param("c", "NORTH" + n).query(Integer.class).single();
        there = asking(Viewer.SYSTEM, () -> db.sql("select id from roster_student where code = :c").param("c", "NO" + n).query(Integer.class).single());
    }

    private Map<String, Object> role(String role, @Nullable Integer school, String starts, @Nullable String ends) {
        Map<String, Object> form = new HashMap<>(Map.of("role", role, "starts", starts));
        if (school != null) {
            form.put("schoolId", school);
        }
        if (ends != null) {
            form.put("ends", ends);
        }
        return form;
    }

    private String page() {
        return "/api/students/" + there + "?asOf=2026-03-13";
    }

    @Test
    void aCoordinatorThereIsATeacherHere() throws Exception {
        String roles = "/api/people/" + id + "/roles";
        read(person(login), page()).andExpect(refused("404 not-found"));
        send(person("m.tveit"), roles, role("coordinator", north, "2026-01-05", null)).andExpect(refused("403 forbidden"));
        send(admin, roles, role("coordinator", null, "2026-01-05", null)).andExpect(refused("422 invalid schoolId"));
        send(admin, roles, role("administrator", north, "2026-01-05", null)).andExpect(refused("422 invalid schoolId"));
        send(admin, roles, role("coordinator", north, "2026-01-05", "2026-01-04")).andExpect(refused("422 invalid ends"));
        send(admin, roles, role("coordinator", 999_999, "2026-01-05", null)).andExpect(refused("404 not-found"));
        send(admin, "/api/people/999999/roles", role("coordinator", north, "2026-01-05", null)).andExpect(refused("404 not-found"));
        send(admin, roles, role("coordinator", north, "2026-01-05", "2026-03-13")).andExpect(status().isNoContent());
        send(admin, roles, role("coordinator", north, "2026-03-01", null)).andExpect(refused("422 invalid role"));

        Viewer both = person(login);
        assertEquals(Viewer.Role.COORDINATOR, both.role());
        assertEquals(Set.of(north), both.led());
        assertEquals(2, both.schools().size());
        read(both, page()).andExpect(status().isOk());
        String scope = "&year=" + thisYear() + "&asOf=2026-03-13&area=Reading&measure=" + measure("oral-reading");
        read(both, "/api/tiers?who=school-" + north + scope).andExpect(status().isOk());
        read(both, "/api/tiers?who=class-" + classId("2025-TERN") + scope).andExpect(status().isOk());
        int skerrow = db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
        read(both, "/api/tiers?who=school-" + skerrow + scope).andExpect(refused("403 forbidden"));
        // What a coordinator does is theirs to do there, not here.
        int tern = asking(both, () -> db.sql("""
                select e.student_id from roster_enrolment e where e.class_id = :c and e.ends is null order by 1 limit 1""").param("c", classId("2025-TERN"))
                .query(Integer.class).single());
        send(both, "/api/students/" + tern + "/grouped", Map.of("grouping", 1, "value", "Speech")).andExpect(refused("403 forbidden"));
        send(both, "/api/students/" + there + "/grouped", Map.of("grouping", 1, "value", "Speech")).andExpect(status().isNoContent());
        signInHere(both);
        var tiers = imports.take(TestServer.csv("student,area,year,window,tier,decided,reason", "NO" + made + ",Reading,2025-26,Autumn,2,2026-03-01,",
                db.sql("select code from roster_student where id = :s").param("s", tern).query(String.class).optional().orElse("S1040")
                        + ",Reading,2025-26,Autumn,2,2026-03-01,"));
        signOutHere();
        assertEquals(1, tiers.added());
        assertTrue(tiers.refusals().get(0).message().contains("do not coordinate"), tiers.refusals().toString());
        // Nor by plain SQL.
        String decide = "insert into plans_strategy (area, name, school_id) values ('Reading', 'x" + made + "', " + skerrow + ")";
        Exception not = assertThrows(Exception.class, () -> asking(both, () -> db.sql(decide).update()));
        assertTrue(String.valueOf(NestedExceptionUtils.getMostSpecificCause(not).getMessage()).contains("row-level security"), not.toString());
        assertEquals(1, asking(both, () -> db.sql(decide.replace(", " + skerrow + ")", ", " + north + ")")).update()));

        // The role ended the day before: what is left is the class here.
        int row = people.sql("select id from people_role where person_id = :p").param("p", id).query(Integer.class).single();
        String ends = roles + "/" + row + "/ends";
        call(admin, put(ends).contentType("application/json").content("{\"ends\":\"2026-01-04\"}")).andExpect(refused("422 invalid ends"));
        call(admin, put(ends).contentType("application/json").content("{\"ends\":\"2026-03-12\"}")).andExpect(status().isNoContent());
        assertEquals(Viewer.Role.TEACHER, person(login).role());
        read(person(login), page()).andExpect(refused("404 not-found"));
        JsonNode person = body(read(admin, "/api/people")).get("people").valueStream().filter(p -> p.get("id").asInt() == id).findFirst().orElseThrow();
        assertEquals("2026-03-12", person.get("beside").get(0).get("ends").asString());
    }

    @Test
    void anAdministratorForATimeAndAnInterventionist() throws Exception {
        send(admin, "/api/people/" + id + "/roles", role("administrator", null, "2026-03-14", null)).andExpect(status().isNoContent());
        assertEquals(Viewer.Role.TEACHER, person(login).role(), "from tomorrow");
        send(admin, "/api/people/" + id + "/roles", role("administrator", null, "2026-03-01", "2026-03-13")).andExpect(status().isNoContent());
        assertEquals(Viewer.Role.ADMINISTRATOR, person(login).role());
        read(person(login), page()).andExpect(status().isOk());
        String invited = "i" + made + ".roles";
        Map<String, Object> form = new HashMap<>(
                Map.of("login", invited, "name", "I. Roles", "role", "interventionist", "schoolId", north, "email", "no address"));
        send(admin, "/api/people", form).andExpect(refused("422 invalid email"));
        form.put("email", "i@roles.example");
        send(admin, "/api/people", form).andExpect(status().isOk());
        assertEquals(Viewer.Role.TEACHER, person(invited).role());
        JsonNode person = body(read(admin, "/api/people")).get("people").valueStream().filter(p -> p.get("login").asString().equals(invited)).findFirst()
                .orElseThrow();
        assertEquals("interventionist i@roles.example", person.get("role").asString() + " " + person.get("email").asString());
        call(admin, put("/api/people/" + person.get("id").asInt() + "/email").contentType("application/json").content("{}")).andExpect(status().isNoContent());
        assertFalse(body(read(admin, "/api/people")).get("people").valueStream().filter(p -> p.get("login").asString().equals(invited)).findFirst()
                .orElseThrow().has("email"));
    }

    @Test
    void aClassIsGivenTakenAndGivenAgain() throws Exception {
        String classes = "/api/people/" + id + "/classes";
        int north3 = classId("north-" + made);
        send(person("m.tveit"), classes, Map.of("classId", north3)).andExpect(refused("403 forbidden"));
        send(admin, classes, Map.of("classId", 999_999)).andExpect(refused("404 not-found"));
        send(admin, classes, Map.of("classId", north3)).andExpect(status().isNoContent());
        read(person(login), page()).andExpect(status().isOk());
        call(admin, put(classes + "/" + north3 + "/ends").contentType("application/json").content("{\"ends\":\"2026-03-12\"}"))
                .andExpect(status().isNoContent());
        read(person(login), page()).andExpect(refused("404 not-found"));
        send(admin, classes, Map.of("classId", north3)).andExpect(status().isNoContent());
        read(person(login), page()).andExpect(status().isOk());
        assertTrue(body(read(admin, "/api/people")).get("classes").valueStream().anyMatch(c -> c.get("id").asInt() == north3));
    }

    @Test
    void anAdministratorSignsSomebodyOutEverywhere() throws Exception {
        call(person("m.tveit"), delete("/api/people/" + id + "/sessions")).andExpect(refused("403 forbidden"));
        call(admin, delete("/api/people/999999/sessions")).andExpect(refused("404 not-found"));
        people.sql("insert into spring_session (primary_id, session_id, creation_time, last_access_time, max_inactive_interval, expiry_time, principal_name) "
                + "values (:id, :id, 0, 0, 3600, 99999999999999, :login)").param("id", String.format("%036d", id)).param("login", login).update();
        call(admin, delete("/api/people/" + id + "/sessions")).andExpect(status().isNoContent());
        assertEquals(0,
                people.sql("select count(*)::integer from spring_session where principal_name = :login").param("login", login).query(Integer.class).single());
    }

    @Test
    void rolesComeByFileAndAreUndone() throws Exception {
        signInHere(Viewer.SYSTEM);
        var wrong = imports.take(TestServer.csv("login,role,school,from,to", login + ",coordinator,,2026-01-05,", "nobody.there,teacher,SKERROW,2026-01-05,",
                login + ",teacher,SKERROW,2026-02-01,2026-01-01"));
        assertEquals(3, wrong.refusals().size());
        assertEquals(1, imports.take(TestServer.csv("login,role,school,from,to", login + ",coordinator,NORTH" + made + ",2026-01-05,")).added());
        signOutHere();
        assertEquals(Set.of(north), person(login).led());
        long done = asking(Viewer.SYSTEM, () -> db.sql("select max(id) from records_done").query(Long.class).single());
        send(admin, "/api/records/done/" + done + "/undo", Map.of("reason", "too early")).andExpect(status().isNoContent());
        assertEquals(Set.of(), person(login).led());
    }
}
