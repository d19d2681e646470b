package org.zealousladder.server.learning.reading;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Reading aloud, from the marks to what is taught next. */
class ReadingTest extends ScreeningTest {
    private static final String TODAY = "2026-03-13";

    private JsonNode home(String login, String code) {
        return body(read(person(login), "/api/reading" + scope(code, "")));
    }

    private JsonNode passage(String title) {
        return each(home("b.calder", "2025-FULMAR").get("passages")).filter(p -> p.get("title").asString().equals(title)).findFirst().orElseThrow();
    }

    private static Map<String, Object> mark(int word, String kind, double at) {
        return Map.of("word", word, "kind", kind, "at", at);
    }

    private Map<String, Object> reading(String student, JsonNode passage, List<Map<String, Object>> marks) {
        JsonNode library = home("b.calder", "2025-FULMAR").get("behaviours");
        return new HashMap<>(Map.of("studentId", student(student), "passageId", passage.get("id").asInt(), "readOn", TODAY, "seconds", 60, "limitSeconds", 60,
                "lastWord", 90, "marks", marks, "retelling", 3, "answers", List.of(Map.of("questionId", passage.at("/questions/0/id").asInt(), "points", 1),
                        Map.of("questionId", passage.at("/questions/2/id").asInt(), "points", 0)),
                "seen", List.of(Map.of("behaviourId", library.at("/0/id").asInt(), "shown", true),
                        Map.of("behaviourId", library.at("/1/id").asInt(), "shown", false))));
    }

    private static final List<Map<String, Object>> MARKS = List.of(mark(4, "error", 2.5), mark(17, "left-out", 9), mark(23, "self-corrected", 14),
            mark(23, "inserted", 15), mark(40, "told", 30), mark(66, "error", 44));

    @Test
    void aReadingIsCountedKeptReadBackAndCompared() throws Exception {
        String code = "2025-READA";
        newClass(code, 3, "b.calder", "Ada");
        JsonNode tide = passage("The tide table");
        assertTrue(tide.get("words").asInt() > 150);
        Map<String, Object> form = reading("Ada " + code, tide, MARKS);
        JsonNode outcome = body(send(person("b.calder"), "/api/reading/outcome", form).andExpect(status().isOk()));
        assertEquals(85, outcome.get("correctPerMinute").asDouble(), 1e-9);
        assertEquals(85 / 90.0, outcome.get("accuracy").asDouble(), 1e-9);
        assertEquals(18, outcome.get("errorRatio").asDouble(), 1e-9);
        assertEquals(6, outcome.get("selfCorrectionRatio").asDouble(), 1e-9);
        assertEquals(4 / 7.0, outcome.get("comprehension").asDouble(), 1e-9, "three of four retold, one of one, none of two");
        assertEquals(1, outcome.get("literal").asDouble());
        assertEquals(0, outcome.get("inferential").asDouble());
        assertEquals("Reads it with help", outcome.get("proposedLevel").asString());
        assertEquals(1, outcome.get("teach").size(), "what was shown gives nothing to teach");
        assertEquals(5, each(outcome.get("lines")).mapToInt(l -> l.get("errors").asInt()).sum());
        form.put("measureId", measure("oral-reading"));
        long first = body(send(person("b.calder"), "/api/reading", form).andExpect(status().isOk())).get("id").asLong();
        JsonNode back = body(read(person("b.calder"), "/api/reading/" + first + "?asOf=" + TODAY)).get("reading");
        assertEquals(6, back.get("marks").size());
        assertEquals(2.5, each(back.get("marks")).filter(m -> m.get("word").asInt() == 4).findFirst().orElseThrow().get("at").asDouble());
        JsonNode page = body(read(person("b.calder"), "/api/trends/" + student("Ada " + code) + "/" + measure("oral-reading") + "?asOf=" + TODAY));
        assertEquals(85, page.at("/history/0/value").asDouble(), "the rate is the day's score");
        // The same passage again: that day has a score, so neither is saved; without it the reading is, and the first stands beside it.
        send(person("b.calder"), "/api/reading", form).andExpect(status().isConflict());
        form.remove("measureId");
        form.put("marks", List.of(mark(4, "error", 2)));
        long second = body(send(person("b.calder"), "/api/reading", form).andExpect(status().isOk())).get("id").asLong();
        JsonNode pair = body(read(person("b.calder"), "/api/reading/" + second + "?asOf=" + TODAY));
        assertEquals(1, pair.get("others").size());
        assertEquals(5, pair.at("/others/0/reading/outcome/errors").asInt());
        assertEquals("Of the 90 words both reached, 4 were missed on 13 Mar 2026: 1 again, 3 no longer; 0 new on 13 Mar 2026.",
                pair.at("/others/0/words/sentence").asString());
        assertEquals(2, home("b.calder", code).get("readings").size());
        send(person("r.oduya"), "/api/reading/" + second + "/withdrawal", Map.of()).andExpect(status().isNotFound());
        send(person("b.calder"), "/api/reading/" + second + "/restoration", Map.of()).andExpect(refused("409 conflict"));
        send(person("b.calder"), "/api/reading/" + second + "/withdrawal", Map.of()).andExpect(status().isNoContent());
        int without = home("b.calder", code).get("readings").size();
        send(person("m.tveit"), "/api/reading/" + second + "/restoration", Map.of()).andExpect(refused("409 conflict"));
        send(person("b.calder"), "/api/reading/" + second + "/restoration", Map.of()).andExpect(status().isNoContent());
        assertEquals(without + 1, home("b.calder", code).get("readings").size());
        send(person("b.calder"), "/api/reading/" + second + "/withdrawal", Map.of()).andExpect(status().isNoContent());
        assertEquals(1, home("b.calder", code).get("readings").size());
        read(person("r.oduya"), "/api/reading/" + first + "?asOf=" + TODAY).andExpect(status().isNotFound());
        send(person("r.oduya"), "/api/reading", form).andExpect(status().isForbidden());
    }

    @Test
    void anotherLevelNeedsAReasonAndWhatCannotBeIsRefused() throws Exception {
        String code = "2025-READB";
        newClass(code, 3, "b.calder", "Ada");
        JsonNode tide = passage("The tide table");
        Map<String, Object> form = reading("Ada " + code, tide, MARKS);
        form.put("level", "Reads it alone");
        send(person("b.calder"), "/api/reading", form).andExpect(jsonPath("$.field").value("levelReason"));
        form.put("levelReason", "Was ill and read it well last week");
        send(person("b.calder"), "/api/reading", form).andExpect(status().isOk());
        form.put("level", "Flies");
        send(person("b.calder"), "/api/reading", form).andExpect(jsonPath("$.detail", containsString("no level 'Flies'")));
        form.remove("level");
        for (Object[] bad : new Object[][] {{"lastWord", 900, "cannot be number 900"}, {"lastWord", 0, "At least one word"}, {"seconds", 0, "above 0 seconds"},
                {"marks", List.of(mark(4, "error", 1), mark(4, "told", 2)), "two marks"},
                {"readOn", "2026-03-16", "in the future"}}) {
            Map<String, Object> wrong = new HashMap<>(form);
            wrong.put((String) bad[0], bad[1]);
            send(person("b.calder"), "/api/reading", wrong).andExpect(refused("422 invalid " + bad[0]))
                    .andExpect(jsonPath("$.detail", containsString((String) bad[2])));
        }
        form.put("marks", List.of(mark(4, "mumbled", 1)));
        send(person("b.calder"), "/api/reading", form).andExpect(refused("422 invalid kind"));
        assertEquals(1, home("b.calder", code).get("readings").size(), "nothing was half-saved");
    }

    @Test
    void passagesLevelsAndTheLibraryAreTheSchools() throws Exception {
        String text = "One two three four five six seven eight nine ten\neleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen twenty";
        Map<String, Object> passage = new HashMap<>(Map.of("schoolId", school(), "title", "Counting", "body", text,
                "questions", List.of(Map.of("kind", "literal", "question", "What comes after nine?", "points", 1))));
        send(person("r.oduya"), "/api/reading/passages", passage).andExpect(status().isOk());
        JsonNode kept = passage("Counting");
        assertEquals(20, kept.get("words").asInt());
        assertEquals(2, kept.get("lines").size());
        passage.put("body", "Too short a text");
        send(person("r.oduya"), "/api/reading/passages", passage).andExpect(jsonPath("$.detail", containsString("20 to 2,000 words; this one has 4")));
        send(person("r.oduya"), "/api/reading/passages/" + kept.get("id").asInt() + "/state", Map.of("schoolId", school(), "retired", true))
                .andExpect(status().isForbidden());
        send(person("m.tveit"), "/api/reading/passages/" + kept.get("id").asInt() + "/state", Map.of("schoolId", school(), "retired", true))
                .andExpect(status().isNoContent());
        assertTrue(passage("Counting").get("retired").asBoolean());
        List<Map<String, Object>> levels = List.of(Map.of("name", "Reads it alone", "accuracy", 0.96, "comprehension", 0.75),
                Map.of("name", "Reads it with help", "accuracy", 0.98, "comprehension", 0.5),
                Map.of("name", "Too hard for now", "accuracy", 0, "comprehension", 0));
        send(person("m.tveit"), "/api/reading/levels", Map.of("schoolId", school(), "levels", levels))
                .andExpect(jsonPath("$.detail", containsString("must not rise")));
        send(person("r.oduya"), "/api/reading/levels", Map.of("schoolId", school(), "levels", levels.subList(0, 2))).andExpect(status().isForbidden());
        Map<String, Object> behaviour = Map.of("schoolId", school(), "name", "Looks at the title", "teach", "Talk about the title first", "retired", false);
        send(person("r.oduya"), "/api/reading/behaviours", behaviour).andExpect(status().isForbidden());
        send(person("m.tveit"), "/api/reading/behaviours", behaviour).andExpect(status().isNoContent());
        assertTrue(each(home("r.oduya", "2025-KITTIWAKE").get("behaviours")).anyMatch(b -> b.get("name").asString().equals("Looks at the title")));
        signInHere(Viewer.SYSTEM);
        assertEquals(1, imports.take(TestServer.csv("passage,title,text", "tide-table,The tide table,Another text altogether")).refused(),
                "a text that was read is not changed");
        assertFalse(passage("The tide table").get("retired").asBoolean());
    }

    @Test
    void filesBringReadingsWithTheirMarksAndChangeNone() {
        String code = "2025-READF";
        newClass(code, 3, "b.calder", "Ada");
        String ada = code + "-Ada,tide-table,";
        String readings = "student,passage,read_on,seconds,limit_seconds,last_word,retelling,level";
        String marks = "student,passage,read_on,number,word,mark,at_seconds";
        take(readings, ada + "2026-02-05,60,60,60,2,Reads it with help", ada + "2026-03-05,60,60,75,3,Reads it alone");
        take(marks, ada + "2026-02-05,1,0,inserted,1", ada + "2026-02-05,2,5,error,4.5", ada + "2026-02-05,3,5,inserted,5",
                ada + "2026-02-05,4,9,self-corrected,9",
                ada + "2026-03-05,1,7,told,6");
        assertEquals(5,
                take(marks, ada + "2026-02-05,1,0,inserted,1", ada + "2026-02-05,2,5,error,4.5", ada + "2026-02-05,3,5,inserted,5",
                        ada + "2026-02-05,4,9,self-corrected,9",
                        ada + "2026-03-05,1,7,told,6").unchanged());
        JsonNode now = home("b.calder", code).get("readings");
        assertEquals(2, now.size());
        assertEquals(74, now.at("/0/correctPerMinute").asDouble(), 1e-9);
        JsonNode pair = body(read(person("b.calder"), "/api/reading/" + now.at("/0/id").asLong() + "?asOf=" + TODAY));
        assertEquals(3, pair.at("/others/0/reading/outcome/errors").asInt(), "two insertions and an error; what was put right is none");
        assertEquals(1, body(read(person("b.calder"), "/api/reading" + scope(code, "").replace(TODAY, "2026-02-20"))).get("readings").size(),
                "as it was known then");
        signInHere(Viewer.SYSTEM);
        assertRefused(readings, ada + "2026-03-05,60,60,80,3,Reads it alone", "a reading is never changed");
        assertRefused(readings, ada + "2026-03-06,60,60,900,3,Reads it alone", "The passage has ");
        assertRefused(readings, ada + "2026-03-06,60,60,80,3,Reads like the wind", "no level of that name");
        assertRefused(readings, ada + "2026-03-06,60,60,80,5,Reads it alone", "0 to 4 points");
        assertRefused(readings, ada + "2026-04-01,60,60,80,3,Reads it alone", "in the future");
        assertRefused(marks, ada + "2026-03-05,2,8,error,6", "has its marks already");
        assertRefused(marks, ada + "2026-02-05,2,6,error,4.5", "has its marks already");
        assertRefused(marks, ada + "2026-03-04,1,8,error,6", "No reading of this passage");
        assertRefused(marks, ada + "2026-03-05,1,80,error,6", "from word 1 to word 75");
    }

    private void assertRefused(String header, String row, String why) {
        var result = imports.take(TestServer.csv(header, row));
        assertEquals(1, result.refused(), row);
        assertTrue(result.refusals().stream().anyMatch(r -> r.message().contains(why)), result.refusals().toString());
    }

    @Test
    void aReadingThatIsTakenBackIsStillThereAsOfTheDayBefore() throws Exception {
        String code = "2025-READG";
        newClass(code, 3, "b.calder", "Ada");
        take("student,passage,read_on,seconds,last_word,level", code + "-Ada,tide-table,2026-03-05,95,100,Reads it alone");
        long id = home("b.calder", code).at("/readings/0/id").asLong();
        send(person("b.calder"), "/api/reading/" + id + "/withdrawal", Map.of()).andExpect(status().isNoContent());
        assertEquals(0, home("b.calder", code).get("readings").size());
        assertEquals(1, body(read(person("b.calder"), "/api/reading" + scope(code, "").replace(TODAY, "2026-03-12"))).get("readings").size());
        read(person("b.calder"), "/api/reading/" + id + "?asOf=" + TODAY).andExpect(status().isNotFound());
        read(person("b.calder"), "/api/reading/" + id + "?asOf=2026-03-12").andExpect(status().isOk());
        Map<String, Object> late = reading("Ada " + code, passage("The tide table"), List.of());
        late.put("readOn", "2026-02-02");
        send(person("b.calder"), "/api/reading", late).andExpect(status().isOk());
        assertEquals(1, home("b.calder", code).get("readings").size());
        assertEquals("2026-02-02", home("b.calder", code).at("/readings/0/readOn").asString());
        assertEquals(0, body(read(person("b.calder"), "/api/reading" + scope(code, "").replace(TODAY, "2026-03-01"))).get("readings").size(),
                "entered today: nobody knew of it on 1 March");
    }

    @Test
    void theDemosLevelsAreThoseItsOwnTableProposes() {
        JsonNode readings = body(read(person("r.oduya"), "/api/reading" + scope("2025-KITTIWAKE", ""))).get("readings");
        assertEquals(6, readings.size());
        each(readings).forEach(r -> {
            JsonNode whole = body(read(person("r.oduya"), "/api/reading/" + r.get("id").asLong() + "?asOf=" + TODAY)).get("reading");
            assertEquals(whole.at("/outcome/proposedLevel").asString(), r.get("level").asString(), r.toString());
        });
    }
}
