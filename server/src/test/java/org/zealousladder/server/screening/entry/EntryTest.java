package org.zealousladder.server.screening.entry;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** The entry grid: saved as typed, checked, and never over somebody else's entry. */
class EntryTest extends ScreeningTest {
    private ResultActions save(Map<String, Object> cell) {
        return send(person("b.calder"), "/api/entry", cell);
    }

    private JsonNode row(String code, String name) {
        return of(body(read(person("b.calder"), "/api/entry" + scope(code, "&window=" + window("Winter")))).get("rows"), name);
    }

    private JsonNode entry(String code, String name, String measure) {
        return each(row(code, name).get("cells")).filter(c -> c.get("measureId").asInt() == measure(measure)).findFirst().orElseThrow();
    }

    @Test
    void aMakeUpCountsForTheWindowThatItNames() throws Exception {
        newClass("2025-ENTER", 3, "b.calder", "Ann");
        save(cell("Ann 2025-ENTER", "maze", window("Winter"), 14, null)).andExpect(status().isOk()).andExpect(jsonPath("$.value").value(14.0));
        JsonNode ladder = body(read(person("b.calder"), "/api/ladder" + scope("2025-ENTER", "&measure=" + measure("maze"))));
        assertEquals(14.0, of(ladder.get("rows"), "Ann 2025-ENTER").at("/cells/1/value").asDouble(), "13 March is after the winter window");
        assertEquals("2026-03-13", of(ladder.get("rows"), "Ann 2025-ENTER").at("/cells/1/date").asString());
        send(person("b.calder"), "/api/entry",
                new java.util.TreeMap<>(Map.of("studentId", student("Ann 2025-ENTER"), "measureId", measure("oral-reading"), "windowId", window("Winter"),
                        "takenOn", "2026-01-05", "status", "scored", "value", 80, "sure", true)))
                .andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.detail").value(containsString("begins on 12 Jan 2026")));
    }

    @Test
    void twoPeopleAtOnceSeeBothValues() throws Exception {
        newClass("2025-BOTH", 3, "b.calder", "Bea");
        save(cell("Bea 2025-BOTH", "maze", window("Winter"), 14, null)).andExpect(status().isOk());
        JsonNode refused = body(save(cell("Bea 2025-BOTH", "maze", window("Winter"), 19, null)).andExpect(status().isConflict()));
        assertEquals("urn:zealous-ladder:conflict", refused.get("type").asString());
        assertEquals(14.0, refused.at("/theirs/value").asDouble());
        long theirs = refused.at("/theirs/scoreId").asLong();
        save(cell("Bea 2025-BOTH", "maze", window("Winter"), 19, theirs)).andExpect(status().isOk()).andExpect(jsonPath("$.value").value(19.0));
        assertEquals(2, asking(Viewer.SYSTEM,
                () -> db.sql("select count(*) from scores_score where student_id = :s").param("s", student("Bea 2025-BOTH")).query(Integer.class).single()),
                "the one before is kept");
    }

    @Test
    void aLargeJumpIsAskedAboutOnce() throws Exception {
        newClass("2025-JUMP", 3, "b.calder", "Cid");
        score("2025-JUMP-Cid", "maze", "2025-09-09", 10);
        Map<String, Object> jump = cell("Cid 2025-JUMP", "maze", window("Winter"), 19, null);
        jump.put("sure", false);
        save(jump).andExpect(status().isConflict()).andExpect(jsonPath("$.type").value("urn:zealous-ladder:unlikely"))
                .andExpect(jsonPath("$.detail").value(containsString("19 is 9 above the 10 of 9 Sep 2025")));
        assertEquals(2.0, entry("2025-JUMP", "Cid 2025-JUMP", "maze").get("likelyLow").asDouble(), "10 - 4 SEM of 2");
        jump.put("value", 18);
        save(jump).andExpect(status().isOk());
    }

    @Test
    void anAbsenceStaysOnRecordWhenTheTestIsMadeUp() throws Exception {
        newClass("2025-AWAY", 3, "b.calder", "Dag");
        take("student,measure,date,score,status", "2025-AWAY-Dag,maze,2026-01-13,,absent");
        long absent = entry("2025-AWAY", "Dag 2025-AWAY", "maze").get("scoreId").asLong();
        save(cell("Dag 2025-AWAY", "maze", window("Winter"), 13, absent)).andExpect(status().isOk()).andExpect(jsonPath("$.value").value(13.0));
        assertEquals(List.of("absent", "scored"),
                asking(Viewer.SYSTEM, () -> db.sql("select status from scores_score where student_id = :s and superseded_by is null order by taken_on")
                        .param("s", student("Dag 2025-AWAY")).query(String.class).list()));
    }

    @Test
    void anEntryIsTakenBackAndTypedAnew() throws Exception {
        newClass("2025-BACK", 3, "b.calder", "Eli");
        long id = body(save(cell("Eli 2025-BACK", "maze", window("Winter"), 14, null))).get("scoreId").asLong();
        Map<String, Object> back = cell("Eli 2025-BACK", "maze", window("Winter"), 0, id);
        back.put("status", "withdrawn");
        back.remove("value");
        assertFalse(body(save(back).andExpect(status().isOk())).has("scoreId"));
        save(cell("Eli 2025-BACK", "maze", window("Winter"), 16, null)).andExpect(status().isOk()).andExpect(jsonPath("$.value").value(16.0));
        assertEquals(16.0, entry("2025-BACK", "Eli 2025-BACK", "maze").get("value").asDouble());
    }

    @Test
    void whatCannotBeIsSaidAndNotSaved() throws Exception {
        newClass("2025-WRONG", 3, "b.calder", "Fay");
        save(cell("Fay 2025-WRONG", "maze", window("Winter"), 61, null)).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.detail").value("Maze runs from 0 to 60."));
        save(cell("Fay 2025-WRONG", "maze", window("Winter"), 6.5, null)).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.detail").value("Maze is a whole number."));
        send(person("r.oduya"), "/api/entry", cell("Fay 2025-WRONG", "maze", window("Winter"), 6, null)).andExpect(status().isForbidden());
        read(person("m.tveit"), "/api/entry" + wholeSchool("")).andExpect(status().isUnprocessableContent());
        assertFalse(entry("2025-WRONG", "Fay 2025-WRONG", "maze").has("scoreId"));
    }
}
