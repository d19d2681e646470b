package org.zealousladder.server.school.sight;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** What a role does not see is not shown, not counted and not told of, by the database's word; and nothing false is said in its place. On records of
 * its own, since it changes what everybody's role sees. */
@TestPropertySource(properties = "ladder.test.records=sight")
class SightTest extends ServerTest {
    private Viewer teacher;
    private Viewer coordinator;
    private Viewer administrator;
    private int zuri;

    @BeforeEach
    void people() {
        teacher = person("r.oduya");
        coordinator = person("m.tveit");
        administrator = person("a.sandvik");
        zuri = student("Zuri Halloran");
    }

    private ResultActions set(Viewer by, String what, String role, boolean seen, String because) {
        return call(by, put("/api/sight").contentType("application/json")
                .content(json.writeValueAsString(Map.of("what", what, "role", role, "seen", seen, "because", because))));
    }

    @AfterEach
    void asItWas() {
        asking(Viewer.SYSTEM, () -> db.sql("delete from sight_hidden").update());
    }

    private JsonNode page(Viewer viewer) {
        return body(read(viewer, "/api/students/" + zuri + "?asOf=2026-03-13"));
    }

    private Map<String, Object> ask(String text) {
        return Map.of("text", text, "who", "class-" + classId("2025-KITTIWAKE"), "asOf", "2026-03-13", "descending", false, "cannotTell", false, "from", 0,
                "rows", 100);
    }

    private JsonNode find(Viewer viewer, String text) {
        return body(send(viewer, "/api/find", ask(text)));
    }

    @Test
    void callsAndLetters() throws Exception {
        int before = page(teacher).path("contacts").size();
        String note = "/api/contacts/notes";
        send(coordinator, note, Map.of("students", List.of(zuri), "way", "call", "whom", "home", "on", "2026-03-12", "reached", true, "words", "Theirs"))
                .andExpect(status().is2xxSuccessful());
        send(teacher, note, Map.of("students", List.of(zuri), "way", "talk", "whom", "student", "on", "2026-03-11", "reached", true, "words", "My own"))
                .andExpect(status().is2xxSuccessful());
        int there = page(teacher).path("contacts").size();
        assertEquals(before + 2, there);
        int none = find(teacher, "no contact with home since 1 Jan 2026").path("found").asInt();
        set(teacher, "contacts", "teacher", false, "why").andExpect(refused("403 forbidden"));
        set(administrator, "contacts", "teacher", false, " ").andExpect(refused("422 invalid because"));
        set(administrator, "contacts", "administrator", false, "why").andExpect(refused("422 invalid role"));
        set(administrator, "contacts", "teacher", false, "the counsellor's alone").andExpect(status().isNoContent());
        set(administrator, "contacts", "teacher", false, "twice").andExpect(refused("409 conflict"));
        JsonNode page = page(teacher);
        assertEquals(1, page.path("contacts").size(), "what one noted oneself");
        assertEquals("My own", page.path("contacts").get(0).path("words").asString(""));
        assertEquals("contacts", page.path("unseen").get(0).asString(""));
        page.path("now").forEach(n -> assertFalse(n.path("before").asString("").startsWith("Home"), n.toString()));
        page.path("next").forEach(n -> assertFalse(n.path("kind").asString("").equals("CALL_HOME"), n.toString()));
        JsonNode asked = find(teacher, "no contact with home since 1 Jan 2026");
        int own = asking(teacher, () -> db.sql("""
                select count(distinct c.student_id)::integer from contacts_contact c join roster_enrolment e on e.student_id = c.student_id and e.class_id = :class
                 where c.whom = 'home' and c.reached and c.on_day >= '2026-01-01' and c.recorded_by = :me""").param("class", classId("2025-KITTIWAKE"))
                .param("me", teacher.id()).query(Integer.class).single());
        assertEquals("0|" + (23 - own), asked.path("found").asInt() + "|" + asked.path("cannotTell").asInt(),
                "none is said of whom it cannot be told; before: " + none);
        assertTrue(own < 23 - none, "others had called, too");
        assertEquals(there, page(coordinator).path("contacts").size());
        assertEquals(0L, asking(teacher,
                () -> db.sql("select count(*) from contacts_contact where recorded_by <> :me").param("me", teacher.id()).query(Long.class).single()));
        set(administrator, "contacts", "teacher", true, "agreed otherwise").andExpect(status().isNoContent());
        assertEquals(there, page(teacher).path("contacts").size());
    }

    @Test
    void groupingsNotesAndFiles() throws Exception {
        String folder = "/api/students/" + zuri + "/folder/notes";
        send(coordinator, folder, Map.of("words", "of the team for all", "readers", "everybody"));
        send(teacher, folder, Map.of("words", "my own", "readers", "everybody"));
        assertEquals("Individual plan", page(teacher).path("facts").path("grouped").get(0).path("value").asString(""));
        for (String what : List.of("groupings", "notes", "files")) {
            set(administrator, what, "teacher", false, "by our rules").andExpect(status().isNoContent());
        }
        JsonNode page = page(teacher);
        assertEquals(0, page.path("facts").path("grouped").size());
        assertEquals(1, page.path("folder").path("notes").size());
        assertEquals("my own", page.path("folder").path("notes").get(0).path("words").asString(""));
        send(teacher, "/api/find", ask("support is on record")).andExpect(refused("403 forbidden"));
        assertTrue(find(coordinator, "support is on record").path("found").asInt() > 0);
        assertEquals(0L, asking(teacher, () -> db.sql("select count(*) from roster_grouped").query(Long.class).single()));
        assertEquals(2, page(coordinator).path("folder").path("notes").size());
        JsonNode all = body(read(teacher, "/api/sight"));
        long hidden = 0;
        for (JsonNode s : all) {
            hidden += s.path("seen").asBoolean() ? 0 : 1;
            assertTrue(s.path("seen").asBoolean() || s.path("because").asString("").equals("by our rules"));
        }
        assertEquals("22|3", all.size() + "|" + hidden);
    }

    /** Each lane: what can be hidden, who is refused what whole view, and what a criterion then says of Kittiwake's 23. */
    @Test
    void lanesAreHiddenWholeAndNothingFalseIsSaidInTheirPlace() throws Exception {
        record Hides(String what, String view, String criterion) {}
        String of = "?asOf=2026-03-13&year=" + thisYear() + "&who=class-" + classId("2025-KITTIWAKE");
        List<Hides> all = List.of(new Hides("attendance", "/api/engagement/attendance" + of, "days absent this year is at least 0"),
                new Hides("time", "/api/engagement/weeks" + of, "minutes of activity this year is at least 0"),
                new Hides("work", "/api/work" + of, "pieces of work not in this year is at least 0"),
                new Hides("skills", "/api/skills" + of, "skills not yet in Reading is at least 0"),
                new Hides("tiers", "/api/tiers" + of + "&area=Reading", "tier in Reading is on record"),
                new Hides("plans", "/api/plans" + of + "&measure=" + measure("oral-reading"), "strategy in Reading is not on record"));
        JsonNode before = page(teacher);
        for (Hides h : all) {
            read(teacher, h.view()).andExpect(status().isOk());
            assertEquals(0, find(teacher, h.criterion()).path("cannotTell").asInt() / 23, h.toString());
            set(administrator, h.what(), "teacher", false, "by our rules").andExpect(status().isNoContent());
            read(teacher, h.view()).andExpect(refused("403 forbidden"));
            read(coordinator, h.view()).andExpect(status().isOk());
            JsonNode asked = find(teacher, h.criterion());
            assertEquals("0|23", asked.path("found").asInt() + "|" + asked.path("cannotTell").asInt(), h.toString());
        }
        assertTrue(page(teacher).path("facts").path("home").size() > 0);
        set(administrator, "home", "teacher", false, "by our rules").andExpect(status().isNoContent());
        JsonNode page = page(teacher);
        assertEquals(0, page.path("facts").path("home").size());
        assertEquals(7, page.path("unseen").size());
        JsonNode strips = page.path("strips");
        assertTrue(
                before.path("strips").path("away").size() > 0 && before.path("strips").path("weeks").size() > 0 && before.path("strips").path("work").size() > 0
                        && before.path("strips").path("skills").isObject() && before.path("tiers").size() > 0,
                before.path("strips").toString());
        assertFalse(strips.path("away").isArray(), "not: never away");
        assertFalse(strips.path("skills").isObject(), "not: none secure");
        assertEquals("0|0|0|0|0|0", strips.path("weeks").size() + "|" + strips.path("work").size() + "|" + strips.path("answered").size() + "|"
                + page.path("tiers").size() + "|" + page.path("plans").size() + "|" + page.path("concerns").size());
        assertEquals(7, body(read(teacher, "/api/scope")).path("unseen").size());
        assertEquals(0, body(read(coordinator, "/api/scope")).path("unseen").size());
        for (String table : List.of("attendance_day", "engagement_action", "engagement_day", "engagement_week", "work_attempt", "work_piece", "skills_answer",
                "skills_framework", "tiers_tier", "plans_plan", "plans_phase", "plans_session", "plans_concern", "roster_contact",
                "engagement_classes(array[" + classId("2025-KITTIWAKE") + "], '2025-09-01', '2026-03-13')")) {
            assertEquals(0L, asking(teacher, () -> db.sql("select count(*) from " + table).query(Long.class).single()), table);
            assertTrue(asking(coordinator, () -> db.sql("select count(*) from " + table).query(Long.class).single()) > 0, table);
        }
        // A report has no noughts in the place of what is hidden, nor has a comparison.
        String span = "&asOf=2026-03-13&from=2025-09-01&to=2026-03-13";
        JsonNode took = body(read(teacher, "/api/reports?who=class-" + classId("2025-KITTIWAKE") + span)).at("/tables/0");
        JsonNode theirs = body(read(coordinator, "/api/reports?who=class-" + classId("2025-KITTIWAKE") + span)).at("/tables/0");
        for (int c = 1; c < took.path("columns").size(); c++) {
            for (JsonNode line : took.at("/parts/0/lines")) {
                assertTrue(line.path("cells").get(c).isEmpty(), took.path("columns").get(c) + " " + line);
            }
            int column = c;
            assertTrue(theirs.at("/parts/0/lines").valueStream().anyMatch(l -> !l.path("cells").get(column).isEmpty()),
                    theirs.path("columns").get(c).toString());
        }
        assertEquals(0, body(read(teacher, "/api/reports?who=class-" + classId("2025-KITTIWAKE") + span)).at("/tables/2/parts/0/lines").size());
        String two = "/api/compare?asOf=2026-03-13&aFrom=2025-09-01&aTo=2025-12-19&bFrom=2026-01-05&bTo=2026-03-13&a=class-" + classId("2025-KITTIWAKE")
                + "&b=class-"
                + classId("2025-KITTIWAKE");
        assertTrue(body(read(coordinator, two)).toString().contains("\"key\":\"sessions\""));
        assertFalse(body(read(teacher, two)).toString().matches("(?s).*\"group\":\"(ENGAGEMENT|SKILLS|WORK)\".*"), "none of what is hidden");
        send(teacher, "/api/plans/concerns", Map.of("student", zuri, "area", "Reading", "level", "watch", "note", "x")).andExpect(refused("403 forbidden"));
        read(teacher, "/api/desk" + of).andExpect(status().isOk());
    }

    /** What one role does not see, others enter as before; who does not see it enters none of it. */
    @Test
    void whatIsHiddenIsNotEnteredEither() throws Exception {
        set(administrator, "attendance", "teacher", false, "the office's").andExpect(status().isNoContent());
        String enter = "insert into attendance_day (student_id, on_day, status, known_from, recorded_by) values (" + zuri
                + ", '2026-03-12', 'absent', '2026-03-12', %d)";
        assertTrue(org.junit.jupiter.api.Assertions.assertThrows(org.springframework.dao.DataAccessException.class,
                () -> asking(teacher, () -> db.sql(enter.formatted(teacher.id())).update())).getMostSpecificCause().getMessage().contains("policy"));
        assertEquals(1, asking(coordinator, () -> db.sql(enter.formatted(coordinator.id())).update()));
    }
}
