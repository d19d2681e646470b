package org.zealousladder.server.exchange.records.matching;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Files as schools have them: other headings, a column for each measure or week, names instead of codes, words among the numbers. */
class MatchingTest extends ServerTest {
    private Viewer admin;

    @BeforeEach
    void somebody() {
        admin = person("a.sandvik");
    }

    private JsonNode look(Viewer who, String... lines) throws Exception {
        return body(upload(who, TestServer.csv(lines)).andExpect(status().isOk()));
    }

    private JsonNode again(Viewer who, JsonNode preview, JsonNode matching) throws Exception {
        return body(send(who, "/api/records/imports/" + preview.get("id").asString() + "/forms", Map.of("matching", json.treeToValue(matching, Map.class)))
                .andExpect(status().isOk()));
    }

    private void take(Viewer who, JsonNode preview) throws Exception {
        send(who, "/api/records/imports/" + preview.get("id").asString() + "/acceptance", Map.of()).andExpect(status().isOk());
    }

    private static String fields(JsonNode preview) {
        return String.join(" ", StreamSupport.stream(preview.at("/result/files/0/matching/columns").spliterator(), false)
                .map(c -> c.path("field").asString("-")).toList());
    }

    private List<String> scores(String day) {
        return asking(Viewer.SYSTEM, () -> db
                .sql("""
                select s.code || ' ' || m.code || ' ' || coalesce(c.value::text, c.status) from scores_score c join roster_student s on s.id = c.student_id
                  join measures_measure m on m.id = c.measure_id where c.taken_on = :day::date and c.superseded_by is null and c.source = 'imported' order by 1""")
                .param("day", day).query(String.class).list());
    }

    @Test
    void aSheetWithAColumnForEachMeasureIsFolded() throws Exception {
        JsonNode preview = look(admin, "Results of the fifth of November;;;;", "Schülernummer;Name;Oral reading 2025-11-05;Maze 2025-11-05;Bemerkung",
                "S1001;x;61;abs;",
                "S1002;y;-;14;late", "S1003;z;58;;");
        assertEquals("guessed", preview.at("/result/files/0/told").asString());
        assertEquals("student - score score -", fields(preview));
        assertEquals("oral-reading", preview.at("/result/files/0/matching/columns/2/with/measure").asString());
        assertEquals("absent", preview.at("/result/files/0/matching/words/score/abs").asString());
        assertEquals(4, preview.at("/result/added").asInt(), preview.toPrettyString());
        take(admin, preview);
        assertEquals(List.of("S1001 maze absent", "S1001 oral-reading 61", "S1002 maze 14", "S1003 oral-reading 58"), scores("2025-11-05"));
    }

    @Test
    void namesStandForCodesWhereOneStudentHasThem() throws Exception {
        String name = asking(Viewer.SYSTEM,
                () -> db.sql("select family_name || ', ' || given_name from roster_student where code = 'S1004'").query(String.class).single());
        JsonNode preview = look(admin, "Pupil,Test,Date,Points", "\"" + name + "\",Maze,08/11/2025,11", "Nobody Atall,maze,15/11/2025,12");
        assertEquals("student measure date score", fields(preview));
        assertEquals(1, preview.at("/result/added").asInt(), preview.toPrettyString());
        assertEquals(1, preview.at("/result/refused").asInt());
        assertEquals("Nobody Atall", preview.at("/result/doubts/0/name").asString());
        assertEquals("unknown", preview.at("/result/causes/0/cause").asString());
        assertEquals("Pupil", preview.at("/result/refusals/0/column").asString());
        assertEquals(3, preview.at("/result/refusals/0/row").asInt());
        Map<String, Object> matching = new LinkedHashMap<>(json.treeToValue(preview.at("/result/files/0/matching"), Map.class));
        matching.put("names", Map.of("student", Map.of("Nobody Atall", "S1005")));
        JsonNode said = again(admin, preview, json.valueToTree(matching));
        assertEquals(2, said.at("/result/added").asInt(), said.toPrettyString());
        take(admin, said);
        assertEquals(List.of("S1004 maze 11"), scores("2025-11-08"));
        assertEquals(List.of("S1005 maze 12"), scores("2025-11-15"));
    }

    @Test
    void whatWasSaidIsRememberedAndCanBeForgotten() throws Exception {
        String[] file = {"Wer,Was,Wann,Wieviel", "S1006,maze,2025-11-07,M"};
        JsonNode preview = look(admin, file);
        assertFalse(preview.at("/result/open").isEmpty(), preview.toPrettyString());
        send(admin, "/api/records/imports/" + preview.get("id").asString() + "/acceptance", Map.of()).andExpect(refused("422 invalid matching"));
        Map<String, Object> matching = Map.of("subject", "scores", "columns",
                List.of(use("Wer", "student"), use("Was", "measure"), use("Wann", "date"), use("Wieviel", "score")), "fixed", Map.of(), "words", Map.of(),
                "names", Map.of());
        JsonNode said = again(admin, preview, json.valueToTree(matching));
        assertEquals("word", said.at("/result/causes/0/cause").asString());
        assertEquals("M", said.at("/result/causes/0/values/0/text").asString());
        Map<String, Object> withWord = new LinkedHashMap<>(matching);
        withWord.put("words", Map.of("score", Map.of("M", "absent")));
        take(admin, again(admin, preview, json.valueToTree(withWord)));
        assertEquals(List.of("S1006 maze absent"), scores("2025-11-07"));

        JsonNode next = look(admin, "Wer,Was,Wann,Wieviel", "S1007,maze,2025-11-07,m");
        assertEquals("remembered", next.at("/result/files/0/told").asString());
        assertEquals(1, next.at("/result/added").asInt());
        assertEquals("remembered", look(person("i.mensah"), "Wer,Was,Wann,Wieviel", "S1007,maze,2025-11-07,m").at("/result/files/0/told").asString(),
                "what an administrator says is there for all");
        JsonNode kept = body(read(admin, "/api/records/matchings").andExpect(status().isOk())).get(0);
        JsonNode csvw = body(read(admin, "/api/records/matchings/" + kept.get("id").asString() + ".json").andExpect(status().isOk()));
        assertEquals("http://www.w3.org/ns/csvw", csvw.at("/@context/0").asString());
        assertEquals("Wann", csvw.at("/tableSchema/columns/2/titles").asString());
        assertEquals("yyyy-MM-dd", csvw.at("/tableSchema/columns/2/datatype/format").asString());
        call(admin, org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete("/api/records/matchings/" + kept.get("id").asString()))
                .andExpect(status().isNoContent());
        assertEquals("guessed", look(admin, "Wer,Was,Wann,Wieviel", "S1007,maze,2025-11-07,m").at("/result/files/0/told").asString());
    }

    private static Map<String, Object> use(String heading, String field) {
        return Map.of("heading", heading, "field", field, "with", Map.of());
    }

    @Test
    void whatATableCanBeAboutIsOfferedWithWhatIsOnRecord() throws Exception {
        JsonNode subjects = body(read(admin, "/api/records/subjects").andExpect(status().isOk()));
        JsonNode scores = StreamSupport.stream(subjects.spliterator(), false).filter(s -> s.get("code").asString().equals("scores")).findFirst().orElseThrow();
        assertTrue(StreamSupport.stream(scores.get("fields").get(1).get("choices").spliterator(), false).anyMatch(c -> c.get("code").asString().equals("maze")),
                scores.toString());
        List<String> ofTeachers = StreamSupport.stream(body(read(person("i.mensah"), "/api/records/subjects").andExpect(status().isOk())).spliterator(), false)
                .map(s -> s.get("code").asString()).toList();
        assertTrue(ofTeachers.contains("scores") && !ofTeachers.contains("class-list") && !ofTeachers.contains("people"), ofTeachers.toString());
    }

    @Test
    void refusedRowsComeBackAsTheyStandAndCanBeBroughtInOnceMore() throws Exception {
        JsonNode preview = look(admin, "Kid no;Test;Tested on;Points", "S1009;maze;09.11.2025;12", "S1010;maze;31.11.2025;zw\u00f6lf",
                "S1011;maze;16.11.2025;9");
        Map<String, Object> matching = Map.of("subject", "scores", "columns",
                List.of(use("Kid no", "student"), use("Test", "measure"), use("Tested on", "date"), use("Points", "score")), "fixed", Map.of(), "words",
                Map.of(), "names", Map.of());
        preview = again(admin, preview, json.valueToTree(matching));
        assertEquals(1, preview.at("/result/refused").asInt(), preview.toPrettyString());
        take(admin, preview);
        String repair = read(admin, "/api/records/imports/" + preview.get("id").asString() + "/rows-to-repair.csv").andExpect(status().isOk()).andReturn()
                .getResponse()
                .getContentAsString(java.nio.charset.StandardCharsets.UTF_8);
        String[] lines = repair.replace("\uFEFF", "").split("\r?\n");
        assertEquals(2, lines.length, repair);
        assertEquals("Kid no,Test,Tested on,Points,what is wrong", lines[0]);
        assertTrue(lines[1].startsWith("S1010,maze,31.11.2025,zwölf,'zwölf' is not a number. '31.11.2025' is not a day in the calendar."), lines[1]);
        JsonNode repaired = look(admin, lines[0], lines[1].replace("31.11.2025,zwölf", "30.11.2025,12"));
        assertEquals("remembered", repaired.at("/result/files/0/told").asString());
        assertEquals(1, repaired.at("/result/added").asInt(), repaired.toPrettyString());
    }

    @Test
    void aListWithClassesAndTeachersFillsAllOfThemInOneGo() throws Exception {
        JsonNode preview = look(admin, "Nachname;Vorname;Klasse;Jahrgang;Klassenlehrer;Schuljahr;Schule",
                "Öğüt;Zeynep;Plover;4;Marit Moen;2025-26;Skerrow Island School",
                "Ó Briain;Cian;Plover;4;Marit Moen;2025-26;Skerrow Island School", "Öğüt;Zeynep;Sanderling;4;Jo Lund;2025-26;Skerrow Island School",
                "Weiß;Ida;Sanderling;4;Jo Lund;2025-26;Skerrow Island School");
        assertEquals("family_name given_name class grade teacher year school", fields(preview));
        assertEquals(0, preview.at("/result/refused").asInt(), preview.toPrettyString());
        assertEquals("people 2, classes 2, students 4, enrolments 4, who teaches which class 2", parts(preview), preview.toPrettyString());
        assertEquals(List.of(), inClass("Plover"), "a look leaves nothing");
        take(admin, preview);
        assertEquals(List.of("Cian Ó Briain", "Zeynep Öğüt"), inClass("Plover"));
        assertEquals(List.of("Ida Weiß", "Zeynep Öğüt"), inClass("Sanderling"));
        assertEquals("Plover", people
                .sql("select string_agg(c.name, ', ') from people_teaches t join people_person p on p.id = t.person_id join roster_class c on c.id = t.class_id"
                        + " where p.login = 'marit.moen'")
                .query(String.class).single());

        JsonNode same = look(admin, "Nachname;Vorname;Klasse;Jahrgang;Klassenlehrer;Schuljahr;Schule",
                "Ó Briain;Cian;Plover;4;Marit Moen;2025-26;Skerrow Island School",
                "Weiß;Ida;Sanderling;4;Jo Lund;2025-26;Skerrow Island School");
        assertEquals("remembered", same.at("/result/files/0/told").asString());
        assertEquals(0, same.at("/result/added").asInt() + same.at("/result/changed").asInt(), same.toPrettyString());
        JsonNode moved = look(admin, "Nachname;Vorname;Klasse;Jahrgang;Klassenlehrer;Schuljahr;Schule",
                "Weiß;Ida;Plover;4;Marit Moen;2025-26;Skerrow Island School");
        take(admin, moved);
        assertEquals(List.of("Plover null", "Sanderling 2026-03-12"), asking(Viewer.SYSTEM, () -> db.sql("""
                select c.name || ' ' || coalesce(e.ends::text, 'null') from roster_enrolment e join roster_class c on c.id = e.class_id join roster_student s on s.id = e.student_id
                 where s.family_name = 'Weiß' order by 1""").query(String.class).list()));
        JsonNode doubtful = look(admin, "Nachname;Vorname;Klasse;Jahrgang;Klassenlehrer;Schuljahr;Schule",
                "Öğüt;Zeynep;Turnstone;4;Jo Lund;2025-26;Skerrow Island School");
        assertEquals(2, doubtful.at("/result/doubts/0/choices").size(), doubtful.toPrettyString());
    }

    @Test
    void whoLeavesThePageComesBackToWhatWasLookedAt() throws Exception {
        Viewer teacher = person("b.calder");
        JsonNode preview = look(teacher, "student,measure,date,score", "S9,maze,2025-11-07,12");
        assertEquals(preview.get("id"), body(read(teacher, "/api/records/imports/waiting").andExpect(status().isOk())).at("/preview/id"));
        call(teacher, org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete("/api/records/imports/" + preview.get("id").asString()))
                .andExpect(status().isNoContent());
        assertTrue(body(read(teacher, "/api/records/imports/waiting").andExpect(status().isOk())).at("/preview/id").isMissingNode());
    }

    /** Headings alone would do for a file of classes, too. */
    @Test
    void aListOfStudentsIsNotTakenForOneOfClasses() throws Exception {
        JsonNode preview = look(admin, "Name\tClass\tGrade\tTeacher", "Ada Lind\tDunlin\t2\tBo Sand", "Ole Lind\tDunlin\t2\tBo Sand");
        assertEquals("class-list", preview.at("/result/files/0/matching/subject").asString());
        assertEquals("full_name class grade teacher", fields(preview));
        assertEquals("2025-26", preview.at("/result/files/0/matching/fixed/year").asString());
    }

    private List<String> inClass(String name) {
        return asking(Viewer.SYSTEM, () -> db.sql("""
                select s.given_name || ' ' || s.family_name from roster_enrolment e join roster_class c on c.id = e.class_id join roster_student s on s.id = e.student_id
                 where c.name = :name and e.ends is null order by 1""").param("name", name).query(String.class).list());
    }

    private static String parts(JsonNode preview) {
        return String.join(", ", StreamSupport.stream(preview.at("/result/parts").spliterator(), false)
                .map(p -> p.get("label").asString() + " " + p.get("added").asInt()).toList());
    }

    @Test
    void severalFilesAreTakenTogetherInTheRightOrder() throws Exception {
        JsonNode first = look(admin, "student,class,from", "S7001,knot,2025-08-18");
        assertEquals(1, first.at("/result/refused").asInt(), "there is neither yet");
        String with = "/api/records/imports?name=b.csv&with=" + first.get("id").asString();
        body(call(admin, org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post(with).contentType("application/octet-stream")
                .content("student,given_name,family_name\nS7001,Ulla,Knot\n")).andExpect(status().isOk()));
        JsonNode all = body(call(admin, org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post(with).contentType("application/octet-stream")
                .content("class,school,year,name,grade\nknot,skerrow,2025-26,Knot,2\n")).andExpect(status().isOk()));
        assertEquals(3, all.at("/result/files").size());
        assertEquals(3, all.at("/result/added").asInt(), all.toPrettyString());
        assertTrue(all.at("/result/refusals").isEmpty());
        take(admin, all);
        assertEquals(List.of("Ulla Knot"), inClass("Knot"));
    }
}
