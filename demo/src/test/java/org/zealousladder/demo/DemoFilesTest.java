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

    private List<String[]> rows(String sheet) throws IOException {
        return Files.readAllLines(one.resolve(sheet + ".csv")).stream().skip(1).map(l -> l.split(",", -1)).toList();
    }

    @Test
    void readingsAndTheirMarksFitTogether() throws IOException {
        DemoFiles.write(one, DemoFiles.Size.SKERROW);
        Map<String, Integer> lastWords = rows("readings").stream().collect(Collectors.toMap(r -> r[0] + r[1] + r[2], r -> Integer.valueOf(r[5])));
        assertEquals(6, lastWords.size());
        for (String[] mark : rows("reading-marks")) {
            int word = Integer.parseInt(mark[4]);
            assertTrue(word >= 1 && word <= lastWords.get(mark[0] + mark[1] + mark[2]), String.join(",", mark));
            assertTrue(Double.parseDouble(mark[6]) <= 60, "before the bell");
        }
        assertEquals(rows("reading-marks").size(), rows("reading-marks").stream().map(m -> m[0] + m[1] + m[2] + "/" + m[4]).distinct().count(),
                "one mark a word");
        Map<String, List<String[]>> byReading = rows("reading-marks").stream().collect(Collectors.groupingBy(m -> m[0] + m[1] + m[2]));
        byReading.values().forEach(marks -> {
            for (int i = 0; i < marks.size(); i++) {
                assertEquals(i + 1, Integer.parseInt(marks.get(i)[3]));
                assertTrue(i == 0 || Double.parseDouble(marks.get(i)[6]) >= Double.parseDouble(marks.get(i - 1)[6]), "in the order in which they were made");
            }
        });
    }

    @Test
    void everyPlanHasItsConcernAndNoSessionFallsOnAClosedDayOrBeforeIt() throws IOException {
        DemoFiles.write(one, DemoFiles.Size.SKERROW);
        Map<String, String> areas = rows("measures").stream().collect(Collectors.toMap(m -> m[0], m -> m[3]));
        var worried = rows("concerns").stream().map(c -> c[0] + c[1]).collect(Collectors.toSet());
        for (String[] plan : rows("plans")) {
            assertTrue(worried.contains(plan[0] + areas.get(plan[1])), String.join(",", plan));
        }
        Map<String, String> begins = rows("plans").stream().collect(Collectors.toMap(p -> p[0] + p[1], p -> p[2]));
        for (String[] session : rows("sessions")) {
            assertTrue(session[2].compareTo(begins.get(session[0] + session[1])) >= 0, String.join(",", session));
            assertTrue(session[2].compareTo("2026-03-13") < 0);
            assertTrue(session[2].compareTo("2026-02-02") < 0 || session[2].compareTo("2026-02-06") > 0, "the ferry did not run");
        }
        assertEquals(rows("sessions").size(), rows("sessions").stream().map(r -> r[0] + r[1] + r[2]).distinct().count());
    }

    @Test
    void nobodyIsInTwoClassesOnOneDay() throws IOException {
        DemoFiles.write(one, DemoFiles.Size.SKERROW);
        Map<String, List<String[]>> byStudent = rows("enrolments").stream().collect(Collectors.groupingBy(e -> e[0]));
        byStudent.values().forEach(stays -> {
            List<String[]> ordered = stays.stream().sorted(java.util.Comparator.comparing(e -> e[2])).toList();
            for (int i = 1; i < ordered.size(); i++) {
                assertTrue(ordered.get(i - 1)[3].compareTo(ordered.get(i)[2]) < 0, String.join(",", ordered.get(i)));
            }
        });
    }
}
