package org.zealousladder.server.screening.changes;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.ScreeningTest;
import tools.jackson.databind.JsonNode;

/** What changes the standing of many: shown first, with a reason, kept, taken back. */
class ChangesTest extends ScreeningTest {
    private JsonNode preview(String login, String part, Object to) {
        return body(send(person(login), "/api/changes/preview", Map.of("change", Map.of(part, to))));
    }

    private ResultActions change(String login, String part, Object to, String reason, String seen) {
        Map<String, Object> form = new TreeMap<>(Map.of("change", Map.of(part, to)));
        if (reason != null) {
            form.put("reason", reason);
        }
        if (seen != null) {
            form.put("seen", seen);
        }
        return send(person(login), "/api/changes", form);
    }

    private List<JsonNode> changes(String... kinds) {
        return each(body(read(person("a.sandvik"), "/api/changes?asOf=2026-03-13&school=" + school() + "&kind=" + String.join(",", kinds)))).toList();
    }

    private ResultActions back(String login, JsonNode change, String reason) {
        return send(person(login), "/api/changes/" + change.get("id").asLong() + "/back", Map.of("reason", reason));
    }

    private Map<String, Object> winter(String starts, String ends) {
        return new TreeMap<>(Map.of("id", window("Winter"), "yearId", thisYear(), "name", "Winter", "starts", starts, "ends", ends));
    }

    private JsonNode winterNow() {
        return each(body(read(person("m.tveit"), "/api/measures")).get("windows")).filter(w -> w.get("id").asInt() == window("Winter")).findFirst()
                .orElseThrow();
    }

    @Test
    void aMovedWindowShowsWhoWouldMoveAndIsTakenBack() throws Exception {
        newClass("2025-MOVED", 3, "b.calder", "Ada", "Bo");
        score("2025-MOVED-Ada", "oral-reading", "2026-01-13", 140);
        score("2025-MOVED-Ada", "oral-reading", "2026-02-20", 70);
        score("2025-MOVED-Bo", "oral-reading", "2026-02-20", 71);
        JsonNode was = winterNow();
        String starts = was.get("starts").asString();
        String ends = was.get("ends").asString();
        Map<String, Object> later = winter("2026-02-16", "2026-02-27");
        JsonNode preview = preview("a.sandvik", "window", later);
        assertEquals(starts, winterNow().get("starts").asString(), "looking changes nothing");
        assertTrue(preview.get("different").asBoolean());
        JsonNode ada = of(preview.get("movers"), "Ada 2025-MOVED");
        JsonNode reading = each(ada.get("moves")).filter(m -> m.get("about").asString().equals("Oral reading, Winter")).findFirst().orElseThrow();
        assertEquals("140, Secure", reading.get("from").asString());
        assertEquals("70, Needs a lift", reading.get("to").asString());
        assertEquals("more", ada.get("support").asString());
        JsonNode place = each(preview.get("places")).filter(p -> p.get("about").asString().equals("Oral reading, Winter")).findFirst().orElseThrow();
        assertTrue(place.get("more").asInt() >= 1 && place.get("gained").asInt() >= 1);
        assertTrue(preview.get("sentence").asString().contains("would be read differently: "), preview.get("sentence").asString());
        assertTrue(preview.get("words").asString().startsWith("Winter 2025-26: "), preview.get("words").asString());

        change("a.sandvik", "window", later, null, preview.get("seen").asString()).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.field").value("reason"));
        assertEquals(starts, winterNow().get("starts").asString(), "without a reason nothing is kept");
        change("a.sandvik", "window", later, "the ferry did not run", preview.get("seen").asString()).andExpect(status().isNoContent());
        assertEquals("2026-02-16", winterNow().get("starts").asString());
        change("a.sandvik", "window", winter("2026-02-16", "2026-03-06"), "late", preview.get("seen").asString()).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value(containsString("Somebody else has changed this meanwhile")));
        change("a.sandvik", "window", later, "again", null).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.detail").value(containsString("That is how it is already")));

        JsonNode newest = changes("window", "window-removed").get(0);
        assertEquals(List.of("window", "A. Sandvik", "the ferry did not run", preview.get("words").asString(), preview.get("sentence").asString()),
                List.of(newest.get("kind").asString(), newest.get("by").asString(), newest.get("reason").asString(), newest.get("words").asString(),
                        newest.get("effect").asString()));
        back("r.oduya", newest, "no").andExpect(status().isForbidden());
        back("a.sandvik", newest, " ").andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("reason"));
        back("a.sandvik", newest, "the ferry runs").andExpect(status().isNoContent());
        assertEquals(List.of(starts, ends), List.of(winterNow().get("starts").asString(), winterNow().get("ends").asString()));
        List<JsonNode> now = changes("window");
        assertTrue(now.get(0).get("takesBack").asBoolean());
        assertTrue(now.get(1).get("undone").asBoolean());
        assertFalse(now.get(1).has("before"));
        back("a.sandvik", newest, "twice").andExpect(status().isConflict()).andExpect(jsonPath("$.detail").value(containsString("taken back already")));
    }

    @Test
    void aWindowIsDeletedWhileNothingHangsOnItAndComesBack() throws Exception {
        Map<String, Object> extra = Map.of("yearId", thisYear(), "name", "Look in June", "starts", "2026-06-10", "ends", "2026-06-12");
        change("a.sandvik", "window", extra, "one more look", null).andExpect(status().isNoContent());
        int id = window("Look in June");
        JsonNode added = changes("window").get(0);
        assertEquals("Look in June 2025-26, 10 Jun 2026 to 12 Jun 2026, was added.", added.get("words").asString());
        assertEquals(id, added.at("/before/removedWindow").asInt(), "to take it back is to delete it");
        change("r.oduya", "removedWindow", id, "no", null).andExpect(status().isForbidden());
        change("a.sandvik", "removedWindow", window("Winter"), "no", null).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value(containsString("There are scores on the days of Winter")));
        change("a.sandvik", "removedWindow", window("Spring"), "no", null).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value(containsString("Cut scores are set for Spring")));
        change("a.sandvik", "removedWindow", id, "not this year", null).andExpect(status().isNoContent());
        assertEquals(0, db.sql("select count(*) from measures_window where id = :id").param("id", id).query(Integer.class).single());
        back("a.sandvik", changes("window-removed").get(0), "after all").andExpect(status().isNoContent());
        change("a.sandvik", "removedWindow", window("Look in June"), "enough", null).andExpect(status().isNoContent());
        change("a.sandvik", "removedWindow", id, "gone", null).andExpect(status().isNotFound());
    }

    @Test
    void aNarrowerRangeNamesTheScoresOutsideAndTheCutsInTheWay() throws Exception {
        newClass("2025-RANGE", 3, "b.calder", "Cy");
        score("2025-RANGE-Cy", "story-writing", "2026-03-05", 119);
        JsonNode now = each(body(read(person("m.tveit"), "/api/measures")).get("measures")).filter(m -> m.get("id").asInt() == measure("story-writing"))
                .findFirst().orElseThrow();
        Map<String, Object> form = new TreeMap<>(Map.of("id", measure("story-writing"), "name", "Story writing", "area", now.get("area").asString(), "unit",
                now.get("unit").asString(), "lowest", 0, "highest", 110, "decimals", 0, "sem", now.get("sem").asDouble()));
        JsonNode preview = preview("a.sandvik", "measure", form);
        List<JsonNode> outside = each(preview.get("outside")).toList();
        int measure = measure("story-writing");
        assertEquals(
                asking(person("a.sandvik"), () -> db.sql("select count(*) from scores_score where measure_id = :m and value > 110 and superseded_by is null")
                        .param("m", measure).query(Integer.class).single()),
                outside.size());
        assertTrue(outside.stream().anyMatch(o -> o.at("/student/name").asString().equals("Cy 2025-RANGE") && o.get("value").asDouble() == 119));
        assertEquals("Story writing: range 0 to " + now.get("highest").asInt() + " becomes 0 to 110.", preview.get("words").asString());
        form.put("highest", 5);
        change("a.sandvik", "measure", form, "smaller", null).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("highest"))
                .andExpect(jsonPath("$.detail").value(containsString("Move it within the new range first")));
        form.putAll(Map.of("highest", now.get("highest").asInt(), "sem", 9));
        JsonNode wider = preview("a.sandvik", "measure", form);
        assertTrue(each(wider.get("movers")).anyMatch(m -> each(m.get("moves")).anyMatch(x -> x.get("to").asString().endsWith(", a close call"))),
                "a larger error makes more close calls");
        form.put("name", " ");
        change("a.sandvik", "measure", form, "x", null).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("name"));
    }

    @Test
    void anotherSetAndAnotherRuleAreShownKeptAndTakenBack() throws Exception {
        newClass("2025-SETS", 3, "b.calder", "Di");
        score("2025-SETS-Di", "maze", "2026-01-13", 20);
        int local = db.sql("select id from measures_cut_set where code = 'local'").query(Integer.class).single();
        int trial = body(send(person("m.tveit"), "/api/cuts/sets", Map.of("name", "Strict", "kind", "trial", "school", school(), "copyOf", local))).get("id")
                .asInt();
        int ladder = db.sql("""
                select id from measures_ladder where set_id = :set and measure_id = :measure and grade = 3 and window_id = :window and superseded_on is null""")
                .param("set", trial).param("measure", measure("maze")).param("window", window("Winter")).query(Integer.class).single();
        Map<String, Object> strict = Map.of("set", trial, "measure", measure("maze"), "grade", 3, "window", window("Winter"), "seen", ladder, "bands",
                List.of(Map.of("name", "Needs a lift", "tier", 3), Map.of("name", "Within reach", "tier", 2, "fromScore", 40),
                        Map.of("name", "Secure", "tier", 1, "fromScore", 50)));
        assertEquals("No scores rest on it yet, so nobody moves.", preview("m.tveit", "ladder", strict).get("sentence").asString(),
                "a set that does not count moves nobody");
        change("m.tveit", "ladder", strict, "stricter", null).andExpect(status().isNoContent());
        Map<String, Object> choice = Map.of("set", trial, "school", school());
        JsonNode preview = preview("m.tveit", "set", choice);
        assertTrue(of(preview.get("movers"), "Di 2025-SETS").toString().contains("20, Needs a lift"));
        assertEquals("Scores were read by Local cut scores; they are now read by Strict.", preview.get("words").asString());
        change("m.tveit", "set", choice, "the authority asks", preview.get("seen").asString()).andExpect(status().isNoContent());
        back("m.tveit", changes("set").get(0), "it was a trial").andExpect(status().isNoContent());
        assertEquals(local, db.sql("select set_id from measures_default_set where school_id = :s and superseded_on is null").param("s", school())
                .query(Integer.class).single());

        back("m.tveit", changes("ladder").get(0), "as before").andExpect(status().isNoContent());
        assertTrue(db.sql("""
                select max(b.from_score) < 40 from measures_ladder l join measures_band b on b.ladder_id = l.id
                 where l.set_id = :set and l.measure_id = :measure and l.grade = 3 and l.window_id = :window and l.superseded_on is null""")
                .param("set", trial).param("measure", measure("maze")).param("window", window("Winter")).query(Boolean.class).single());

        Map<String, Object> rule = Map.of("school", school(), "area", "Reading", "rule", "lowest", "measures",
                List.of(Map.of("measureId", measure("oral-reading"), "weight", 1), Map.of("measureId", measure("maze"), "weight", 1)));
        JsonNode tiers = preview("m.tveit", "tierRule", rule);
        assertTrue(each(tiers.get("movers")).allMatch(m -> m.at("/moves/0/about").asString().equals("Reading tier, Winter")));
        change("m.tveit", "tierRule", rule, "be careful", null).andExpect(status().isNoContent());
        back("m.tveit", changes("tier-rule").get(0), "too careful").andExpect(status().isNoContent());
        assertEquals("most", db.sql("select rule from tiers_rule where school_id = :s and area = 'Reading' and superseded_on is null").param("s", school())
                .query(String.class).single());
    }

    @Test
    void onlyOneThingChangesAtATimeAndTeachersOnlyRead() throws Exception {
        send(person("m.tveit"), "/api/changes", Map.of("change", Map.of(), "reason", "x")).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.field").value("change"));
        send(person("r.oduya"), "/api/changes/preview", Map.of("change", Map.of("window", winter("2026-01-12", "2026-01-30"))))
                .andExpect(status().isForbidden());
        read(person("r.oduya"), "/api/changes?asOf=2026-03-13&kind=window").andExpect(status().isOk());
        read(person("r.oduya"), "/api/changes?asOf=2026-03-13&kind=nothing").andExpect(refused("400 unreadable kind"));
        read(person("m.tveit"), "/api/changes?asOf=2026-03-13&kind=set&school=" + (school() + 1000)).andExpect(status().isForbidden());
    }
}
