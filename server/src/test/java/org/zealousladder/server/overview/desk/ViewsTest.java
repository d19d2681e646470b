package org.zealousladder.server.overview.desk;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** The planted stories of the demo, seen through every view; entering, correcting, setting goals and deciding. */
class ViewsTest extends ServerTest {
    private String scope(String more) {
        return "?who=class-" + classId("2025-KITTIWAKE") + "&year=" + thisYear() + "&asOf=2026-03-13" + more;
    }

    private JsonNode trends(Viewer viewer) {
        return body(read(viewer, "/api/trends" + scope("&measure=" + measure("oral-reading"))));
    }

    private static JsonNode card(JsonNode list, String name) {
        return StreamSupport.stream(list.spliterator(), false).map(c -> c.has("card") ? c.get("card") : c)
                .filter(c -> c.at("/student/name").asString().equals(name)).findFirst().orElseThrow(() -> new AssertionError("no card of " + name));
    }

    private static boolean names(JsonNode list, String name) {
        return StreamSupport.stream(list.spliterator(), false)
                .anyMatch(c -> c.at("/card/student/name").asString().equals(name) || c.at("/student/name").asString().equals(name));
    }

    @Test
    void trendsTellTheStories() {
        JsonNode cards = trends(person("r.oduya")).get("cards");
        assertEquals("change", card(cards, "Sunniva Hale").at("/proposal/kind").asString());
        assertEquals("raise", card(cards, "Pema Dorje").at("/proposal/kind").asString());
        JsonNode jory = card(cards, "Jory Tamsin");
        assertEquals("too-soon", jory.at("/proposal/kind").asString());
        assertTrue(jory.at("/proposal/reason").asString().startsWith("4 scores"));
        JsonNode zuri = card(cards, "Zuri Halloran");
        assertEquals(1, zuri.get("planChanges").size());
        assertEquals(2, zuri.get("phases").size());
        assertTrue(zuri.at("/phases/1/slope").asDouble() > zuri.at("/phases/0/slope").asDouble() + 1, "the new plan works");
        JsonNode emre = card(cards, "Emre Castellan");
        long wild = StreamSupport.stream(emre.get("points").spliterator(), false).filter(p -> p.has("outlier")).count();
        assertEquals(1, wild);
    }

    @Test
    void theMostUrgentComesFirst() {
        JsonNode cards = trends(person("r.oduya")).get("cards");
        double before = Double.POSITIVE_INFINITY;
        for (JsonNode c : cards) {
            if (c.has("settledUntil")) {
                continue;
            }
            assertTrue(c.at("/proposal/priority").asDouble() <= before);
            before = c.at("/proposal/priority").asDouble();
        }
    }

    @Test
    void theLadderCountsEveryoneOnceAndNamesTheUnscreened() throws Exception {
        JsonNode view = body(read(person("r.oduya"), "/api/ladder" + scope("&measure=" + measure("oral-reading"))).andExpect(status().isOk()));
        assertEquals(23, view.get("rows").size());
        JsonNode winter = view.at("/seasons/1");
        int inBands = 0;
        for (JsonNode band : winter.get("bands")) {
            inBands += band.get("count").asInt();
        }
        assertEquals(winter.get("screened").asInt(), inBands);
        JsonNode oskar = StreamSupport.stream(view.get("rows").spliterator(), false)
                .filter(r -> r.at("/student/name").asString().equals("Oskar Vane")).findFirst().orElseThrow();
        assertEquals("none", oskar.at("/cells/1/status").asString());
        assertFalse(names(view.get("rows"), "Ilse Marrow"), "who left in December is not here in March");
    }

    @Test
    void aDayBeforeShowsWhatWasKnownThen() {
        String then = scope("&measure=" + measure("oral-reading")).replace("2026-03-13", "2025-11-28");
        JsonNode cards = body(read(person("r.oduya"), "/api/trends" + then)).get("cards");
        for (JsonNode p : card(cards, "Sunniva Hale").get("points")) {
            assertTrue(p.get("date").asString().compareTo("2025-11-28") <= 0);
        }
        JsonNode ladder = body(read(person("r.oduya"), "/api/ladder" + then));
        assertEquals("Autumn", ladder.at("/seasons/1/name").asString());
        assertTrue(names(ladder.get("rows"), "Ilse Marrow"), "who left in December was here in November");
    }

    @Test
    void aNewScoreChangesThePictureAndACorrectionKeepsTheOld() throws Exception {
        Viewer teacher = person("r.oduya");
        int student = student("Dalia Stroud");
        int measure = measure("oral-reading");
        Map<String, Object> score = Map.of("studentId", student, "measureId", measure, "takenOn", "2026-03-13", "value", 190, "status", "scored", "sure", true);
        double before = card(trends(teacher).get("cards"), "Dalia Stroud").at("/goal/chance").asDouble();
        send(teacher, "/api/scores", score).andExpect(status().isNoContent());
        assertTrue(card(trends(teacher).get("cards"), "Dalia Stroud").at("/goal/chance").asDouble() > before);

        send(teacher, "/api/scores", score).andExpect(status().isConflict())
                .andExpect(jsonPath("$.detail").value(org.hamcrest.Matchers.containsString("already a score of 190")));

        JsonNode detail = body(read(teacher, "/api/trends/" + student + "/" + measure + "?asOf=2026-03-13"));
        long id = detail.at("/history/0/id").asLong();
        send(teacher, "/api/scores/" + id + "/corrections", Map.of("value", 90, "status", "scored", "reason", "mistyped")).andExpect(status().isNoContent());
        send(teacher, "/api/scores/" + id + "/corrections", Map.of("value", 91, "status", "scored")).andExpect(status().isConflict());
        JsonNode after = body(read(teacher, "/api/trends/" + student + "/" + measure + "?asOf=2026-03-13"));
        assertEquals(90, after.at("/history/0/value").asDouble());
        assertEquals("R. Oduya", after.at("/history/0/recordedBy").asString());
        assertEquals(190, after.at("/history/1/value").asDouble(), "the mistyped one stays");
        assertEquals(after.at("/history/0/id").asLong(), after.at("/history/1/supersededBy").asLong());
        for (JsonNode p : after.at("/card/points")) {
            assertFalse(p.get("value") != null && p.get("value").asDouble() == 190);
        }
    }

    @Test
    void whatCannotBeRightIsRefusedWithTheField() throws Exception {
        Viewer teacher = person("r.oduya");
        Map<String, Object> good = Map.of("studentId", student("Caspian Ng"), "measureId", measure("oral-reading"), "takenOn", "2026-03-13", "value", 80,
                "status", "scored");
        for (Object[] wrong : List.of(new Object[] {"takenOn", "2026-03-14"}, new Object[] {"value", 900}, new Object[] {"value", 80.5},
                new Object[] {"status", "sick"}, new Object[] {"status", "absent"})) {
            Map<String, Object> form = new java.util.HashMap<>(good);
            form.put((String) wrong[0], wrong[1]);
            send(teacher, "/api/scores", form).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").exists())
                    .andExpect(jsonPath("$.type").value("urn:zealous-ladder:invalid"));
        }
        send(teacher, "/api/scores",
                Map.of("studentId", student("Caspian Ng"), "measureId", measure("oral-reading"), "takenOn", "13 March", "status", "scored"))
                .andExpect(status().isBadRequest());
        assertFalse(card(trends(teacher).get("cards"), "Caspian Ng").get("points").toString().contains("2026-03-13"), "nothing was saved");
    }

    @Test
    void aDecisionClearsTheDeskUntilItsDay() throws Exception {
        Viewer teacher = person("r.oduya");
        int student = student("Idris Falk");
        int measure = measure("oral-reading");
        assertTrue(names(body(read(teacher, "/api/desk" + scope(""))).get("decide"), "Idris Falk"));
        Map<String, Object> aside = new java.util.HashMap<>(Map.of("studentId", student, "measureId", measure, "kind", "set-aside", "proposed", "change",
                "because", "as shown", "lookAgainOn", "2026-03-27"));
        send(teacher, "/api/decisions", aside).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("reason"));
        aside.put("reason", "new glasses on order");
        send(teacher, "/api/decisions", aside).andExpect(status().isNoContent());
        JsonNode desk = body(read(teacher, "/api/desk" + scope("")));
        assertFalse(names(desk.get("decide"), "Idris Falk"));
        assertEquals(1, desk.get("settled").asInt());
        JsonNode detail = body(read(teacher, "/api/trends/" + student + "/" + measure + "?asOf=2026-03-13"));
        assertEquals("new glasses on order", detail.at("/decisions/0/reason").asString());
        assertEquals("2026-03-27", detail.at("/card/settledUntil").asString());
    }

    @Test
    void raisingTheGoalKeepsTheOldLine() throws Exception {
        Viewer teacher = person("r.oduya");
        int student = student("Pema Dorje");
        int measure = measure("oral-reading");
        JsonNode goal = body(read(teacher, "/api/trends/" + student + "/" + measure + "?asOf=2026-03-13")).at("/card/goal");
        Map<String, Object> newGoal = Map.of("startDate", goal.get("startDate").asString(), "startScore", goal.get("startScore").asDouble(),
                "goalDate", "2026-05-08", "goalScore", 124, "replaces", goal.get("id").asLong());
        Map<String, Object> raise = Map.of("studentId", student, "measureId", measure, "kind", "raise", "proposed", "raise", "because", "as shown", "newGoal",
                newGoal);
        send(teacher, "/api/decisions", raise).andExpect(status().isNoContent());
        send(teacher, "/api/decisions", raise).andExpect(status().isConflict());
        JsonNode after = body(read(teacher, "/api/trends/" + student + "/" + measure + "?asOf=2026-03-13"));
        assertEquals(124, after.at("/card/goal/goalScore").asDouble());
        assertEquals(1, after.get("replacedGoals").size());
        assertEquals(1, after.get("decisions").size(), "the second try left no trace");
        JsonNode yesterday = body(read(teacher, "/api/trends/" + student + "/" + measure + "?asOf=2026-03-12"));
        assertEquals(goal.get("goalScore").asDouble(), yesterday.at("/card/goal/goalScore").asDouble(), "yesterday it was the old one");
    }

    @Test
    void theDeskCollectsAndCelebrates() {
        JsonNode desk = body(read(person("r.oduya"), "/api/desk" + scope("")));
        assertTrue(names(desk.get("collect"), "Oskar Vane"));
        assertTrue(names(desk.get("collect"), "Jory Tamsin"));
        assertTrue(names(desk.get("celebrate"), "Hana Whitlock"));
        assertTrue(names(desk.get("celebrate"), "Pema Dorje"));
    }

    @Test
    void aSchoolsDeskSendsTheFirstOfItsProposalsAndSaysHowManyThereAre() {
        int school = db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
        String all = "/api/desk?who=school-" + school + "&year=" + thisYear() + "&asOf=2026-03-13";
        JsonNode whole = body(read(person("m.tveit"), all));
        JsonNode first = body(read(person("m.tveit"), all + "&first=2"));
        assertEquals(2, first.get("decide").size());
        assertEquals(whole.at("/decide/1"), first.at("/decide/1"), "the most urgent ones");
        assertEquals(whole.get("waiting"), first.get("waiting"));
        assertEquals(whole.get("decide").size(), whole.at("/waiting/proposals").asInt());
        assertTrue(whole.at("/waiting/students").asInt() <= whole.at("/waiting/proposals").asInt());
    }

    @Test
    void whoWasAwayAtTheScreeningIsToBeCollected() {
        JsonNode desk = body(read(person("r.oduya"), "/api/desk" + scope("")));
        List<String> texts = StreamSupport.stream(desk.get("collect").spliterator(), false).filter(c -> c.get("kind").asString().equals("screening"))
                .map(c -> c.get("text").asString()).toList();
        assertTrue(texts.stream().allMatch(t -> t.matches("not screened this winter(, (absent|invalid))?")), texts.toString());
        assertTrue(texts.stream().anyMatch(t -> t.endsWith(", absent") || t.endsWith("winter")), texts.toString());
    }

    @Test
    void theStudentPageHasALanePerMeasureAndTheWholeHistory() {
        JsonNode page = body(read(person("r.oduya"), "/api/students/" + student("Marit Solano") + "?asOf=2026-03-13"));
        assertEquals(6, page.get("lanes").size());
        assertEquals("Fulmar", page.at("/enrolments/1/className").asString());
        assertEquals("2025-11-07", page.at("/enrolments/1/to").asString());
        assertEquals(3, page.at("/lanes/0/earlier").size(), "last year's screenings");
    }

    @Test
    void aWholeSchoolIsOneRequest() throws Exception {
        int school = db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
        String all = "?who=school-" + school + "&year=" + thisYear() + "&asOf=2026-03-13";
        JsonNode view = body(read(person("m.tveit"), "/api/ladder" + all + "&measure=" + measure("reading-screen")).andExpect(status().isOk()));
        int here = asking(Viewer.SYSTEM, () -> db.sql("""
                select count(*) from roster_enrolment e join roster_class c on c.id = e.class_id
                 where c.school_id = :school and e.starts <= '2026-03-13' and coalesce(e.ends, 'infinity') >= '2026-03-13'""").param("school", school)
                .query(Integer.class).single());
        assertTrue(here >= 149, "the demo's own, and those of other tests");
        assertEquals(here, view.get("rows").size());
        assertTrue(view.at("/seasons/1/mixedGrades").asBoolean());
        assertFalse(view.at("/seasons/1/bands/1").has("fromScore"), "rungs differ by grade");
        read(person("m.tveit"), "/api/desk" + all).andExpect(status().isOk());
    }
}
