package org.zealousladder.demo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DemoFilesTest {
    @TempDir
    Path one;
    @TempDir
    Path two;

    @Test
    void theSameFilesComeOutEveryTime() throws IOException {
        List<Path> first = DemoFiles.write(one, DemoFiles.Size.SKERROW);
        List<Path> second = DemoFiles.write(two, DemoFiles.Size.SKERROW);
        assertEquals(first.size(), second.size());
        for (int i = 0; i < first.size(); i++) {
            assertEquals(-1, Files.mismatch(first.get(i), second.get(i)), first.get(i).getFileName().toString());
        }
    }

    @Test
    void theStoriesAreInIt() throws IOException {
        DemoFiles.write(one, DemoFiles.Size.SKERROW);
        Map<String, String> codes = Files.readAllLines(one.resolve("students.csv")).stream().skip(1).map(l -> l.split(","))
                .collect(Collectors.toMap(c -> c[1] + " " + c[2], c -> c[0]));
        List<String> scores = Files.readAllLines(one.resolve("scores.csv"));
        String jory = codes.get("Jory Tamsin");
        assertEquals(4, scores.stream().filter(l -> l.startsWith(jory + ",oral-reading,2026-0") && l.compareTo(jory + ",oral-reading,2026-02") > 0).count());
        String oskar = codes.get("Oskar Vane");
        assertTrue(scores.stream().noneMatch(l -> l.startsWith(oskar + ",") && l.contains(",2026-01-")));
        assertEquals(1, Files.readAllLines(one.resolve("plan-changes.csv")).stream().filter(l -> l.startsWith(codes.get("Zuri Halloran") + ",")).count());
        assertEquals(2, Files.readAllLines(one.resolve("enrolments.csv")).stream().filter(l -> l.startsWith(codes.get("Marit Solano") + ",2025-")).count());
        assertTrue(scores.stream().noneMatch(l -> l.contains(",2026-02-03,") || l.contains(",2026-02-05,")), "the storm week");
    }
}
