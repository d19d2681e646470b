package org.zealousladder.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.cli.compute.ComputeCommand;
import tools.jackson.databind.JsonNode;

/** Looks as a script meets them. */
class LooksCommandTest {

    private static Ran run(Object... arguments) {
        List<Object> all = new ArrayList<>(List.of("looks"));
        all.addAll(List.of(arguments));
        return Ran.run(new ComputeCommand(), all.toArray());
    }

    @Test
    void thresholdsAreSpentByTheShareThatIsIn() {
        JsonNode out = run("--weeks", "20", "--every", "2", "--classes", "0").json();
        assertEquals(6, out.get("looks").size());
        JsonNode first = out.at("/looks/0");
        assertEquals(6, first.get("scores").asInt());
        assertEquals(10, first.get("week").asInt());
        assertEquals(0.25 * 36 / 121, first.get("changeAtMost").asDouble(), 1e-12);
        assertEquals(0.75, out.at("/looks/5/raiseAtLeast").asDouble(), 1e-12);
        assertFalse(out.has("simulated"));
        String table = run("--classes", "0", "--format", "table").out();
        assertTrue(table.contains("    21    20   100 %          25.0 %          75.0 %"), table);
    }

    @Test
    void theSameSeedHasTheSameClassesAndBadOptionsASentence() {
        JsonNode a = run("--classes", "3", "--seed", "9", "--world", "shared weeks").json().get("simulated");
        assertEquals(a, run("--classes", "3", "--seed", "9", "--world", "shared weeks").json().get("simulated"));
        assertEquals(36, a.at("/wouldMeet/n").asInt() + a.at("/wouldMiss/n").asInt());
        assertTrue(a.at("/wouldMiss/change").asInt() > a.at("/wouldMeet/change").asInt());
        for (Object[] bad : new Object[][] {{"--world", "nowhere"}, {"--weeks", "0"}, {"--change-at-most", "0.9"}, {"--students", "0"}, {"--format", "csv"}}) {
            Ran ran = run(bad);
            assertEquals(2, ran.code(), String.join(" ", (String) bad[0], (String) bad[1]));
            assertFalse(ran.err().isBlank());
        }
        assertTrue(run("--world", "nowhere").err().contains("use independent, autocorrelation 0.3"), "names the known ones");
    }
}
