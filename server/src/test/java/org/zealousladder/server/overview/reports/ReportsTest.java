package org.zealousladder.server.overview.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.zealousladder.server.PdfCheck;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Reports of what was done between two days, against the records; the workbook and the PDF, read back; and the one for Mondays. */
class ReportsTest extends ServerTest {
    private static final String DAYS = "&from=2025-11-03&to=2026-02-20&asOf=2026-03-13";

    @Autowired
    private ReportMondays mondays;
    private Viewer teacher;
    private int kittiwake;

    @BeforeEach
    void people() {
        teacher = person("r.oduya");
        kittiwake = classId("2025-KITTIWAKE");
    }

    private JsonNode report() {
        return body(read(teacher, "/api/reports?who=class-" + kittiwake + DAYS));
    }

    private static JsonNode table(JsonNode view, String kind) {
        for (JsonNode t : view.path("tables")) {
            if (t.path("kind").asString("").equals(kind)) {
                return t;
            }
        }
        throw new AssertionError(kind);
    }

    private static int column(JsonNode table, String name) {
        for (int i = 0; i < table.path("columns").size(); i++) {
            if (table.path("columns").get(i).path("name").asString("").equals(name)) {
                return i;
            }
        }
        throw new AssertionError(name);
    }

    private static double number(JsonNode table, JsonNode line, String name) {
        return line.path("cells").get(column(table, name)).path("number").asDouble(-999);
    }

    private long count(String sql, int student) {
        return asking(Viewer.SYSTEM, () -> db.sql(sql).param("s", student).query(Long.class).single());
    }

    @Test
    void takingPartIsAsOnRecord() {
        JsonNode table = table(report(), "TAKING_PART");
        JsonNode part = table.path("parts").get(0);
        assertEquals(23, part.path("lines").size());
        Map<String, Double> sums = new HashMap<>();
        for (JsonNode line : part.path("lines")) {
            int s = line.path("student").path("id").asInt();
            assertEquals(
                    count("""
                    select coalesce(sum(given), 0) from plans_session where student_id = :s and superseded_by is null and on_day between '2025-11-03' and '2026-02-20'""",
                            s),
                    number(table, line, "Sessions"), 0, line.toString());
            assertEquals(count("select count(distinct on_day) from engagement_day where student_id = :s and on_day between '2025-11-03' and '2026-02-20'", s),
                    number(table, line, "Active days"), 0);
            assertEquals(count("select round(sum(minutes)) from engagement_day where student_id = :s and on_day between '2025-11-03' and '2026-02-20'", s),
                    number(table, line, "Minutes"), 1);
            assertEquals(count("""
                    select count(*) from attendance_day where student_id = :s and status = 'absent' and superseded_on is null
                       and on_day between '2025-11-03' and '2026-02-20'""", s), number(table, line, "Absent"), 0);
            assertTrue(number(table, line, "Handed in") <= number(table, line, "Work due"));
            assertEquals(number(table, line, "Points") / number(table, line, "Of points"), number(table, line, "Share earned"), 1e-9);
            for (String name : List.of("Sessions", "Minutes", "Points", "Late")) {
                sums.merge(name, number(table, line, name), Double::sum);
            }
        }
        JsonNode sum = part.path("foot").get(0);
        JsonNode mean = part.path("foot").get(1);
        assertEquals("Sum|Average", sum.path("name").asString("") + "|" + mean.path("name").asString(""));
        sums.forEach((name, total) -> {
            assertEquals(total, number(table, sum, name), 1e-6);
            assertEquals(total / 23, number(table, mean, name), 1e-6);
        });
        assertTrue(sum.path("cells").get(column(table, "Share earned")).path("number").isMissingNode(), "a sum of shares says nothing");
    }

    @Test
    void firstBestAndLatestAreThoseOfTheDays() {
        JsonNode table = table(report(), "RESULTS");
        JsonNode part = null;
        for (JsonNode p : table.path("parts")) {
            part = p.path("title").asString("").equals("Oral reading") ? p : part;
        }
        assertEquals("words correct per minute|Reading", part.path("unit").asString("") + "|" + part.path("area").asString(""));
        int several = 0;
        for (JsonNode line : part.path("lines")) {
            int s = line.path("student").path("id").asInt();
            List<Map<String, Object>> scores = asking(Viewer.SYSTEM, () -> db.sql("""
                    select taken_on, value from scores_score where student_id = :s and measure_id = :m and superseded_by is null and value is not null
                       and taken_on between '2025-11-03' and '2026-02-20' order by taken_on""").param("s", s).param("m", measure("oral-reading")).query()
                    .listOfRows());
            List<Double> values = scores.stream().map(r -> ((Number) r.get("value")).doubleValue()).toList();
            double best = values.stream().mapToDouble(d -> d).max().orElseThrow();
            assertEquals(values.size(), number(table, line, "Scores"), 0);
            assertEquals(values.get(0), number(table, line, "First"), 0);
            assertEquals(best, number(table, line, "Best"), 0);
            assertEquals(values.get(values.size() - 1), number(table, line, "Latest"), 0);
            assertEquals(scores.get(values.indexOf(best)).get("taken_on").toString(),
                    line.path("cells").get(column(table, "Best day")).path("text").asString(""));
            if (values.size() > 1) {
                several++;
                assertEquals(values.get(values.size() - 1) - values.get(0), number(table, line, "First to latest"), 1e-9);
                assertEquals(best - values.get(0), number(table, line, "First to best"), 1e-9);
                assertEquals(values.get(values.size() - 1) - best, number(table, line, "Best to latest"), 1e-9);
            } else {
                assertEquals(-999, number(table, line, "First to latest"), 0, "one score is no change");
            }
        }
        assertTrue(several > 5);
    }

    @Test
    void skillsGoFromTheLeastRightToTheMost() {
        JsonNode view = report();
        JsonNode table = table(view, "SKILLS");
        double before = -1;
        for (JsonNode line : table.path("parts").get(0).path("lines")) {
            double share = number(table, line, "Share right");
            assertTrue(share >= before);
            assertTrue(number(table, line, "From") <= share && share <= number(table, line, "To"));
            assertTrue(number(table, line, "Secure") + number(table, line, "Shaky") + number(table, line, "Not yet") <= number(table, line, "Students"));
            before = share;
        }
        JsonNode own = table(view, "STUDENTS_SKILLS");
        double answers = number(own, own.path("parts").get(0).path("foot").get(0), "Answers");
        double all = 0;
        for (JsonNode line : table.path("parts").get(0).path("lines")) {
            all += number(table, line, "Answers");
        }
        assertEquals(all, answers, 0, "the same answers, by skill and by student");
        JsonNode zuri = null;
        for (JsonNode line : own.path("parts").get(0).path("lines")) {
            zuri = line.path("student").path("name").asString("").equals("Zuri Halloran") ? line : zuri;
        }
        assertNotEquals("", zuri.path("cells").get(column(own, "Weaknesses")).path("text").asString(""));
    }

    private byte[] book(boolean codes) throws Exception {
        return send(teacher, "/api/reports/export",
                Map.of("who", "class-" + kittiwake, "from", "2025-11-03", "to", "2026-02-20", "asOf", "2026-03-13", "codes", codes)).andExpect(status().isOk())
                .andReturn().getResponse().getContentAsByteArray();
    }

    private static List<Row> rows(ReadableWorkbook book, String name) throws IOException {
        return book.findSheet(name).orElseThrow().read();
    }

    @Test
    void theWorkbookHoldsEverythingAndExplainsEachColumn() throws Exception {
        JsonNode view = report();
        try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(book(false)))) {
            assertEquals(List.of("README", "Taking part", "Results", "Skills", "Students' skills"), book.getSheets().map(Sheet::getName).toList());
            Set<String> explained = new HashSet<>();
            for (Row row : rows(book, "README")) {
                if (row.getCellCount() > 2 && row.getCellText(1) != null && !row.getCellText(1).isEmpty()) {
                    assertFalse(row.getCellText(2).isBlank(), row.toString());
                    explained.add(row.getCellText(0) + "/" + row.getCellText(1));
                }
            }
            for (Sheet sheet : book.getSheets().filter(s -> !s.getName().equals("README")).toList()) {
                Row head = sheet.read().get(0);
                head.stream().map(c -> sheet.getName() + "/" + c.getText()).forEach(c -> assertTrue(explained.remove(c), c + " is not explained"));
            }
            assertEquals(Set.of("Sheet/Column"), explained, "explained, but there is no such column");
            JsonNode table = table(view, "TAKING_PART");
            List<Row> taking = rows(book, "Taking part");
            assertEquals(1 + 23 + 2, taking.size());
            JsonNode third = table.path("parts").get(0).path("lines").get(2);
            assertEquals(third.path("student").path("code").asString(""), taking.get(3).getCellText(0));
            assertEquals(third.path("student").path("name").asString(""), taking.get(3).getCellText(1));
            int minutes = column(table, "Minutes");
            assertEquals(number(table, third, "Minutes"), taking.get(3).getCellAsNumber(2 + minutes).orElseThrow().doubleValue(), 1e-4);
            assertEquals("Sum", taking.get(24).getCellText(1));
            int expected = 1;
            for (JsonNode part : table(view, "RESULTS").path("parts")) {
                expected += part.path("lines").size() + part.path("foot").size();
            }
            assertEquals(expected, rows(book, "Results").size());
            assertEquals(LocalDate.parse(table(view, "RESULTS").path("parts").get(0).path("lines").get(0).path("cells").get(1).path("text").asString("")),
                    rows(book, "Results").get(1).getCellAsDate(6).orElseThrow().toLocalDate());
        }
        try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(book(true)))) {
            for (Row row : rows(book, "Taking part").subList(1, 24)) {
                assertEquals(row.getCellText(0), row.getCellText(1), "names are hidden");
            }
        }
    }

    @Test
    void thePdfIsForEverybody() throws Exception {
        long id = body(
                send(teacher, "/api/reports/pdf", Map.of("who", "class-" + kittiwake, "from", "2025-11-03", "to", "2026-02-20", "asOf", "2026-03-13", "tables",
                        List.of("TAKING_PART", "RESULTS"), "codes", false)))
                .path("id").asLong();
        byte[] pdf = PdfCheck.made(this::read, teacher, id);
        PdfCheck.forEverybody(pdf);
        String text = PdfCheck.text(pdf);
        assertTrue(text.contains("Kittiwake class, grade 3") && text.contains("Zuri Halloran") && text.contains("First to latest"), text);
        assertFalse(text.contains("Right a minute"), "only what was chosen");
        send(teacher, "/api/reports/pdf",
                Map.of("who", "class-" + kittiwake, "from", "2025-11-03", "to", "2026-02-20", "asOf", "2026-03-13", "tables", List.of(),
                        "codes", false))
                .andExpect(refused("422 invalid tables"));
    }

    private Map<String, Object> form(String name, String span, boolean weekly) {
        Map<String, Object> form = new HashMap<>(
                Map.of("name", name, "who", "class-" + kittiwake, "span", span, "tables", List.of("TAKING_PART", "RESULTS", "SKILLS"),
                        "weekly", weekly));
        if (span.equals("dates")) {
            form.putAll(Map.of("from", "2025-11-03", "to", "2026-02-20"));
        }
        return form;
    }

    @Test
    void settingsAreKeptForTheirOwnerAlone() throws Exception {
        int id = body(send(teacher, "/api/reports/kept", form("My autumn", "dates", false))).path("id").asInt();
        JsonNode opened = body(read(teacher, "/api/reports/kept/" + id + "?asOf=2026-03-13"));
        assertEquals("2025-11-03|2026-02-20", opened.path("from").asString("") + "|" + opened.path("to").asString(""));
        send(teacher, "/api/reports/kept", form("My autumn", "week", false)).andExpect(refused("422 invalid name"));
        Map<String, Object> changed = form("My weeks", "four-weeks", false);
        changed.put("id", id);
        assertEquals(id, body(send(teacher, "/api/reports/kept", changed)).path("id").asInt());
        opened = body(read(teacher, "/api/reports/kept/" + id + "?asOf=2026-03-13"));
        assertEquals("2026-02-14|2026-03-13", opened.path("from").asString("") + "|" + opened.path("to").asString(""));
        read(person("m.tveit"), "/api/reports/kept/" + id + "?asOf=2026-03-13").andExpect(refused("404 not-found"));
        call(person("m.tveit"), delete("/api/reports/kept/" + id)).andExpect(refused("404 not-found"));
        assertEquals(0, body(read(person("m.tveit"), "/api/reports/kept")).path("reports").size());
        Map<String, Object> others = form("Theirs", "year", false);
        others.put("who", "class-" + classId("2025-PUFFIN"));
        send(teacher, "/api/reports/kept", others).andExpect(refused("403 forbidden"));
        Map<String, Object> turned = form("Turned", "dates", false);
        turned.put("to", "2025-10-01");
        send(teacher, "/api/reports/kept", turned).andExpect(refused("422 invalid to"));
        call(teacher, delete("/api/reports/kept/" + id)).andExpect(status().isNoContent());
        call(teacher, delete("/api/reports/kept/" + id)).andExpect(refused("404 not-found"));
    }

    @Test
    void onMondaysSumsAreSentOnceWithoutAName() throws Exception {
        int id = body(send(teacher, "/api/reports/kept", form("For Mondays", "four-weeks", true))).path("id").asInt();
        String address = asking(Viewer.SYSTEM, () -> db.sql("select email from people_person where login = 'r.oduya'").query(String.class).single());
        signInHere(Viewer.SYSTEM);
        assertEquals(1, mondays.send(LocalDate.of(2026, 3, 9)));
        assertEquals(0, mondays.send(LocalDate.of(2026, 3, 13)), "that Friday is of the same week");
        assertEquals(1, mondays.send(LocalDate.of(2026, 3, 16)), "the next week");
        List<String> bodies = asking(Viewer.SYSTEM,
                () -> db.sql("select subject || body from contacts_letter where to_address = :a and subject like 'Report:%' order by id")
                        .param("a", address).query(String.class).list());
        assertEquals(2, bodies.size());
        String text = bodies.get(0);
        assertTrue(text.contains("Kittiwake class, grade 3, 10 Feb 2026 to 9 Mar 2026, 23 students."), text);
        assertTrue(text.contains("Oral reading, average: latest ") && text.contains("Sum: sessions ") && text.contains("/reports?kept=" + id), text);
        Set<String> names = asking(Viewer.SYSTEM, () -> db
                .sql("""
                select unnest(array[s.given_name, s.family_name, s.code]) from roster_enrolment e join roster_student s on s.id = e.student_id where e.class_id = :c""")
                .param("c", kittiwake).query(String.class).list()).stream().collect(Collectors.toSet());
        names.forEach(n -> assertFalse(text.matches("(?s).*\\b" + Pattern.quote(n) + "\\b.*"), n + " in " + text));
        assertEquals("waiting", body(read(teacher, "/api/reports/kept/" + id + "?asOf=2026-03-13")).path("report").path("state").asString(""));
        call(teacher, delete("/api/reports/kept/" + id)).andExpect(status().isNoContent());
    }

    /** Somebody keeps a report, and sees those students no more. */
    @Test
    void ofStudentsThatAreTheirsNoMoreNothingIsSent() {
        int id = asking(teacher, () -> db
                .sql("""
                insert into reports_setting (person_id, name, who, span, tables, weekly) values (:p, 'Theirs once', :who, 'week', '{RESULTS}', true) returning id""")
                .param("p", teacher.id()).param("who", "class-" + classId("2025-PUFFIN")).query(Integer.class).single());
        signInHere(Viewer.SYSTEM);
        assertEquals(0, mondays.send(LocalDate.of(2026, 3, 23)));
        assertEquals(LocalDate.of(2026, 3, 23), asking(teacher, () -> db.sql("select last_on from reports_setting where id = :id").param("id", id)
                .query(LocalDate.class).single()), "it is not tried again all week");
        asking(teacher, () -> db.sql("delete from reports_setting where id = :id").param("id", id).update());
    }

    @Test
    void whatIsNotTheirsIsRefused() throws Exception {
        read(teacher, "/api/reports?who=school-1" + DAYS).andExpect(refused("403 forbidden"));
        read(teacher, "/api/reports?who=class-" + kittiwake + "&from=2026-03-01&to=2026-02-01&asOf=2026-03-13").andExpect(refused("422 invalid to"));
        read(teacher, "/api/reports?who=class-" + kittiwake + "&from=1990-03-01&to=2026-02-01&asOf=2026-03-13").andExpect(refused("422 invalid from"));
    }
}
