package org.zealousladder.server.engagement;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** The time between actions: seen before, said why, counted anew, taken back; what was told with its minutes stays. */
class GapTest extends ScreeningTest {
    private Map<String, Object> form(double minutes, String because) {
        Map<String, Object> form = new HashMap<>(Map.of("minutes", minutes, "year", thisYear()));
        form.put("because", because);
        return form;
    }

    private List<String> days() {
        return asking(Viewer.SYSTEM, () -> db
                .sql("""
                select on_day || ' ' || kind || ' ' || minutes from engagement_day d join roster_student s on s.id = d.student_id where s.code = 'GAPX-Ada' order by on_day, kind""")
                .query(String.class).list());
    }

    @Test
    void anotherTimeIsShownFirstCountsAnewAndIsTakenBack() throws Exception {
        newClass("GAPX", 3, "r.oduya", "Ada", "Ben");
        take("student,date,time,kind,minutes", "GAPX-Ada,2026-03-10,10:00,practice,", "GAPX-Ada,2026-03-10,10:20,practice,",
                "GAPX-Ada,2026-03-10,10:22,practice,",
                "GAPX-Ada,2026-03-11,10:00,reading,12");
        assertEquals(List.of("2026-03-10 practice 7", "2026-03-11 reading 12"), days());
        Viewer admin = person("a.sandvik");
        JsonNode shown = body(send(admin, "/api/engagement/gap/preview", form(15, "")).andExpect(status().isOk()));
        assertEquals("Up to 15 minutes between two actions count as time|2026-03-13", shown.get("words").asString() + "|" + shown.at("/today/day").asString());
        assertTrue(shown.at("/today/students").asInt() > 100, shown.toString());
        assertEquals(List.of("2026-03-10 practice 7", "2026-03-11 reading 12"), days(), "a preview changes nothing");
        assertEquals(1, body(read(admin, "/api/engagement/gap")).get("history").size());

        send(admin, "/api/engagement/gap", form(15, " ")).andExpect(refused("422 invalid because"));
        send(admin, "/api/engagement/gap", form(61, "long")).andExpect(refused("422 invalid minutes"));
        send(admin, "/api/engagement/gap", form(5, "the same")).andExpect(refused("422 invalid minutes"));
        send(person("m.tveit"), "/api/engagement/gap", form(15, "mine")).andExpect(status().isForbidden());
        send(admin, "/api/engagement/gap", form(15, "our programs save seldom")).andExpect(status().isNoContent());
        assertEquals(List.of("2026-03-10 practice 17", "2026-03-11 reading 12"), days());
        Map<String, Object> late = form(20, "late");
        late.put("seen", 5);
        send(admin, "/api/engagement/gap", late).andExpect(status().isConflict());

        send(admin, "/api/engagement/gap/undo", Map.of()).andExpect(status().isNoContent());
        assertEquals(List.of("2026-03-10 practice 7", "2026-03-11 reading 12"), days());
        assertEquals("taken back: our programs save seldom", body(read(admin, "/api/engagement/gap")).at("/history/0/because").asString());
    }
}
