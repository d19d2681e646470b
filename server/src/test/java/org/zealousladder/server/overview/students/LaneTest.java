package org.zealousladder.server.overview.students;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.summary.FiveNumbers;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A lane opened, against the records. */
class LaneTest extends ServerTest {
    private Viewer teacher;
    private int zuri;

    @BeforeEach
    void people() {
        teacher = person("r.oduya");
        zuri = student("Zuri Halloran");
    }

    private JsonNode lane(Viewer viewer, String lane) {
        return body(read(viewer, "/api/students/" + zuri + "/lanes/" + lane + "?asOf=2026-03-13"));
    }

    private long count(String sql) {
        return asking(Viewer.SYSTEM, () -> db.sql(sql).param("s", zuri).query(Long.class).single());
    }

    @Test
    void everyLaneTellsAllThatIsOnRecord() {
        assertEquals(count("select count(*) from scores_score where student_id = :s and superseded_by is null and status <> 'withdrawn' and measure_id = "
                + measure("oral-reading")), lane(teacher, "measure-" + measure("oral-reading")).path("total").asLong());
        assertEquals(count(
                "select count(*) from attendance_day where student_id = :s and superseded_on is null and status in ('absent', 'late') and on_day <= '2026-03-13'"),
                lane(teacher, "days").path("total").asLong());
        JsonNode skills = lane(teacher, "skills");
        assertEquals(count("select count(*) from skills_answer where student_id = :s and superseded_by is null and on_day <= '2026-03-13'"),
                skills.path("total").asLong());
        assertEquals(100, skills.path("items").size());
        assertTrue(skills.path("items").get(0).path("value").asString("").matches(".*(right|not marked)"), skills.path("items").get(0).toString());
        JsonNode work = lane(teacher, "work");
        JsonNode page = body(read(teacher, "/api/students/" + zuri + "?asOf=2026-03-13"));
        assertEquals(page.path("strips").path("work").size(), work.path("total").asInt());
        assertTrue(work.path("total").asInt() > 10);
        long answers = 0;
        for (JsonNode a : page.path("strips").path("answered")) {
            answers += a.path("answers").asLong();
        }
        assertTrue(answers > 0);
        assertEquals(count("select count(*) from tiers_tier where student_id = :s and superseded_by is null"), lane(teacher, "tiers").path("total").asLong());
        JsonNode time = lane(teacher, "time");
        assertTrue(time.path("items").get(0).path("value").asString("").endsWith(" min"), time.toString());
        List<String> days = new ArrayList<>();
        time.path("items").forEach(i -> days.add(i.path("day").asString("")));
        assertEquals(days.stream().sorted(java.util.Comparator.reverseOrder()).toList(), days);
    }

    /** Days, time and work say where the middle half of the class is, reckoned here from the records by themselves. */
    @Test
    void daysTimeAndWorkBesideTheClass() {
        record Figure(String lane, String sql, String words) {}
        String here = "roster_enrolment e where e.class_id = :c and e.starts <= '2026-03-13' and (e.ends is null or e.ends >= '2026-03-13')";
        for (Figure f : List.of(
                new Figure("days",
                        "(select count(*) from attendance_day d where d.student_id = e.student_id and d.status = 'absent' and d.superseded_on is null "
                                + "and d.on_day between '2025-08-25' and '2026-03-13')",
                        "days away this year"),
                new Figure("time", "(select coalesce(round(sum(d.minutes)::numeric), 0) from engagement_day d where d.student_id = e.student_id "
                        + "and d.on_day between '2026-02-14' and '2026-03-13')", "minutes in the last four weeks"))) {
            double[] values = asking(Viewer.SYSTEM, () -> db.sql("select " + f.sql() + "::double precision from " + here).param("c", classId("2025-KITTIWAKE"))
                    .query(Double.class).list().stream().mapToDouble(v -> v).toArray());
            double own = asking(Viewer.SYSTEM, () -> db.sql("select " + f.sql() + "::double precision from " + here + " and e.student_id = :s")
                    .param("c", classId("2025-KITTIWAKE")).param("s", zuri).query(Double.class).single());
            FiveNumbers five = FiveNumbers.of(values).orElseThrow();
            assertEquals("The middle half of Kittiwake: " + Math.round(five.lowerQuartile()) + " to " + Math.round(five.upperQuartile()) + " " + f.words()
                    + "; here " + Math.round(own) + ".", lane(teacher, f.lane()).path("middleSays").asString(""));
        }
        assertTrue(lane(teacher, "work").path("middleSays").asString("")
                .matches("The middle half of Kittiwake: \\d+ to \\d+ pieces not handed in this year; here 1\\."),
                lane(teacher, "work").path("middleSays").toString());
        JsonNode page = body(read(teacher, "/api/students/" + zuri + "?asOf=2026-03-13"));
        assertEquals("[\"L. Iversen\"]",
                page.path("enrolments").valueStream().filter(e -> e.path("className").asString("").equals("Puffin")).findFirst().orElseThrow()
                        .path("teachers").toString());
    }

    @Test
    void theMiddleHalfIsTheClasss() {
        JsonNode lane = lane(teacher, "measure-" + measure("oral-reading"));
        JsonNode winter = null;
        for (JsonNode m : lane.path("middle")) {
            winter = m.path("from").asString("").startsWith("2026-01") ? m : winter;
        }
        double[] values = asking(Viewer.SYSTEM,
                () -> db.sql("""
                with here as (select array_agg(e.student_id) as ids from roster_enrolment e where e.class_id = :c and e.starts <= '2026-03-13'
                               and (e.ends is null or e.ends >= '2026-03-13'))
                select s.value from here cross join measures_window w join roster_year y on y.id = w.year_id and y.name = '2025-26'
                  cross join scores_screening(here.ids, array[:m]::smallint[], array[w.id], array[w.starts], array[w.ends], '2026-03-13') s
                 where w.name = 'Winter' and s.value is not null""").param("c", classId("2025-KITTIWAKE")).param("m", measure("oral-reading"))
                        .query(Double.class).list())
                .stream().mapToDouble(d -> d).toArray();
        FiveNumbers expected = FiveNumbers.of(values).orElseThrow();
        assertEquals(expected.lowerQuartile(), winter.path("low").asDouble(), 1e-9);
        assertEquals(expected.upperQuartile(), winter.path("high").asDouble(), 1e-9);
        assertEquals(expected.n(), winter.path("n").asInt());
    }

    @Test
    void aReadingComesWithItsMarkedPassage() {
        JsonNode lane = lane(teacher, "measure-" + measure("oral-reading"));
        long heard = count("select count(*) from reading_reading where student_id = :s and withdrawn_on is null");
        assertEquals(Math.min(4, heard), lane.path("readings").size());
        for (JsonNode r : lane.path("readings")) {
            assertTrue(r.path("passage").path("lines").size() > 2 && r.path("outcome").path("words").asInt() > 10, r.toString());
        }
        assertEquals(0, lane(teacher, "measure-" + measure("number-facts")).path("readings").size());
    }

    @Test
    void lanesAreAsEachPersonHasChosenThem() throws Exception {
        String body = json.writeValueAsString(Map.of("order", List.of("days", "time"), "hidden", List.of("tiers")));
        call(teacher, put("/api/account/lanes").contentType("application/json").content(body)).andExpect(status().isNoContent());
        JsonNode page = body(read(teacher, "/api/students/" + zuri + "?asOf=2026-03-13"));
        assertEquals(json.readTree(body), page.path("chosen"));
        assertEquals(0, body(read(person("m.tveit"), "/api/students/" + zuri + "?asOf=2026-03-13")).path("chosen").path("order").size());
        String back = json.writeValueAsString(Map.of("order", List.of(), "hidden", List.of()));
        call(teacher, put("/api/account/lanes").contentType("application/json").content(back)).andExpect(status().isNoContent());
        assertEquals(0, body(read(teacher, "/api/students/" + zuri + "?asOf=2026-03-13")).path("chosen").path("hidden").size());
    }

    @Test
    void whatIsNotTheirsIsNotOpened() throws Exception {
        read(teacher, "/api/students/" + zuri + "/lanes/secrets?asOf=2026-03-13").andExpect(refused("404 not-found"));
        int stranger = asking(Viewer.SYSTEM, () -> db.sql("select student_id from roster_enrolment where class_id = :c order by 1 limit 1")
                .param("c", classId("2025-TERN")).query(Integer.class).single());
        read(teacher, "/api/students/" + stranger + "/lanes/days?asOf=2026-03-13").andExpect(refused("404 not-found"));
        // Whoever has a student on a caseload does not see the class for that.
        List<Map<String, Object>> cased = asking(Viewer.SYSTEM, () -> db.sql("""
                select c.student_id from roster_caseload c join people_person p on p.id = c.person_id and p.login = 's.rask'
                 where c.starts <= '2026-03-13' and (c.ends is null or c.ends >= '2026-03-13') limit 1""").query().listOfRows());
        JsonNode lane = body(
                read(person("s.rask"), "/api/students/" + cased.get(0).get("student_id") + "/lanes/measure-" + measure("oral-reading") + "?asOf=2026-03-13"));
        assertEquals(0, lane.path("middle").size());
        assertTrue(lane.path("middleSays").asString("").startsWith("The class is not one of yours"), lane.toString());
    }
}
