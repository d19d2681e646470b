package org.zealousladder.server.overview.feed;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A private calendar: read by its address alone, with counts and no names, until it is renewed or stopped. */
class FeedTest extends ScreeningTest {
    private String make(Viewer who) throws Exception {
        String address = body(send(who, "/api/account/calendar", Map.of()).andExpect(status().isOk())).get("address").asString();
        return address.replaceFirst("^https?://[^/]+", "");
    }

    private MockHttpServletResponse open(String path) throws Exception {
        return http.perform(get(path)).andReturn().getResponse();
    }

    @Test
    void itTellsDaysAndCountsAndNobodysName() throws Exception {
        take("login,person,role,school", "f.feed,F. Feed,teacher,SKERROW");
        newClass("FEED", 3, "f.feed", "Ada", "Ben");
        Viewer teacher = person("f.feed");
        for (String student : List.of("Ada", "Ben")) {
            send(teacher, "/api/contacts/notes",
                    Map.of("students", List.of(student(student + " FEED")), "way", "call", "whom", "home", "on", "2026-03-12", "reached", true,
                            "words", "Secret words about " + student, "lookAgainOn", "2026-03-20"))
                    .andExpect(status().isNoContent());
        }
        take("student,measure,start_date,start_score,goal_date,goal_score", "FEED-ADA,oral-reading,2026-01-14,45,2026-05-08,80");
        String path = make(teacher);
        signOutHere();
        MockHttpServletResponse answer = open(path);
        assertEquals(200, answer.getStatus());
        assertTrue(String.valueOf(answer.getContentType()).startsWith("text/calendar"));
        String text = answer.getContentAsString(StandardCharsets.UTF_8);
        assertTrue(Arrays.stream(text.split("\r\n")).allMatch(l -> l.getBytes(StandardCharsets.UTF_8).length <= 75), "lines are folded");
        for (String never : List.of("Ada", "Ben", "FEED-", "Secret")) {
            assertFalse(text.contains(never), never);
        }
        ICalendar feed = Biweekly.parse(text).first();
        VEvent again = feed.getEvents().stream().filter(e -> e.getSummary().getValue().startsWith("Look again after")).findFirst().orElseThrow();
        assertEquals("Look again after a talk or letter: 2 students", again.getSummary().getValue());
        assertTrue(text.contains("DTSTART;VALUE=DATE:20260320") && text.contains("DTEND;VALUE=DATE:20260321"), text);
        assertTrue(text.contains("DTSTART;VALUE=DATE:20260508"), "the day of a goal");
        assertTrue(feed.getEvents().stream().anyMatch(e -> e.getSummary().getValue().equals("Spring screening begins")));
        // Only of one's own students: the other class has goals, too.
        long goals = feed.getEvents().stream().filter(e -> e.getSummary().getValue().startsWith("The day of a goal")).count();
        assertEquals(1, goals);
    }

    @Test
    void theTeamsMeetingsStandInItUntilTheyAreTakenOff() throws Exception {
        int school = db.sql("select school_id from roster_class where code = '2025-KITTIWAKE'").query(Integer.class).single();
        String days = "/api/meeting/days?who=class-" + classId("2025-KITTIWAKE");
        send(person("r.oduya"), "/api/meeting/days", Map.of("school", school, "on", "2026-03-19")).andExpect(status().isForbidden());
        Viewer leads = person("m.tveit");
        send(leads, "/api/meeting/days", Map.of("school", school, "on", "2026-03-12")).andExpect(refused("422 invalid on"));
        send(leads, "/api/meeting/days", Map.of("school", school, "on", "2026-03-19")).andExpect(status().isNoContent());
        send(leads, "/api/meeting/days", Map.of("school", school, "on", "2026-03-19")).andExpect(refused("422 invalid on"));
        String secret = make(person("r.oduya"));
        signOutHere();
        assertTrue(open(secret).getContentAsString().contains("SUMMARY:The team meets"));
        JsonNode seen = body(read(person("r.oduya"), days));
        assertEquals("2026-03-19|false", seen.at("/days/0/on").asString() + "|" + seen.get("mayChange").asBoolean());
        send(leads, "/api/meeting/days/" + seen.at("/days/0/id").asInt() + "/off", Map.of()).andExpect(status().isNoContent());
        send(leads, "/api/meeting/days/" + seen.at("/days/0/id").asInt() + "/off", Map.of()).andExpect(status().isNotFound());
        signOutHere();
        assertFalse(open(secret).getContentAsString().contains("The team meets"));
    }

    @Test
    void itEndsWithItsSecretAndWithTheAccount() throws Exception {
        take("login,person,role,school", "f.gone,F. Gone,teacher,SKERROW");
        Viewer teacher = person("f.gone");
        String first = make(teacher);
        String second = make(teacher);
        assertNotEquals(first, second);
        signOutHere();
        assertEquals(404, open(first).getStatus());
        assertEquals(200, open(second).getStatus());
        assertEquals(404, open("/calendar/" + "a".repeat(300) + ".ics").getStatus());
        call(teacher, delete("/api/account/calendar")).andExpect(status().isNoContent());
        signOutHere();
        assertEquals(404, open(second).getStatus());
        String third = make(teacher);
        people.sql("update people_person set active = false where login = 'f.gone'").update();
        signOutHere();
        assertEquals(404, openUntilGone(third));
        // What is kept opens nothing.
        String digest = asking(Viewer.SYSTEM,
                () -> db.sql("select digest from feed_calendar where person_id = :p").param("p", teacher.id()).query(String.class).single());
        assertEquals(404, open("/calendar/" + digest + ".ics").getStatus());
    }

    /** Rights are looked up anew within seconds. */
    private int openUntilGone(String path) throws Exception {
        for (int i = 0; i < 100; i++) {
            int status = open(path).getStatus();
            if (status == 404) {
                return status;
            }
            Thread.sleep(100);
        }
        return open(path).getStatus();
    }
}
