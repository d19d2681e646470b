package org.zealousladder.server.overview.students;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.context.TestPropertySource;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Assessments of bodies outside, the timetable and the teaching groups on a student's page, as they were on a day. On records of its own. */
@TestPropertySource(properties = "ladder.test.records=outside")
class OutsideTest extends ServerTest {
    private Viewer admin;
    private int lina;

    @BeforeEach
    void people() {
        admin = person("a.sandvik");
        lina = student("Zuri Halloran");
    }

    private JsonNode bring(String... lines) throws Exception {
        JsonNode preview = body(upload(admin, TestServer.csv(lines)).andExpect(status().isOk()));
        send(admin, "/api/records/imports/" + preview.get("id").asString() + "/acceptance", java.util.Map.of());
        return preview;
    }

    private JsonNode page(Viewer viewer, String day) {
        return body(read(viewer, "/api/students/" + lina + "?asOf=" + day));
    }

    private String code() {
        return asking(admin, () -> db.sql("select code from roster_student where id = :id").param("id", lina).query(String.class).single());
    }

    private static String told(JsonNode r) {
        return r.path("takenOn").asString() + " " + r.path("year").asString("-") + " " + r.path("className").asString("-") + " " + r.path("teachers") + " "
                + r.at("/measure/name").asString() + " " + r.path("value").asString(r.path("status").asString()) + " "
                + r.path("parts").valueStream().map(p -> p.at("/measure/ownName").asString() + " " + p.path("value").asString("-")).toList();
    }

    @Test
    void partsByYearWithClassAndTeacherAtTheTime() throws Exception {
        bring("measure,title,kind,area,unit,lowest,highest,decimals,better,part_of", "isles-text,Isles test,outside,Reading,points,0,40,1,higher,",
                "isles-text-a,Aloud,outside,Reading,points,0,20,1,higher,isles-text", "isles-text-b,Silent,outside,Reading,points,0,20,1,higher,isles-text");
        String c = code();
        bring("student,measure,date,score,status", c + ",isles-text,2025-02-11,21.5,scored", c + ",isles-text-a,2025-02-11,12,scored",
                c + ",isles-text-b,2025-02-11,9.5,scored", c + ",isles-text,2025-10-02,,absent", c + ",isles-text-b,2026-02-12,11,scored",
                c + ",isles-text,2023-05-02,3,scored");
        List<String> all = page(admin, "2026-03-13").path("outside").valueStream().map(OutsideTest::told).filter(t -> t.contains("Isles")).toList();
        assertEquals(List.of("2026-02-12 2025-26 Kittiwake [\"I. Mensah\",\"R. Oduya\"] Isles test: Silent 11.0 []",
                "2025-10-02 2025-26 Kittiwake [\"I. Mensah\",\"R. Oduya\"] Isles test absent []",
                "2025-02-11 2024-25 Puffin [\"L. Iversen\"] Isles test 21.5 [Aloud 12.0, Silent 9.5]", "2023-05-02 - - [] Isles test 3.0 []"), all);
        assertEquals(List.of("2025-02-11", "2023-05-02"), page(admin, "2025-06-01").path("outside").valueStream()
                .filter(r -> r.at("/measure/name").asString().contains("Isles")).map(r -> r.path("takenOn").asString()).toList(), "as it was known then");
        JsonNode page = page(person("r.oduya"), "2026-03-13");
        assertTrue(page.path("lanes").valueStream().noneMatch(l -> l.at("/measure/name").asString().contains("Isles")), "no lane of its own");
        assertTrue(body(read(admin, "/api/scope")).path("measures").valueStream().noneMatch(m -> m.path("name").asString().contains("Isles")));
        JsonNode found = body(
                send(admin, "/api/find", java.util.Map.of("text", "score in Isles test from 1 Jan 2025 to 1 Jun 2025 is at least 20", "asOf", "2026-03-13",
                        "descending", false, "cannotTell", false, "from", 0, "rows", 10)));
        assertEquals(1, found.path("found").asInt(), "asked like any other: " + found);
    }

    @Test
    void theWeekNowAndTheGroups() throws Exception {
        JsonNode usual = page(admin, "2026-03-13").path("lessons");
        assertEquals(24, usual.size());
        assertEquals("1 08:30:00 09:15:00 Reading Room 3", usual.get(0).path("weekday").asInt() + " " + usual.get(0).path("starts").asString() + " "
                + usual.get(0).path("ends").asString() + " " + usual.get(0).path("subject").asString() + " " + usual.get(0).path("room").asString());
        bring("group,school,year,name,subject", "tide-group,SKERROW,2025-26,Tide readers,Reading", "dry-group,SKERROW,2025-26,Old readers,");
        bring("student,group,from,to", code() + ",tide-group,2026-01-12,", code() + ",dry-group,2025-09-01,2025-12-19");
        bring("login,group,from,to", "i.mensah,tide-group,2026-01-12,");
        bring("weekday,lesson_starts,lesson_ends,subject,group,room,from,to", "tuesday,14.00,14:45,Reading aloud,tide-group,,2026-01-12,",
                "monday,15:00,15:45,Reading,dry-group,,2025-09-01,");
        JsonNode page = page(admin, "2026-03-13");
        assertEquals("[{\"group\":\"Tide readers\",\"subject\":\"Reading\",\"teachers\":\"I. Mensah\"}]", page.path("groups").toString());
        assertEquals("2 14:00:00 Reading aloud Tide readers", page.path("lessons").valueStream().filter(l -> l.hasNonNull("group"))
                .map(l -> l.path("weekday").asInt() + " " + l.path("starts").asString() + " " + l.path("subject").asString() + " " + l.path("group").asString())
                .collect(Collectors.joining("|")));
        assertEquals("Old readers", page(admin, "2025-10-01").at("/groups/0/group").asString());
        bring("weekday,lesson_starts,lesson_ends,subject,class,room,from,to", "monday,8:30,9:15,Reading,2025-KITTIWAKE,Room 3,2025-08-25,2026-01-30",
                "monday,8:30,9:15,Sums,2025-KITTIWAKE,,2026-02-02,");
        assertEquals("Sums", page(admin, "2026-03-13").at("/lessons/0/subject").asString());
        assertEquals("Reading", page(admin, "2026-01-30").at("/lessons/0/subject").asString());
        JsonNode refused = body(upload(admin, TestServer.csv("weekday,lesson_starts,lesson_ends,subject,class,group,from,to",
                "monday,25:00,9:15,Reading,2025-KITTIWAKE,,2025-08-25,", "monday,9:00,8:15,Reading,2025-KITTIWAKE,,2025-08-25,",
                "monday,9:00,9:15,Reading,,,2025-08-25,", "monday,9:00,9:15,Reading,2025-KITTIWAKE,tide-group,2025-08-25,",
                "funday,9:00,9:15,Reading,2025-KITTIWAKE,,2025-08-25,", "monday,9:00,9:15,Reading,2025-NOBODY,,2025-08-25,",
                "friday,9:00,9:15,Reading,2025-KITTIWAKE,,2025-08-25,2025-08-01")).andExpect(status().isOk()));
        assertEquals("0|7", refused.at("/result/added").asInt() + "|" + refused.at("/result/refused").asInt(), refused.toString());
    }
}
