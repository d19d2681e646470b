package org.zealousladder.server.learning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Packages of items in the form of QTI 3.0: what can be asked is taken, what cannot is said item by item. */
class ItemPackagesTest extends ScreeningTest {
    private static final byte[] PIXEL = Base64.getDecoder()
            .decode("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==");
    private static final String MATCH = "<qti-response-processing template=\"https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml\"/>";
    private static final String MAP = "<qti-response-processing template=\"https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/map_response.xml\"/>";

    private static String item(String id, String title, String attributes, String declaration, String body, String processing) {
        return """
                <qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="%s" title="%s" adaptive="false" time-dependent="false"%s>
                %s<qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>
                <qti-item-body>%s</qti-item-body>%s</qti-assessment-item>""".formatted(id, title, attributes, declaration, body, processing);
    }

    private static String declared(String cardinality, String base, String... right) {
        StringBuilder values = new StringBuilder();
        for (String r : right) {
            values.append("<qti-value>").append(r).append("</qti-value>");
        }
        return "<qti-response-declaration identifier=\"RESPONSE\" cardinality=\"" + cardinality + "\" base-type=\"" + base + "\">"
                + (right.length == 0 ? "" : "<qti-correct-response>" + values + "</qti-correct-response>") + "</qti-response-declaration>";
    }

    private static String choice(int most, String prompt, String... choices) {
        StringBuilder all = new StringBuilder(
                "<p>The ferry leaves at <b>high</b>\n  water.</p><qti-choice-interaction response-identifier=\"RESPONSE\" max-choices=\"" + most
                        + "\"><qti-prompt>" + prompt + "</qti-prompt>");
        for (String c : choices) {
            all.append("<qti-simple-choice identifier=\"").append(c).append("\">").append(c.toUpperCase(java.util.Locale.ROOT)).append("</qti-simple-choice>");
        }
        return all + "</qti-choice-interaction>";
    }

    private static final Map<String, String> ITEMS = new LinkedHashMap<>();

    static {
        ITEMS.put("one", item("q-one", "When", "", declared("single", "identifier", "noon"), choice(1, "When is that?", "dawn", "noon") + "", MATCH));
        ITEMS.put("several",
                item("q-several", "Which", "", declared("multiple", "identifier", "cork", "wood"), choice(0, "Which float?", "cork", "iron", "wood"),
                        MATCH));
        ITEMS.put("text", item("q-text", "Ebb", "", """
                <qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="string"><qti-mapping default-value="0">
                <qti-map-entry map-key="flow" mapped-value="2"/><qti-map-entry map-key="rise" mapped-value="1"/></qti-mapping></qti-response-declaration>""",
                "<p>After ebb comes <qti-text-entry-interaction response-identifier=\"RESPONSE\" expected-length=\"8\"/>.</p>", MAP));
        ITEMS.put("match", item("q-match", "Pairs", "", declared("multiple", "directedPair", "h y", "q x"), """
                <qti-match-interaction response-identifier="RESPONSE"><qti-prompt>What is the same?</qti-prompt>
                <qti-simple-match-set><qti-simple-associable-choice identifier="h" match-max="1">half</qti-simple-associable-choice>
                <qti-simple-associable-choice identifier="q" match-max="1">quarter</qti-simple-associable-choice></qti-simple-match-set>
                <qti-simple-match-set><qti-simple-associable-choice identifier="x" match-max="1">0.25</qti-simple-associable-choice>
                <qti-simple-associable-choice identifier="y" match-max="1">0.5</qti-simple-associable-choice></qti-simple-match-set></qti-match-interaction>""",
                MATCH));
        ITEMS.put("picture", item("q-picture", "Dot", "", declared("single", "integer", "1"),
                "<p><img src=\"../pictures/a%20dot.png\" alt=\"one dot\"/>How many dots? <qti-text-entry-interaction response-identifier=\"RESPONSE\"/></p>",
                MATCH));
        ITEMS.put("spot", item("q-spot", "Harbour", "", declared("single", "point", "1 1"),
                "<qti-hotspot-interaction response-identifier=\"RESPONSE\" max-choices=\"1\"/>", MATCH));
        ITEMS.put("rules", item("q-rules", "Own rules", "", declared("single", "identifier", "dawn"), choice(1, "When?", "dawn", "noon"),
                "<qti-response-processing><qti-response-condition/></qti-response-processing>"));
        ITEMS.put("unsaid", item("q-unsaid", "Unsaid", "", declared("single", "identifier"), choice(1, "When?", "dawn", "noon"), MATCH));
    }

    private static byte[] zip(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> e : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(e.getKey()));
                zip.write(e.getValue());
            }
        }
        return out.toByteArray();
    }

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] packed() throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        StringBuilder resources = new StringBuilder();
        ITEMS.forEach((name, xml) -> {
            files.put("items/" + name + ".xml", utf8(xml));
            resources.append("<resource identifier=\"").append(name).append("\" type=\"imsqti_item_xmlv3p0\" href=\"items/").append(name).append(".xml\"/>");
        });
        resources.append("<resource identifier=\"gone\" type=\"imsqti_item_xmlv3p0\" href=\"items/gone.xml\"/>");
        files.put("imsmanifest.xml",
                utf8("<manifest xmlns=\"http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1\"><resources>" + resources + "</resources></manifest>"));
        files.put("pictures/a dot.png", PIXEL);
        return zip(files);
    }

    private ResultActions bring(Viewer who, byte[] body, boolean take, String more) {
        return call(who, MockMvcRequestBuilders.post("/api/bank/packages?school=" + school() + "&take=" + take + more).contentType("application/octet-stream")
                .content(body));
    }

    private static List<String> said(JsonNode result) {
        return result.get("items").valueStream().map(i -> i.get("name").asString() + ": " + i.get("state").asString()
                + (i.hasNonNull("words") ? ", " + i.get("words").asString() : "")).toList();
    }

    @Test
    void whatCanBeAskedIsTakenAndWhatCannotIsSaidItemByItem() throws Exception {
        Viewer coordinator = person("m.tveit");
        JsonNode look = body(bring(coordinator, packed(), false, "").andExpect(status().isOk()));
        List<String> wanted = List.of("When: new", "Which: new", "Ebb: new", "Pairs: new", "Dot: new",
                "Harbour: unsupported, It is answered in a way that is not had here: a spot on a picture is clicked.",
                "Own rules: unsupported, It is scored by rules of its own.", "Unsaid: unsupported, It does not say which answer is right.",
                "items/gone.xml: unsupported, The package names it and does not hold it.");
        assertEquals(wanted, said(look));
        assertEquals(0, items("q-one"), "nothing was kept");
        JsonNode took = body(bring(coordinator, packed(), true, "&check=Out+of+a+package").andExpect(status().isOk()));
        assertEquals(wanted, said(took));
        assertEquals(5, took.get("added").asInt());
        JsonNode check = body(read(coordinator, "/api/checks/" + took.get("check").asInt()));
        assertEquals(List.of("choice", "choices", "text", "match", "number"), check.get("items").valueStream().map(i -> i.get("kind").asString()).toList());
        assertEquals("The ferry leaves at high water.\nWhen is that?", check.at("/items/0/prompt").asString());
        assertEquals("After ebb comes ____ .", check.at("/items/2/prompt").asString());
        assertEquals(2, check.at("/items/2/possible").asInt());
        assertTrue(check.at("/items/4/body/picture").isNumber());
        // What answers to them are worth: a whole by match_correct, points by map_response.
        assertEquals(List.of(1.0, 0.0), worth(check, 0, "b", "a"));
        assertEquals(List.of(1.0, 0.0, 0.0), worth(check, 1, "c|a", "a", "a|b|c"));
        assertEquals(List.of(1.0, 0.5), worth(check, 2, "FLOW", "rise"));
        assertEquals(List.of(1.0, 0.0), worth(check, 3, "a 2|b 1", "a 2"));
        // Once more: they are there.
        JsonNode again = body(bring(coordinator, packed(), true, ""));
        assertEquals("0 5 4", again.get("added").asInt() + " " + again.get("known").asInt() + " " + again.get("unsupported").asInt());
        bring(person("r.oduya"), packed(), false, "").andExpect(status().isOk());
    }

    private int items(String identifier) {
        return asking(Viewer.SYSTEM, () -> db.sql("select count(*)::integer from skills_item where identifier = :i").param("i", identifier)
                .query(Integer.class).single());
    }

    private List<Double> worth(JsonNode check, int item, String... answers) {
        int id = check.at("/items/" + item + "/id").asInt();
        return java.util.Arrays.stream(answers).map(a -> asking(Viewer.SYSTEM,
                () -> db.sql("select skills_worth(:i, :a)").param("i", id).param("a", a).query(Double.class).single())).toList();
    }

    @Test
    void whatIsNoPackageIsRefusedWithItsRepair() throws Exception {
        Viewer coordinator = person("m.tveit");
        refused(coordinator, utf8("student,item\n1,2"), "There is no item in it in the form of QTI 3.0.");
        refused(coordinator, utf8("<html xmlns='http://www.w3.org/1999/xhtml'/>"), "There is no item in it in the form of QTI 3.0.");
        refused(coordinator, zip(Map.of("../out.xml", utf8(ITEMS.get("one")))), "The package names places outside of itself.");
        refused(coordinator, zip(Map.of("readme.txt", utf8("x"))), "There is no item in it in the form of QTI 3.0.");
        // A document type is not read, and nothing that it names.
        byte[] secret = utf8("<!DOCTYPE x [<!ENTITY e SYSTEM \"file:///etc/hostname\">]>" + ITEMS.get("one").replace("NOON", "&e;"));
        Map<String, byte[]> both = new LinkedHashMap<>();
        both.put("a.xml", secret);
        both.put("b.xml", utf8(ITEMS.get("one").replace("q-one", "q-other")));
        assertEquals(List.of("a.xml: unsupported, It is no well-formed XML, or has a document type, which is not read.", "When: new"),
                said(body(bring(coordinator, zip(both), false, "").andExpect(status().isOk()))));
        // One item by itself.
        assertEquals(List.of("When: new"), said(body(bring(coordinator, utf8(ITEMS.get("one").replace("q-one", "q-alone")), false, ""))));
    }

    private void refused(Viewer who, byte[] body, String begins) throws Exception {
        JsonNode problem = json
                .readTree(bring(who, body, false, "").andExpect(status().isUnprocessableContent()).andReturn().getResponse().getContentAsString());
        assertTrue(problem.get("detail").asString().startsWith(begins), problem.get("detail").asString());
    }

    @Test
    void resultsAreReadAsAnswers() throws Exception {
        newClass("QTR", 3, "r.oduya", "Ada");
        take("item,prompt,item_kind,choices,of_school", "q-own,When?,choice,dawn|noon,SKERROW");
        bring(person("m.tveit"), utf8(ITEMS.get("text").replace("q-text", "q-results")), true, "").andExpect(status().isOk());
        String results = """
                <?xml version="1.0"?><assessmentResult xmlns="http://www.imsglobal.org/xsd/imsqti_result_v3p0"><context sourcedId="QTR-Ada"/>
                <testResult identifier="T" datestamp="2026-03-02T10:00:00"/>
                <itemResult identifier="q-results" datestamp="2026-03-02T10:00:00" sessionStatus="final">
                <responseVariable identifier="RESPONSE" cardinality="single" baseType="string">
                <candidateResponse><value>rise</value></candidateResponse></responseVariable>
                <responseVariable identifier="duration" cardinality="single" baseType="float">
                <candidateResponse><value>12.6</value></candidateResponse></responseVariable>
                <outcomeVariable identifier="SCORE" cardinality="single" baseType="float"><value>1</value></outcomeVariable></itemResult>
                <itemResult identifier="q-own" datestamp="2026-03-02T10:01:00" sessionStatus="final">
                <outcomeVariable identifier="SCORE" cardinality="single"><value>0.5</value></outcomeVariable>
                <outcomeVariable identifier="MAXSCORE" cardinality="single"><value>2</value></outcomeVariable></itemResult>
                <itemResult identifier="q-own" datestamp="2026-03-03T10:01:00" sessionStatus="initial"/></assessmentResult>""".strip();
        java.nio.file.Path file = java.nio.file.Files.writeString(java.nio.file.Files.createTempFile("results", ".xml"), results);
        signInHere(Viewer.SYSTEM);
        var result = imports.take(file);
        java.nio.file.Files.delete(file);
        assertEquals(List.of(), result.refusals());
        assertEquals(List.of("q-own 0.5 of 2.0 null null", "q-results 1.0 of 2.0 rise 13"), asking(Viewer.SYSTEM, () -> db.sql("""
                select coalesce(i.identifier, i.code) || ' ' || a.points::text || case when a.points = 1 then '.0' else '' end || ' of ' || a.possible || '.0 '
                       || coalesce(a.answer, 'null') || ' ' || coalesce(a.seconds::text, 'null')
                  from skills_answer a join skills_item i on i.id = a.item_id where a.student_id = :s order by 1""").param("s", student("Ada QTR"))
                .query(String.class).list()));
    }
}
