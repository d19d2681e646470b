package org.zealousladder.server.overview.compare;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.Interval;
import org.zealousladder.core.summary.Means;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Two sides, held against the records by the plainest working-out there is. */
class CompareTest extends ServerTest {
    private static final String AUTUMN = "&aFrom=2025-08-25&aTo=2025-12-31";
    private static final String SPRING = "&bFrom=2026-01-01&bTo=2026-03-13&asOf=2026-03-13";

    private Viewer teacher;
    private Viewer coordinator;
    private int kittiwake;
    private int fulmar;

    @BeforeEach
    void people() {
        teacher = person("r.oduya");
        coordinator = person("m.tveit");
        kittiwake = classId("2025-KITTIWAKE");
        fulmar = classId("2025-FULMAR");
    }

    private JsonNode compare(Viewer viewer, String a, String b) {
        return body(read(viewer, "/api/compare?a=" + a + AUTUMN + "&b=" + b + SPRING));
    }

    private static JsonNode row(JsonNode view, String key) {
        for (JsonNode r : view.path("rows")) {
            if (r.path("key").asString("").equals(key)) {
                return r;
            }
        }
        throw new AssertionError("no row " + key + " in " + view.path("rows"));
    }

    /** Latest scores of a class in a time, by student. */
    private double[] latest(int classId, String from, String to, boolean withBoth) {
        return asking(Viewer.SYSTEM, () -> db.sql("""
                with mine as (select e.student_id from roster_enrolment e where e.class_id = :class and e.starts <= '2026-03-13'
                           and (e.ends is null or e.ends >= '2026-03-13')),
                taken as (select s.student_id, s.taken_on, s.value from scores_score s join mine using (student_id)
                           where s.measure_id = :measure and s.superseded_by is null and s.value is not null)
                select distinct on (student_id) value::double precision from taken t where taken_on between :from::date and :to::date
                   and (not :both or exists (select from taken o where o.student_id = t.student_id and o.taken_on between '2025-08-25' and '2025-12-31')
                     and exists (select from taken o where o.student_id = t.student_id and o.taken_on between '2026-01-01' and '2026-03-13'))
                 order by student_id, taken_on desc""").param("class", classId).param("measure", measure("oral-reading")).param("from", from).param("to", to)
                .param("both", withBoth).query(Double.class).list()).stream().mapToDouble(d -> d).toArray();
    }

    private static void same(Interval expected, JsonNode row) {
        assertEquals(expected.value(), row.path("difference").asDouble(), 1e-9);
        assertEquals(expected.low(), row.path("low").asDouble(), 1e-9);
        assertEquals(expected.high(), row.path("high").asDouble(), 1e-9);
    }

    @Test
    void oneClassInTwoSpansIsPaired() {
        JsonNode view = compare(coordinator, "class-" + kittiwake, "class-" + kittiwake);
        assertTrue(view.path("same").asBoolean());
        assertEquals("Kittiwake class, grade 3", view.path("first").path("title").asString(""));
        double[] then = latest(kittiwake, "2025-08-25", "2025-12-31", true);
        double[] now = latest(kittiwake, "2026-01-01", "2026-03-13", true);
        JsonNode row = row(view, "score-" + measure("oral-reading"));
        assertEquals(then.length, row.path("firstN").asInt());
        assertEquals(now.length, row.path("secondN").asInt());
        assertEquals(Means.mean(then), row.path("first").asDouble(), 1e-9);
        same(Means.pairedDifference(now, then).orElseThrow(), row);
        assertTrue(row.path("settles").asBoolean() && row.path("better").asBoolean(), "a class that reads faster in March");
    }

    @Test
    void twoClassesAreNot() {
        JsonNode view = compare(coordinator, "class-" + kittiwake, "class-" + fulmar);
        assertFalse(view.path("same").asBoolean());
        JsonNode row = row(view, "score-" + measure("oral-reading"));
        double[] here = latest(kittiwake, "2025-08-25", "2025-12-31", false);
        double[] there = latest(fulmar, "2026-01-01", "2026-03-13", false);
        assertEquals(here.length, row.path("firstN").asInt());
        assertEquals(there.length, row.path("secondN").asInt());
        same(Means.difference(there, here).orElseThrow(), row);
    }

    /** The same figure on two screens. */
    @Test
    void skillsAreAsOnTheSkillsPage() {
        int one = student("Zuri Halloran");
        int framework = asking(Viewer.SYSTEM,
                () -> db.sql("select id from skills_framework where code = :c").param("c", "skerrow-maths").query(Integer.class).single());
        JsonNode there = body(read(teacher, "/api/skills/beside?framework=" + framework + "&year=" + thisYear() + "&asOf=2026-03-13&a=student-" + one
                + AUTUMN + "&b=student-" + one + "&bFrom=2026-01-01&bTo=2026-03-13"));
        JsonNode view = compare(teacher, "students-" + one, "students-" + one);
        assertTrue(there.path("rows").size() > 3, there.toString());
        for (JsonNode skill : there.path("rows")) {
            JsonNode row = row(view, "skill-" + skill.path("skill").asInt());
            assertEquals(skill.path("first").path("answers").asInt(), row.path("firstN").asInt());
            assertEquals(skill.path("second").path("share").asDouble(-1), row.path("second").asDouble(-1), 1e-9);
            assertEquals(skill.path("difference").asDouble(-2), row.path("difference").asDouble(-2), 1e-9);
            assertEquals(skill.path("settled").asBoolean(), row.path("settles").asBoolean());
        }
    }

    @Test
    void aRowOpensToWhatIsBehindIt() {
        int one = student("Zuri Halloran");
        String ask = "a=students-" + one + AUTUMN + "&b=students-" + one + SPRING + "&row=";
        JsonNode scores = body(read(teacher, "/api/compare/behind?" + ask + "score-" + measure("oral-reading")));
        long taken = asking(Viewer.SYSTEM, () -> db.sql("""
                select count(*) from scores_score where student_id = :s and measure_id = :m and superseded_by is null and value is not null
                   and taken_on between '2025-08-25' and '2026-03-13'""").param("s", one).param("m", measure("oral-reading")).query(Long.class).single());
        assertEquals(taken, scores.path("total").asLong());
        assertEquals(1, scores.path("students").size());
        assertEquals(scores.path("row").path("second").asDouble(), scores.path("students").get(0).path("second").asDouble(), 1e-9);
        List<String> days = new ArrayList<>();
        scores.path("marks").forEach(m -> days.add(m.path("day").asString("")));
        assertEquals(days.stream().sorted(java.util.Comparator.reverseOrder()).toList(), days, "the newest first");
        scores.path("marks").forEach(m -> assertEquals(m.path("day").asString("").compareTo("2026-01-01") >= 0, m.path("second").asBoolean()));
        JsonNode view = compare(teacher, "students-" + one, "students-" + one);
        for (JsonNode row : view.path("rows")) {
            JsonNode behind = body(read(teacher, "/api/compare/behind?" + ask + row.path("key").asString("")));
            assertEquals(row, behind.path("row"));
            if (row.path("group").asString("").equals("SKILLS")) {
                assertEquals(row.path("firstN").asInt() + row.path("secondN").asInt() > 0, behind.path("total").asInt() > 0, row.toString());
            }
        }
        JsonNode away = row(view, "away");
        long absent = asking(Viewer.SYSTEM, () -> db
                .sql("select count(*) from attendance_day where student_id = :s and status = 'absent' and superseded_on is null"
                        + " and on_day between '2026-01-01' and '2026-03-13'")
                .param("s", one).query(Long.class).single());
        assertEquals(absent, Math.round(away.path("second").asDouble() * away.path("secondN").asInt()));
    }

    @Test
    void aBandOfOneIsNamed() {
        JsonNode view = compare(teacher, "students-" + student("Zuri Halloran"), "students-" + student("Zuri Halloran"));
        JsonNode band = row(view, "band-" + measure("oral-reading"));
        assertEquals("Needs a lift", band.path("firstWords").asString(""));
        assertTrue(band.path("difference").isMissingNode() || band.path("difference").isNull());
        JsonNode of = row(compare(coordinator, "class-" + kittiwake, "class-" + kittiwake), "band-" + measure("oral-reading"));
        assertTrue(of.path("firstWords").isMissingNode() || of.path("firstWords").isNull());
        assertTrue(of.path("first").asDouble() > 0 && of.path("first").asDouble() < 1);
    }

    @Test
    void whatIsNotTheirsIsRefused() throws Exception {
        read(teacher, "/api/compare?a=class-" + kittiwake + AUTUMN + "&b=class-" + classId("2025-PUFFIN") + SPRING).andExpect(refused("403 forbidden"));
        int stranger = student(asking(Viewer.SYSTEM, () -> db.sql("""
                select s.given_name || ' ' || s.family_name from roster_student s join roster_enrolment e on e.student_id = s.id
                 where e.class_id = :c order by s.id limit 1""").param("c", classId("2025-TERN")).query(String.class).single()));
        read(teacher, "/api/compare?a=students-" + stranger + AUTUMN + "&b=class-" + kittiwake + SPRING).andExpect(refused("404 not-found"));
        read(teacher, "/api/compare?a=everyone" + AUTUMN + "&b=class-" + kittiwake + SPRING).andExpect(refused("422 invalid who"));
        read(teacher, "/api/compare?a=class-" + kittiwake + "&aFrom=2026-02-01&aTo=2026-01-01&b=class-" + kittiwake + SPRING)
                .andExpect(refused("422 invalid to"));
        read(teacher, "/api/compare/behind?a=class-" + kittiwake + AUTUMN + "&b=class-" + kittiwake + SPRING + "&row=score-0")
                .andExpect(refused("404 not-found"));
    }

    @Test
    void aClassYearOverYear() throws Exception {
        JsonNode view = body(read(coordinator, "/api/compare/years?classId=" + kittiwake + "&area=Reading&window=Winter&asOf=2026-03-13"));
        assertTrue(view.path("all").asBoolean());
        List<String> rows = new ArrayList<>();
        view.path("rows").forEach(r -> rows.add(r.path("className").asString("") + " " + r.path("year").asString("")));
        assertEquals("Kittiwake 2025-26", rows.get(0), "the class itself first");
        List<String> grade = asking(Viewer.SYSTEM, () -> db.sql("""
                select c.name || ' ' || y.name from roster_class c join roster_year y on y.id = c.year_id and y.starts <= '2026-03-13'
                  join roster_school s on s.id = c.school_id and s.code = 'SKERROW'
                 where c.grade = 3 and exists (select from roster_enrolment e where e.class_id = c.id and e.starts <= least(y.ends, '2026-03-13')
                   and (e.ends is null or e.ends >= least(y.ends, '2026-03-13'))) order by 1""").query(String.class).list());
        assertEquals(grade, rows.stream().sorted().toList());
        List<String> teachers = new ArrayList<>();
        view.path("rows").get(0).path("teachers").forEach(t -> teachers.add(t.asString("")));
        assertTrue(teachers.contains("R. Oduya"), teachers.toString());
        int place = 0;
        while (!view.path("measures").get(place).path("name").asString("").equals("Oral reading")) {
            place++;
        }
        for (JsonNode r : view.path("rows")) {
            String mean = asking(Viewer.SYSTEM, () -> db.sql("""
                    with of as (select c.id, y.id as year_id, least(date '2026-03-13', y.ends) as day from roster_class c join roster_year y on y.id = c.year_id
                                 where c.id = :class),
                    here as (select array_agg(e.student_id) as ids from roster_enrolment e join of on of.id = e.class_id and e.starts <= of.day
                                and (e.ends is null or e.ends >= of.day))
                    select count(*) || ' ' || coalesce(to_char(avg(s.value), 'FM990.0000'), '0.0000')
                      from of join measures_window w on w.year_id = of.year_id and w.name = 'Winter'
                      cross join here cross join scores_screening(here.ids, array[:m]::smallint[], array[w.id], array[w.starts], array[w.ends], '2026-03-13') s
                     where s.value is not null""").param("class", r.path("classId").asInt()).param("m", measure("oral-reading"))
                    .query(String.class).single());
            JsonNode cell = r.path("cells").get(place);
            assertEquals(mean, cell.path("n").asInt() + " " + String.format(java.util.Locale.ROOT, "%.4f", cell.path("mean").asDouble(0)), r.toString());
        }
        JsonNode own = body(read(teacher, "/api/compare/years?classId=" + kittiwake + "&asOf=2026-03-13"));
        assertFalse(own.path("all").asBoolean());
        assertEquals(1, own.path("rows").size());
        read(teacher, "/api/compare/years?classId=" + fulmar + "&asOf=2026-03-13").andExpect(refused("403 forbidden"));
    }
}
