package org.zealousladder.server.school.erasing;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessException;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A student is erased by two administrators: no table names them any more, and every table counts as before. */
class ErasingTest extends ScreeningTest {
    private static final String NAME = "Quillon";

    /** Where a word stands, table by table and column by column, as the database's owner of the catalogue sees it. */
    private List<String> where(String word) {
        List<String> found = new ArrayList<>();
        List<String[]> columns = db.sql("""
                select c.relname, a.attname from pg_class c join pg_attribute a on a.attrelid = c.oid
                 where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p') and not c.relispartition and a.attnum > 0 and not a.attisdropped
                   and a.atttypid in ('text'::regtype, 'jsonb'::regtype) and has_column_privilege(c.oid, a.attnum, 'select')
                 order by 1, 2""").query((r, n) -> new String[] {r.getString(1), r.getString(2)}).list();
        assertTrue(columns.size() > 60, columns.size() + " columns");
        for (String[] c : columns) {
            int n = asking(person("a.sandvik"),
                    () -> db.sql("select count(*) from " + c[0] + " where " + c[1] + "::text like :word").param("word", "%" + word + "%")
                            .query(Integer.class).single());
            if (n > 0) {
                found.add(c[0] + "." + c[1]);
            }
        }
        return found;
    }

    private Map<String, Integer> counts(int student) {
        Map<String, Integer> counts = new java.util.TreeMap<>();
        for (String table : List.of("scores_score", "goals_goal", "plans_concern", "tiers_tier", "tiers_opinion", "decisions_decision", "roster_enrolment")) {
            counts.put(table, asking(person("a.sandvik"), () -> db.sql("select count(*) from " + table + " where student_id = :id").param("id", student)
                    .query(Integer.class).single()));
        }
        return counts;
    }

    @Test
    void whatNamesThemGoesAndCountsStay() throws Exception {
        newClass("2025-ERASED", 3, "b.calder", NAME, "Lea");
        take("login,person,role,school", "a.second,A. Second,administrator,");
        int student = student(NAME + " 2025-ERASED");
        String code = "2025-ERASED-" + NAME;
        score(code, "oral-reading", "2026-03-02", 44);
        Viewer teacher = person("b.calder");
        send(teacher, "/api/goals",
                Map.of("studentId", student, "measureId", measure("oral-reading"), "startDate", "2026-03-02", "startScore", 44, "goalDate", "2026-06-01",
                        "goalScore", 70, "reason", NAME + " wants it"))
                .andExpect(status().is2xxSuccessful());
        send(teacher, "/api/plans/concerns", Map.of("studentId", student, "area", "Reading", "level", 2, "note", "mother of " + NAME + " called"))
                .andExpect(status().is2xxSuccessful());
        send(teacher, "/api/tiers/opinions", Map.of("studentId", student, "window", window("Winter"), "area", "Reading", "tier", 2, "note", NAME + " is tired"))
                .andExpect(status().isNoContent());
        send(teacher, "/api/decisions",
                Map.of("studentId", student, "measureId", measure("oral-reading"), "kind", "set-aside", "because", "x", "reason", NAME + " is away",
                        "lookAgainOn", "2026-04-20"))
                .andExpect(status().is2xxSuccessful());
        Map<String, Integer> before = counts(student);
        assertTrue(before.get("goals_goal") == 1 && before.get("plans_concern") == 1 && before.get("decisions_decision") == 1, before.toString());
        assertEquals(List.of("decisions_decision.reason", "goals_goal.reason", "plans_concern.note", "roster_student.code", "roster_student.given_name",
                "tiers_opinion.note"), where(NAME));

        Viewer first = person("a.sandvik");
        Viewer second = person("a.second");
        send(person("m.tveit"), "/api/students/" + student + "/erasure", Map.of("reason", "x")).andExpect(refused("403 forbidden"));
        send(first, "/api/students/" + student + "/erasure", Map.of("reason", "the family of " + NAME + " asks for it")).andExpect(status().isNoContent());
        send(second, "/api/students/" + student + "/erasure", Map.of("reason", "again")).andExpect(refused("409 conflict"));
        JsonNode open = each(body(read(second, "/api/erasures"))).filter(e -> e.get("studentId").asInt() == student).findFirst().orElseThrow();
        int id = open.get("id").asInt();
        send(first, "/api/erasures/" + id + "/confirmation", Map.of("code", code)).andExpect(refused("403 forbidden"));
        assertThrows(DataAccessException.class, () -> asking(first, () -> db.sql("select roster_erase(:id)").param("id", id).query(Integer.class).single()),
                "nor by plain SQL");
        assertThrows(DataAccessException.class,
                () -> asking(person("m.tveit"), () -> db.sql("select roster_erase(:id)").param("id", id).query(Integer.class).single()));
        send(second, "/api/erasures/" + id + "/confirmation", Map.of("code", "2025-ERASED-Lea")).andExpect(refused("422 invalid code"));
        assertNotEquals(List.of(), where(NAME));

        send(second, "/api/erasures/" + id + "/confirmation", Map.of("code", code.toLowerCase(java.util.Locale.ROOT))).andExpect(status().isNoContent());
        assertEquals(List.of(), where(NAME));
        assertEquals(before, counts(student));
        send(second, "/api/erasures/" + id + "/confirmation", Map.of("code", code)).andExpect(refused("404 not-found"));
        JsonNode history = body(read(first, "/api/history?kind=erased")).get("rows");
        assertEquals(List.of("erased by A. Second of Erased student", "asked for erasing by A. Sandvik of Erased student"),
                each(history).filter(r -> r.at("/student/id").asInt() == student)
                        .map(r -> r.get("what").asString() + " by " + r.at("/by/name").asString() + " of " + r.at("/student/name").asString().strip())
                        .toList());
        JsonNode coverage = body(read(teacher, "/api/coverage" + scope("2025-ERASED", "")));
        assertTrue(!coverage.toString().contains(NAME), "and no view does");
    }

    /** Five years are set for the tests; today is 13 March 2026. */
    @Test
    void whoLeftLongAgoIsErasedTogetherByTwo() throws Exception {
        take("year,starts,ends", "2018-19,2018-08-27,2019-06-28", "2020-21,2020-08-24,2021-06-25");
        take("class,school,year,name,grade", "2018-OLD,SKERROW,2018-19,Old,3", "2020-OLDER,SKERROW,2020-21,Older,4");
        take("login,person,role,school", "a.third,A. Third,administrator,");
        take("student,given_name,family_name", "OLD-1,Ylva,Longgone", "OLD-2,Nils,Longgone", "OLD-3,Stine,Stillhere", "OLD-4,Kari,Leftinmarch",
                "OLD-5,Per,Leftinmarch");
        take("student,class,from,to", "OLD-1,2018-OLD,2018-08-27,", "OLD-2,2018-OLD,2018-08-27,2018-10-01", "OLD-3,2018-OLD,2018-08-27,2019-06-28",
                "OLD-3,2025-KITTIWAKE,2025-08-25,",
                "OLD-4,2020-OLDER,2020-08-24,2021-03-12", "OLD-5,2020-OLDER,2020-08-24,2021-03-13");
        take("student,measure,date,score", "OLD-1,maze,2018-09-10,12");
        Viewer first = person("a.sandvik");
        Viewer second = person("a.third");
        read(person("m.tveit"), "/api/erasures/leavers").andExpect(refused("403 forbidden"));
        JsonNode due = body(read(first, "/api/erasures/leavers"));
        assertEquals(5, due.get("years").asInt());
        assertEquals(List.of("OLD-2 2018-10-01", "OLD-1 2019-06-28", "OLD-4 2021-03-12"),
                each(due.get("due")).map(l -> l.get("code").asString() + " " + l.get("leftOn").asString()).toList(),
                "the last day in any class counts, and five years are over");
        send(first, "/api/erasures/leavers", Map.of("count", 2)).andExpect(refused("409 conflict"));
        send(first, "/api/erasures/leavers", Map.of("count", 3)).andExpect(status().isNoContent());
        assertEquals(0, body(read(first, "/api/erasures/leavers")).get("due").size());
        List<JsonNode> asked = each(body(read(second, "/api/erasures"))).filter(e -> e.get("batch") != null).toList();
        assertEquals(List.of("left more than five years ago"), asked.stream().map(e -> e.get("reason").asString()).distinct().toList());
        int batch = asked.get(0).get("batch").asInt();
        send(first, "/api/erasures/batches/" + batch + "/confirmation", Map.of("count", 3)).andExpect(refused("403 forbidden"));
        send(second, "/api/erasures/batches/" + batch + "/confirmation", Map.of("count", 4)).andExpect(refused("422 invalid count"));
        call(first, delete("/api/erasures/batches/" + batch)).andExpect(status().isNoContent());
        send(second, "/api/erasures/batches/" + batch + "/confirmation", Map.of("count", 3)).andExpect(refused("404 not-found"));
        assertNotEquals(List.of(), where("Longgone"));

        send(first, "/api/erasures/leavers", Map.of("count", 3)).andExpect(status().isNoContent());
        int again = each(body(read(second, "/api/erasures"))).filter(e -> e.get("batch") != null).findFirst().orElseThrow().get("batch").asInt();
        send(second, "/api/erasures/batches/" + again + "/confirmation", Map.of("count", 3)).andExpect(status().isNoContent());
        assertEquals(List.of(), where("Longgone"));
        assertEquals(List.of("roster_student.family_name"), where("Stillhere"));
        assertEquals(List.of("roster_student.family_name"), where("Leftinmarch"), "Per left five years ago to the day");
        JsonNode history = body(read(first, "/api/history?kind=erased")).get("rows");
        assertEquals("erased leavers by A. Third of 3", history.get(0).get("what").asString() + " by " + history.get(0).at("/by/name").asString() + " of "
                + history.get(0).get("students").asInt());
    }

    @Test
    void whatWasAskedForCanBeDropped() throws Exception {
        newClass("2025-ERASENOT", 3, "b.calder", "Ole");
        int student = student("Ole 2025-ERASENOT");
        Viewer first = person("a.sandvik");
        send(first, "/api/students/" + student + "/erasure", Map.of("reason", "a slip")).andExpect(status().isNoContent());
        int id = each(body(read(first, "/api/erasures"))).filter(e -> e.get("studentId").asInt() == student).findFirst().orElseThrow().get("id").asInt();
        call(first, delete("/api/erasures/" + id)).andExpect(status().isNoContent());
        assertEquals(0, each(body(read(first, "/api/erasures"))).filter(e -> e.get("studentId").asInt() == student).count());
        call(first, delete("/api/erasures/" + id)).andExpect(refused("404 not-found"));
        assertEquals(student, student("Ole 2025-ERASENOT"));
    }
}
