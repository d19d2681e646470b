package org.zealousladder.server.engagement;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** The page of weeks and what hangs on it, with the demo's planted stories. */
class WeeksTest extends ServerTest {
    private JsonNode weeks(Viewer who, String of, String asOf) throws Exception {
        return body(read(who, "/api/engagement/weeks?who=" + of + "&year=" + thisYear() + "&asOf=" + asOf).andExpect(status().isOk()));
    }

    private JsonNode kittiwake(String asOf) throws Exception {
        return weeks(person("r.oduya"), "class-" + classId("2025-KITTIWAKE"), asOf);
    }

    private static Optional<JsonNode> row(JsonNode view, String name) {
        return view.get("rows").valueStream().filter(r -> r.at("/student/name").asString().equals(name)).findFirst();
    }

    private static List<String> titles(JsonNode row) {
        return row.get("flags").valueStream().map(f -> f.get("title").asString()).toList();
    }

    @Test
    void whoWentQuietWhoIsGoneAndWhoWorksMuchAndFallsAreFoundAndTheStormFlagsNobody() throws Exception {
        JsonNode view = kittiwake("2026-03-13");
        JsonNode noor = row(view, "Noor Ellery").orElseThrow();
        assertTrue(titles(noor).contains("quiet since 9 Feb"), noor.toString());
        assertTrue(noor.at("/flags/0/detail").asString().endsWith("% of the class's time; the rule says 50 %"), noor.toString());
        JsonNode caspian = row(view, "Caspian Ng").orElseThrow();
        assertTrue(titles(caspian).get(0).matches("not seen for 1\\d school days"), caspian.toString());
        JsonNode yusra = row(view, "Yusra Penhale").orElseThrow();
        assertEquals("much time, and maze fell to Needs a lift|Time is not the lack: teach it another way.",
                yusra.at("/joined/title").asString() + "|" + yusra.at("/joined/next").asString(), yusra::toString);
        assertTrue(yusra.get("lately").asDouble() > 1.25);
        // Of weeks that are not counted the calendar tells why.
        List<String> causes = view.get("still").valueStream().map(s -> s.path("cause").asString()).toList();
        assertTrue(causes.containsAll(List.of("Autumn break", "Midwinter", "Storm: no ferry ran")), causes.toString());
        // Right after the storm.
        JsonNode after = kittiwake("2026-02-10");
        assertEquals(List.of(), row(after, "Noor Ellery").map(WeeksTest::titles).orElseThrow());
        for (JsonNode r : after.get("rows")) {
            assertTrue(titles(r).stream().noneMatch(t -> t.startsWith("not seen")), r.toString());
        }
    }

    @Test
    void thoseWhoNeedALookComeFirstAndTheCountsAreTheirs() throws Exception {
        JsonNode view = kittiwake("2026-03-13");
        List<Boolean> needed = view.get("rows").valueStream().map(r -> r.get("needed").asBoolean()).toList();
        assertEquals(needed.stream().sorted(java.util.Comparator.reverseOrder()).toList(), needed);
        assertTrue(needed.contains(true) && needed.contains(false));
        for (JsonNode rule : view.get("rules")) {
            long flagged = view.get("rows").valueStream().filter(r -> r.get("flags").valueStream().anyMatch(f -> f.get("rule").equals(rule.get("rule"))))
                    .count();
            assertEquals(flagged, rule.get("students").asLong(), rule.toString());
        }
        int n = view.get("weeks").asInt();
        view.get("rows").forEach(r -> assertEquals(n, r.get("minutes").size()));
        assertEquals("2025-09-15", view.get("monday").asString());
    }

    @Test
    void aCaseloadIsHeldAgainstTheSameClassAsItsTeacherSees() throws Exception {
        Viewer rask = person("s.rask");
        JsonNode view = weeks(rask, "caseload-" + rask.id(), "2026-03-13");
        Map<Integer, JsonNode> medians = new HashMap<>();
        view.get("classes").forEach(c -> medians.put(c.get("id").asInt(), c.get("medians")));
        assertFalse(medians.isEmpty());
        for (int classId : medians.keySet()) {
            JsonNode whole = weeks(person("m.tveit"), "class-" + classId, "2026-03-13");
            JsonNode line = whole.get("classes").get(0).get("medians");
            JsonNode own = medians.get(classId);
            int later = own.size() - line.size();
            for (int w = 0; w < line.size(); w++) {
                assertEquals(line.get(w), own.get(w + later));
            }
            for (JsonNode r : view.get("rows")) {
                if (r.at("/student/classId").asInt() == classId) {
                    assertEquals(row(whole, r.at("/student/name").asString()).orElseThrow().get("flags"), r.get("flags"));
                }
            }
        }
        read(person("b.calder"), "/api/engagement/weeks?who=caseload-" + rask.id() + "&year=" + thisYear() + "&asOf=2026-03-13")
                .andExpect(refused("403 forbidden"));
    }

    @Test
    void theDeskShowsThemApartFromProposals() throws Exception {
        JsonNode desk = body(read(person("r.oduya"), "/api/desk?who=class-" + classId("2025-KITTIWAKE") + "&year=" + thisYear() + "&asOf=2026-03-13")
                .andExpect(status().isOk()));
        JsonNode view = kittiwake("2026-03-13");
        assertEquals(view.get("rows").valueStream().filter(r -> r.get("needed").asBoolean()).map(r -> r.at("/student/id").asInt()).toList(),
                desk.get("looks").valueStream().map(l -> l.at("/student/id").asInt()).toList());
        assertEquals(desk.get("looks").size(), desk.get("drifting").asInt());
    }

    @Test
    void whatIsSetAsideStaysAwayUntilItsDayAndAnotherRuleSpeaksUp() throws Exception {
        Viewer coordinator = person("m.tveit");
        int student = student("Noor Ellery");
        Map<String, Object> aside = new HashMap<>(
                Map.of("students", List.of(student), "what", "aside", "rules", List.of("quiet"), "until", "2026-03-27", "reason", "reads on paper now"));
        send(person("b.calder"), "/api/engagement/asides", aside).andExpect(refused("403 forbidden"));
        send(coordinator, "/api/engagement/asides", with(aside, "until", "2026-03-13")).andExpect(refused("422 invalid until"));
        send(coordinator, "/api/engagement/asides", with(aside, "reason", " ")).andExpect(refused("422 invalid reason"));
        send(coordinator, "/api/engagement/asides", with(aside, "students", List.of())).andExpect(refused("422 invalid students"));
        send(coordinator, "/api/engagement/asides", aside).andExpect(status().isNoContent());
        JsonNode row = row(kittiwake("2026-03-13"), "Noor Ellery").orElseThrow();
        assertFalse(titles(row).contains("quiet since 9 Feb"));
        assertEquals("quiet", row.at("/quieted/0/rule").asString());
        assertEquals("reads on paper now", row.at("/aside/reason").asString());
        assertTrue(titles(row(kittiwake("2026-03-12"), "Noor Ellery").orElseThrow()).contains("quiet since 9 Feb"), "the day before knew nothing of it");
        long id = row.at("/aside/id").asLong();
        send(person("b.calder"), "/api/engagement/asides/" + id + "/withdraw", Map.of()).andExpect(refused("404 not-found"));
        send(coordinator, "/api/engagement/asides/" + id + "/withdraw", Map.of()).andExpect(status().isNoContent());
        assertTrue(titles(row(kittiwake("2026-03-13"), "Noor Ellery").orElseThrow()).contains("quiet since 9 Feb"));
        send(coordinator, "/api/engagement/asides/" + id + "/withdraw", Map.of()).andExpect(refused("404 not-found"));
    }

    private static Map<String, Object> with(Map<String, Object> map, String name, Object value) {
        Map<String, Object> other = new HashMap<>(map);
        other.put(name, value);
        return other;
    }

    @Test
    void whoIsWatchedStaysOnTopWhateverTheRulesSay() throws Exception {
        int student = student("Hana Whitlock");
        assertFalse(row(kittiwake("2026-03-13"), "Hana Whitlock").orElseThrow().get("needed").asBoolean());
        send(person("r.oduya"), "/api/engagement/asides", Map.of("students", List.of(student), "what", "watch", "until", "2026-04-10"))
                .andExpect(status().isNoContent());
        JsonNode row = row(kittiwake("2026-03-13"), "Hana Whitlock").orElseThrow();
        assertTrue(row.get("needed").asBoolean());
        assertEquals("2026-04-10", row.at("/watch/until").asString());
        send(person("r.oduya"), "/api/engagement/asides/" + row.at("/watch/id").asLong() + "/withdraw", Map.of()).andExpect(status().isNoContent());
        assertFalse(row(kittiwake("2026-03-13"), "Hana Whitlock").orElseThrow().get("needed").asBoolean());
    }

    @Test
    void whatWasDoneIsOpenedDownToThePage() throws Exception {
        Viewer oduya = person("r.oduya");
        String base = "/api/engagement/done?who=class-" + classId("2025-KITTIWAKE") + "&year=" + thisYear() + "&asOf=2026-03-13&from=2026-02-09&to=2026-03-13";
        JsonNode all = body(read(oduya, base).andExpect(status().isOk()));
        JsonNode program = all.get("places").valueStream().filter(p -> p.get("name").asString().equals("Saltmarsh Stories")).findFirst().orElseThrow();
        double sum = 0;
        JsonNode inside = body(read(oduya, base + "&place=" + program.get("id").asInt()).andExpect(status().isOk()));
        for (JsonNode book : inside.get("places")) {
            sum += book.get("minutes").asDouble();
        }
        assertEquals(program.get("minutes").asDouble(), sum, 0.01);
        JsonNode at = inside;
        while (!at.get("places").isEmpty()) {
            at = body(read(oduya, base + "&place=" + at.at("/places/0/id").asInt()).andExpect(status().isOk()));
        }
        assertEquals(4, at.get("trail").size());
        assertEquals("Saltmarsh Stories", at.at("/trail/0/name").asString());
        assertTrue(at.at("/trail/3/name").asString().startsWith("Page "));
        assertTrue(at.at("/actions/0/at").asString().matches("\\d\\d:\\d\\d:00"), at.at("/actions/0").toString());
        // One student's minutes by kind are those of the page of weeks.
        int noor = student("Noor Ellery");
        JsonNode own = body(read(oduya, base.replace("from=2026-02-09", "from=2026-03-09") + "&student=" + noor).andExpect(status().isOk()));
        double minutes = own.get("kinds").valueStream().mapToDouble(k -> k.get("minutes").asDouble()).sum();
        JsonNode bars = row(kittiwake("2026-03-13"), "Noor Ellery").orElseThrow().get("minutes");
        assertEquals(bars.get(bars.size() - 1).asInt(), Math.round(minutes));
        read(person("b.calder"), base + "&student=" + noor).andExpect(refused("403 forbidden"));
        read(oduya, base + "&place=999999").andExpect(refused("404 not-found"));
    }
}
