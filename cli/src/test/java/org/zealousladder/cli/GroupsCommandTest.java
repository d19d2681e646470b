package org.zealousladder.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.zealousladder.cli.compute.ComputeCommand;
import tools.jackson.databind.JsonNode;

/** Groups as a script meets them. */
class GroupsCommandTest {
    @TempDir
    Path folder;

    private static Ran run(Object... arguments) {
        List<Object> all = new ArrayList<>(List.of("groups"));
        all.addAll(List.of(arguments));
        return Ran.run(new ComputeCommand(), all.toArray());
    }

    private Path eight() throws IOException {
        return Ran.file(folder, "students.csv", "student,carrying,reading", "Ada,1,0", "Bo,1,0", "Cy,1,0", "Di,1,0", "Eli,0,1", "Fay,0,1", "Gus,0,1",
                "Hal,0,1");
    }

    @Test
    void aLikeNeedSitsTogetherAndTheJsonIsAsPromised() throws IOException {
        Ran ran = run(eight(), "--size", "4", "--format", "json");
        assertEquals(
                "{\"groups\":[[\"Ada\",\"Bo\",\"Cy\",\"Di\"],[\"Eli\",\"Fay\",\"Gus\",\"Hal\"]],\"cost\":{\"need\":0.0,\"fresh\":0.0,\"size\":0.0,\"total\":0.0},"
                        + "\"meetAgain\":[],\"tries\":1}",
                ran.out());
    }

    @Test
    void whoWorkedTogetherIsPartedAsFarAsTheWeightSaysAndTheOthersAreTold() throws IOException {
        Path pairs = Ran.file(folder, "pairs.csv", "a,b,date", "Ada,Bo,2026-03-01", "Bo,Ada,2026-03-08", "Eli,Somebody,2026-03-08", "Cy,Di,2026-01-25");
        JsonNode kept = run(eight(), "--history", pairs, "--size", "4", "--fresh", "0").json();
        assertEquals("[[\"Ada\",\"Bo\",0.0],[\"Cy\",\"Di\",6.0]]", kept.get("meetAgain").toString());
        JsonNode parted = run(eight(), "--history", pairs, "--size", "4", "--fresh", "50").json();
        assertEquals("[]", parted.get("meetAgain").toString());
        // Six weeks halve it: 0.5 * (1 + 0.5).
        assertEquals(0.75, run(eight(), "--history", pairs, "--size", "4", "--together", "Ada+Bo", "--together", "Cy+Di").json().at("/cost/fresh").asDouble(),
                1e-12);
        assertEquals(7.0, run(eight(), "--history", pairs, "--size", "4", "--fresh", "0", "--as-of", "2026-03-15").json().at("/meetAgain/1/2").asDouble());
    }

    @Test
    void locksHoldAndContradictionsAreAPlainSentence() throws IOException {
        JsonNode json = run(eight(), "--size", "4", "--apart", "Ada+Bo", "--together", "Ada+Hal", "--stay", "Bo=1").json();
        String first = json.at("/groups/0").toString();
        String second = json.at("/groups/1").toString();
        assertTrue(first.contains("Bo") && second.contains("Ada") && second.contains("Hal"), json.toString());
        Ran bad = run(eight(), "--size", "4", "--apart", "Ada+Bo", "--together", "Ada+Bo");
        assertEquals(2, bad.code());
        assertTrue(bad.err().contains("Ada and Bo are kept apart, and together by other locks."), bad.err());
        assertTrue(run(eight(), "--size", "5-6").err().contains("8 students do not make groups of 5 to 6"));
        assertTrue(run(eight(), "--size", "few").err().contains("is not a size; write 4 or 4-5"));
        assertTrue(run(eight(), "--stay", "Ada=9").err().contains("Ada stays in group 9, and there are 2."));
        assertTrue(run(eight(), "--apart", "Ada+Zoe").err().contains("'Zoe' is not among the students"));
        assertTrue(run(eight(), "--apart", "Ada").err().contains("is not two students; write A+B"));
    }

    @Test
    void badRowsAreAllSaidAndATableIsReadByPeople() throws IOException {
        Path bad = Ran.file(folder, "bad.csv", "student,score", "Ada,1", "Ada,2", "Bo,much", ",3");
        Ran ran = run(bad, "--size", "1");
        assertEquals(2, ran.code());
        assertEquals(List.of("student", "score", "student"), ran.json().get("problems").valueStream().map(p -> p.get("column").asString()).toList());
        assertTrue(run(eight(), "--size", "4", "--format", "table").out().startsWith("1: Ada, Bo, Cy, Di"));
        assertEquals("[]", run(Ran.file(folder, "none.csv", "student,score")).json().get("groups").toString());
    }
}
