package org.zealousladder.server.overview.nextyear;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** The turn of the year, in a school of its own so that nobody else's classes are counted. */
class NextYearTest extends ServerTest {
    private Viewer admin;
    private int school;

    @BeforeEach
    void aSchool() throws Exception {
        admin = person("a.sandvik");
        signInHere(Viewer.SYSTEM);
        imports.take(TestServer.csv("school,name", "turn,Turn School"));
        imports.take(TestServer.csv("class,school,year,name,grade", "turn-2a,turn,2025-26,2A,2", "turn-3a,turn,2025-26,3A,3", "turn-owl,turn,2025-26,Owl,4"));
        imports.take(TestServer.csv("student,given_name,family_name", "T1,Ann,Turn", "T2,Bea,Turn", "T3,Cal,Turn", "T4,Dan,Turn", "T5,Eve,Turn"));
        imports.take(TestServer.csv("student,class,from,to", "T1,turn-2a,2025-08-25,", "T2,turn-2a,2025-08-25,2026-01-10", "T3,turn-3a,2025-08-25,",
                "T4,turn-3a,2025-08-25,2026-06-26",
                "T5,turn-owl,2025-08-25,"));
        imports.take(TestServer.csv("login,person,role,school", "turn.teacher,Turn Teacher,teacher,turn"));
        imports.take(TestServer.csv("login,class", "turn.teacher,turn-2a"));
        school = db.sql("select id from roster_school where code = 'turn'").query(Integer.class).single();
    }

    private JsonNode proposal() throws Exception {
        return body(read(admin, "/api/setup/next-year?school=" + school).andExpect(status().isOk()));
    }

    private Map<String, Object> form(JsonNode p) {
        Map<String, Object> form = new HashMap<>(Map.of("school", school, "year", p.at("/year/id").asInt(), "name", p.at("/next/name").asString(), "starts",
                p.at("/next/starts").asString(), "ends", p.at("/next/ends").asString(), "windows", true, "cuts", true, "others", List.of()));
        form.put("classes", new ArrayList<>(StreamSupport.stream(p.get("classes").spliterator(), false).filter(c -> c.get("goesOn").asBoolean())
                .map(c -> Map.of("from", c.get("id").asInt(), "name", c.get("nextName").asString(), "grade", c.get("nextGrade").asInt(), "teachers", true))
                .toList()));
        return form;
    }

    private List<String> enrolments() {
        return asking(Viewer.SYSTEM, () -> db.sql("""
                select s.given_name || ' ' || y.name || ' ' || c.name || ' ' || c.grade || ' ' || e.starts || ' ' || coalesce(e.ends::text, '-')
                  from roster_enrolment e join roster_student s on s.id = e.student_id join roster_class c on c.id = e.class_id join roster_year y on y.id = c.year_id
                 where s.family_name = 'Turn' order by 1""").query(String.class).list());
    }

    private int ofSchool(String sql) {
        return db.sql(sql).param("school", school).query(Integer.class).single();
    }

    @Test
    void nextYearIsProposedMadeAndUndone() throws Exception {
        List<String> before = enrolments();
        JsonNode p = proposal();
        assertEquals("2026-27 2026-08-24 2027-06-25",
                p.at("/next/name").asString() + " " + p.at("/next/starts").asString() + " " + p.at("/next/ends").asString());
        assertEquals(List.of("2A to 3A 3 true", "3A to 4A 4 true", "Owl to Owl 5 false"),
                StreamSupport.stream(p.get("classes").spliterator(), false).map(c -> c.get("name").asString()
                        + " to " + c.get("nextName").asString() + " " + c.get("nextGrade").asInt() + " " + c.get("goesOn").asBoolean()).toList());
        assertEquals(4, p.get("students").size(), "who has left is not asked about");
        assertEquals(3, p.get("windows").size());
        Map<String, Object> form = form(p);
        // Cal repeats grade 3 with those who come after.
        int second = p.at("/classes/0/id").asInt();
        form.put("others", List.of(Map.of("student", student("Cal Turn"), "to", second)));
        int cuts = p.get("cuts").asInt();
        int ladders = ofSchool("select count(*) from measures_ladder where superseded_on is null and :school > 0");
        assertTrue(cuts > 100);

        JsonNode made = body(send(admin, "/api/setup/next-year", form).andExpect(status().isOk()));
        assertEquals("2 3 1 3",
                made.get("classes").asInt() + " " + made.get("moved").asInt() + " " + made.get("left").asInt() + " " + made.get("windows").asInt());
        assertEquals(cuts, made.get("cuts").asInt());
        assertEquals(List.of("Ann 2025-26 2A 2 2025-08-25 2026-06-26", "Ann 2026-27 3A 3 2026-08-24 -", "Bea 2025-26 2A 2 2025-08-25 2026-01-10",
                "Cal 2025-26 3A 3 2025-08-25 2026-06-26", "Cal 2026-27 3A 3 2026-08-24 -", "Dan 2025-26 3A 3 2025-08-25 2026-06-26",
                "Dan 2026-27 4A 4 2026-08-24 -",
                "Eve 2025-26 Owl 4 2025-08-25 2026-06-26"), enrolments());
        assertEquals(2, people.sql("select count(*) from people_teaches t join people_person p on p.id = t.person_id where p.login = 'turn.teacher'")
                .query(Integer.class).single());
        assertTrue(proposal().get("made").asBoolean());
        send(admin, "/api/setup/next-year", form).andExpect(refused("409 conflict"));

        JsonNode done = body(read(admin, "/api/records/done")).get(0);
        assertEquals("next-year 2026-27, Turn School", done.get("kind").asString() + " " + done.get("words").asString());
        send(admin, "/api/records/done/" + done.get("id").asString() + "/undo", Map.of("reason", "too early")).andExpect(status().isNoContent());
        assertEquals(before, enrolments());
        assertEquals(0, db.sql("select count(*) from roster_year where name = '2026-27'").query(Integer.class).single());
        assertEquals(ladders, ofSchool("select count(*) from measures_ladder where superseded_on is null and :school > 0"));
    }

    @Test
    void whatDoesNotFitTogetherIsRefused() throws Exception {
        JsonNode p = proposal();
        send(person("m.tveit"), "/api/setup/next-year", form(p)).andExpect(refused("403 forbidden"));
        Map<String, Object> form = form(p);
        form.put("starts", "2026-05-01");
        send(admin, "/api/setup/next-year", form).andExpect(refused("422 invalid starts"));
        form = form(p);
        form.put("classes", List.of(Map.of("from", p.at("/classes/0/id").asInt(), "name", "X", "grade", 3, "teachers", true),
                Map.of("from", p.at("/classes/1/id").asInt(), "name", " x", "grade", 4, "teachers", true)));
        send(admin, "/api/setup/next-year", form).andExpect(refused("422 invalid classes"));
        form = form(p);
        form.put("others", List.of(Map.of("student", student("Ann Turn"), "to", p.at("/classes/2/id").asInt())));
        send(admin, "/api/setup/next-year", form).andExpect(refused("422 invalid others"));
        form = form(p);
        form.put("others", List.of(Map.of("student", student("Bea Turn"))));
        send(admin, "/api/setup/next-year", form).andExpect(refused("409 conflict"));
    }
}
