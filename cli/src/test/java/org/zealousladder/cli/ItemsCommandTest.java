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

/** Items as a script meets them. */
class ItemsCommandTest {
    @TempDir
    Path folder;

    private static Ran run(Object... arguments) {
        List<Object> all = new ArrayList<>(List.of("items"));
        all.addAll(List.of(arguments));
        return Ran.run(new ComputeCommand(), all.toArray());
    }

    /** A scale of three steps, each student of four kinds so many times; an earlier try of an item is not the one that counts. */
    private Path steps(int each) throws IOException {
        List<String> lines = new ArrayList<>(List.of("student,item,skill,points,possible,date,answer"));
        for (int s = 0; s < 4 * each; s++) {
            for (int i = 0; i < 3; i++) {
                boolean right = s % 4 + i < 3;
                lines.add("s" + s + ",i" + i + ",k,0,2,2026-02-01,Z");
                lines.add("s" + s + ",i" + i + ",k," + (right ? 2 : 0) + ",2,2026-03-01," + (right ? "A" : "B"));
                lines.add("s" + s + ",i" + i + ",another skill of it," + (right ? 2 : 0) + ",2,2026-03-01," + (right ? "A" : "B"));
            }
        }
        return Ran.file(folder, "answers.csv", lines.toArray(String[]::new));
    }

    @Test
    void theFiguresAreThoseWorkedByHand() throws IOException {
        JsonNode json = run(steps(6), "--format", "json").json();
        assertEquals("24 3 0.75", json.get("n").asInt() + " " + json.get("items").asInt() + " " + json.get("alpha").asDouble());
        // Points are two each: twice the error of one each.
        assertEquals(2 * Math.sqrt(1.25 * 24 / 23 * 0.25), json.get("sem").asDouble(), 1e-12);
        assertEquals("{\"item\":\"i1\",\"n\":24,\"shareRight\":0.5,\"itemRest\":0.707,\"upper\":1.0,\"lower\":0.0,\"reasons\":[]}",
                json.at("/each/1").toString().replaceAll("(0\\.707)\\d+", "$1"));
    }

    @Test
    void fewStudentsAreCountedOnly() throws IOException {
        JsonNode json = run(steps(2)).json();
        assertTrue(json.get("alpha").isNull() && json.get("sem").isNull() && json.at("/each/0/itemRest").isNull());
        assertEquals("8 0.75", json.at("/each/0/n").asInt() + " " + json.at("/each/0/shareRight").asDouble());
        assertTrue(run(steps(2), "--format", "table").out().contains("8 students with every item, alpha -"));
    }

    @Test
    void badRowsStopItAndAMissingFileIsSaid() throws IOException {
        Path bad = Ran.file(folder, "bad.csv", "student,item,skill,points,possible,date", "a,i,k,3,2,2026-03-01");
        assertEquals(2, run(bad).code());
        assertEquals("{\"problems\":[{\"row\":2,\"column\":\"points\",\"message\":\"The points lie between 0 and those possible.\"}]}", run(bad).out());
        String none = run(bad, "--skip-bad").out();
        assertTrue(none.startsWith("{\"n\":0,\"items\":0,\"alpha\":null,\"sem\":null,\"each\":[],\"problems\":["), none);
        assertTrue(run(folder.resolve("none.csv")).err().contains("there is no such file"));
        assertTrue(run(bad, "--format", "xml").err().contains("use json or table"));
    }
}
