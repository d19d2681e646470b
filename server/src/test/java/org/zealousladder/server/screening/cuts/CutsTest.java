package org.zealousladder.server.screening.cuts;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Sets of cut scores: looked at, previewed, changed, chosen; windows and measures. */
class CutsTest extends ScreeningTest {
    private static final AtomicInteger NAMES = new AtomicInteger();

    private int newSet() {
        JsonNode made = body(send(person("m.tveit"), "/api/cuts/sets",
                Map.of("name", "Trial " + NAMES.incrementAndGet(), "kind", "trial", "school", school(), "copyOf", localSet())));
        return made.get("id").asInt();
    }

    private int localSet() {
        return db.sql("select id from measures_cut_set where code = 'local'").query(Integer.class).single();
    }

    private JsonNode cuts(int set) {
        return body(read(person("m.tveit"), "/api/cuts" + wholeSchool("&measure=" + measure("maze") + "&set=" + set)));
    }

    private JsonNode ladder(int set, int grade) {
        return each(cuts(set).get("ladders"))
                .filter(l -> l.get("setId").asInt() == set && l.get("grade").asInt() == grade && l.get("windowId").asInt() == window("Winter"))
                .findFirst().orElseThrow();
    }

    private static List<Map<String, Object>> bands(Object... cuts) {
        List<Map<String, Object>> bands = new ArrayList<>(List.of(Map.of("name", "Needs a lift", "tier", 3)));
        bands.add(Map.of("name", "Within reach", "tier", 2, "fromScore", cuts[0]));
        bands.add(Map.of("name", "Secure", "tier", 1, "fromScore", cuts[1]));
        return bands;
    }

    private Map<String, Object> form(int set, List<Map<String, Object>> bands, Integer seen) {
        Map<String, Object> form = new TreeMap<>(
                Map.of("set", set, "measure", measure("maze"), "grade", 3, "window", window("Winter"), "school", school(), "bands", bands));
        if (seen != null) {
            form.put("seen", seen);
        }
        return form;
    }

    /** Cuts to begin with: at a percentile of the school's own scores so many of a hundred stand below, as far as whole scores let them. */
    @Test
    void ownPercentilesAreOfferedAndPartTheScoresThere() {
        int set = newSet();
        JsonNode preview = body(send(person("m.tveit"), "/api/cuts/preview", form(set, bands(11, 21), null)));
        List<Double> scores = each(
                body(read(person("m.tveit"), "/api/ladder?who=grade-3-" + school() + "&year=" + thisYear() + "&asOf=2026-03-13&measure=" + measure("maze")))
                        .get("rows"))
                .map(r -> r.get("cells").get(1)).filter(c -> c.has("value")).map(c -> c.get("value").asDouble()).sorted().toList();
        assertEquals(13, preview.get("percentiles").size());
        each(preview.get("percentiles")).forEach(p -> {
            double cut = p.get("score").asDouble();
            assertEquals(Math.rint(cut), cut, "in whole choices");
            double share = 100.0 * scores.stream().filter(v -> v < cut).count() / scores.size();
            double withTies = 100.0 * scores.stream().filter(v -> v <= cut).count() / scores.size();
            int asked = p.get("percentile").asInt();
            assertTrue(share <= asked + 100.0 / scores.size() && withTies >= asked - 100.0 / scores.size(), asked + ": " + share + " to " + withTies);
        });
        Map<String, Object> none = new TreeMap<>(form(set, bands(11, 21), null));
        none.put("grade", 9);
        assertEquals(0, body(send(person("m.tveit"), "/api/cuts/preview", none)).get("percentiles").size(), "of too few nothing is offered");
    }

    @Test
    void thePreviewCountsWhoWouldMove() {
        int set = newSet();
        double low = ladder(set, 3).at("/bands/1/fromScore").asDouble();
        double high = ladder(set, 3).at("/bands/2/fromScore").asDouble();
        JsonNode same = body(send(person("m.tveit"), "/api/cuts/preview", form(set, bands(low, high), null)));
        assertEquals(0, same.get("movers").size());
        JsonNode moved = body(send(person("m.tveit"), "/api/cuts/preview", form(set, bands(low, high + 3), null)));
        List<Double> scores = each(
                body(read(person("m.tveit"), "/api/ladder?who=grade-3-" + school() + "&year=" + thisYear() + "&asOf=2026-03-13&measure=" + measure("maze")))
                        .get("rows"))
                .map(r -> r.get("cells").get(1)).filter(c -> c.has("value")).map(c -> c.get("value").asDouble()).toList();
        long naive = scores.stream().filter(v -> v >= high && v < high + 3).count();
        assertTrue(naive > 0);
        assertEquals(naive, moved.get("movers").size());
        assertTrue(each(moved.get("movers")).allMatch(m -> m.get("moreSupport").asBoolean() && m.get("from").asString().equals("Secure")));
        assertEquals(scores.size(), each(moved.get("bands")).mapToInt(b -> b.get("after").asInt()).sum(), "the bands part everyone with a score");
        assertEquals(scores.size(), each(moved.get("bands")).mapToInt(b -> b.get("before").asInt()).sum());
        assertTrue(moved.get("sentence").asString().contains("would stand in another band"), moved.get("sentence").asString());
    }

    @Test
    void whatIsWrongIsSaidInThePreviewAndRefusedOnSaving() throws Exception {
        int set = newSet();
        int seen = ladder(set, 3).get("id").asInt();
        for (var e : Map.of("out of order", bands(20, 12), "runs from 0 to 60", bands(12, 61)).entrySet()) {
            assertTrue(body(send(person("m.tveit"), "/api/cuts/preview", form(set, e.getValue(), null))).get("problem").asString().contains(e.getKey()));
            change(person("m.tveit"), "ladder", form(set, e.getValue(), seen)).andExpect(status().isUnprocessableContent())
                    .andExpect(jsonPath("$.detail").value(containsString(e.getKey())));
        }
        List<Map<String, Object>> twice = new ArrayList<>(bands(12, 20));
        twice.set(2, Map.of("name", "Within reach", "tier", 1, "fromScore", 20));
        change(person("m.tveit"), "ladder", form(set, twice, seen)).andExpect(jsonPath("$.detail").value(containsString("Two bands are called")));
        twice.set(2, Map.of("name", "Top", "tier", 3, "fromScore", 20));
        change(person("m.tveit"), "ladder", form(set, twice, seen)).andExpect(jsonPath("$.detail").value(containsString("would get more support")));
        change(person("m.tveit"), "ladder", form(set, bands(12, 20).subList(0, 1), seen))
                .andExpect(jsonPath("$.detail").value(containsString("2 to 8 bands")));
        assertEquals(seen, ladder(set, 3).get("id").asInt(), "nothing was saved");
    }

    @Test
    void aSavedLadderReplacesTheOneThatWasSeenAndYesterdayStays() throws Exception {
        int set = newSet();
        int seen = ladder(set, 3).get("id").asInt();
        change(person("m.tveit"), "ladder", form(set, bands(11, 21), seen)).andExpect(status().isNoContent());
        assertEquals(21.0, ladder(set, 3).at("/bands/2/fromScore").asDouble());
        change(person("m.tveit"), "ladder", form(set, bands(11, 22), seen)).andExpect(status().isConflict());
        assertEquals(21.0, ladder(set, 3).at("/bands/2/fromScore").asDouble());
        JsonNode yesterday = body(read(person("m.tveit"),
                "/api/cuts?who=school-" + school() + "&year=" + thisYear() + "&asOf=2026-03-12&measure=" + measure("maze") + "&set=" + set));
        assertTrue(each(yesterday.get("ladders"))
                .filter(l -> l.get("setId").asInt() == set && l.get("grade").asInt() == 3 && l.get("windowId").asInt() == window("Winter"))
                .allMatch(l -> l.at("/bands/2/fromScore").asDouble() != 21.0));
        assertFalse(yesterday.get("mayChange").asBoolean());
    }

    @Test
    void onlyCoordinatorsAndAdministratorsChange() throws Exception {
        int set = newSet();
        int seen = ladder(set, 3).get("id").asInt();
        assertFalse(body(read(person("r.oduya"), "/api/cuts" + scope("2025-KITTIWAKE", "&measure=" + measure("maze")))).get("mayChange").asBoolean(),
                "teachers look");
        change(person("r.oduya"), "ladder", form(set, bands(11, 21), seen)).andExpect(status().isForbidden())
                .andExpect(jsonPath("$.detail").value(containsString("You can look at them")));
        send(person("r.oduya"), "/api/cuts/preview", form(set, bands(11, 21), null)).andExpect(status().isForbidden());
        change(person("r.oduya"), "set", Map.of("set", set, "school", school())).andExpect(status().isForbidden());
        send(person("r.oduya"), "/api/cuts/sets", Map.of("name", "Mine", "kind", "trial", "school", school(), "copyOf", localSet()))
                .andExpect(status().isForbidden());
        Viewer elsewhere = new Viewer(person("m.tveit").id(), "x", "X", Viewer.Role.COORDINATOR, school() + 1000);
        change(elsewhere, "ladder", form(set, bands(11, 21), seen)).andExpect(status().isForbidden())
                .andExpect(jsonPath("$.detail").value(containsString("another school")));
        change(person("a.sandvik"), "ladder", form(set, bands(11, 21), seen)).andExpect(status().isNoContent());
    }

    @Test
    void theSetThatCountsReadsTheScoresFromTodayOn() throws Exception {
        int set = newSet();
        int seen = ladder(set, 3).get("id").asInt();
        change(person("m.tveit"), "ladder", form(set, bands(1, 2), seen)).andExpect(status().isNoContent());
        change(person("m.tveit"), "set", Map.of("set", set, "school", school())).andExpect(status().isNoContent());
        try {
            String grade = "/api/ladder?who=grade-3-" + school() + "&year=" + thisYear() + "&measure=" + measure("maze") + "&asOf=";
            JsonNode now = body(read(person("m.tveit"), grade + "2026-03-13"));
            assertEquals(2.0, now.at("/seasons/1/bands/2/fromScore").asDouble());
            assertTrue(body(read(person("m.tveit"), grade + "2026-03-12")).at("/seasons/1/bands/2/fromScore").asDouble() > 2);
        } finally {
            change(person("m.tveit"), "set", Map.of("set", localSet(), "school", school())).andExpect(status().isNoContent());
        }
    }

    @Test
    void windowsAreCheckedBeforeTheyChange() throws Exception {
        Map<String, Object> window = new TreeMap<>(Map.of("yearId", thisYear(), "name", "Extra", "starts", "2026-01-20", "ends", "2026-01-30"));
        change(person("a.sandvik"), "window", window).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.detail").value(containsString("overlap Winter")));
        window.putAll(Map.of("starts", "2026-02-20", "ends", "2026-02-10"));
        change(person("a.sandvik"), "window", window).andExpect(jsonPath("$.field").value("ends"));
        window.putAll(Map.of("starts", "2026-07-20", "ends", "2026-07-25"));
        change(person("a.sandvik"), "window", window).andExpect(jsonPath("$.detail").value(containsString("must lie within it")));
        window.putAll(Map.of("starts", "2026-06-20", "ends", "2026-06-25", "name", "winter"));
        change(person("a.sandvik"), "window", window).andExpect(jsonPath("$.field").value("name"));
        change(person("r.oduya"), "window", window).andExpect(status().isForbidden());
        window.put("name", "Summer");
        change(person("a.sandvik"), "window", window).andExpect(status().isNoContent());
        window.putAll(Map.of("id", db.sql("select id from measures_window where name = 'Summer'").query(Integer.class).single(), "ends", "2026-06-24"));
        change(person("a.sandvik"), "window", window).andExpect(status().isNoContent());
        assertEquals("2026-06-25",
                db.sql("select before ->> 'ends' from measures_change where what = 'measures_window' order by id desc limit 1").query(String.class).single());
    }

    @Test
    void measuresAreChangedWithinReason() throws Exception {
        Map<String, Object> maze = new TreeMap<>(Map.of("id", measure("maze"), "name", "Maze", "area", "Reading", "unit", "correct choices", "lowest", 0,
                "highest", 0, "decimals", 0, "sem", 2));
        change(person("a.sandvik"), "measure", maze).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("highest"));
        maze.putAll(Map.of("highest", 60, "sem", -1));
        change(person("a.sandvik"), "measure", maze).andExpect(jsonPath("$.field").value("sem"));
        maze.put("sem", 2.5);
        change(person("r.oduya"), "measure", maze).andExpect(status().isForbidden());
        change(person("a.sandvik"), "measure", maze).andExpect(status().isNoContent());
        maze.put("sem", 2);
        change(person("a.sandvik"), "measure", maze).andExpect(status().isNoContent());
        assertEquals(8, body(read(person("r.oduya"), "/api/measures")).get("measures").valueStream().filter(m -> !m.has("partOf")).count());
    }

    /** A measure's error and a window's dates count from the day they were changed; earlier days are read by what they were. */
    @Test
    void changedMeasuresAndWindowsLeaveEarlierDaysAlone() throws Exception {
        int facts = measure("number-facts");
        Map<String, Object> form = new TreeMap<>(Map.of("id", facts, "name", "Number facts", "area", "Maths", "unit", "digits correct in two minutes", "lowest",
                0, "highest", 120, "decimals", 0, "sem", 9));
        String ladder = "/api/ladder" + scope("2025-GANNET", "&measure=" + facts);
        change(person("a.sandvik"), "measure", form).andExpect(status().isNoContent());
        assertEquals(9.0, body(read(person("m.tveit"), ladder)).get("sem").asDouble());
        assertEquals(3.0, body(read(person("m.tveit"), ladder.replace("2026-03-13", "2026-03-12"))).get("sem").asDouble());
        form.put("sem", 3);
        change(person("a.sandvik"), "measure", form).andExpect(status().isNoContent());
        assertEquals(3.0, body(read(person("m.tveit"), ladder.replace("2026-03-13", "2026-03-12"))).get("sem").asDouble(),
                "the first change after the day tells");

        Map<String, Object> spring = new TreeMap<>(
                Map.of("id", window("Spring"), "yearId", thisYear(), "name", "Spring", "starts", "2026-05-04", "ends", "2026-05-20"));
        change(person("a.sandvik"), "window", spring).andExpect(status().isNoContent());
        String coverage = "/api/coverage" + scope("2025-GANNET", "&window=" + window("Spring"));
        assertEquals("2026-05-20", body(read(person("m.tveit"), coverage)).at("/window/ends").asString());
        assertEquals("2026-05-15", body(read(person("m.tveit"), coverage.replace("2026-03-13", "2026-03-12"))).at("/window/ends").asString());
        spring.put("ends", "2026-05-15");
        change(person("a.sandvik"), "window", spring).andExpect(status().isNoContent());
    }
}
