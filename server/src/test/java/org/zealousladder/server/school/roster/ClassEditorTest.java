package org.zealousladder.server.school.roster;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;

/** Classes of a school of this test's own: made, filled, merged, ended, and all of it undone. */
class ClassEditorTest extends ServerTest {
    private static int schools;
    private Viewer admin;
    private String code;
    private int school;

    @BeforeEach
    void aSchoolWithFourStudents() throws Exception {
        code = "EDIT" + ++schools;
        signInHere(Viewer.SYSTEM);
        imports.take(TestServer.csv("school,name", code + ",Editing school " + schools));
        imports.take(TestServer.csv("student,given_name,family_name", code + "-A,Ada," + code, code + "-B,Bo," + code, code + "-C,Cy," + code,
                code + "-D,Di," + code));
        signOutHere();
        school = asking(Viewer.SYSTEM, () -> db.sql("select id from roster_school where code = :c").param("c", code).query(Integer.class).single());
        admin = person("a.sandvik");
    }

    private int add(String name) throws Exception {
        return body(send(admin, "/api/classes", Map.of("school", school, "year", thisYear(), "name", name, "grade", 3)).andExpect(status().isOk())).get("id")
                .asInt();
    }

    private List<Integer> ids(String... letters) {
        return asking(Viewer.SYSTEM, () -> List.of(letters).stream().map(l -> db.sql("select id from roster_student where code = :c").param("c", code + "-" + l)
                .query(Integer.class).single()).toList());
    }

    private void fill(int into, String from, String... letters) throws Exception {
        send(admin, "/api/classes/" + into + "/students", Map.of("students", ids(letters), "from", from)).andExpect(status().isNoContent());
    }

    private List<String> places() {
        return asking(Viewer.SYSTEM,
                () -> db.sql("""
                select concat_ws(' ', s.given_name, c.name, e.starts, e.ends) from roster_enrolment e join roster_student s on s.id = e.student_id
                  join roster_class c on c.id = e.class_id where c.school_id = :school order by s.given_name, e.starts""").param("school", school)
                        .query(String.class)
                        .list());
    }

    private void undoLast() throws Exception {
        long done = body(read(admin, "/api/records/done")).valueStream().filter(d -> d.get("mayUndo").asBoolean()).findFirst().orElseThrow().get("id").asLong();
        send(admin, "/api/records/done/" + done + "/undo", Map.of("reason", "not so")).andExpect(status().isNoContent());
    }

    @Test
    void aClassIsMadeFilledMergedAndEachStepUndone() throws Exception {
        int dotterel = add("Dotterel");
        int oystercatcher = add("Oystercatcher");
        fill(dotterel, "2025-08-25", "A", "B");
        fill(oystercatcher, "2025-08-25", "C", "D");
        fill(oystercatcher, "2026-03-09", "B", "C");
        List<String> filled = List.of("Ada Dotterel 2025-08-25", "Bo Dotterel 2025-08-25 2026-03-08", "Bo Oystercatcher 2026-03-09",
                "Cy Oystercatcher 2025-08-25",
                "Di Oystercatcher 2025-08-25");
        assertEquals(filled, places());
        send(admin, "/api/classes/" + dotterel + "/merge", Map.of("into", oystercatcher, "from", "2026-03-13")).andExpect(status().isNoContent());
        assertEquals(List.of("Ada Dotterel 2025-08-25 2026-03-12", "Ada Oystercatcher 2026-03-13"), places().subList(0, 2));
        assertEquals("[{\"id\":" + dotterel + ",\"ends\":\"2026-03-12\"}]", body(read(admin, "/api/classes?year=" + thisYear())).get("ended").valueStream()
                .filter(e -> e.get("id").asInt() == dotterel).toList().toString());
        undoLast();
        assertEquals(filled, places());
        undoLast();
        assertEquals(List.of("Bo Dotterel 2025-08-25"), places().stream().filter(p -> p.startsWith("Bo")).toList());
    }

    @Test
    void aClassEndsWithWhoeverIsInIt() throws Exception {
        int phalarope = add("Phalarope");
        fill(phalarope, "2025-08-25", "A", "B");
        call(admin, put("/api/classes/" + phalarope + "/end").contentType("application/json").content("{\"ends\":\"2026-03-20\"}"))
                .andExpect(status().isNoContent());
        assertEquals(List.of("Ada Phalarope 2025-08-25 2026-03-20", "Bo Phalarope 2025-08-25 2026-03-20"), places());
        call(admin, put("/api/classes/" + phalarope + "/end").contentType("application/json").content("{\"ends\":\"2030-03-20\"}"))
                .andExpect(refused("422 invalid ends"));
    }

    @Test
    void whoLeavesIsInNothingTheDayAfterAndThatIsUndone() throws Exception {
        int sandpiper = add("Sandpiper");
        fill(sandpiper, "2025-08-25", "A", "B");
        int ada = ids("A").get(0);
        String leave = "/api/students/" + ada + "/leave";
        send(person("m.tveit"), leave, Map.of("last", "2026-03-12")).andExpect(refused("403 forbidden"));
        send(admin, leave, Map.of("last", "2020-03-12")).andExpect(refused("422 invalid last"));
        send(admin, leave, Map.of("last", "2026-03-12")).andExpect(status().isNoContent());
        assertEquals("Ada Sandpiper 2025-08-25 2026-03-12", places().get(0));
        send(admin, leave, Map.of("last", "2026-03-13")).andExpect(refused("422 invalid last"));
        long done = body(read(admin, "/api/records/done")).get(0).get("id").asLong();
        send(admin, "/api/records/done/" + done + "/undo", Map.of("reason", "she stays")).andExpect(status().isNoContent());
        assertEquals("Ada Sandpiper 2025-08-25", places().get(0));
        fill(add("Sandpiper late"), "2026-04-06", "A");
        send(admin, leave, Map.of("last", "2026-03-12")).andExpect(refused("422 invalid last"));
    }

    @Test
    void whatCannotBeIsRefused() throws Exception {
        int godwit = add("Godwit");
        send(admin, "/api/classes", Map.of("school", school, "year", thisYear(), "name", "Godwit", "grade", 3)).andExpect(refused("422 invalid name"));
        send(admin, "/api/classes", Map.of("school", school, "year", thisYear(), "name", "Stint", "grade", 14)).andExpect(refused("422 invalid grade"));
        send(admin, "/api/classes/" + godwit + "/merge", Map.of("into", godwit, "from", "2026-03-13")).andExpect(refused("422 invalid into"));
        send(admin, "/api/classes/" + godwit + "/merge", Map.of("into", classId("2025-TERN"), "from", "2026-03-13")).andExpect(refused("422 invalid into"));
        send(admin, "/api/classes/" + godwit + "/students", Map.of("students", ids("A"), "from", "2020-01-01")).andExpect(refused("422 invalid from"));
        send(person("m.tveit"), "/api/classes", Map.of("school", school, "year", thisYear(), "name", "Ruff", "grade", 3)).andExpect(refused("403 forbidden"));
        send(person("m.tveit"), "/api/classes/" + godwit + "/students", Map.of("students", ids("A"), "from", "2026-03-13")).andExpect(refused("403 forbidden"));
    }
}
