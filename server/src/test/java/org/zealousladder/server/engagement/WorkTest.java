package org.zealousladder.server.engagement;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Course work: brought in, shown, typed, counted. */
class WorkTest extends ScreeningTest {
    /** A class of one test with three students and pieces due on 27 Feb, 6 Mar and 20 Mar. */
    private Viewer workers(String code) {
        String login = "w." + code.toLowerCase(java.util.Locale.ROOT);
        take("login,person,role,school", login + ",W. Worker,teacher,SKERROW");
        newClass(code, 3, login, "Ada", "Ben", "Cy");
        take("work,class,title,subject,work_kind,due,possible", code + "-1," + code + ",Log one,Reading,homework,2026-02-27,10",
                code + "-2," + code + ",Log two,Reading,homework,2026-03-06,10",
                code + "-3," + code + ",Sums,Mathematics,test,2026-03-20,30");
        return person(login);
    }

    private String page(String code, String asOf, String more) {
        return "/api/work?who=class-" + classId(code) + "&year=" + thisYear() + "&asOf=" + asOf + more;
    }

    private JsonNode view(Viewer who, String code, String more) throws Exception {
        return body(read(who, page(code, "2026-03-13", more)).andExpect(status().isOk()));
    }

    private static String states(JsonNode view, String name) {
        return String.join(" ", of(view.get("rows"), name).get("cells").valueStream().map(c -> c.get("state").asString()).toList());
    }

    private int piece(String code) {
        return asking(Viewer.SYSTEM, () -> db.sql("select id from work_piece where code = :c").param("c", code).query(Integer.class).single());
    }

    private Map<String, Object> mark(String piece, String student, String status, Double value, Long seen) {
        Map<String, Object> form = new HashMap<>(Map.of("piece", piece(piece), "student", student(student), "status", status, "sure", false));
        form.put("value", value);
        form.put("seen", seen);
        return form;
    }

    @Test
    void aFileOfWorkAndOneOfResultsMakeTheTable() throws Exception {
        Viewer teacher = workers("WRKA");
        take("student,work,attempt,handed_in,points,of_points,seconds,work_state,because", "WRKA-ADA,WRKA-1,1,2026-02-26,4,,600,,",
                "WRKA-ADA,WRKA-1,2,2026-03-02,9,,,,",
                "WRKA-BEN,WRKA-1,,,,,,excused,ill", "WRKA-ADA,WRKA-2,1,2026-03-09,,,,,", "WRKA-BEN,WRKA-2,1,2026-03-05,16,20,,,");
        JsonNode view = view(teacher, "WRKA", "");
        assertEquals("marked handed-in to-come", states(view, "Ada WRKA"));
        assertEquals("excused marked to-come", states(view, "Ben WRKA"));
        assertEquals("missing missing to-come", states(view, "Cy WRKA"));
        JsonNode ada = of(view.get("rows"), "Ada WRKA");
        // The latest attempt; the late one counts, too.
        assertEquals("9.0 50.0 0.9 1.0 0",
                ada.get("soFar").asDouble() + " " + ada.get("ofAll").asDouble() + " " + ada.get("earned").asDouble() + " " + ada.get("attempted").asDouble()
                        + " " + ada.get("missing").asInt());
        assertTrue(ada.at("/cells/1/late").asBoolean());
        // Sixteen of twenty, of a piece of ten.
        assertEquals(8.0, of(view.get("rows"), "Ben WRKA").at("/cells/1/points").asDouble());
        assertEquals(1, view.get("toMark").asInt());
        assertEquals(List.of(1, 1), List.of(view.at("/pieces/1/toMark").asInt(), view.at("/pieces/1/missing").asInt()));
        JsonNode first = of(view(teacher, "WRKA", "&attempt=first").get("rows"), "Ada WRKA");
        assertEquals(0.4, first.get("earned").asDouble());
        JsonNode inTime = view(teacher, "WRKA", "&late=false");
        assertEquals("marked missing to-come", states(inTime, "Ada WRKA"));
        assertFalse(inTime.at("/counting/own").asBoolean());
        JsonNode maths = view(teacher, "WRKA", "&subject=Mathematics");
        assertEquals(1, maths.get("pieces").size());
        assertTrue(of(maths.get("rows"), "Ada WRKA").path("earned").isMissingNode());
        // On the day itself the second log was still to come, and nobody knew of the sums yet.
        JsonNode before = body(read(teacher, page("WRKA", "2026-03-06", "")));
        assertEquals("missing to-come", states(before, "Cy WRKA"));
        JsonNode opened = body(
                read(teacher, "/api/work/pieces/" + piece("WRKA-1") + "?who=class-" + classId("WRKA") + "&year=" + thisYear() + "&asOf=2026-03-13"));
        assertEquals(600, opened.at("/results/0/attempts/0/seconds").asInt());
        assertEquals(List.of(), opened.get("five").valueStream().toList(), "of one nothing is told");
        assertEquals(1, opened.at("/bins/9").asInt());
    }

    @Test
    void marksAreTypedOnceAndNobodyOverwritesAnother() throws Exception {
        Viewer teacher = workers("WRKB");
        for (int i = 0; i < 2; i++) {
            sendOnce(teacher, "/api/work/marks", "wrkb-1", mark("WRKB-1", "Ada WRKB", "scored", 7.5, null)).andExpect(status().isOk())
                    .andExpect(jsonPath("$.value").value(7.5));
        }
        Long seen = of(view(teacher, "WRKB", "").get("rows"), "Ada WRKB").at("/cells/0/seen").asLong();
        send(teacher, "/api/work/marks", mark("WRKB-1", "Ada WRKB", "scored", 9.0, null)).andExpect(status().isConflict())
                .andExpect(jsonPath("$.theirs.value").value(7.5));
        send(teacher, "/api/work/marks", mark("WRKB-1", "Ada WRKB", "scored", 21.0, seen)).andExpect(status().isUnprocessableContent());
        send(teacher, "/api/work/marks", mark("WRKB-1", "Ada WRKB", "scored", -1.0, seen)).andExpect(status().isUnprocessableContent());
        send(teacher, "/api/work/marks", mark("WRKB-1", "Ada WRKB", "scored", 12.0, seen)).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value("Sure? 12 is more than the 10 that can be earned. Press Enter again to keep it."));
        Map<String, Object> sure = mark("WRKB-1", "Ada WRKB", "scored", 12.0, seen);
        sure.put("sure", true);
        send(teacher, "/api/work/marks", sure).andExpect(status().isOk());
        // A word instead, and back to nothing.
        JsonNode excused = body(send(teacher, "/api/work/marks", mark("WRKB-1", "Ben WRKB", "excused", null, null)).andExpect(status().isOk()));
        JsonNode marked = body(
                send(teacher, "/api/work/marks", mark("WRKB-1", "Ben WRKB", "scored", 3.0, excused.get("scoreId").asLong())).andExpect(status().isOk()));
        JsonNode gone = body(
                send(teacher, "/api/work/marks", mark("WRKB-1", "Ben WRKB", "withdrawn", null, marked.get("scoreId").asLong())).andExpect(status().isOk()));
        assertTrue(gone.path("status").isMissingNode(), gone.toString());
        assertEquals("missing missing to-come", states(view(teacher, "WRKB", ""), "Ben WRKB"));
        // Handed in by a file, marked, the mark taken back: it is still handed in.
        take("student,work,handed_in", "WRKB-CY,WRKB-1,2026-02-27");
        Long there = of(view(teacher, "WRKB", "").get("rows"), "Cy WRKB").at("/cells/0/seen").asLong();
        JsonNode six = body(send(teacher, "/api/work/marks", mark("WRKB-1", "Cy WRKB", "scored", 6.0, there)));
        assertEquals("handed-in",
                body(send(teacher, "/api/work/marks", mark("WRKB-1", "Cy WRKB", "withdrawn", null, six.get("scoreId").asLong()))).get("status").asString());
        send(teacher, "/api/work/marks", mark("WRKB-3", "Cy WRKB", "late", null, null)).andExpect(status().isUnprocessableContent());
        assertEquals("late", body(send(teacher, "/api/work/marks", mark("WRKB-2", "Cy WRKB", "late", null, null))).get("status").asString());
        send(person("r.oduya"), "/api/work/marks", mark("WRKB-1", "Ada WRKB", "scored", 1.0, null)).andExpect(status().isForbidden());
    }

    @Test
    void aPieceIsSetChangedAndEndedByWhoTeachesTheClass() throws Exception {
        Viewer teacher = workers("WRKC");
        Map<String, Object> form = new HashMap<>(
                Map.of("classId", classId("WRKC"), "title", "Map of the isle", "kind", "project", "due", "2026-03-10", "possible", 40));
        send(person("r.oduya"), "/api/work/pieces", form).andExpect(status().isForbidden());
        sendOnce(teacher, "/api/work/pieces", "wrkc", form).andExpect(status().isNoContent());
        sendOnce(teacher, "/api/work/pieces", "wrkc", form).andExpect(status().isNoContent());
        List<JsonNode> maps = each(view(teacher, "WRKC", "").get("pieces")).filter(p -> p.get("title").asString().equals("Map of the isle")).toList();
        assertEquals(1, maps.size());
        int id = maps.get(0).get("id").asInt();
        form.put("id", id);
        form.put("possible", 0);
        send(teacher, "/api/work/pieces", form).andExpect(status().isUnprocessableContent());
        form.put("possible", 20);
        send(teacher, "/api/work/pieces", form).andExpect(status().isNoContent());
        assertEquals(40.0, asking(Viewer.SYSTEM,
                () -> db.sql("select (was ->> 'possible')::float from work_piece_before where piece_id = :p").param("p", id).query(Double.class).single()));
        send(person("r.oduya"), "/api/work/pieces/" + id + "/end", Map.of()).andExpect(status().isForbidden());
        send(teacher, "/api/work/pieces/" + id + "/end", Map.of()).andExpect(status().isNoContent());
        send(teacher, "/api/work/pieces/" + id + "/end", Map.of()).andExpect(status().isNotFound());
        assertTrue(each(view(teacher, "WRKC", "").get("pieces")).noneMatch(p -> p.get("id").asInt() == id));
    }

    @Test
    void whatIsWrongInAFileIsSaidRowByRow() {
        workers("WRKD");
        signInHere(Viewer.SYSTEM);
        var pieces = imports.take(TestServer.csv("work,class,title,work_kind,due,possible,link", "WRKD-9,WRKD,A,homework,2026-03-01,0,",
                "WRKD-8,NOWHERE,A,homework,2026-03-01,5,",
                "WRKD-7,WRKD,A,homework,2026-03-01,5,javascript:alert(1)", "WRKA-X,WRKD,,homework,2026-03-01,5,"));
        assertEquals(List.of("possible", "class", "link", "title"), pieces.refusals().stream().map(r -> r.column()).toList());
        var results = imports.take(TestServer.csv("student,work,handed_in,points,work_state", "WRKD-ADA,WRKD-1,2026-03-14,5,", "WRKD-ADA,WRKD-1,2026-02-27,21,",
                "WRKD-ADA,WRKD-1,,5,missing",
                "WRKD-ADA,WRKD-5,2026-02-27,5,", "WRKD-ADA,WRKD-2,,,", "S1003,WRKD-1,2026-02-27,5,"));
        assertEquals(List.of("handed_in", "points", "work_state", "work", "work_state", "work"), results.refusals().stream().map(r -> r.column()).toList(),
                results.refusals().toString());
    }

    @Test
    void workThatIsNotInAndLowMarksAreFlaggedWhereTheRulesSaySo() throws Exception {
        Viewer teacher = workers("WRKE");
        take("work,class,title,work_kind,due,possible", "WRKE-4,WRKE,Log four,homework,2026-02-20,10", "WRKE-5,WRKE,Log five,homework,2026-03-11,10");
        take("student,work,handed_in,points", "WRKE-ADA,WRKE-1,2026-02-27,3", "WRKE-ADA,WRKE-2,2026-03-06,4", "WRKE-ADA,WRKE-4,2026-02-20,4",
                "WRKE-ADA,WRKE-5,2026-03-11,5",
                "WRKE-BEN,WRKE-1,2026-02-27,9");
        JsonNode weeks = body(read(teacher, "/api/engagement/weeks?who=class-" + classId("WRKE") + "&year=" + thisYear() + "&asOf=2026-03-13"));
        JsonNode ben = of(weeks.get("rows"), "Ben WRKE");
        assertEquals("3 pieces of work not in|the first was due on 20 Feb; the rule says 3",
                ben.at("/flags/0/title").asString() + "|" + ben.at("/flags/0/detail").asString());
        assertEquals(3, ben.get("missing").asInt());
        JsonNode ada = of(weeks.get("rows"), "Ada WRKE");
        assertEquals("low marks since 20 Feb|40 % of the points that could be earned; the rule says 50 %",
                ada.at("/flags/0/title").asString() + "|" + ada.at("/flags/0/detail").asString());
        assertTrue(each(weeks.get("rules")).anyMatch(r -> r.get("words").asString().startsWith("Work not in: 3 pieces of work or more")));
    }

    @Test
    void whatIsShownIsTakenAlongAndTheSchoolsScaleCounts() throws Exception {
        Viewer teacher = workers("WRKF");
        take("student,work,handed_in,points", "WRKF-ADA,WRKF-1,2026-02-27,9");
        Map<String, Object> form = new HashMap<>(
                Map.of("who", "class-" + classId("WRKF"), "year", thisYear(), "asOf", "2026-03-13", "hide", List.of(piece("WRKF-3")), "codes", false,
                        "format", "csv"));
        String csv = send(teacher, "/api/work/export", form).andExpect(status().isOk()).andReturn().getResponse().getContentAsString(StandardCharsets.UTF_8);
        assertTrue(csv.contains("Log two, due 2026-03-06, of 10") && !csv.contains("Sums"), csv);
        assertTrue(csv.contains("WRKF-Ada,Ada WRKF,WRKF,9,50,0.9,0.5,Near the top,1,9,missing"), csv);
        form.put("codes", true);
        form.put("format", "xlsx");
        byte[] xlsx = send(teacher, "/api/work/export", form).andExpect(status().isOk()).andReturn().getResponse().getContentAsByteArray();
        assertEquals("PK", new String(xlsx, 0, 2, StandardCharsets.US_ASCII));
        Map<String, Object> setting = new HashMap<>(
                Map.of("school", school(), "seen", 0, "attempt", "best", "late", true, "missingIsZero", true, "soft", 0.1, "strong", 0.2, "because",
                        "agreed in June", "rungs", List.of(Map.of("name", "low", "from", 0), Map.of("name", "high", "from", 0.4))));
        setting.put("year", thisYear());
        send(teacher, "/api/work/settings", setting).andExpect(status().isForbidden());
        setting.put("rungs", List.of(Map.of("name", "low", "from", 0.1), Map.of("name", "high", "from", 0.4)));
        send(person("m.tveit"), "/api/work/settings", setting).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("rungs"));
        // Who would have another mark is shown first; nothing is kept by looking.
        setting.put("rungs", List.of(Map.of("name", "low", "from", 0), Map.of("name", "high", "from", 0.4)));
        send(teacher, "/api/work/settings/preview", setting).andExpect(status().isForbidden());
        JsonNode preview = body(send(person("m.tveit"), "/api/work/settings/preview", setting).andExpect(status().isOk()));
        JsonNode ada = each(preview.get("moves")).filter(m -> m.at("/student/name").asString().equals("Ada WRKF")).findFirst().orElseThrow();
        // One of nine of ten, one missing that would count as nothing earned.
        assertEquals("Near the top high", ada.get("before").asString() + " " + ada.get("after").asString());
        assertEquals("latest", body(read(teacher, "/api/work/settings?school=" + school())).at("/now/attempt").asString());
        // A school of its own, so that no other test is counted otherwise.
        take("school,name", "WRKS,School of works");
        int own = asking(Viewer.SYSTEM, () -> db.sql("select id from roster_school where code = 'WRKS'").query(Integer.class).single());
        setting.put("school", own);
        setting.put("rungs", List.of(Map.of("name", "low", "from", 0), Map.of("name", "high", "from", 0.4)));
        send(person("m.tveit"), "/api/work/settings", setting).andExpect(status().isForbidden());
        send(person("a.sandvik"), "/api/work/settings", setting).andExpect(status().isNoContent());
        send(person("a.sandvik"), "/api/work/settings", setting).andExpect(status().isConflict());
        JsonNode view = body(read(person("a.sandvik"), "/api/work/settings?school=" + own));
        assertEquals("agreed in June", view.at("/history/0/because").asString());
        JsonNode now = view.get("now");
        assertEquals("best true high", now.get("attempt").asString() + " " + now.get("missingIsZero").asBoolean() + " " + now.at("/rungs/1/name").asString());
    }
}
