package org.zealousladder.server.exchange.records;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Files on their way in: good, bad, odd, twice, and from the wrong school. */
class ImportTest extends ServerTest {
    private static final String HEADER = "student,measure,date,score,status";

    private int scores() {
        return asking(Viewer.SYSTEM, () -> db.sql("select count(*) from scores_score").query(Integer.class).single());
    }

    private static void assertCounts(ImportResult r, int added, int changed, int unchanged, int refused) {
        assertEquals(List.of(added, changed, unchanged, refused), List.of(r.added(), r.changed(), r.unchanged(), r.refused()), r.toString());
    }

    @Test
    void theSameFileTwiceChangesNothing() {
        Path file = TestServer.csv(HEADER, "S1001,maze,2026-03-02,12,scored", "S1002,maze,2026-03-02,,absent");
        assertCounts(imports.take(file), 2, 0, 0, 0);
        int before = scores();
        assertCounts(imports.take(file), 0, 0, 2, 0);
        assertEquals(before, scores());
    }

    @Test
    void aChangedScoreSupersedesTheOldOne() {
        imports.take(TestServer.csv(HEADER, "S1003,maze,2026-03-02,12,scored"));
        int before = scores();
        assertCounts(imports.take(TestServer.csv(HEADER, "S1003,maze,2026-03-02,14,scored")), 0, 1, 0, 0);
        assertEquals(before + 1, scores());
        List<Double> current = asking(Viewer.SYSTEM, () -> db
                .sql("""
                select c.value from scores_score o join scores_score c on c.id = o.superseded_by where o.value = 12 and o.taken_on = '2026-03-02' and c.value = 14""")
                .query(Double.class).list());
        assertEquals(List.of(14.0), current);
    }

    @Test
    void badRowsAreRefusedWithRowColumnAndReasonAndTheRestIsTaken() {
        ImportResult r = imports.take(TestServer.csv(HEADER, "S1004,maze,2026-03-03,11,scored", "S1005,maze,2026-02-30,11,scored",
                "S1006,maze,2026-03-03,eleven,scored", "", "S1007,maze,2026-03-03,999,scored", ",maze,2026-03-03,11,scored", "S1008,maze,2026-03-03,11,sick",
                "S1009,maze,2026-03-03,NaN,scored", "S1010,maze,2026-03-03,11.5,scored", "S1011,maze,2026-03-20,11,scored", "S9999,maze,2026-03-03,11,scored",
                "S1012,maize,2026-03-03,11,scored", "S1013,maze,2026-03-03,,scored", "S1014,maze,2026-03-03,5,absent"));
        assertCounts(r, 1, 0, 0, 12);
        Map<Integer, String> columns = new java.util.TreeMap<>();
        r.refusals().forEach(x -> columns.put(x.row(), x.column()));
        assertEquals("{3=date, 4=score, 6=score, 7=student, 8=status, 9=score, 10=score, 11=date, 12=student, 13=measure, 14=score, 15=score}",
                columns.toString());
        assertTrue(r.refusals().get(0).message().contains("not a day in the calendar"));
        assertTrue(r.notices().stream().anyMatch(n -> n.contains("S9999")), "unknown students are said before anything is written");
    }

    @Test
    void twoRowsThatDisagreeAreNotBothTaken() {
        ImportResult r = imports.look(TestServer.csv(HEADER, "S1015,maze,2026-03-04,11,scored", "S1016,maze,2026-03-04,9,scored",
                "S1015,maze,2026-03-04,12,scored", "S1016,maze,2026-03-04,9,scored"));
        assertCounts(r, 2, 0, 1, 1);
        assertEquals(4, r.refusals().get(0).row());
        assertTrue(r.refusals().get(0).message().startsWith("Row 2 has the same student, measure, date"), r.refusals().get(0).message());
    }

    @Test
    void orderDelimiterBomAndExtraColumnsAreUnderstood() throws IOException {
        Path file = TestServer.csv("\uFEFFScore;Teacher;DATE;Measure;Student", "12;Ms \"\"X\"\";2026-03-05;maze;S1017",
                "\"13\";\"a;b\nc\";2026-03-05;maze;S1018");
        Files.writeString(file, Files.readString(file).replace("Ms \"\"X\"\"", "\"Ms \"\"X\"\"\""));
        ImportResult r = imports.look(file);
        assertCounts(r, 2, 0, 0, 0);
        assertEquals(Forms.Between.SEMICOLON, r.files().get(0).forms().between());
        assertEquals(List.of("Columns that are not used: teacher."), r.notices());
        assertCounts(imports.look(TestServer.csv("student\tmeasure\tdate\tscore", "S1017\tmaze\t2026-03-05\t12")), 1, 0, 0, 0);
    }

    /** As an office sends it: letters of an old Windows, semicolons, days first, decimal commas. */
    @Test
    void anOfficesFileIsReadAsItLooksAndAsSomebodySays() throws Exception {
        Path file = Files.write(TestServer.csv(),
                String.join("\n", "student;measure;date;score;note", "S1019;maze;05/03/2026;12;Zoë", "S1020;maze;05/03/2026;13;x")
                        .getBytes(java.nio.charset.Charset.forName("windows-1252")));
        ImportResult looked = imports.look(file);
        assertCounts(looked, 2, 0, 0, 0);
        assertEquals(new Forms(Forms.Letters.WINDOWS_1252, Forms.Between.SEMICOLON, Forms.DayForm.DAY_FIRST, Forms.Decimals.POINT),
                looked.files().get(0).forms());
        assertEquals(false, looked.sureOfDays());
        assertTrue(assertThrows(Refusal.class, () -> imports.take(file)).getMessage().startsWith("Its days can begin with the day or with the month"));

        Viewer admin = person("a.sandvik");
        JsonNode preview = body(upload(admin, file).andExpect(status().isOk()));
        String address = "/api/records/imports/" + preview.get("id").asString();
        send(admin, address + "/acceptance", Map.of()).andExpect(refused("422 invalid days"));
        Map<String, Object> forms = Map.of("forms", Map.of("letters", "windows-1252", "between", "semicolon", "days", "month-first", "decimals", "comma"));
        JsonNode again = body(send(admin, address + "/forms", forms).andExpect(status().isOk()));
        assertEquals("month-first", again.at("/result/files/0/forms/days").asString());
        assertEquals(true, again.at("/result/files/0/sureOfDays").asBoolean());
        assertEquals(2, again.at("/result/refused").asInt(), "May is not over yet");
        send(admin, address + "/forms", Map.of("forms", Map.of("letters", "windows-1252", "between", "semicolon", "days", "day-first", "decimals", "comma")))
                .andExpect(status().isOk());
        send(admin, address + "/acceptance", Map.of()).andExpect(status().isOk());
        assertEquals(List.of(12.0), asking(Viewer.SYSTEM, () -> db.sql("""
                select value from scores_score c join roster_student s on s.id = c.student_id where s.code = 'S1019' and taken_on = '2026-03-05'""")
                .query(Double.class).list()));
        send(admin, address + "/forms", forms).andExpect(refused("409 conflict"));
        signInHere(Viewer.SYSTEM);
        assertCounts(imports.take(file, Forms.DayForm.DAY_FIRST), 0, 0, 2, 0);
    }

    @Test
    void aFileThatIsNoneOfOursSaysWhatIsMissing() throws IOException {
        assertTrue(refusal(TestServer.csv("student,measure,score", "S1,maze,3")).contains("it lacks: date"));
        assertTrue(refusal(TestServer.csv("a,b", "1,2")).contains("none of the files we know"));
        assertTrue(refusal(TestServer.csv("student,student,measure,date,score", "1,2,3,4,5")).contains("stands twice"));
        Path empty = TestServer.csv();
        Files.writeString(empty, "");
        assertTrue(refusal(empty).contains("is empty"));
        ImportResult open = imports
                .look(TestServer.csv(HEADER, "S1001,maze,2026-03-02,4,scored", "\"S1002,maze,2026-03-02,4,scored", "S1003,maze,2026-03-02,4,scored"));
        assertEquals(1, open.refused());
        assertTrue(open.refusals().get(0).message().contains("quote"));
    }

    private String refusal(Path file) {
        return assertThrows(Refusal.class, () -> imports.take(file)).getMessage();
    }

    @Test
    void aPreviewIsTakenOnceAndOnlyWhileItIsTrue() throws Exception {
        Viewer teacher = person("r.oduya");
        int kid = student("Caspian Ng");
        String code = asking(Viewer.SYSTEM, () -> db.sql("select code from roster_student where id = :id").param("id", kid).query(String.class).single());
        Path file = TestServer.csv(HEADER, code + ",maze,2026-03-06,20,scored", "S1001,maze,2026-03-06,20,scored", code + ",maze,2026-03-06,x,scored");
        JsonNode preview = body(upload(teacher, file).andExpect(status().isOk()).andExpect(jsonPath("$.result.added").value(1))
                .andExpect(jsonPath("$.result.refused").value(2)));
        long id = preview.get("id").asLong();
        String refused = read(teacher, "/api/records/imports/" + id + "/refused.csv").andExpect(status().isOk()).andReturn().getResponse().getContentAsString();
        assertEquals(3, refused.lines().count());
        read(person("b.calder"), "/api/records/imports/" + id + "/refused.csv").andExpect(status().isNotFound());

        send(teacher, "/api/scores", Map.of("studentId", kid, "measureId", measure("maze"), "takenOn", "2026-03-06", "value", 20, "status", "scored"));
        send(teacher, "/api/records/imports/" + id + "/acceptance", Map.of()).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value(Matchers.containsString("have changed since")));

        Path next = TestServer.csv(HEADER, code + ",maze,2026-03-09,21,scored");
        long second = body(upload(teacher, next)).get("id").asLong();
        int before = scores();
        send(teacher, "/api/records/imports/" + second + "/acceptance", Map.of()).andExpect(status().isOk());
        assertEquals(before + 1, scores());
        send(teacher, "/api/records/imports/" + second + "/acceptance", Map.of()).andExpect(status().isConflict());
        assertEquals(before + 1, scores());
    }

    @Test
    void aFileOverTheLimitIsRefusedInWordsAndLeavesNothing() throws IOException {
        java.io.InputStream endless = new java.io.InputStream() {
            @Override
            public int read() {
                return 'a';
            }

            @Override
            public int read(byte[] into, int from, int length) {
                return length;
            }
        };
        Refusal refusal = assertThrows(Refusal.class, () -> ReceivedFile.receive(endless));
        assertTrue(refusal.getMessage().startsWith("The file is larger than 100 MB."));
        assertEquals(List.of(), received());
    }

    /** Files of that size; smaller ones may be another test's. */
    private static List<Path> received() throws IOException {
        try (var files = Files.list(Path.of(System.getProperty("java.io.tmpdir")))) {
            return files.filter(f -> f.getFileName().toString().startsWith(ReceivedFile.OWN_PREFIX) && f.toFile().length() > ImportService.LIMIT / 2).sorted()
                    .toList();
        }
    }

    @Test
    void rosterFilesAreForAdministrators() throws Exception {
        upload(person("r.oduya"), TestServer.csv("school,name", "X,Another school")).andExpect(status().isForbidden());
    }

    @Test
    void enrolmentsMayNotOverlapAndAMoveIsOneFile() {
        assertCounts(imports.take(TestServer.csv("student,given_name,family_name", "M1,Mo,Ver")), 1, 0, 0, 0);
        String header = "student,class,from,to";
        assertCounts(imports.take(TestServer.csv(header, "M1,2025-PUFFIN,2025-08-25,")), 1, 0, 0, 0);
        ImportResult clash = imports.look(TestServer.csv(header, "M1,2025-TERN,2026-01-12,"));
        assertCounts(clash, 0, 0, 0, 1);
        assertTrue(clash.refusals().get(0).message().contains("another class at that time"));
        assertCounts(imports.take(TestServer.csv(header, "M1,2025-PUFFIN,2025-08-25,2026-01-09", "M1,2025-TERN,2026-01-12,")), 1, 1, 0, 0);
        ImportResult inside = imports.look(TestServer.csv(header, "M1,2025-TERN,2026-01-12,2026-02-01", "M1,2025-PUFFIN,2026-01-20,"));
        assertCounts(inside, 0, 1, 0, 1);
    }

    @Test
    void cutsThatMakeNoLadderAreRefusedAndAChangeKeepsTheOldLadder() {
        String header = "measure,grade,year,window,band,tier,from_score";
        ImportResult two = imports.look(TestServer.csv(header, "maze,3,2025-26,Winter,Low,2,", "maze,3,2025-26,Winter,Lower,3,"));
        assertEquals(2, two.refused());
        ImportResult changed = imports.take(TestServer.csv(header, "maze,3,2025-26,Winter,Secure,1,15", "maze,3,2025-26,Winter,Within reach,2,12",
                "maze,3,2025-26,Winter,Needs a lift,3,"));
        assertEquals(3, changed.changed());
        assertEquals(2, asking(Viewer.SYSTEM, () -> db.sql("""
                select count(*) from measures_ladder l join measures_cut_set s on s.id = l.set_id and s.code = 'local' join measures_window w on w.id = l.window_id join roster_year y on y.id = w.year_id
                 where l.measure_id = :m and l.grade = 3 and w.name = 'Winter' and y.name = '2025-26'""").param("m", measure("maze")).query(Integer.class)
                .single()));
    }

    /** The same four counts, and yet it would do something else. */
    @Test
    void acceptanceIsBoundToWhatWasShownNotToCounts() throws Exception {
        Viewer teacher = person("r.oduya");
        String code = asking(Viewer.SYSTEM,
                () -> db.sql("select code from roster_student where id = :id").param("id", student("Zeno Orlov")).query(String.class)
                        .single());
        imports.take(TestServer.csv(HEADER, code + ",maze,2026-03-02,20,scored"));
        long id = body(upload(teacher, TestServer.csv(HEADER, code + ",maze,2026-03-02,25,scored"))).get("id").asLong();
        signInHere(Viewer.SYSTEM);
        imports.take(TestServer.csv(HEADER, code + ",maze,2026-03-02,22,scored"));
        send(teacher, "/api/records/imports/" + id + "/acceptance", Map.of()).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value(Matchers.containsString("have changed since")));
    }

    @Test
    void aRefusedRowBlamesNoGoodOne() {
        String code = asking(Viewer.SYSTEM,
                () -> db.sql("select code from roster_student where id = :id").param("id", student("Zeno Orlov")).query(String.class)
                        .single());
        ImportResult r = imports.look(TestServer.csv(HEADER, code + ",maze,2026-02-03,900,scored", code + ",maze,2026-02-03,20,scored"));
        assertCounts(r, 1, 0, 0, 1);
        assertEquals(2, r.refusals().get(0).row());
    }

    @Test
    void aLadderOfAFileIsTakenAsAWholeOrNotAtAll() {
        String header = "measure,grade,year,window,band,tier,from_score";
        ImportResult r = imports.look(TestServer.csv(header, "maze,2,2025-26,Winter,Secure,1,15", "maze,2,2025-26,Winter,Within reach,2,900",
                "maze,2,2025-26,Winter,Needs a lift,3,", "maze,4,2025-26,Winter,Secure,1,21", "maze,4,2025-26,Winter,Needs a lift,3,"));
        assertEquals(3, r.refused(), r.refusals().toString());
        assertTrue(
                r.refusals().stream()
                        .anyMatch(x -> x.row() == 2 && x.message().equals("Row 3 of the same ladder is refused, and it is taken as a whole or not at all.")),
                r.refusals().toString());
        ImportResult wrong = imports.look(TestServer.csv(header, "maze,2,2025-26,Winter,High,3,15", "maze,2,2025-26,Winter,high,2,"));
        assertEquals(2, wrong.refused());
        assertTrue(wrong.refusals().stream().anyMatch(x -> x.message().contains("would get more support")), wrong.refusals().toString());
        assertTrue(wrong.refusals().stream().anyMatch(x -> x.message().contains("Two bands of this ladder")), wrong.refusals().toString());
    }

    @Test
    void windowsThatOverlapAreRefused() {
        ImportResult r = imports.look(TestServer.csv("year,window,opens,closes", "2025-26,Extra,2026-01-20,2026-01-30", "2025-26,Late,2026-06-01,2026-06-05",
                "2025-26,Later,2026-06-05,2026-06-08", "2025-26,Odd,2026-06-20,2026-06-10"));
        assertCounts(r, 1, 0, 0, 3);
    }

    /** A student code that begins like a formula is escaped on its way out, and found again on its way in. */
    @Test
    void whatWasEscapedForASpreadsheetComesInAgain() throws Exception {
        for (String[] lines : new String[][] {{"student,given_name,family_name", "=1+1,Eve,Formula"}, {"student,class,from,to", "=1+1,2025-TERN,2025-08-25,"},
                {"student,measure,date,score", "=1+1,maze,2026-03-02,7"}}) {
            assertEquals(0, imports.take(TestServer.csv(lines)).refused());
        }
        String taken = read(person("m.tveit"), "/api/records/scores.csv?who=class-" + classId("2025-TERN") + "&year=" + thisYear() + "&asOf=2026-03-13&measure="
                + measure("maze")).andReturn().getResponse().getContentAsString();
        assertTrue(taken.contains("'=1+1,maze,2026-03-02,7,scored"), taken);
        signInHere(Viewer.SYSTEM);
        ImportResult again = imports.look(TestServer.csv("student,measure,date,score", "'=1+1,maze,2026-03-02,7"));
        assertEquals(1, again.unchanged(), again.toString());
    }

    @Test
    void everyTableThatGoesOutSaysWhereItIsDescribed() throws Exception {
        String scores = read(person("m.tveit"), "/api/records/scores.csv?who=class-" + classId("2025-TERN") + "&year=" + thisYear() + "&asOf=2026-03-13")
                .andExpect(status().isOk()).andReturn().getResponse().getHeader("Link");
        assertEquals("<kinds/scores-metadata.json>; rel=\"describedby\"; type=\"application/csvm+json\"", scores);
        JsonNode described = body(read(person("m.tveit"), "/api/records/kinds/scores-metadata.json").andExpect(status().isOk()));
        assertEquals("http://www.w3.org/ns/csvw", described.get("@context").asString());
        List<String> columns = described.at("/tableSchema/columns").valueStream()
                .map(c -> c.get("name").asString() + " " + c.at("/datatype/base").asString() + " "
                        + c.at("/datatype/format").asString("") + " " + c.get("required").asBoolean())
                .toList();
        assertEquals(List.of("student string  true", "measure string  true", "date date yyyy-MM-dd true", "score number  false",
                "status string scored|absent|exempt|invalid false", "form string  false",
                "known date yyyy-MM-dd false"), columns);
        read(person("m.tveit"), "/api/records/kinds/nothing-metadata.json").andExpect(refused("404 not-found"));
        JsonNode table = body(send(person("r.oduya"), "/api/table/export",
                Map.of("who", "class-" + classId("2025-KITTIWAKE"), "year", thisYear(), "asOf", "2026-03-13", "format",
                        "csv-metadata.json", "students", List.of(), "columns", List.of(0), "codes", true))
                .andExpect(status().isOk()));
        assertEquals(List.of("Code", "Class", "Support", "Oral reading, Autumn"),
                table.at("/tableSchema/columns").valueStream().map(c -> c.get("name").asString()).limit(4).toList());
        assertTrue(table.at("/tableSchema/columns/3/null").toString().contains("not screened"), table.toString());
        JsonNode untested = body(read(person("i.mensah"), "/api/coverage/untested.csv-metadata.json").andExpect(status().isOk()));
        assertEquals(7, untested.at("/tableSchema/columns").size());
    }
}
