package org.zealousladder.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.zealousladder.cli.compute.ComputeCommand;
import tools.jackson.databind.JsonNode;

/** Skills as a script meets them. */
class SkillsCommandTest {
    private static final String HEAD = "student,item,skill,points,possible,date,answer";

    @TempDir
    Path folder;

    private static Ran run(Object... arguments) {
        List<Object> all = new ArrayList<>(List.of("skills"));
        all.addAll(List.of(arguments));
        return Ran.run(new ComputeCommand(), all.toArray());
    }

    /** Ada has carrying and not yet regrouping; Bo has too few answers; Cy never tried carrying. */
    private List<String> rows() {
        List<String> rows = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            rows.add("Ada,i" + i + ",carrying," + (i == 0 ? 0 : 1) + ",1,2026-03-10,");
        }
        for (int i = 0; i < 6; i++) {
            rows.add("Ada,r" + i + ",regrouping," + (i < 2 ? 2 : 0) + ",2,2026-03-10,B");
            rows.add("Cy,r" + i + ",regrouping," + (i < 4 ? 2 : 0) + ",2,2026-03-10,");
        }
        rows.add("Bo,i1,carrying,1,1,2026-03-10,");
        rows.add("Bo,i2,carrying,1,1,2026-03-12,");
        return rows;
    }

    private Path file(List<String> rows) throws IOException {
        List<String> all = new ArrayList<>(List.of(HEAD));
        all.addAll(rows);
        return Ran.file(folder, "answers.csv", all.toArray(String[]::new));
    }

    @Test
    void statesAndSharesAreThoseWorkedByHand() throws IOException {
        JsonNode json = run(file(rows()), "--as-of", "2026-03-10", "--format", "json").json();
        assertEquals(
                "{\"skill\":\"carrying\",\"tried\":2,\"secure\":1,\"shaky\":0,\"notYet\":0,\"tooFew\":1,\"shareSecure\":0.5,\"low\":0.094,\"high\":0.906}",
                json.at("/skills/0").toString().replaceAll("(0\\.\\d{3})\\d+", "$1").replace("0.0945", "0.094").replace("0.905", "0.906"));
        assertEquals("regrouping 2 0 1 1",
                json.at("/skills/1/skill").asString() + " " + json.at("/skills/1/tried").asInt() + " " + json.at("/skills/1/secure").asInt()
                        + " " + json.at("/skills/1/shaky").asInt() + " " + json.at("/skills/1/notYet").asInt());
        assertEquals(
                List.of("Ada carrying secure 9 8.0 0.851", "Ada regrouping not-yet 6 2.0 0.029", "Bo carrying too-few 1 1.0 0.510",
                        "Cy regrouping shaky 6 4.0 0.353"),
                json.get("students").valueStream()
                        .map(s -> "%s %s %s %d %s %.3f".formatted(s.get("student").asString(), s.get("skill").asString(), s.get("state").asString(),
                                s.get("n").asInt(), s.get("right").asDouble(), s.get("chance").asDouble()))
                        .toList());
    }

    @Test
    void theOrderOfRowsChangesNothingAndTheLatestDayIsTheDay() throws IOException {
        String once = run(file(rows())).out();
        List<String> shuffled = rows();
        Collections.shuffle(shuffled, new Random(3));
        assertEquals(once.replaceAll("(\\d\\.\\d{9})\\d+", "$1"), run(file(shuffled)).out().replaceAll("(\\d\\.\\d{9})\\d+", "$1"));
        assertTrue(once.contains("\"asOf\":\"2026-03-12\""), once);
    }

    @Test
    void aStricterStandardIsAskedForAndATableIsReadByPeople() throws IOException {
        Ran table = run(file(rows()), "--standard", "0.9", "--format", "table");
        assertEquals(0, table.code());
        assertTrue(table.out().lines().anyMatch(l -> l.matches("carrying +2 +0 +1 +0 +1 +0 % \\(0-66\\)")), table.out());
        assertEquals(2, run(file(rows()), "--standard", "1").code());
        assertTrue(run(file(rows()), "--half-life", "0").err().contains("a half-life is a number of days above 0"));
        assertTrue(run(folder.resolve("none.csv")).err().contains("there is no such file"));
    }

    @Test
    void badRowsAreAllSaidAndSkippedWhereThatIsAskedFor() throws IOException {
        List<String> rows = rows();
        rows.add("Ada,x,carrying,2,1,2026-03-10,");
        rows.add("Ada,x,carrying,1,0,2026-03-10,");
        rows.add("Ada,,carrying,1,1,2026-02-30,");
        Ran bad = run(file(rows));
        assertEquals(2, bad.code());
        assertEquals(List.of("points", "possible", "item", "date"), bad.json().get("problems").valueStream().map(p -> p.get("column").asString()).toList());
        assertEquals(run(file(rows())).json().get("students"), run(file(rows), "--skip-bad").json().get("students"));
    }

    @Test
    void anEmptyFileIsNoSkills() throws IOException {
        assertEquals("{\"asOf\":\"1970-01-01\",\"skills\":[],\"students\":[]}", run(file(List.of())).out().strip());
    }
}
