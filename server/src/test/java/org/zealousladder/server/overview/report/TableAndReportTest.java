package org.zealousladder.server.overview.report;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipFile;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.TestServer;
import tools.jackson.databind.JsonNode;

/** The table with last year beside this one, what is taken out of it, the report and the norms. */
class TableAndReportTest extends ScreeningTest {
    private JsonNode table(String login, String scope) {
        return body(read(person(login), "/api/table" + scope));
    }

    @Test
    void aCellHoldsLastYearsStandingOfTheSameSeason() {
        JsonNode view = table("g.rustad", scope("2025-GUILLEMOT", ""));
        int column = 0;
        while (!(view.at("/columns/" + column + "/window").asString().equals("Winter")
                && view.at("/columns/" + column + "/measureId").asInt() == measure("oral-reading"))) {
            column++;
        }
        JsonNode four = body(read(person("g.rustad"), "/api/ladder" + scope("2025-GUILLEMOT", "&seasons=4&measure=" + measure("oral-reading"))));
        assertEquals(List.of("Winter", "Spring", "Autumn", "Winter"), each(four.get("seasons")).map(s -> s.get("name").asString()).toList());
        int compared = 0;
        for (JsonNode row : view.get("rows")) {
            JsonNode cell = row.get("cells").get(column);
            JsonNode seasons = of(four.get("rows"), row.at("/student/name").asString()).get("cells");
            assertEquals(seasons.get(3).has("value"), cell.has("value"));
            if (cell.has("thenBand") || seasons.get(0).has("band")) {
                assertEquals(seasons.get(0).get("band").asInt(), cell.get("thenBand").asInt());
                compared++;
            }
        }
        assertTrue(compared > 10);
    }

    /** Whoever asks, and for however many: a percentile is among the school's scores of the grade. */
    @Test
    void aPercentileIsTheSameFigureOnEveryPage() {
        String measure = "&measure=" + measure("oral-reading");
        JsonNode own = body(read(person("g.rustad"), "/api/ladder" + scope("2025-GUILLEMOT", measure)));
        JsonNode whole = body(read(person("m.tveit"), "/api/ladder" + wholeSchool(measure)));
        JsonNode report = body(read(person("g.rustad"), "/api/report" + scope("2025-GUILLEMOT", measure + "&window=" + window("Winter"))));
        int compared = 0;
        for (JsonNode band : report.get("bands")) {
            for (JsonNode s : band.get("students")) {
                int percentile = s.get("percentile").asInt();
                String name = s.at("/student/name").asString();
                assertEquals(percentile, of(own.get("rows"), name).get("percentile").asInt(), name);
                assertEquals(percentile, of(whole.get("rows"), name).get("percentile").asInt(), name);
                compared++;
            }
        }
        assertEquals(24, compared, "all of the class who have a score");
    }

    @Test
    void exactlyWhatIsShownIsTakenOut() throws Exception {
        JsonNode view = table("g.rustad", scope("2025-GUILLEMOT", ""));
        List<Integer> students = List.of(view.at("/rows/3/student/id").asInt(), view.at("/rows/1/student/id").asInt());
        Map<String, Object> form = Map.of("who", "class-" + classId("2025-GUILLEMOT"), "year", thisYear(), "asOf", "2026-03-13", "format", "csv", "students",
                students, "columns", List.of(2, 0), "codes", false);
        String csv = new String(
                send(person("g.rustad"), "/api/table/export", form).andExpect(status().isOk()).andReturn().getResponse().getContentAsByteArray(),
                StandardCharsets.UTF_8);
        List<String> lines = csv.lines().toList();
        assertEquals(3, lines.size());
        assertTrue(
                lines.get(0).startsWith(
                        "Code,Student,Class,Support,\"" + view.at("/columns/2/measure").asString() + ", " + view.at("/columns/2/window").asString() + "\""),
                lines.get(0));
        assertTrue(lines.get(1).startsWith(view.at("/rows/3/student/code").asString() + "," + view.at("/rows/3/student/name").asString()), lines.get(1));
        Map<String, Object> hidden = new java.util.TreeMap<>(form);
        hidden.put("codes", true);
        String codes = new String(send(person("g.rustad"), "/api/table/export", hidden).andReturn().getResponse().getContentAsByteArray(),
                StandardCharsets.UTF_8);
        assertFalse(codes.contains(view.at("/rows/3/student/name").asString()), "hidden names stay hidden");
        hidden.put("format", "xlsx");
        byte[] xlsx = send(person("g.rustad"), "/api/table/export", hidden).andReturn().getResponse().getContentAsByteArray();
        Path file = Files.write(Files.createTempFile("ladder-test-", ".xlsx"), xlsx);
        String sheet;
        try (ZipFile zip = new ZipFile(file.toFile())) {
            sheet = new String(zip.getInputStream(zip.getEntry("xl/worksheets/sheet1.xml")).readAllBytes(), StandardCharsets.UTF_8);
        }
        Files.delete(file);
        assertEquals(3, sheet.split("<row ").length - 1, "a head and two students");
        hidden.put("format", "doc");
        send(person("g.rustad"), "/api/table/export", hidden).andExpect(status().isUnprocessableContent());
        hidden.putAll(Map.of("format", "csv", "columns", List.of(99)));
        send(person("g.rustad"), "/api/table/export", hidden).andExpect(status().isConflict());
        send(person("b.calder"), "/api/table/export", form).andExpect(status().isForbidden());
    }

    private String report(String measure) {
        return "&window=" + window("Winter") + "&measure=" + measure(measure);
    }

    @Test
    void theReportsSharesAddUpAndTheNextCutIsTheNextWindows() {
        JsonNode view = body(read(person("b.calder"), "/api/report" + scope("2025-FULMAR", report("oral-reading"))));
        for (String share : List.of("share", "shareInSchool", "shareBefore")) {
            assertEquals(1, each(view.get("bands")).mapToDouble(b -> b.get(share).asDouble()).sum(), 1e-9, share);
        }
        assertEquals("Spring", view.get("next").asString());
        JsonNode lowest = view.get("bands").get(view.get("bands").size() - 1);
        double cut = asking(person("b.calder"), () -> db.sql("""
                select b.from_score from measures_band b join measures_ladder l on l.id = b.ladder_id join measures_cut_set s on s.id = l.set_id
                 where s.code = 'local' and l.grade = 3 and l.window_id = :w and l.measure_id = :m and l.superseded_on is null and b.position = 1""")
                .param("w", window("Spring")).param("m", measure("oral-reading")).query(Double.class).single());
        assertEquals(1, lowest.get("students").size());
        each(lowest.get("students")).forEach(s -> assertEquals(cut, s.get("goalScore").asDouble()));
        JsonNode highest = view.get("bands").get(0);
        assertTrue(each(highest.get("students")).noneMatch(s -> s.has("goalScore")), "nothing above the best band");
        int screened = each(view.get("bands")).mapToInt(b -> b.get("count").asInt()).sum();
        assertEquals(screened, view.get("screened").asInt());
        assertTrue(view.get("coverage").asString().startsWith(screened + " of "), view.get("coverage").asString());
    }

    /** A teacher's report is held against the whole grade, whose other names the teacher never sees. */
    @Test
    void theComparisonWithTheSchoolIsTheSameForTeacherAndCoordinator() {
        String route = "/api/report" + scope("2025-FULMAR", report("maze"));
        assertEquals(body(read(person("m.tveit"), route)), body(read(person("b.calder"), route)));
    }

    @Test
    void aPdfTellsHowFarItIsAndIsOnlyForWhoAskedForIt() throws Exception {
        Map<String, Object> form = Map.of("who", "school-" + school(), "year", thisYear(), "window", window("Winter"), "measure", measure("maze"), "asOf",
                "2026-03-13");
        send(person("r.oduya"), "/api/report/pdf", form).andExpect(status().isForbidden());
        long id = body(send(person("m.tveit"), "/api/report/pdf", form)).get("id").asLong();
        JsonNode progress = null;
        for (int i = 0; i < 200 && (progress == null || !progress.get("ready").asBoolean()); i++) {
            Thread.sleep(100);
            progress = body(read(person("m.tveit"), "/api/papers/" + id));
            assertFalse(progress.has("failed"), progress.toString());
        }
        assertEquals(progress.get("total").asInt(), progress.get("done").asInt());
        assertTrue(progress.get("total").asInt() >= 7, "the school and each class");
        byte[] pdf = read(person("m.tveit"), "/api/papers/" + id + "/file").andExpect(status().isOk()).andReturn().getResponse().getContentAsByteArray();
        assertArrayEquals("%PDF".getBytes(StandardCharsets.US_ASCII), Arrays.copyOf(pdf, 4));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document);
            assertTrue(text.contains("Skerrow Island School") && text.contains("Kittiwake class, grade 3") && text.contains("Oskar Vane"),
                    text.substring(0, 300));
        }
        read(person("a.sandvik"), "/api/papers/" + id).andExpect(status().isNotFound());
        read(person("a.sandvik"), "/api/papers/" + id + "/file").andExpect(status().isNotFound());
    }

    @Test
    void localNormsRestOnTheSchoolsOwnScores() throws Exception {
        Map<String, Object> form = Map.of("school", school(), "year", thisYear());
        send(person("r.oduya"), "/api/norms/local", form).andExpect(status().isForbidden());
        int set = body(send(person("m.tveit"), "/api/norms/local", form)).get("set").asInt();
        body(send(person("m.tveit"), "/api/norms/local", form));
        JsonNode view = body(read(person("r.oduya"), "/api/norms" + scope("2025-KITTIWAKE", "&set=" + set + "&measure=" + measure("maze"))));
        JsonNode table = each(view.get("tables"))
                .filter(t -> t.get("grade").asInt() == 2 && t.get("about").asString().equals("score") && t.get("season").asString().equals("Winter"))
                .reduce((a, b) -> {
                    throw new AssertionError("computed twice, but known once");
                }).orElseThrow();
        double[] scores = each(
                body(read(person("m.tveit"), "/api/ladder?who=grade-2-" + school() + "&year=" + thisYear() + "&asOf=2026-03-13&measure=" + measure("maze")))
                        .get("rows"))
                .map(r -> r.get("cells").get(1)).filter(c -> c.has("value")).mapToDouble(c -> c.get("value").asDouble()).sorted().toArray();
        assertEquals(scores.length, table.get("restsOn").asInt());
        double median = each(table.get("points")).filter(p -> p.get("percentile").asInt() == 50).findFirst().orElseThrow().get("value").asDouble();
        assertEquals((scores[(scores.length - 1) / 2] + scores[scores.length / 2]) / 2, median);
        assertTrue(each(view.get("tables")).anyMatch(t -> t.get("about").asString().equals("growth")));
        assertEquals(0,
                body(read(person("r.oduya"),
                        "/api/norms?who=class-" + classId("2025-KITTIWAKE") + "&asOf=2026-03-12&set=" + set + "&measure=" + measure("maze"))).get("tables")
                        .size());
    }

    @Test
    void aNormTableWithAHoleIsRefusedWhole() {
        signInHere(org.zealousladder.server.platform.who.Viewer.SYSTEM);
        String head = "norm_set,measure,grade,window,percentile,score";
        var holed = imports.look(TestServer.csv(head, "Holes,maze,2,Autumn,25,8", "Holes,maze,2,Autumn,50,10", "Holes,maze,3,Autumn,25,12"));
        assertEquals(3, holed.refused());
        assertEquals("The table has a hole: grade 3, Autumn, percentile 50 is missing. Every grade and window needs the same percentiles.",
                holed.refusals().get(0).message());
        var falling = imports.look(TestServer.csv(head, "Falls,maze,2,Autumn,25,12", "Falls,maze,2,Autumn,50,10"));
        assertEquals(2, falling.refused());
        assertEquals("A higher percentile cannot have a worse value than the one before it, 12.", falling.refusals().get(1).message());
        var good = imports.take(TestServer.csv(head, "Whole,maze,2,Autumn,25,8", "Whole,maze,2,Autumn,50,10"));
        assertEquals(2, good.added());
        assertEquals(2, imports.take(TestServer.csv(head, "Whole,maze,2,Autumn,25,8", "Whole,maze,2,Autumn,50,10")).unchanged());
        assertEquals(2, imports.take(TestServer.csv(head, "Whole,maze,2,Autumn,25,8", "Whole,maze,2,Autumn,50,11")).changed());
    }

    @Test
    void nobodyReadsAnotherTeachersClassInAnyOfThem() throws Exception {
        for (String route : List.of("/api/table", "/api/report", "/api/tiers", "/api/coverage", "/api/entry", "/api/cuts", "/api/norms")) {
            read(person("b.calder"), route + scope("2025-KITTIWAKE", "&measure=1")).andExpect(status().isForbidden())
                    .andExpect(jsonPath("$.detail").value(containsString("not one of yours")));
            read(person("m.tveit"), route + scope("2025-KITTIWAKE", "&measure=1")).andExpect(status().isOk());
        }
    }
}
