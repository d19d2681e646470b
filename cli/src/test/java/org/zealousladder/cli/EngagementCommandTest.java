package org.zealousladder.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.zealousladder.cli.compute.ComputeCommand;
import tools.jackson.databind.JsonNode;

/** Weeks and flags as a script meets them. */
class EngagementCommandTest {
    @TempDir
    Path folder;

    private Path file(String name, String... lines) throws IOException {
        return Ran.file(folder, name, lines);
    }

    private static Ran run(Object... arguments) {
        List<Object> all = new ArrayList<>(List.of("engagement"));
        all.addAll(List.of(arguments));
        return Ran.run(new ComputeCommand(), all.toArray());
    }

    /** Eight weeks of a class of five on Wednesdays; one goes quiet after the sixth; in the fourth there was a storm. */
    private Path eightWeeks() throws IOException {
        List<String> lines = new ArrayList<>(List.of("student,class,date,kind,minutes"));
        for (int w = 0; w < 9; w++) {
            LocalDate day = LocalDate.of(2026, 1, 7).plusWeeks(w);
            for (String student : List.of("A", "B", "C", "D")) {
                lines.add(student + ",3K," + day + ",reading," + (w == 3 ? "0" : "30"));
                lines.add(student + ",3K," + day + ",practice," + (w == 3 ? "1" : "30"));
            }
            lines.add("Q,3K," + day + ",reading," + (w == 3 ? "0" : w < 7 ? "60" : "12"));
        }
        return file("activity.csv", lines.toArray(String[]::new));
    }

    private static JsonNode student(JsonNode json, String code) {
        return json.get("students").valueStream().filter(s -> s.get("student").asString().equals(code)).findFirst().orElseThrow();
    }

    @Test
    void theWeeksOfTheClassAndTheFlagsOfOneWhoWentQuiet() throws IOException {
        JsonNode json = run(eightWeeks(), "--format", "json").json();
        assertEquals("2026-03-04", json.get("asOf").asString());
        assertEquals(9, json.get("weeks").size());
        assertEquals("{\"week\":\"2026-01-05\",\"class\":\"3K\",\"median\":60.0,\"still\":false}", json.at("/weeks/0").toString());
        assertEquals("{\"week\":\"2026-01-26\",\"class\":\"3K\",\"median\":1.0,\"still\":true}", json.at("/weeks/3").toString());
        JsonNode quiet = student(json, "Q");
        assertEquals("[60.0,60.0,60.0,0.0,60.0,60.0,60.0,12.0,12.0]", quiet.get("weeks").toString());
        // Six weeks before at 60 of the company's 60, then a fifth of it, at the least spread of 0.2.
        assertEquals(
                "quiet 0.200 0.5 2026-02-23, dropped 8.047 2.5 2026-02-23", String.join(", ",
                        quiet.get("flags").valueStream().map(f -> f.get("rule").asString() + " "
                                + String.format("%.3f", f.get("actual").asDouble()) + " " + f.get("threshold").asDouble() + " " + f.get("since").asString())
                                .toList()));
        assertEquals("[\"work-not-in\",\"low-marks\"]", quiet.get("cannotTell").toString());
        assertEquals("[]", student(json, "A").get("flags").toString());
    }

    @Test
    void anEarlierDayKnowsNothingOfLaterOnes() throws IOException {
        JsonNode json = run(eightWeeks(), "--as-of", "2026-02-20").json();
        assertEquals(7, json.get("weeks").size());
        assertEquals("[]", student(json, "Q").get("flags").toString());
        assertEquals("[\"dropped\",\"work-not-in\",\"low-marks\"]", student(json, "Q").get("cannotTell").toString());
        assertEquals(0, run(eightWeeks(), "--as-of", "2025-12-01").json().get("students").size());
    }

    @Test
    void rulesCanBeOtherwiseOrOff() throws IOException {
        Path rules = file("rules.json",
                "{\"quiet\": {\"threshold\": 0.1, \"weeks\": 1}, \"dropped\": false, \"work-not-in\": {\"on\": false}, \"low-marks\": {\"on\": false}}");
        JsonNode q = student(run(eightWeeks(), "--rules", rules).json(), "Q");
        assertEquals("[] []", q.get("flags") + " " + q.get("cannotTell"));
        Ran wrong = run(eightWeeks(), "--rules", file("wrong.json", "{\"loud\": {}}"));
        assertEquals(2, wrong.code());
        assertTrue(wrong.err().contains("'loud' is not a rule; use quiet, not-seen, dropped, work-not-in, low-marks"), wrong.err());
        assertTrue(run(eightWeeks(), "--rules", file("w.json", "{\"quiet\": {\"weeks\": 0}}")).err().contains("The weeks of quiet are 1 to 12."));
        assertTrue(run(eightWeeks(), "--rules", file("w.json", "{\"quiet\": {\"share\": \"much\"}}")).err().contains("share of quiet is a number"));
        assertTrue(run(eightWeeks(), "--rules", file("w.json", "quiet")).err().contains("is no JSON"));
    }

    @Test
    void closedDaysAreNoSchoolDays() throws IOException {
        Path activity = file("activity.csv", "student,class,date,kind,minutes", "A,3K,2026-01-07,reading,60", "A,3K,2026-01-14,reading,60",
                "B,3K,2026-01-07,reading,50",
                "C,3K,2026-01-07,reading,60", "C,3K,2026-01-14,reading,60");
        JsonNode open = student(run(activity).json(), "B");
        assertEquals("{\"rule\":\"not-seen\",\"actual\":5.0,\"threshold\":5.0,\"since\":\"2026-01-08\"}",
                open.get("flags").toString().replaceAll("^\\[|]$", ""));
        Path closed = file("closed.csv", "date,reason", "2026-01-09,storm");
        assertEquals("[]", student(run(activity, "--calendar", closed).json(), "B").get("flags").toString());
    }

    @Test
    void badRowsStopItWithEveryCellNamedOrAreLeftOut() throws IOException {
        Path activity = file("activity.csv", "student,class,date,kind,minutes", "A,3K,2026-01-07,reading,1000000", ",3K,07.13.2026,reading,-1",
                "A,3K,2026-01-08,reading,20");
        Ran stopped = run(activity);
        assertEquals(2, stopped.code());
        assertEquals(List.of("minutes", "student", "date", "minutes"),
                stopped.json().get("problems").valueStream().map(p -> p.get("column").asString()).toList().subList(0, 4));
        assertTrue(stopped.err().contains("row 2, column minutes: A day has 0 to 1440 minutes."), stopped.err());
        assertTrue(stopped.json().path("students").isMissingNode());
        Ran went = run(activity, "--skip-bad");
        assertEquals(0, went.code());
        assertEquals("[20.0]", student(went.json(), "A").get("weeks").toString());
        assertTrue(run(file("x.csv", "student,class", "A,3K")).err().contains("lacks: date, kind, minutes"));
        assertEquals(2, run(folder.resolve("none.csv")).code());
        assertEquals(0, run(file("empty.csv", "student,class,date,kind,minutes")).json().get("weeks").size());
    }
}
