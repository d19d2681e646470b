package org.zealousladder.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.zealousladder.cli.compute.ComputeCommand;
import tools.jackson.databind.JsonNode;

/** Bands and tiers with their certainty, as a script meets them. */
class BandsCommandTest {
    @TempDir
    Path folder;

    private static Ran run(Object... arguments) {
        List<Object> all = new ArrayList<>(List.of("bands"));
        all.addAll(List.of(arguments));
        return Ran.run(new ComputeCommand(), all.toArray());
    }

    @Test
    void aLowScoreIsDrawnToTheMeanAndLessSureThanItSeems() throws IOException {
        Path file = Ran.file(folder, "scores.csv", "student,measure,score", "Ada,reading,70", "Bo,reading,101");
        JsonNode out = run(file, "--cuts", "85,95", "--reliability", "0.8", "--group", "100,15").json();
        JsonNode measure = out.at("/measures/0");
        assertEquals(15 * Math.sqrt(0.2), measure.get("sem").asDouble(), 1e-9);
        assertFalse(measure.get("assumed").asBoolean());
        JsonNode ada = out.at("/students/0");
        assertEquals("Ada", ada.get("student").asString());
        JsonNode score = ada.at("/scores/0");
        assertEquals(1, score.get("band").asInt());
        assertEquals(3, score.get("tier").asInt());
        assertEquals(76, score.get("trueScore").asDouble(), 1e-9);
        assertEquals(6, score.get("trueSd").asDouble(), 1e-9);
        // Φ(1.5), where the score by itself would be 98.7 % sure.
        assertEquals(0.9332, score.get("certainty").asDouble(), 1e-4);
        assertFalse(score.get("closeCall").asBoolean());
        assertEquals(3, ada.get("tier").asInt());
        assertEquals(0.9332, ada.get("certainty").asDouble(), 1e-4);
        assertEquals(1, out.at("/students/1/tier").asInt());
        String table = run(file, "--cuts", "reading=85,95", "--sem", "reading=6.7082", "--group", "reading=100,15", "--format", "table").out();
        assertTrue(table.contains("reliability 0.80)") && table.contains("Ada      reading 70.00: band 1, 93 % sure"), table);
    }

    @Test
    void theGroupIsThatOfTheFileAndMeasuresLendToEachOther() throws IOException {
        List<String> lines = new ArrayList<>(List.of("student,measure,date,score,status"));
        SplittableRandom random = new SplittableRandom(4);
        for (int k = 0; k < 400; k++) {
            double truth = random.nextDouble(40, 80);
            lines.add("S" + k + ",reading,2026-01-12," + (truth + random.nextDouble(-5, 5)) + ",scored");
            lines.add("S" + k + ",spelling,2026-01-12," + (truth / 2 + random.nextDouble(-5, 5)) + ",");
            lines.add("S" + k + ",spelling,2026-01-05,99,scored");
            lines.add("S" + k + ",spelling,2026-01-19,,absent");
        }
        JsonNode out = run(Ran.file(folder, "scores.csv", lines.toArray(String[]::new)), "--cuts", "reading=50,60", "--cuts", "spelling=25", "--sem",
                "reading=3",
                "--rule", "weighted", "--weight", "reading=2").json();
        assertEquals(400, out.at("/measures/0/n").asInt());
        assertEquals(60, out.at("/measures/0/mean").asDouble(), 2);
        assertTrue(out.at("/measures/1/assumed").asBoolean() && out.at("/measures/1/reliability").asDouble() == 0.85);
        assertEquals(30, out.at("/measures/1/mean").asDouble(), 1, "the latest score that is one");
        JsonNode pair = out.at("/correlations/0");
        assertEquals("reading", pair.get("one").asString());
        assertEquals(400, pair.get("n").asInt());
        // Var 133.3 + 8.3 and 33.3 + 8.3, covariance 66.7.
        assertEquals(66.7 / Math.sqrt(141.7 * 41.7), pair.get("correlation").asDouble(), 0.02);
        for (JsonNode s : out.get("students")) {
            double sum = 0;
            for (JsonNode c : s.get("chances")) {
                sum += c.get("chance").asDouble();
            }
            assertEquals(1, sum, 1e-6);
        }
    }

    @Test
    void whereLowerIsBetterTheCutsDescend() throws IOException {
        Path file = Ran.file(folder, "scores.csv", "student,measure,score", "Ada,time,70");
        JsonNode out = run(file, "--cuts", "60,50", "--reliability", "0.9", "--group", "55,10").json();
        assertEquals(1, out.at("/students/0/scores/0/band").asInt());
        assertTrue(out.at("/students/0/scores/0/trueScore").asDouble() < 70);
    }

    @Test
    void whatIsWrongIsSaidWithItsRepair() throws IOException {
        Path few = Ran.file(folder, "few.csv", "student,measure,score", "Ada,reading,70", "Bo,reading,80");
        wrong("write --group reading=MEAN,SPREAD", few, "--cuts", "75");
        wrong("is not a measure of the file; it has reading", few, "--cuts", "maths=75");
        Path two = Ran.file(folder, "two.csv", "student,measure,score", "Ada,reading,70", "Ada,maths,80");
        wrong("'maths' has none; write --cuts maths=40,60", two, "--cuts", "reading=75", "--group", "70,10");
        wrong("cut scores are out of order", few, "--cuts", "75,85,80", "--group", "70,10");
        wrong("give one of them", few, "--cuts", "75", "--group", "70,10", "--sem", "3", "--reliability", "0.9");
        wrong("is not between 0 and 1", few, "--cuts", "75", "--group", "70,10", "--reliability", "1.2");
        wrong("'x' is not a number", few, "--cuts", "x");
        wrong("lowest, most or weighted", few, "--cuts", "75", "--rule", "best");
        Path twice = Ran.file(folder, "twice.csv", "student,measure,score", "Ada,reading,70", "Ada,reading,80");
        Ran ran = run(twice, "--cuts", "75", "--group", "70,10");
        assertEquals(2, ran.code());
        assertTrue(ran.err().contains("row 3, column score: 'Ada' has two scores on 'reading'; a column 'date' would tell the later."), ran.err());
    }

    private static void wrong(String sentence, Object... arguments) {
        Ran ran = run(arguments);
        assertEquals(2, ran.code());
        assertTrue(ran.err().contains(sentence), ran.err());
    }
}
