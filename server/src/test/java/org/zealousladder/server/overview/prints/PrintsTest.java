package org.zealousladder.server.overview.prints;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.PdfCheck;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Sheets for home and for the meeting, read back from the PDF. */
class PrintsTest extends ServerTest {
    private Viewer teacher;
    private Viewer coordinator;
    private int kittiwake;
    private int school;

    @BeforeEach
    void people() {
        teacher = person("r.oduya");
        coordinator = person("m.tveit");
        kittiwake = classId("2025-KITTIWAKE");
        school = db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
    }

    private List<String> sections(String kind, boolean usual) {
        List<String> all = new ArrayList<>();
        for (JsonNode k : body(read(teacher, "/api/prints/choices?school=" + school)).path("kinds")) {
            if (k.path("kind").asString("").equals(kind)) {
                k.path("sections").forEach(s -> {
                    if (!usual || s.path("usual").asBoolean()) {
                        all.add(s.path("section").asString(""));
                    }
                });
            }
        }
        return all;
    }

    private Map<String, Object> form(String kind, String whose) {
        return new HashMap<>(Map.of("kind", kind, "whose", whose, "sections", sections(kind, true), "second", false, "asOf", "2026-03-13", "codes", false));
    }

    private byte[] print(Map<String, Object> form) throws Exception {
        return PdfCheck.made(this::read, teacher, body(send(teacher, "/api/prints", form)).path("id").asLong());
    }

    private List<String> others(String... but) {
        List<String> all = new ArrayList<>(asking(Viewer.SYSTEM, () -> db.sql("""
                select s.given_name || ' ' || s.family_name from roster_enrolment e join roster_student s on s.id = e.student_id where e.class_id = :c
                   and e.starts <= '2026-03-13' and (e.ends is null or e.ends >= '2026-03-13')""")
                .param("c", kittiwake).query(String.class).list()));
        all.removeAll(Arrays.asList(but));
        return all;
    }

    @Test
    void forHomeItIsTheirOwnCourseInPlainWords() throws Exception {
        int zuri = student("Zuri Halloran");
        byte[] pdf = print(form("home", "students-" + zuri));
        PdfCheck.forEverybody(pdf);
        String text = PdfCheck.text(pdf);
        JsonNode page = body(read(teacher, "/api/students/" + zuri + "?asOf=2026-03-13"));
        JsonNode points = page.path("lanes").get(0).path("card").path("points");
        long newest = Math.round(points.get(points.size() - 1).path("value").asDouble());
        for (String part : List.of("How Zuri Halloran is getting on", "Kittiwake, grade 3. As of 13 Mar 2026.", newest + " on ",
                "The goal is 94 by 8 May 2026.",
                "Paired reading, 3 times a week since 12 Jan 2026.", "Still learning: ", "school days this year.", "Parent or guardian")) {
            assertTrue(text.contains(part), part + " in " + text);
        }
        for (String word : List.of("tier", "Tier", "percentile", "of 100 children", "Needs a lift", "chance", "Chance", "Decisions", "Calls")) {
            assertFalse(text.contains(word), word + " in " + text);
        }
        others("Zuri Halloran").forEach(n -> assertFalse(text.contains(n), n));
        Map<String, Object> ranked = form("home", "students-" + zuri);
        ranked.put("sections", List.of("scores", "percentiles"));
        assertTrue(Pattern.compile("Oral reading, Winter: of 100 children of the grade, about \\d+ score lower").matcher(PdfCheck.text(print(ranked))).find());
    }

    @Test
    void forTheMeetingItIsWhatTheTeamNeeds() throws Exception {
        byte[] pdf = print(form("meeting", "students-" + student("Zuri Halloran")));
        PdfCheck.forEverybody(pdf);
        String text = PdfCheck.text(pdf);
        for (String part : List.of("Zuri Halloran, for the meeting", "Gaining ", "Chance of reaching the goal: ", "Needs a lift", "Tiers",
                "sessions were held.", "What we agree", "Now", "Home not reached this year.", "In Maths: tier 3")) {
            assertTrue(text.contains(part), part + " in " + text);
        }
    }

    /** The paragraph says what the page says, in the words for print; the plan has its picture, told to who cannot see it. */
    @Test
    void nowAndThePlansCourse() throws Exception {
        int zuri = student("Zuri Halloran");
        Map<String, Object> form = form("meeting", "students-" + zuri);
        form.put("sections", List.of("now", "plans"));
        byte[] pdf = print(form);
        PdfCheck.forEverybody(pdf);
        String text = PdfCheck.text(pdf).replaceAll("\\s+", " ");
        JsonNode page = body(read(teacher, "/api/students/" + zuri + "?asOf=2026-03-13"));
        String figure = page.path("now").valueStream().filter(n -> n.path("to").asString("").equals("TREND")).findFirst().orElseThrow().path("figure")
                .asString();
        assertTrue(text.contains("Oral reading: Gaining " + figure + ". The goal is 94 by 8 May 2026."), text);
        String away = page.path("now").valueStream().filter(n -> n.path("to").asString("").equals("DAYS")).findFirst().orElseThrow().path("figure").asString();
        assertTrue(text.contains("Absent on " + away.replaceAll("\\D", "") + " of "), text);
        try (PDDocument document = Loader.loadPDF(pdf)) {
            StringBuilder told = new StringBuilder();
            alternatives(document.getDocumentCatalog().getStructureTreeRoot().getKids(), told);
            assertTrue(told.toString().matches("(?s).*Oral reading during the plan, and before: \\d+ scores, from .*"), told.toString());
        }
        Map<String, Object> home = form("home", "students-" + zuri);
        home.put("sections", List.of("now"));
        String plain = PdfCheck.text(print(home));
        assertTrue(plain.contains("Gaining ") && !plain.contains("tier") && !plain.contains("reached"), plain);
    }

    private static void alternatives(List<Object> kids, StringBuilder told) {
        for (Object k : kids) {
            if (k instanceof org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement e) {
                told.append(e.getAlternateDescription()).append('|');
                alternatives(e.getKids(), told);
            }
        }
    }

    @Test
    void aPacketForThreeBeginsAPageForEach() throws Exception {
        List<String> three = List.of("Zuri Halloran", "Caspian Ng", "Jory Tamsin");
        String ids = String.join(",", three.stream().map(n -> String.valueOf(student(n))).toList());
        byte[] pdf = print(form("home", "students-" + ids));
        PdfCheck.forEverybody(pdf);
        try (PDDocument document = Loader.loadPDF(pdf)) {
            Map<String, String> pages = new HashMap<>();
            for (int i = 1; i <= document.getNumberOfPages(); i++) {
                PDFTextStripper one = new PDFTextStripper();
                one.setStartPage(i);
                one.setEndPage(i);
                String text = one.getText(document);
                List<String> named = three.stream().filter(text::contains).toList();
                assertTrue(named.size() <= 1, "nobody is on another's page: " + named);
                named.forEach(n -> pages.merge(n, text, String::concat));
            }
            assertEquals(3, pages.size());
        }
    }

    @Test
    void aClassIsOneJobThatSaysHowFarItIs() throws Exception {
        long id = body(send(teacher, "/api/prints", form("home", "class-" + kittiwake))).path("id").asLong();
        assertEquals(24, body(read(teacher, "/api/papers/" + id)).path("total").asInt());
        read(coordinator, "/api/papers/" + id).andExpect(refused("404 not-found"));
        String text = PdfCheck.text(PdfCheck.made(this::read, teacher, id));
        others().forEach(n -> assertTrue(text.contains("How " + n + " is getting on"), n));
        long noted = 0;
        for (int i = 0; i < 50 && noted == 0; i++) {
            noted = asking(Viewer.SYSTEM,
                    () -> db.sql("select count(*) from audit_event where kind = 'print' and what = 'Student page' and person_id = :p and students = 23")
                            .param("p", teacher.id()).query(Long.class).single());
            Thread.sleep(100);
        }
        assertTrue(noted > 0, "a print stands in the audit");
    }

    @Test
    void namesThatAreHiddenAreHiddenOnPaper() throws Exception {
        Map<String, Object> form = form("meeting", "students-" + student("Zuri Halloran"));
        form.put("codes", true);
        String text = PdfCheck.text(print(form));
        assertFalse(text.contains("Zuri") || text.contains("Halloran"), text);
        assertTrue(text.contains("S1"), text);
    }

    private ResultActions keep(Viewer viewer, String tag, Map<String, String> words) {
        List<Map<String, String>> phrases = words.entrySet().stream().map(e -> Map.of("phrase", e.getKey(), "words", e.getValue())).toList();
        return call(viewer, put("/api/prints/words?school=" + school).contentType("application/json")
                .content(json.writeValueAsString(Map.of("name", "español", "tag", tag, "phrases", phrases))));
    }

    @Test
    void theFixedWordsAreInTheSchoolsOtherLanguage() throws Exception {
        Map<String, String> words = Map.of("heading-home", "Cómo va {name}", "goal-line", "La meta es {goal} para el {day}.", "sign-home",
                "Padre, madre o tutor");
        keep(teacher, "es", words).andExpect(refused("403 forbidden"));
        keep(coordinator, "not a tag", words).andExpect(refused("422 invalid tag"));
        keep(coordinator, "es", Map.of("goal-line", "La meta es {goal}.")).andExpect(refused("422 invalid goal-line"));
        keep(coordinator, "es", words).andExpect(status().isNoContent());
        JsonNode choices = body(read(teacher, "/api/prints/choices?school=" + school));
        assertEquals("español|" + (Phrase.values().length - 3), choices.path("second").asString("") + "|" + choices.path("missing").asInt());
        Map<String, Object> form = form("home", "students-" + student("Zuri Halloran"));
        form.put("second", true);
        byte[] pdf = print(form);
        PdfCheck.forEverybody(pdf);
        String text = PdfCheck.text(pdf);
        assertTrue(text.contains("Cómo va Zuri Halloran") && text.contains("La meta es 94 para el 8 may 2026.") && text.contains("Padre, madre o tutor"), text);
        assertTrue(text.contains("What we do"), "what has no words yet stays English");
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertEquals("es", document.getDocumentCatalog().getLanguage());
        }
        keep(coordinator, "es", Map.of()).andExpect(status().isNoContent());
        assertEquals(Phrase.values().length, body(read(teacher, "/api/prints/choices?school=" + school)).path("missing").asInt());
    }

    @Test
    void whatIsNotTheirsIsRefused() throws Exception {
        int stranger = asking(Viewer.SYSTEM, () -> db.sql("select student_id from roster_enrolment where class_id = :c order by 1 limit 1")
                .param("c", classId("2025-TERN")).query(Integer.class).single());
        send(teacher, "/api/prints", form("home", "students-" + stranger)).andExpect(refused("404 not-found"));
        send(teacher, "/api/prints", form("home", "class-" + classId("2025-TERN"))).andExpect(refused("403 forbidden"));
        Map<String, Object> none = form("home", "class-" + kittiwake);
        none.put("sections", List.of());
        send(teacher, "/api/prints", none).andExpect(refused("422 invalid sections"));
        assertFalse(sections("home", false).stream().anyMatch(List.of("tiers", "contacts", "decisions", "concerns", "facts")::contains));
        assertFalse(sections("home", true).contains("percentiles"));
    }
}
