package org.zealousladder.server.overview.digest;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** The morning letter: asked for, written once a day as each would see the Desk, without a student's name. */
class DigestTest extends ScreeningTest {
    @Autowired
    private DigestService digests;

    private List<Map<String, Object>> letters(String address) {
        return asking(Viewer.SYSTEM, () -> db.sql("select subject, body, student_id from contacts_letter where to_address = :a order by id").param("a", address)
                .query().listOfRows());
    }

    private Viewer teacher(String code, String email) {
        String login = "d." + code.toLowerCase(java.util.Locale.ROOT);
        take("login,person,role,school,email", login + ",Dora Digest,teacher,SKERROW," + email);
        newClass(code, 3, login, "Ada", "Ben");
        return person(login);
    }

    @Test
    void whoWantsOneHasOneADayWithCountsAndLinksAndNoName() throws Exception {
        Viewer oduya = person("r.oduya");
        String address = asking(Viewer.SYSTEM, () -> db.sql("select email from people_person where login = 'r.oduya'").query(String.class).single());
        assertTrue(body(read(oduya, "/api/account/digest")).path("since").isMissingNode());
        call(oduya, put("/api/account/digest")).andExpect(status().isNoContent());
        assertEquals("2026-03-13", body(read(oduya, "/api/account/digest")).get("since").asString());
        signInHere(Viewer.SYSTEM);
        assertTrue(digests.send() >= 1);
        assertEquals(0, digests.send(), "a second one on the same day");
        Map<String, Object> letter = letters(address).get(0);
        String text = letter.get("subject") + "\n" + letter.get("body");
        int kittiwake = classId("2025-KITTIWAKE");
        JsonNode desk = body(read(oduya, "/api/desk?who=class-" + kittiwake + "&year=" + thisYear() + "&asOf=2026-03-13"));
        assertTrue(text.contains("Kittiwake class\n  " + desk.at("/waiting/proposals").asInt() + " to decide\n  " + desk.get("drifting").asInt() + " drifting"),
                text);
        assertTrue(text.contains("https://ladder.example/desk?who=class-" + kittiwake + "&year=" + thisYear()), text);
        for (String name : asking(Viewer.SYSTEM, () -> db
                .sql("""
                select unnest(array[s.given_name, s.family_name, s.code]) from roster_enrolment e join roster_student s on s.id = e.student_id where e.class_id = :c""")
                .param("c", kittiwake).query(String.class).list())) {
            assertFalse(text.matches("(?s).*\\b" + Pattern.quote(name) + "\\b.*"), name + " in " + text);
        }
        JsonNode state = body(read(oduya, "/api/account/digest"));
        assertEquals("2026-03-13|waiting", state.get("last").asString() + "|" + state.get("state").asString());
        call(oduya, delete("/api/account/digest")).andExpect(status().isNoContent());
        signInHere(Viewer.SYSTEM);
        digests.send();
        assertEquals(1, letters(address).size());
    }

    @Test
    void whoHasNoAddressIsToldAndNobodyElseSeesTheLetter() throws Exception {
        take("login,person,role,school", "d.none,No Address,teacher,SKERROW");
        newClass("DIGN", 3, "d.none", "Ada");
        send(person("d.none"), "/api/account/digest/now", Map.of()).andExpect(status().isUnprocessableContent());
        Viewer dora = teacher("DIGB", "digb@skerrow.example");
        send(dora, "/api/account/digest/now", Map.of()).andExpect(status().isNoContent());
        assertEquals(1, letters("digb@skerrow.example").size());
        assertEquals(0, asking(person("m.tveit"), () -> db.sql("select count(*) from contacts_letter where student_id is null").query(Integer.class).single()));
        assertEquals(0, asking(dora, () -> db.sql("select count(*) from contacts_letter where student_id is null").query(Integer.class).single()));
    }

    @Test
    void itIsMorningFromHalfPastSixToEleven() {
        assertEquals(List.of(false, true, true, false),
                List.of("06:29", "06:30", "10:59", "11:00").stream().map(LocalTime::parse).map(Mornings::morning).toList());
    }
}
