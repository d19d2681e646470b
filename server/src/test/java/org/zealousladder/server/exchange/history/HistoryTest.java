package org.zealousladder.server.exchange.history;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessException;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Looks, files, sign-ins and changes of rights are on record, for administrators alone. H. Istory teaches the class of this test. */
class HistoryTest extends ScreeningTest {
    @BeforeEach
    void aClass() {
        if (asking(Viewer.SYSTEM, () -> db.sql("select not exists (select from roster_class where code = '2025-HISTORY')").query(Boolean.class).single())) {
            signInHere(Viewer.SYSTEM);
            take("login,person,role,school", "h.istory,H. Istory,teacher,SKERROW", "h.elper,H. Elper,teacher,SKERROW");
            newClass("2025-HISTORY", 3, "h.istory", "Kai", "Lea", "Óscar");
        }
    }

    private JsonNode found(String query) throws Exception {
        return body(read(person("a.sandvik"), "/api/history?words=h.istory" + query)).get("rows");
    }

    private String line(JsonNode row) {
        return row.get("kind").asString() + " " + row.get("what").asString() + " " + row.path("about").asString("-") + " "
                + row.at("/student/name").asString("-") + " "
                + row.path("students").asString("-");
    }

    @Test
    void eachLookSaysWhoFromWhereAndWhomOrHowMany() throws Exception {
        Viewer teacher = person("h.istory");
        int here = classId("2025-HISTORY");
        Instant before = Instant.now();
        read(teacher, "/api/desk" + scope("2025-HISTORY", "")).andExpect(status().isOk());
        read(teacher, "/api/desk" + scope("2025-HISTORY", "")).andExpect(status().isOk());
        read(teacher, "/api/students/" + student("Kai 2025-HISTORY") + "?asOf=2026-03-13").andExpect(status().isOk());
        read(teacher, "/api/students?find=oscar&asOf=2026-03-13").andExpect(status().isOk());
        read(teacher, "/api/records/scores.csv" + scope("2025-HISTORY", "")).andExpect(status().isOk());
        send(teacher, "/api/history/prints", Map.of("view", "Trends", "who", "class-" + here)).andExpect(status().isNoContent());
        read(teacher, "/api/students/" + student("Sunniva Hale") + "?asOf=2026-03-13").andExpect(status().isNotFound());
        List<String> lines = new ArrayList<>();
        for (JsonNode row : found("")) {
            if (!Instant.parse(row.get("at").asString()).isBefore(before)) {
                lines.add(line(row));
                assertEquals("127.0.0.1", row.get("address").asString());
                assertEquals("H. Istory", row.at("/by/name").asString());
            }
        }
        assertEquals(List.of("print Trends class-" + here + " - -", "export Scores class-" + here + " - 3", "look names found by Go to - Óscar 2025-HISTORY -",
                "look Student page - Kai 2025-HISTORY -", "look Desk class-" + here + " - 3"), lines, "what was refused was not seen");
    }

    @Test
    void whoIsShownWhomAChangeWouldMoveHasLookedAtThem() throws Exception {
        int window = db.sql("select w.id from measures_window w where w.year_id = :year order by w.starts limit 1").param("year", thisYear())
                .query(Integer.class).single();
        send(person("a.sandvik"), "/api/changes/preview",
                Map.of("change", Map.of("window", Map.of("id", window, "yearId", thisYear(), "name", "Autumn", "starts", "2025-09-08", "ends",
                        "2025-09-12"))))
                .andExpect(status().isOk());
        JsonNode look = body(read(person("a.sandvik"), "/api/history?words=a.sandvik&kind=look")).get("rows").get(0);
        assertEquals("who would move by a change", look.get("what").asString());
        assertTrue(look.get("students").asInt() > 100, look.toString());
    }

    @Test
    void whatWasRefusedIsOnRecordWithoutWhatWasAskedFor() throws Exception {
        read(person("h.elper"), "/api/desk" + scope("2025-HISTORY", "")).andExpect(status().isForbidden());
        send(person("h.elper"), "/api/students/" + student("Kai 2025-HISTORY") + "/erasure", Map.of("reason", "x")).andExpect(status().isForbidden());
        JsonNode rows = body(read(person("a.sandvik"), "/api/history?words=h.elper&kind=refused")).get("rows");
        assertEquals(List.of("POST /api/students/{id}/erasure", "Desk"), each(rows).map(r -> r.get("what").asString()).toList());
    }

    @Test
    void signInsAndChangesOfRightsAreOnRecord() throws Exception {
        signOutHere();
        String wrong = "{\"login\":\"H.Istory\",\"password\":\"not the right one\"}";
        http.perform(post("/api/session").with(csrf()).contentType("application/json").content(wrong)).andExpect(status().isUnauthorized());
        int person = person("h.istory").id();
        call(person("a.sandvik"), org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put("/api/people/" + person + "/active")
                .contentType("application/json").content("{\"active\":true}")).andExpect(status().is2xxSuccessful());
        List<String> lines = new ArrayList<>();
        for (JsonNode row : found("&kind=rights")) {
            lines.add(row.get("what").asString() + " by " + row.at("/by/login").asString("-") + " of " + row.at("/person/login").asString("-"));
        }
        assertEquals("account opened by a.sandvik of h.istory", lines.get(0));
        JsonNode refused = found("&kind=refused").get(0);
        assertEquals("sign-in with a wrong password", refused.get("what").asString());
        assertTrue(refused.path("by").isMissingNode());
        JsonNode people = body(read(person("a.sandvik"), "/api/history?kind=rights")).get("rows");
        assertTrue(each(people).anyMatch(r -> r.get("what").asString().startsWith("file of who teaches which class: ")), "files that say who sees what");
    }

    @Test
    void itIsSearchedByAdministratorsAloneAndAPageAtATime() throws Exception {
        for (String login : List.of("h.istory", "m.tveit")) {
            read(person(login), "/api/history").andExpect(refused("403 forbidden"));
            assertEquals(0, asking(person(login), () -> db.sql("select count(*) from audit_event").query(Integer.class).single()));
        }
        read(person("a.sandvik"), "/api/history?from=2026-03-13&to=2026-03-12").andExpect(refused("422 invalid to"));
        read(person("a.sandvik"), "/api/history?kind=nothing").andExpect(refused("400 unreadable kind"));
        Viewer helper = person("h.elper");
        for (int i = 0; i < 130; i++) {
            send(helper, "/api/history/prints", Map.of("view", "Page " + i)).andExpect(status().isNoContent());
        }
        JsonNode first = body(read(person("a.sandvik"), "/api/history?words=h.elper&kind=print"));
        assertEquals(100, first.get("rows").size());
        assertTrue(first.get("more").asBoolean());
        JsonNode last = first.get("rows").get(99);
        JsonNode second = body(read(person("a.sandvik"),
                "/api/history?words=h.elper&kind=print&before=" + last.get("id").asString() + "&beforeAt=" + last.get("at").asString()));
        assertEquals(List.of("Page 29", "Page 0"),
                List.of(second.get("rows").get(0).get("what").asString(), second.get("rows").get(second.get("rows").size() - 1).get("what").asString()));
        assertEquals(false, second.get("more").asBoolean());
    }

    @Test
    void whatIsOnRecordStaysAndWholeMonthsGo() {
        for (String change : List.of("update audit_event set what = 'x'", "delete from audit_event",
                "insert into audit_event (kind, what) values ('look', 'x')")) {
            assertThrows(DataAccessException.class, () -> asking(person("a.sandvik"), () -> db.sql(change).update()), change);
        }
        for (String change : List.of("update audit_event set what = 'x'", "delete from audit_event", "select what from audit_event",
                "drop table audit_event_other")) {
            assertThrows(DataAccessException.class, () -> people.sql("do $$ begin " + change.replace("select what", "perform what") + "; end $$").update(),
                    change);
        }
        assertEquals(0, people.sql("select audit_forget(0)").query(Integer.class).single(), "nothing of the last year goes, whatever is asked for");
        int months = people.sql("select count(*) from pg_inherits where inhparent = 'audit_event'::regclass").query(Integer.class).single();
        people.sql("select audit_months()").query((r, n) -> 0).single();
        assertEquals(months, people.sql("select count(*) from pg_inherits where inhparent = 'audit_event'::regclass").query(Integer.class).single());
        assertEquals(4, months, "this month, the next two, and the rest");
    }
}
