package org.zealousladder.server.exchange.records;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** What was brought in is undone whole, or not at all. */
class UndoingTest extends ServerTest {
    private long bringIn(Viewer who, Path file) throws Exception {
        JsonNode preview = body(upload(who, file).andExpect(status().isOk()));
        send(who, "/api/records/imports/" + preview.get("id").asString() + "/acceptance", Map.of()).andExpect(status().isOk());
        return body(read(who, "/api/records/done").andExpect(status().isOk())).get(0).get("id").asLong();
    }

    private org.springframework.test.web.servlet.ResultActions undo(Viewer who, long id) {
        return send(who, "/api/records/done/" + id + "/undo", Map.of("reason", "the wrong file"));
    }

    private String score(String student, String day) {
        return asking(Viewer.SYSTEM, () -> db.sql("""
                select coalesce(c.value::text, c.status) from scores_score c join roster_student s on s.id = c.student_id join measures_measure m on m.id = c.measure_id
                 where s.code = :s and m.code = 'maze' and c.taken_on = :day::date and c.superseded_by is null""").param("s", student).param("day", day)
                .query(String.class).optional().orElse("none"));
    }

    @Test
    void scoresOfAFileGoAndWhatTheyCorrectedCountsAgain() throws Exception {
        Viewer coordinator = person("m.tveit");
        bringIn(coordinator, TestServer.csv("student,measure,date,score", "S1040,maze,2025-11-22,11"));
        long second = bringIn(coordinator, TestServer.csv("student,measure,date,score", "S1040,maze,2025-11-22,21", "S1041,maze,2025-11-22,12"));
        assertEquals("21", score("S1040", "2025-11-22"));
        undo(person("i.mensah"), second).andExpect(refused("403 forbidden"));
        send(coordinator, "/api/records/done/" + second + "/undo", Map.of("reason", " ")).andExpect(refused("422 invalid reason"));
        undo(coordinator, second).andExpect(status().isNoContent());
        assertEquals("11", score("S1040", "2025-11-22"));
        assertEquals("withdrawn", score("S1041", "2025-11-22"));
        undo(coordinator, second).andExpect(refused("404 not-found"));
        JsonNode done = body(read(coordinator, "/api/records/done")).get(0);
        assertEquals("the wrong file", done.get("undoneBecause").asString());
        assertEquals("scores: 1 new, 1 changed, 0 refused", done.get("what").asString());
        assertFalse(done.get("mayUndo").asBoolean());
    }

    @Test
    void aFileOfWhichAScoreWasCorrectedSinceStays() throws Exception {
        Viewer coordinator = person("m.tveit");
        long first = bringIn(coordinator, TestServer.csv("student,measure,date,score", "S1042,maze,2025-11-22,11", "S1043,maze,2025-11-22,11"));
        bringIn(coordinator, TestServer.csv("student,measure,date,score", "S1042,maze,2025-11-22,12"));
        undo(coordinator, first).andExpect(refused("409 conflict"));
        assertEquals("11", score("S1043", "2025-11-22"), "all of it or nothing");
    }

    @Test
    void aClassListGoesWithEverythingThatCameWithItUnlessSomethingRestsOnIt() throws Exception {
        Viewer admin = person("a.sandvik");
        long list = bringIn(admin, TestServer.csv("Surname,First name,Class,Grade,Teacher,School,School year", "Skua,Ebba,Ruff,3,Kari Skua,skerrow,2025-26",
                "Skua,Nils,Ruff,3,Kari Skua,skerrow,2025-26"));
        assertEquals(List.of("Ebba", "Nils"), skuas());
        long scores = bringIn(admin, TestServer.csv("student,measure,date,score", "Ebba Skua,maze,2025-11-22,11"));
        undo(admin, list).andExpect(refused("409 conflict"));
        assertEquals(List.of("Ebba", "Nils"), skuas());
        undo(admin, scores).andExpect(status().isNoContent());
        undo(admin, list).andExpect(refused("409 conflict"));
        long rename = bringIn(admin, TestServer.csv("student,given_name,family_name", code("Nils") + ",Niels,Skua"));
        undo(admin, rename).andExpect(status().isNoContent());
        assertEquals(List.of("Ebba", "Nils"), skuas(), "a name that was changed is as it was");
        long more = bringIn(admin, TestServer.csv("Surname,First name,Class,Grade,Teacher,School,School year", "Skua,Tor,Whimbrel,3,Per Skua,skerrow,2025-26"));
        assertEquals(1, people.sql("select count(*) from people_person where login = 'per.skua'").query(Integer.class).single());
        undo(admin, more).andExpect(status().isNoContent());
        assertEquals(List.of("Ebba", "Nils"), skuas());
        assertEquals(0, people.sql("select count(*) from people_person where login = 'per.skua'").query(Integer.class).single());
        assertEquals(0, db.sql("select count(*) from roster_class where name = 'Whimbrel'").query(Integer.class).single());
    }

    private List<String> skuas() {
        return asking(Viewer.SYSTEM, () -> db.sql("select given_name from roster_student where family_name = 'Skua' order by 1").query(String.class).list());
    }

    private String code(String given) {
        return asking(Viewer.SYSTEM,
                () -> db.sql("select code from roster_student where family_name = 'Skua' and given_name = :g").param("g", given).query(String.class).single());
    }

    @Test
    void whatCannotBeUndoneAsAWholeSaysSo() throws Exception {
        Viewer coordinator = person("m.tveit");
        bringIn(coordinator, TestServer.csv("student,measure,start_date,start_score,goal_date,goal_score", "S1044,maze,2025-10-01,9,2026-05-01,16"));
        JsonNode done = body(read(coordinator, "/api/records/done")).get(0);
        assertFalse(done.get("mayUndo").asBoolean());
        assertTrue(done.get("undoneAt") == null || done.get("undoneAt").isNull());
        undo(coordinator, done.get("id").asLong()).andExpect(refused("404 not-found"));
    }
}
