package org.zealousladder.server.school.roster;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A school whose year lies otherwise than everybody's: its windows, its next year, and nobody else's. */
class YearsOfSchoolsTest extends ServerTest {
    private static boolean there;
    private Viewer admin;
    private int south;
    private int year;

    @BeforeEach
    void aSchoolOfTheSouth() {
        if (!there) {
            take("school,name", "SOUTHERN,Southern school");
            take("year,starts,ends,school", "2026 south,2026-02-01,2026-12-11,SOUTHERN");
            take("class,school,year,name,grade", "south-3,SOUTHERN,2026 south,South three,3");
            take("student,given_name,family_name", "SO1,Sol,Southwind", "SO2,Sid,Southwind");
            take("student,class,from", "SO1,south-3,2026-02-01", "SO2,south-3,2026-02-01");
            take("year,window,opens,closes", "2026 south,Term one,2026-02-09,2026-02-20");
            take("measure,grade,year,window,band,tier,from_score,set", "maze,3,2026 south,Term one,Low,3,,local", "maze,3,2026 south,Term one,High,1,15,local");
            take("student,measure,date,score", "SO1,maze,2026-02-10,9", "SO2,maze,2026-02-11,22");
            take("login,person,role,school", "s.south,S. South,coordinator,SOUTHERN");
            there = true;
        }
        admin = person("a.sandvik");
        south = db.sql("select id from roster_school where code = 'SOUTHERN'").query(Integer.class).single();
        year = db.sql("select id from roster_year where name = '2026 south'").query(Integer.class).single();
    }

    private void take(String... lines) {
        signInHere(Viewer.SYSTEM);
        assertEquals(List.of(), imports.take(TestServer.csv(lines)).refusals());
        signOutHere();
    }

    @Test
    void eachSchoolHasItsOwnWindowsAndBands() throws Exception {
        Viewer coordinator = person("s.south");
        String scope = "?who=school-" + south + "&year=" + year + "&asOf=2026-03-13&measure=" + measure("maze");
        JsonNode ladder = body(read(coordinator, "/api/ladder" + scope).andExpect(status().isOk()));
        // Before its own year there was the one of every school.
        assertEquals(List.of("Spring", "Term one"), ladder.get("seasons").valueStream().map(w -> w.get("name").asString()).toList());
        assertEquals(List.of("Low", "High"), ladder.get("rows").valueStream().map(r -> r.get("cells").get(1).get("bandName").asString())
                .sorted(java.util.Comparator.reverseOrder()).toList());
        JsonNode table = body(read(coordinator, "/api/table" + scope).andExpect(status().isOk()));
        assertEquals(List.of("Term one"), table.get("columns").valueStream().map(c -> c.get("window").asString()).distinct().toList());
        JsonNode coverage = body(read(coordinator, "/api/coverage" + scope).andExpect(status().isOk()));
        assertEquals("Term one", coverage.get("window").get("name").asString());
        read(coordinator, "/api/desk" + scope).andExpect(status().isOk());
        int student = asking(Viewer.SYSTEM, () -> db.sql("select id from roster_student where code = 'SO1'").query(Integer.class).single());
        JsonNode page = body(read(coordinator, "/api/students/" + student + "?asOf=2026-03-13").andExpect(status().isOk()));
        assertEquals("2026-12-11", page.get("to").asString(), "the axis is the school's year");
        assertEquals("Term one", page.get("lanes").get(0).get("seasons").get(0).get("window").asString());

        // Nobody else's year has a window more.
        int skerrow = db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
        JsonNode theirs = body(read(admin, "/api/ladder?who=school-" + skerrow + "&year=" + thisYear() + "&asOf=2026-03-13&measure=" + measure("maze"))
                .andExpect(status().isOk()));
        assertFalse(theirs.get("seasons").toString().contains("Term one"));
    }

    @Test
    void aYearIsOneSchoolsOrEverybodys() throws Exception {
        send(admin, "/api/years", Map.of("starts", "2026-02-01", "ends", "2026-12-01", "school", south)).andExpect(refused("422 invalid starts"));
        send(admin, "/api/years", Map.of("starts", "2027-02-01", "ends", "2027-12-01", "school", 999_999)).andExpect(refused("404 not-found"));
        int skerrow = db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
        send(admin, "/api/classes", Map.of("school", skerrow, "year", year, "name", "Stray", "grade", 3)).andExpect(refused("422 invalid year"));
        send(admin, "/api/classes", Map.of("school", south, "year", thisYear(), "name", "Stray", "grade", 3)).andExpect(refused("422 invalid year"));
        signInHere(Viewer.SYSTEM);
        assertTrue(imports.take(TestServer.csv("class,school,year,name,grade", "stray,SKERROW,2026 south,Stray,3")).refusals().get(0).message()
                .contains("another school's"));
        assertTrue(imports.take(TestServer.csv("year,starts,ends,school", "2025-26,2025-08-25,2026-06-26,SOUTHERN")).refusals().get(0).message()
                .contains("another name"));
        assertTrue(imports.take(TestServer.csv("year,window,opens,closes", "2026 south,Late,2026-02-15,2026-02-25")).refusals().get(0).message()
                .contains("overlaps"));
        signOutHere();
        JsonNode next = body(read(admin, "/api/setup/next-year?school=" + south).andExpect(status().isOk()));
        assertEquals("2026 south", next.get("year").get("name").asString());
        assertEquals("2025-26", body(read(admin, "/api/setup/next-year?school=" + skerrow)).get("year").get("name").asString());
    }
}
