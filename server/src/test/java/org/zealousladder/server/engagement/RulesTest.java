package org.zealousladder.server.engagement;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Rules are shown before they are set, say why, stay on record, can be taken back; the narrowest place counts. */
class RulesTest extends ServerTest {
    private static final Map<String, Object> LOUD = Map.of("on", true, "threshold", 0.99, "share", 0, "weeks", 1, "lowestQuarter", false);

    private String kittiwake() {
        return "class-" + classId("2025-KITTIWAKE");
    }

    private String school() {
        return "school-" + db.sql("select school_id from roster_class where code = '2025-KITTIWAKE'").query(Integer.class).single();
    }

    private Map<String, Object> form(String who, @Nullable Map<String, Object> setting, String because) {
        Map<String, Object> form = new HashMap<>();
        form.put("who", who);
        form.put("year", thisYear());
        form.put("rule", "quiet");
        form.put("setting", setting);
        form.put("because", because);
        return form;
    }

    private List<Integer> quiet(Viewer who, String of) throws Exception {
        return body(read(who, "/api/engagement/weeks?who=" + of + "&year=" + thisYear() + "&asOf=2026-03-13").andExpect(status().isOk())).get("rows")
                .valueStream()
                .filter(r -> r.get("flags").valueStream().anyMatch(f -> f.get("rule").asString().equals("quiet"))).map(r -> r.at("/student/id").asInt())
                .sorted().toList();
    }

    private JsonNode line(Viewer who, String of) throws Exception {
        return body(read(who, "/api/engagement/rules?who=" + of + "&asOf=2026-03-13").andExpect(status().isOk())).get("rules").valueStream()
                .filter(r -> r.get("rule").asString().equals("quiet")).findFirst().orElseThrow();
    }

    private static List<Integer> ids(JsonNode students) {
        return students.valueStream().map(s -> s.get("id").asInt()).sorted().toList();
    }

    @Test
    void whatIsShownBeforeIsWhatComesOfItAndItCanBeTakenBack() throws Exception {
        Viewer oduya = person("r.oduya");
        List<Integer> before = quiet(oduya, kittiwake());
        JsonNode preview = body(send(oduya, "/api/engagement/rules/preview", form(kittiwake(), LOUD, "")).andExpect(status().isOk()));
        assertEquals("Quiet: under 99 % of the class's time for 1 week or more", preview.get("words").asString());
        assertEquals(before.size(), preview.at("/today/flagged").asInt());
        assertEquals("2026-02-13", preview.at("/before/day").asString());
        assertFalse(preview.at("/today/added").isEmpty());
        assertEquals(before, quiet(oduya, kittiwake()), "a preview sets nothing");

        send(oduya, "/api/engagement/rules", form(kittiwake(), LOUD, " ")).andExpect(refused("422 invalid because"));
        send(oduya, "/api/engagement/rules", with(form(kittiwake(), LOUD, "a project week"), "seen", "something else")).andExpect(refused("409 conflict"));
        String seen = line(oduya, kittiwake()).get("seen").asString();
        send(oduya, "/api/engagement/rules", with(form(kittiwake(), LOUD, "a project week"), "seen", seen)).andExpect(status().isNoContent());
        List<Integer> after = quiet(oduya, kittiwake());
        assertEquals(preview.at("/today/would").asInt(), after.size());
        assertEquals(ids(preview.at("/today/added")), after.stream().filter(s -> !before.contains(s)).toList());
        assertEquals("set here", line(oduya, kittiwake()).get("from").asString());
        send(oduya, "/api/engagement/rules", form(kittiwake(), LOUD, "once more")).andExpect(refused("422 invalid threshold"));
        JsonNode past = body(read(oduya, "/api/engagement/rules?who=" + kittiwake() + "&asOf=2026-03-13").andExpect(status().isOk())).get("history").get(0);
        assertEquals("a project week R. Oduya", past.get("because").asString() + " " + past.get("by").asString());
        assertEquals(0, body(read(oduya, "/api/engagement/rules?who=" + kittiwake() + "&asOf=2026-03-12").andExpect(status().isOk())).get("history").size());

        send(oduya, "/api/engagement/rules/undo", Map.of("who", kittiwake(), "rule", "quiet")).andExpect(status().isNoContent());
        assertEquals(before, quiet(oduya, kittiwake()));
        assertEquals("as shipped", line(oduya, kittiwake()).get("from").asString());
    }

    private static Map<String, Object> with(Map<String, Object> map, String name, Object value) {
        map.put(name, value);
        return map;
    }

    @Test
    void theNarrowestPlaceCountsAndEachSetsItsOwn() throws Exception {
        Viewer oduya = person("r.oduya");
        Viewer tveit = person("m.tveit");
        String fulmar = "class-" + classId("2025-FULMAR");
        send(oduya, "/api/engagement/rules", form(fulmar, LOUD, "x")).andExpect(refused("403 forbidden"));
        send(oduya, "/api/engagement/rules", form(school(), LOUD, "x")).andExpect(refused("403 forbidden"));
        send(oduya, "/api/engagement/rules/undo", Map.of("who", school(), "rule", "quiet")).andExpect(refused("403 forbidden"));
        send(oduya, "/api/engagement/rules", form("all", LOUD, "x")).andExpect(refused("403 forbidden"));
        send(tveit, "/api/engagement/rules", form(school(), LOUD, "agreed by the team")).andExpect(status().isNoContent());
        assertEquals("as in Skerrow Island School", line(tveit, "grade-3-" + school().substring(7)).get("from").asString());
        int many = quiet(tveit, fulmar).size();
        Map<String, Object> off = new HashMap<>(LOUD);
        off.put("on", false);
        send(tveit, "/api/engagement/rules", form("grade-3-" + school().substring(7), off, "grade 3 has no machines")).andExpect(status().isNoContent());
        assertTrue(many > 0);
        assertEquals(List.of(), quiet(tveit, fulmar));
        send(person("b.calder"), "/api/engagement/rules", form(fulmar, LOUD, "we do")).andExpect(status().isNoContent());
        assertEquals(many, quiet(tveit, fulmar).size());
        assertEquals(List.of(), quiet(oduya, kittiwake()));
        // Left to the wider place again.
        send(person("b.calder"), "/api/engagement/rules", form(fulmar, null, "no longer")).andExpect(status().isNoContent());
        assertEquals(List.of(), quiet(tveit, fulmar));
        assertEquals("as in grade 3", line(tveit, fulmar).get("from").asString());
        send(tveit, "/api/engagement/rules/undo", Map.of("who", "grade-3-" + school().substring(7), "rule", "quiet")).andExpect(status().isNoContent());
        send(tveit, "/api/engagement/rules/undo", Map.of("who", school(), "rule", "quiet")).andExpect(status().isNoContent());
        assertEquals("as shipped", line(tveit, fulmar).get("from").asString());
    }

    @Test
    void aThresholdThatCannotBeIsRefusedWithWhatCan() throws Exception {
        Viewer oduya = person("r.oduya");
        for (Object threshold : List.of(0, 1.5, -1)) {
            Map<String, Object> wrong = new HashMap<>(LOUD);
            wrong.put("threshold", threshold);
            send(oduya, "/api/engagement/rules/preview", form(kittiwake(), wrong, "x")).andExpect(refused("422 invalid threshold"));
            send(oduya, "/api/engagement/rules", form(kittiwake(), wrong, "x")).andExpect(refused("422 invalid threshold"));
        }
        send(oduya, "/api/engagement/rules/preview", form("group-1", LOUD, "x")).andExpect(result -> assertTrue(result.getResponse().getStatus() >= 400));
    }
}
