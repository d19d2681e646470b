package org.zealousladder.server.exchange.records;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
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

    /** Everything there is in the tables that such a file fills, but for what is derived or only says how it came. */
    private String standing(List<String> tables) {
        return asking(Viewer.SYSTEM,
                () -> tables.stream().map(
                        t -> db.sql("select coalesce(md5(string_agg(x::text, '|' order by x::text)), '') from (select to_jsonb(t) - 'known_from' as x from "
                                + t + " t) y").query(String.class).single())
                        .collect(java.util.stream.Collectors.joining(" ")));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void whateverAFileFillsIsAfterUndoingAsItWasBefore(String kind, List<String> tables, List<String> lines) throws Exception {
        Viewer admin = person("a.sandvik");
        String before = standing(tables);
        long done = bringIn(admin, TestServer.csv(lines.toArray(String[]::new)));
        assertFalse(before.equals(standing(tables)), "the file says something");
        undo(admin, done).andExpect(status().isNoContent());
        assertEquals(before, standing(tables), kind);
    }

    static Stream<Arguments> files() {
        return Stream.of(
                Arguments.of("cuts", List.of("measures_ladder", "measures_band"), List.of("measure,grade,year,window,band,tier,from_score,set",
                        "maze,3,2025-26,Winter,Low,3,,local", "maze,3,2025-26,Winter,High,1,15,local")),
                Arguments.of("cut-sets", List.of("measures_cut_set", "measures_default_set"),
                        List.of("set,set_title,set_kind,school,note,counts", "turnstones,Of turnstones,local,SKERROW,,yes")),
                Arguments.of("norms", List.of("norms_set", "norms_table", "norms_point"), List.of("norm_set,measure,grade,window,percentile,score,rests_on",
                        "skuas,maze,3,Winter,25,10,200", "skuas,maze,3,Winter,75,20,200")),
                Arguments.of("goals", List.of("goals_goal"),
                        List.of("student,measure,start_date,start_score,goal_date,goal_score", "S1040,maze,2025-10-09,10,2026-05-08,25")),
                Arguments.of("concerns", List.of("plans_concern"), List.of("student,area,level,since,note", "S1041,Reading,2,2026-01-12,slow")),
                Arguments.of("plans", List.of("plans_plan", "plans_phase"), List.of("student,measure,starts,ends,worry,strategy,per_week,minutes",
                        "S1042,maze,2026-02-02,2026-04-24,slow,Reading in pairs,2,20")),
                Arguments.of("tiers", List.of("tiers_tier"),
                        List.of("student,area,year,window,tier,decided,reason", "S1010,Reading,2025-26,Winter,3,2026-02-02,as we know them")),
                Arguments.of("passages", List.of("reading_passage"),
                        List.of("passage,title,text,grade,school", "ebb,Ebb,The tide went out before the boat could leave the quay again.,3,SKERROW")),
                Arguments.of("readings", List.of("reading_reading"),
                        List.of("student,passage,read_on,seconds,limit_seconds,last_word,level", "S1040,tide-table,2026-02-02,60,60,40,Reads it with help")),
                Arguments.of("grouped", List.of("roster_grouped"), List.of("student,grouping,value,from,to", "S1040,home-language,Tamil,,")),
                Arguments.of("people-at-home", List.of("roster_contact"), List.of("student,name,phone", "S1040,Ane Undone,0555 1")),
                Arguments.of("timetable", List.of("roster_lesson"), List.of("weekday,lesson_starts,lesson_ends,subject,class,room,from",
                        "saturday,8:30,9.15,Choir,2025-TERN,Hall,2025-08-25", "monday,8:30,9:00,Reading,2025-TERN,Room 4,2025-08-25")),
                Arguments.of("enrolments", List.of("roster_enrolment"), List.of("student,class,from,grade", "S1040,2025-TERN,2025-08-25,3")));
    }

    @Test
    void aPlanWithSessionsOfLaterStays() throws Exception {
        Viewer admin = person("a.sandvik");
        long plan = bringIn(admin,
                TestServer.csv("student,measure,starts,ends,worry,strategy,per_week,minutes", "S1044,maze,2026-02-02,2026-04-24,slow,Reading in pairs,2,20"));
        long held = bringIn(admin, TestServer.csv("student,measure,held_on,given", "S1044,maze,2026-02-03,1"));
        undo(admin, plan).andExpect(refused("409 conflict"));
        undo(admin, held).andExpect(status().isNoContent());
        undo(admin, plan).andExpect(status().isNoContent());
    }
}
