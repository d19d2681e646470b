package org.zealousladder.server.school.calendar;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Which days count, for a school of this test's own. */
class CalendarTest extends ServerTest {
    private static int schools;
    private String code;
    private int school;
    private Viewer admin;
    @Autowired
    private CalendarService calendar;

    @BeforeEach
    void aSchool() throws Exception {
        admin = person("a.sandvik");
        code = "CAL" + ++schools;
        imports.take(TestServer.csv("school,name", code + ",Calendar school " + schools));
        school = asking(Viewer.SYSTEM, () -> db.sql("select id from roster_school where code = :code").param("code", code).query(Integer.class).single());
        signOutHere();
    }

    private JsonNode view(Viewer who) throws Exception {
        return body(read(who, "/api/calendar?school=" + school + "&year=" + thisYear()).andExpect(status().isOk()));
    }

    private int add(String kind, String starts, String ends, String words) throws Exception {
        return body(send(admin, "/api/calendar/spans", Map.of("school", school, "kind", kind, "starts", starts, "ends", ends, "words", words))
                .andExpect(status().isOk()))
                .get("id").asInt();
    }

    @Test
    void aYearIsCountedAndShownDayByDay() throws Exception {
        JsonNode before = view(admin);
        int open = before.get("open").asInt();
        LocalDate first = LocalDate.parse(before.at("/year/starts").asString());
        int id = add("closure", "2025-11-03", "2025-11-05", "No water");
        JsonNode after = view(admin);
        assertEquals(open - 3, after.get("open").asInt());
        int at = (int) (LocalDate.of(2025, 11, 1).toEpochDay() - first.toEpochDay());
        assertEquals("wwcccoow", after.get("days").asString().substring(at, at + 8), "from Saturday on");
        assertEquals(after.get("days").asString().chars().filter(c -> c == 'o').count(), after.get("open").asInt());
        assertTrue(after.get("gone").asInt() < after.get("open").asInt());
        call(admin, MockMvcRequestBuilders.delete("/api/calendar/spans/" + id)).andExpect(status().isNoContent());
        call(admin, MockMvcRequestBuilders.delete("/api/calendar/spans/" + id)).andExpect(refused("404 not-found"));
        assertEquals(open, view(admin).get("open").asInt());
        asking(Viewer.SYSTEM, () -> {
            assertEquals(2, calendar.of(school, LocalDate.of(2026, 3, 12)).count(LocalDate.of(2025, 11, 3), LocalDate.of(2025, 11, 8)),
                    "as it was known yesterday");
            return true;
        });
    }

    @Test
    void termsAndTheSchoolsOwnWeekCount() throws Exception {
        add("term", "2025-08-25", "2025-12-19", "Autumn term");
        add("term", "2026-01-05", "2026-06-26", "Spring term");
        call(admin, MockMvcRequestBuilders.put("/api/calendar/" + school + "/week").contentType("application/json").content("{\"week\":[7,1,2,3,4]}"))
                .andExpect(status().isNoContent());
        asking(Viewer.SYSTEM, () -> {
            SchoolDays days = calendar.of(school, LocalDate.of(2026, 3, 13));
            assertTrue(days.open(LocalDate.of(2026, 3, 1)), "a Sunday");
            assertFalse(days.open(LocalDate.of(2026, 3, 6)), "a Friday");
            assertFalse(days.open(LocalDate.of(2025, 12, 29)), "between terms");
            return true;
        });
        call(admin, MockMvcRequestBuilders.put("/api/calendar/" + school + "/week").contentType("application/json").content("{\"week\":[]}"))
                .andExpect(refused("422 invalid week"));
    }

    @Test
    void whatCannotBeIsRefusedWithWhatToDo() throws Exception {
        add("holiday", "2025-11-10", "2025-11-14", "Herring week");
        send(admin, "/api/calendar/spans", Map.of("school", school, "kind", "holiday", "starts", "2025-11-14", "ends", "2025-11-17", "words", "More"))
                .andExpect(refused("422 invalid starts")).andExpect(jsonPath("$.detail", Matchers.containsString("It would overlap Herring week")));
        send(admin, "/api/calendar/spans", Map.of("school", school, "kind", "closure", "starts", "2025-12-02", "ends", "2025-12-01", "words", "Snow"))
                .andExpect(refused("422 invalid ends"));
        send(admin, "/api/calendar/spans", Map.of("school", school, "kind", "closure", "starts", "2025-12-01", "ends", "2025-12-02", "words", "  "))
                .andExpect(refused("422 invalid words"));
        send(person("m.tveit"), "/api/calendar/spans",
                Map.of("school", school, "kind", "closure", "starts", "2025-12-01", "ends", "2025-12-02", "words", "Snow"))
                .andExpect(refused("403 forbidden"));
        send(person("i.mensah"), "/api/calendar/spans", Map.of("kind", "closure", "starts", "2025-12-01", "ends", "2025-12-02", "words", "Snow"))
                .andExpect(refused("403 forbidden"));
        assertFalse(view(person("i.mensah")).get("mayChange").asBoolean());
    }

    @Test
    void aFileBringsSpansOnceAndRenamesThem() throws Exception {
        String[] rows = {"days,called,first,last,school", "holiday,Rest,2025-11-17,2025-11-18," + code, "closure,Storm,2025-11-24,2025-11-24," + code};
        signInHere(Viewer.SYSTEM);
        assertEquals(2, imports.take(TestServer.csv(rows)).added());
        assertEquals(2, imports.take(TestServer.csv(rows)).unchanged());
        rows[2] = "closure,Gale,2025-11-24,2025-11-24," + code;
        assertEquals(1, imports.take(TestServer.csv(rows)).changed());
        rows[2] = "closure,Gale,2025-11-24,2025-11-25," + code;
        assertEquals(1, imports.take(TestServer.csv(rows)).refused(), "it overlaps another closure");
        assertEquals(List.of("Rest", "Gale"),
                view(admin).get("spans").valueStream().filter(s -> s.has("schoolId")).map(s -> s.get("words").asString()).toList());
    }
}
