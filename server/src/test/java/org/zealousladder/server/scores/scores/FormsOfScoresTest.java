package org.zealousladder.server.scores.scores;

import static java.util.Objects.requireNonNull;
import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import tools.jackson.databind.JsonNode;

/** On which form or passage a score was taken: said by the strip, for all at once, by a correction and by a file; kept as long as nothing else is said. */
class FormsOfScoresTest extends ScreeningTest {
    private static final String TODAY = "2026-03-13";

    private ResultActions enter(String student, double value, @Nullable String form, @Nullable Long seen) {
        Map<String, Object> all = new HashMap<>(
                Map.of("studentId", student(student), "measureId", measure("oral-reading"), "day", TODAY, "values", List.of(value),
                        "status", "scored", "sure", true));
        if (form != null) {
            all.put("form", form);
        }
        if (seen != null) {
            all.put("seen", seen);
        }
        return send(person("r.oduya"), "/api/strip", all);
    }

    private JsonNode strip(String code) {
        return body(read(person("r.oduya"), "/api/strip" + scope(code, "&measure=" + measure("oral-reading") + "&day=" + TODAY)));
    }

    private String form(String code, String name) {
        return of(strip(code).get("rows"), name + " " + code).at("/entry/form").asString("none");
    }

    private ResultActions name(Viewer who, List<Long> scores, @Nullable String form) {
        Map<String, Object> all = new HashMap<>(Map.of("scores", scores));
        if (form != null) {
            all.put("form", form);
        }
        return send(who, "/api/strip/form", all);
    }

    private long id(String code, String name) {
        return of(strip(code).get("rows"), name + " " + code).at("/entry/scoreId").asLong();
    }

    private JsonNode history(String student) {
        return body(read(person("r.oduya"), "/api/trends/" + student(student) + "/" + measure("oral-reading") + "?asOf=" + TODAY)).get("history");
    }

    private List<String> versions(String student) {
        return each(history(student)).map(v -> (v.has("value") ? Words.plain(v.get("value").asDouble()) : "-") + " " + v.path("form").asString("none"))
                .toList();
    }

    @Test
    void aScoreKeepsItsFormUntilAnotherIsSaid() throws Exception {
        newClass("2025-FORMA", 3, "r.oduya", "Ada");
        String ada = "Ada 2025-FORMA";
        JsonNode first = body(enter(ada, 61, "  The  tide mill ", null).andExpect(status().isOk()));
        assertEquals("The tide mill", first.get("form").asString());
        long seen = first.get("scoreId").asLong();
        // The same sent again, by one that knows nothing of forms and by one that does, is on record already.
        assertEquals(seen, body(enter(ada, 61, null, null)).get("scoreId").asLong());
        assertEquals(seen, body(enter(ada, 61, "The tide mill", null)).get("scoreId").asLong());
        JsonNode corrected = body(enter(ada, 63, null, seen).andExpect(status().isOk()));
        assertEquals("The tide mill", corrected.get("form").asString());
        JsonNode other = body(enter(ada, 63, "The gull", corrected.get("scoreId").asLong()).andExpect(status().isOk()));
        assertEquals("The gull", other.get("form").asString());
        send(person("r.oduya"), "/api/scores/" + other.get("scoreId").asLong() + "/corrections", Map.of("value", 63, "status", "scored", "form", " The gull "))
                .andExpect(refused("422 invalid value"));
        send(person("r.oduya"), "/api/scores/" + other.get("scoreId").asLong() + "/corrections", Map.of("value", 63, "status", "scored", "form", ""))
                .andExpect(status().isNoContent());
        assertEquals(List.of("63 none", "63 The gull", "63 The tide mill", "61 The tide mill"), versions(ada));
        enter(ada, 64, "x".repeat(61), id("2025-FORMA", "Ada")).andExpect(refused("422 invalid form"))
                .andExpect(jsonPath("$.detail", containsString("at most 60 letters")));
    }

    @Test
    void whoWasAbsentTookNone() throws Exception {
        newClass("2025-FORMB", 3, "r.oduya", "Ada");
        String ada = "Ada 2025-FORMB";
        long seen = body(enter(ada, 61, "The gull", null).andExpect(status().isOk())).get("scoreId").asLong();
        JsonNode absent = body(
                send(person("r.oduya"), "/api/strip", Map.of("studentId", student(ada), "measureId", measure("oral-reading"), "day", TODAY, "values", List.of(),
                        "status", "absent", "seen", seen, "form", "The gull")).andExpect(status().isOk()));
        assertEquals("absent", absent.get("status").asString());
        assertFalse(absent.has("form"));
        assertEquals(List.of("- none", "61 The gull"), versions(ada));
    }

    /** What was scored on each of three stays, whoever says what they were called, and where. */
    @Test
    void aMedianKeepsWhatItIsTheMedianOf() throws Exception {
        newClass("2025-FORMF", 3, "r.oduya", "Ada");
        String ada = "Ada 2025-FORMF";
        Viewer teacher = person("r.oduya");
        long first = body(
                send(teacher, "/api/strip", Map.of("studentId", student(ada), "measureId", measure("oral-reading"), "day", TODAY, "values", List.of(70, 81, 76),
                        "status", "scored", "sure", true)).andExpect(status().isOk()))
                .get("scoreId").asLong();
        send(teacher, "/api/scores/" + first + "/corrections", Map.of("value", 76, "status", "scored", "form", "Sheets 1 to 3", "reason", "forgotten"))
                .andExpect(status().isNoContent());
        JsonNode entry = of(strip("2025-FORMF").get("rows"), ada).get("entry");
        assertEquals("Sheets 1 to 3", entry.get("form").asString());
        assertEquals("[70.0,81.0,76.0]", entry.get("forms").toString());
        assertEquals("forgotten", history(ada).get(0).get("reason").asString());
        name(teacher, List.of(entry.get("scoreId").asLong()), "Sheets 4 to 6").andExpect(status().isNoContent());
        assertEquals("[70.0,81.0,76.0]", of(strip("2025-FORMF").get("rows"), ada).at("/entry/forms").toString());
        send(teacher, "/api/scores/" + first + "/corrections", Map.of("value", 76, "status", "scored", "form", "late")).andExpect(refused("409 conflict"));
        send(teacher, "/api/strip/form", Map.of("scores", java.util.Arrays.asList(first, null))).andExpect(status().isUnprocessableContent());
    }

    @Test
    void theFormOfAllIsSaidOnceForAllOrForNone() throws Exception {
        String code = "2025-FORMC";
        newClass(code, 3, "r.oduya", "Ada", "Bo", "Cy");
        for (String name : List.of("Ada", "Bo", "Cy")) {
            enter(name + " " + code, 60, name.equals("Cy") ? "The gull" : null, null).andExpect(status().isOk());
        }
        List<Long> all = List.of(id(code, "Ada"), id(code, "Bo"), id(code, "Cy"));
        name(person("b.calder"), all, "The gull").andExpect(refused("404 not-found"));
        name(person("r.oduya"), all, "x".repeat(61)).andExpect(refused("422 invalid form"));
        name(person("r.oduya"), List.of(), "The gull").andExpect(status().isUnprocessableContent());
        name(person("r.oduya"), all, "The gull").andExpect(status().isNoContent());
        assertEquals(List.of("The gull", "The gull", "The gull"), List.of(form(code, "Ada"), form(code, "Bo"), form(code, "Cy")));
        assertEquals(all.get(2), id(code, "Cy"), "what was said already is not said again");
        assertEquals(List.of("The gull"), each(strip(code).get("formNames")).map(JsonNode::asString).toList());
        // With what it was a moment ago nothing is done, not even to those that are still current.
        name(person("r.oduya"), all, "The ferry").andExpect(refused("409 conflict"));
        assertEquals("The gull", form(code, "Cy"));
        name(person("r.oduya"), List.of(id(code, "Ada"), id(code, "Bo")), null).andExpect(status().isNoContent());
        assertEquals(List.of("none", "none", "The gull"), List.of(form(code, "Ada"), form(code, "Bo"), form(code, "Cy")));
        assertEquals(List.of("60 none", "60 The gull", "60 none"), versions("Ada " + code));
    }

    @Test
    void aFileSaysFormsAndTakenBackTheOldOnesStandAgain() throws Exception {
        newClass("2025-FORMD", 3, "r.oduya", "Ada", "Bo", "Cy");
        String ada = "2025-FORMD-Ada,oral-reading,2026-03-13,";
        take("student,measure,date,score,form", ada + "61,Form A", "2025-FORMD-Bo,oral-reading,2026-03-13,50,");
        assertEquals(1, take("student,measure,date,score", ada + "61").unchanged());
        Viewer teacher = person("r.oduya");
        JsonNode preview = body(upload(teacher,
                TestServer.csv("student,measure,date,score,status,form", ada + "61,,Form  B", "2025-FORMD-Bo,oral-reading,2026-03-13,50,,Form B",
                        "2025-FORMD-Cy,oral-reading,2026-03-13,,absent,Form B", "2025-FORMD-Cy,oral-reading,2026-03-12,40,," + "y".repeat(61)))
                .andExpect(status().isOk()));
        assertTrue(preview.toString().contains("at most 60 letters; this one has 61"), preview.toString());
        send(teacher, "/api/records/imports/" + preview.get("id").asString() + "/acceptance", Map.of()).andExpect(status().isOk());
        assertEquals(List.of("61 Form B", "61 Form A"), versions("Ada 2025-FORMD"));
        assertEquals(List.of("50 Form B", "50 none"), versions("Bo 2025-FORMD"));
        assertEquals(List.of("- none"), versions("Cy 2025-FORMD"));
        long done = body(read(teacher, "/api/records/done").andExpect(status().isOk())).get(0).get("id").asLong();
        send(teacher, "/api/records/done/" + done + "/undo", Map.of("reason", "the wrong forms")).andExpect(status().isNoContent());
        assertEquals(List.of("61 Form A", "61 Form B", "61 Form A"), versions("Ada 2025-FORMD"));
        assertEquals("50 none", versions("Bo 2025-FORMD").get(0));
        take("student,measure,date,score", ada + "66");
        assertEquals("66 Form A", versions("Ada 2025-FORMD").get(0));
        String csv = requireNonNull(read(teacher, "/api/records/scores.csv" + scope("2025-FORMD", "")).andExpect(status().isOk()).andReturn().getResponse()
                .getContentAsString());
        assertTrue(csv.startsWith("student,measure,date,score,status,form"), csv);
        assertTrue(csv.contains("2025-FORMD-Ada,oral-reading,2026-03-13,66,scored,Form A"), csv);
    }
}
