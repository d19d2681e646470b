package org.zealousladder.server.measures.measures;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Parts of a measure that add up to it, or stand by themselves: typed, brought in, corrected, taken back, undone. */
class SubScoresTest extends ScreeningTest {
    private static int made;
    private String code;
    private Viewer teacher;
    private Viewer admin;
    private int ada;
    private int bo;

    @BeforeEach
    void aMeasureWithTwoPartsThatAddUp() throws Exception {
        code = "tern-parts-" + ++made;
        take("measure,title,kind,area,unit,lowest,highest,decimals,better,part_of,adds_up",
                code + ",Parts " + made + ",screening,Writing,points,0,20,0,higher,,yes",
                code + "-a,Counting,screening,Writing,points,0,10,0,higher," + code + ",",
                code + "-b,Naming,screening,Writing,points,0,10,0,higher," + code + ",");
        newClass("2025-PARTS" + made, 3, "b.calder", "Ada", "Bo");
        teacher = person("b.calder");
        admin = person("a.sandvik");
        ada = student("Ada 2025-PARTS" + made);
        bo = student("Bo 2025-PARTS" + made);
        // Given where there is a score.
        take("student,measure,date,score", "2025-PARTS" + made + "-Bo," + code + "-a,2026-01-12,3", "2025-PARTS" + made + "-Bo," + code + "-b,2026-01-12,4");
        signOutHere();
    }

    private @Nullable String total(int student) {
        return asking(Viewer.SYSTEM,
                () -> db.sql("""
                select coalesce(value::text, status) || ' ' || source from scores_score
                 where student_id = :s and measure_id = :m and taken_on = '2026-01-12' and superseded_by is null""").param("s", student)
                        .param("m", measure(code))
                        .query(String.class).optional().orElse("none"));
    }

    private ResultActions type(int student, String part, @Nullable Integer value, String status, @Nullable Long seen) {
        Map<String, Object> cell = new HashMap<>(
                Map.of("studentId", student, "measureId", measure(part), "windowId", window("Winter"), "takenOn", "2026-01-12", "status", status,
                        "sure", true));
        if (value != null) {
            cell.put("value", value);
        }
        if (seen != null) {
            cell.put("seen", seen);
        }
        return send(teacher, "/api/entry", cell);
    }

    private long type(int student, String part, int value) throws Exception {
        return body(type(student, part, value, "scored", null).andExpect(status().isOk())).get("scoreId").asLong();
    }

    private JsonNode entry() throws Exception {
        return body(read(teacher,
                "/api/entry?who=class-" + classId("2025-PARTS" + made) + "&year=" + thisYear() + "&window=" + window("Winter") + "&asOf=2026-03-13")
                .andExpect(status().isOk()));
    }

    @Test
    void theWholeIsTheSumOfItsPartsWheneverAllAreThere() throws Exception {
        assertEquals("7 added-up", total(bo), "by file");
        assertEquals("none", total(ada));
        long first = type(ada, code + "-a", 5);
        assertEquals("none", total(ada), "one part is missing");
        long second = type(ada, code + "-b", 6);
        assertEquals("11 added-up", total(ada));
        second = body(type(ada, code + "-b", 8, "scored", second).andExpect(status().isOk())).get("scoreId").asLong();
        assertEquals("13 added-up", total(ada));
        type(ada, code, 12, "scored", entryOf(ada, code)).andExpect(refused("409 conflict"));
        body(type(ada, code + "-b", null, "withdrawn", second).andExpect(status().isOk()));
        assertEquals("withdrawn added-up", total(ada), "a part was taken back");
        type(ada, code + "-b", null, "absent", null).andExpect(status().isOk());
        assertEquals("withdrawn added-up", total(ada), "one there, one absent is no sum");
        type(ada, code + "-a", null, "absent", first).andExpect(status().isOk());
        assertEquals("absent added-up", total(ada));
        assertEquals(List.of(5.0, 6.0, 8.0),
                asking(Viewer.SYSTEM, () -> db.sql("select value from scores_score where student_id = :s and measure_id <> :m and value is not null order by 1")
                        .param("s", ada).param("m", measure(code)).query(Double.class).list()),
                "what was typed stays on record");
    }

    private long entryOf(int student, String measure) throws Exception {
        return entry().get("rows").valueStream().filter(r -> r.get("student").get("id").asInt() == student).flatMap(r -> r.get("cells").valueStream())
                .filter(c -> c.get("measureId").asInt() == measure(measure)).findFirst().orElseThrow().get("scoreId").asLong();
    }

    @Test
    void theGridTheTableAndTheStudentsPageShowPartsAfterTheirWhole() throws Exception {
        List<String> columns = entry().get("measures").valueStream().map(m -> m.get("name").asString()).filter(n -> n.startsWith("Parts")).toList();
        assertEquals(List.of("Parts " + made, "Parts " + made + ": Counting", "Parts " + made + ": Naming"), columns);
        JsonNode table = body(
                read(teacher, "/api/table?who=class-" + classId("2025-PARTS" + made) + "&year=" + thisYear() + "&asOf=2026-03-13").andExpect(status().isOk()));
        assertEquals(columns, table.get("columns").valueStream().map(c -> c.get("measure").asString()).toList());
        JsonNode lanes = body(read(teacher, "/api/students/" + bo + "?asOf=2026-03-13").andExpect(status().isOk())).get("lanes");
        assertEquals(1, lanes.size(), "parts stand in the lane of their whole");
        assertEquals(List.of("Counting 3.0", "Naming 4.0"), lanes.get(0).get("parts").valueStream()
                .map(p -> p.get("measure").get("ownName").asString() + " " + p.get("scores").get(0).get("value").asDouble()).toList());
        // Nobody owes a part: who has the whole has done.
        JsonNode coverage = body(read(teacher,
                "/api/coverage?who=class-" + classId("2025-PARTS" + made) + "&year=" + thisYear() + "&window=" + window("Winter") + "&asOf=2026-03-13"));
        assertFalse(coverage.get("measures").toString().contains("Counting"));
        assertTrue(coverage.get("measures").toString().contains("Parts " + made));
    }

    @Test
    void aFileWhoseSumIsWrongIsRefusedAndAnUndoneOneLeavesNoSum() throws Exception {
        String student = "2025-PARTS" + made + "-Ada";
        signInHere(Viewer.SYSTEM);
        var wrong = imports
                .take(TestServer.csv("student,measure,date,score", student + "," + code + "-a,2026-01-12,5", student + "," + code + "-b,2026-01-12,5",
                        student + "," + code + ",2026-01-12,11"));
        assertEquals("The parts of " + code + " add up to 10, not to 11.", wrong.refusals().get(0).message());
        assertEquals("10 added-up", total(ada), "the parts are taken");
        imports.take(TestServer.csv("student,measure,date,score", student + "," + code + "-a,2026-01-12,6"));
        assertEquals("11 added-up", total(ada));
        long done = asking(Viewer.SYSTEM, () -> db.sql("select max(id) from records_done").query(Long.class).single());
        signOutHere();
        send(admin, "/api/records/done/" + done + "/undo", Map.of("reason", "misread")).andExpect(status().isNoContent());
        assertEquals("10 added-up", total(ada), "as before the file");
        signInHere(Viewer.SYSTEM);
        imports.take(TestServer.csv("student,measure,date,score", student + "," + code + ",2026-02-02,15"));
        signOutHere();
        assertEquals("15 imported",
                asking(Viewer.SYSTEM, () -> db.sql("select value || ' ' || source from scores_score where student_id = :s and taken_on = '2026-02-02'")
                        .param("s", ada).query(String.class).single()),
                "a whole without parts is a score");
    }

    @Test
    void partsAreMadeInTheInterfaceAndStayWhatTheyAreOnceScored() throws Exception {
        int whole = measure("story-writing");
        Map<String, Object> part = new HashMap<>(
                Map.of("name", "Spelling " + made, "kind", "screening", "area", "Writing", "unit", "points", "lowest", 0, "highest", 9, "decimals", 0,
                        "better", "lower", "addsUp", false));
        send(person("r.oduya"), "/api/measures/" + whole + "/parts", part).andExpect(refused("403 forbidden"));
        int id = body(send(admin, "/api/measures/" + whole + "/parts", part).andExpect(status().isOk())).get("id").asInt();
        send(admin, "/api/measures/" + whole + "/parts", part).andExpect(refused("422 invalid name"));
        send(admin, "/api/measures/" + id + "/parts", part).andExpect(refused("422 invalid name"));
        JsonNode all = body(read(admin, "/api/measures")).get("measures");
        int at = all.valueStream().map(m -> m.get("id").asInt()).toList().indexOf(id);
        assertEquals("Story writing: Spelling " + made, all.get(at).get("name").asString());
        assertEquals("Spelling " + made, all.get(at).get("ownName").asString());
        call(admin, put("/api/measures/" + measure(code) + "/adds-up").contentType("application/json").content("{\"addsUp\":false}"))
                .andExpect(refused("409 conflict"));
        call(admin, put("/api/measures/" + id + "/adds-up").contentType("application/json").content("{\"addsUp\":true}"))
                .andExpect(refused("422 invalid name"));
        signInHere(Viewer.SYSTEM);
        var wrong = imports.take(TestServer.csv("measure,title,kind,area,unit,lowest,highest,decimals,better,part_of,adds_up",
                code + ",Parts " + made + ",screening,Writing,points,0,20,0,higher,,no",
                code + "-c,Nested,screening,Writing,points,0,20,0,higher," + code + "-a,",
                code + "-d,Lost,screening,Writing,points,0,20,0,higher,no-such,"));
        signOutHere();
        assertEquals(3, wrong.refusals().size(), wrong.refusals().toString());
    }

    @Test
    void aSumKeepsItsFormWhenAPartIsPutRight() throws Exception {
        type(ada, code + "-a", 5);
        type(ada, code + "-b", 6);
        assertEquals("none", form(ada));
        long id = asking(Viewer.SYSTEM,
                () -> db.sql("select id from scores_score where student_id = :s and measure_id = :m and superseded_by is null").param("s", ada)
                        .param("m", measure(code)).query(Long.class).single());
        send(teacher, "/api/strip/form", Map.of("scores", List.of(id), "form", "Sheet B")).andExpect(status().isNoContent());
        assertEquals("11 added-up", total(ada));
        assertEquals("Sheet B", form(ada));
        take("student,measure,date,score", "2025-PARTS" + made + "-Ada," + code + "-a,2026-01-12,7");
        assertEquals("13 added-up", total(ada));
        assertEquals("Sheet B", form(ada));
        take("student,measure,date,score,status", "2025-PARTS" + made + "-Ada," + code + "-a,2026-01-12,,absent");
        assertEquals("none", form(ada), "without a part there is no sum, and nothing that it was taken on");
    }

    private String form(int student) {
        return asking(Viewer.SYSTEM, () -> db
                .sql("""
                select coalesce(form, 'none') from scores_score where student_id = :s and measure_id = :m and taken_on = '2026-01-12' and superseded_by is null""")
                .param("s", student).param("m", measure(code)).query(String.class).single());
    }
}
