package org.zealousladder.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.zealousladder.cli.fit.FitCommand;
import tools.jackson.databind.JsonNode;

/** The command as a script meets it: files in, text out, exit codes. */
class FitCommandTest {
    @TempDir
    Path folder;

    private Path file(String name, String... lines) throws IOException {
        return Ran.file(folder, name, lines);
    }

    private static Ran run(Object... arguments) {
        return Ran.run(new FitCommand(), arguments);
    }

    private Path byHand() throws IOException {
        // The fit done by hand in LeastSquaresTest, a week apart.
        return file("scores.csv", "student,measure,date,score", "A,orf,2026-01-05,2", "A,orf,2026-01-12,4", "A,orf,2026-01-19,5",
                "A,orf,2026-01-26,4", "A,orf,2026-02-02,5");
    }

    @Test
    void theJsonHoldsTheFitDoneByHand() throws IOException {
        Path goals = file("goals.csv", "student,measure,start_date,start_score,goal_date,goal_score", "A,orf,2026-01-05,2,2026-02-16,7.6");
        JsonNode json = run(byHand(), "--method", "single", "--goals", goals, "--format", "json").json();
        assertEquals("2026-02-02", json.get("asOf").asString());
        assertEquals("2026-01-05", json.get("origin").asString());
        assertEquals("single", json.get("method").asString());
        JsonNode s = json.at("/series/0");
        assertEquals(List.of("student", "measure", "n", "state", "intercept", "slopePerWeek", "slopeSe", "slopeLow", "slopeHigh", "residualSd", "df", "latest",
                "outliers", "goal", "decision"), new ArrayList<>(s.propertyNames()));
        assertEquals(5, s.get("n").asInt());
        assertEquals("fitted", s.get("state").asString());
        assertEquals(0.6, s.get("slopePerWeek").asDouble(), 1e-9);
        assertEquals(2.8, s.get("intercept").asDouble(), 1e-9);
        assertEquals(Math.sqrt(0.08), s.get("slopeSe").asDouble(), 1e-9);
        assertEquals(3, s.get("df").asInt());
        assertEquals(5.2, s.at("/latest/level").asDouble(), 1e-9);
        assertEquals(5.6 / 6, s.at("/goal/neededPerWeek").asDouble(), 1e-9);
        assertEquals(6.4, s.at("/goal/projected").asDouble(), 1e-9);
        assertEquals(0.5 - (Math.sqrt(3) / 4 + Math.PI / 6) / Math.PI, s.at("/goal/chance").asDouble(), 1e-9);
        assertEquals("too-soon", s.at("/decision/kind").asString());
        assertEquals("chance", s.at("/decision/rule").asString());
        assertEquals(0, json.get("problems").size());
    }

    @Test
    void whatDoesNotApplyIsLeftOut() throws IOException {
        Path two = file("two.csv", "student,measure,date,score,status", "A,orf,2026-01-05,2,scored", "A,orf,2026-01-12,,absent");
        JsonNode s = run(two, "--format", "json").json().at("/series/0");
        assertEquals("too few", s.get("state").asString());
        assertEquals(1, s.get("n").asInt(), "an absence is no score");
        for (String absent : List.of("slopePerWeek", "latest", "goal", "decision")) {
            assertFalse(s.has(absent), absent);
        }
    }

    @Test
    void originAsOfAndSemAreUsed() throws IOException {
        JsonNode s = run(byHand(), "--method", "single", "--origin", "2026-01-12", "--as-of", "2026-01-26", "--sem", "orf=2", "--format", "json").json()
                .at("/series/0");
        assertEquals(4, s.get("n").asInt());
        assertEquals(6, s.get("df").asInt(), "four for the SEM and two");
        // Through 2, 4, 5, 4 the slope is 0.7 and the level a week after the start 3.4
        assertEquals(0.7, s.get("slopePerWeek").asDouble(), 1e-9);
        assertEquals(3.4, s.get("intercept").asDouble(), 1e-9);
    }

    @Test
    void theRobustFitIsUnmovedByAWildScoreWhichIsMarked() throws IOException {
        Path wild = file("wild.csv", "student,measure,date,score", "A,orf,2026-01-05,40", "A,orf,2026-01-12,42", "A,orf,2026-01-19,43", "A,orf,2026-01-26,2",
                "A,orf,2026-02-02,48", "A,orf,2026-02-09,50", "A,orf,2026-02-16,51");
        JsonNode s = run(wild, "--method", "robust", "--format", "json").json().at("/series/0");
        assertEquals(1.9, s.get("slopePerWeek").asDouble(), 0.2);
        assertEquals("2026-01-26", s.at("/outliers/0").asString());
    }

    @Test
    void aGoalBelowItsStartMeansThatLowerIsBetter() throws IOException {
        Path errors = file("errors.csv", "student,measure,date,score", "A,errors,2026-01-05,30", "A,errors,2026-01-12,27", "A,errors,2026-01-19,25",
                "A,errors,2026-01-26,20", "A,errors,2026-02-02,18", "A,errors,2026-02-09,14");
        Path goals = file("goals.csv", "student,measure,start_date,start_score,goal_date,goal_score", "A,errors,2026-01-05,30,2026-03-09,12");
        assertEquals("raise", run(errors, "--goals", goals, "--format", "json").json().at("/series/0/decision/kind").asString());
    }

    @Test
    void allBadRowsAreToldAtOnceAndNothingIsComputed() throws IOException {
        Path bad = file("bad.csv", "student,measure,date,score,status", "A,orf,2026-01-05,40,", "A,orf,2026-01-12,abc,", "A,orf,2026-02-30,44,",
                "A,orf,2026-01-19,NaN,",
                "A,orf,2026-01-26,Infinity,", ",orf,2026-02-02,50,", "A,orf,2026-02-09,50,sick", "A,orf,2026-01-05,41,");
        Ran ran = run(bad, "--format", "json");
        assertEquals(2, ran.code());
        assertFalse(ran.json().has("series"));
        List<String> where = new ArrayList<>();
        ran.json().get("problems").forEach(p -> where.add(p.get("row").asInt() + " " + p.get("column").asString()));
        assertEquals(List.of("3 score", "4 date", "5 score", "6 score", "7 student", "8 status", "9 score"), where);
        assertTrue(ran.err().contains("row 3, column score: 'abc' is not a number."));
        assertTrue(run(bad).out().isEmpty(), "no table either");

        Ran skipped = run(bad, "--skip-bad", "--format", "json");
        assertEquals(0, skipped.code());
        assertEquals(1, skipped.json().get("series").size());
        assertEquals(7, skipped.json().get("problems").size());
    }

    @Test
    void wrongOptionsAreSentences() throws IOException {
        Path good = byHand();
        for (String[] wrong : new String[][] {{"--method", "best"}, {"--rule", "mood"}, {"--format", "xml"}, {"--sem", "orf=big"}, {"--sem", "orf=-1"},
                {"--origin", "yesterday"}}) {
            Ran ran = run(good, wrong[0], wrong[1]);
            assertEquals(2, ran.code(), String.join(" ", wrong));
            assertTrue(ran.err().contains(wrong[1].replace("orf=", "")), ran.err());
        }
        assertEquals(2, run(folder.resolve("none.csv")).code());
        assertTrue(run(file("other.csv", "a,b", "1,2")).err().contains("lacks: student, measure, date, score"));
    }

    @Test
    void tableAndCsvSayTheSame() throws IOException {
        assertTrue(run(byHand(), "--method", "single").out().contains("0.60"));
        String csv = run(byHand(), "--method", "single", "--format", "csv").out();
        assertTrue(csv.startsWith("student,measure,n,state,intercept"));
        assertTrue(csv.lines().skip(1).findFirst().orElseThrow().startsWith("A,orf,5,fitted,2.8"));
    }

    @Test
    void anEmptyFileOfScoresGivesNoSeries() throws IOException {
        JsonNode json = run(file("none.csv", "student,measure,date,score"), "--format", "json").json();
        assertEquals(0, json.get("series").size());
    }

    @Test
    void steadyTellsWhatScoresVaryByAndFitsAloneWhatCannotBePooled() throws IOException {
        List<String> lines = new ArrayList<>(List.of("student,measure,date,score"));
        java.util.Random random = new java.util.Random(3);
        for (int i = 0; i < 9; i++) {
            for (int k = 0; k < 8; k++) {
                lines.add("S" + i + ",orf," + java.time.LocalDate.of(2026, 1, 5).plusWeeks(k) + ","
                        + (40 + 4 * i + Math.round(1.5 * k + 3 * random.nextGaussian())));
            }
        }
        for (int k = 0; k < 5; k++) {
            lines.add("S0,maze," + java.time.LocalDate.of(2026, 1, 5).plusWeeks(k) + "," + (10 + 2 * k + k % 2));
        }
        Path scores = file("scores.csv", lines.toArray(String[]::new));
        JsonNode out = run(scores, "--method", "steady", "--format", "json").json();
        assertEquals(out, run(scores, "--format", "json").json(), "as it does without being asked");
        assertEquals("steady", out.get("method").asString());
        for (String field : List.of("intercept", "slopePerWeek", "interceptSe", "slopeSe", "interceptSd", "slopeSd", "correlation", "residualSd",
                "autocorrelation",
                "weekSd", "bendSd")) {
            assertTrue(out.get("population").get(field).isNumber(), field);
        }
        assertTrue(out.get("population").has("tailDf"));
        for (JsonNode one : out.get("series")) {
            assertEquals("steady", one.get("fittedBy").asString());
            assertTrue(one.get("slopeLow").asDouble() < one.get("slopePerWeek").asDouble());
            assertTrue(one.get("interceptSe").asDouble() > 0);
        }
        assertTrue(run(scores, "--method", "steady").out().contains("orf: 9 series"));
        assertTrue(run(scores, "--method", "steadfast").err().contains("use single, robust, pooled or steady"));
    }

    @Test
    void pooledGivesThePopulationAndEachStudentsShare() throws IOException {
        List<String> lines = new ArrayList<>(List.of("student,measure,date,score"));
        java.util.Random random = new java.util.Random(3);
        for (int i = 0; i < 9; i++) {
            for (int k = 0; k < 4 + i % 3; k++) {
                lines.add("S" + i + ",orf," + java.time.LocalDate.of(2026, 1, 5).plusWeeks(k) + ","
                        + (40 + 4 * i + Math.round((1 + i / 4.0) * k + 3 * random.nextGaussian())));
            }
        }
        lines.add("NEW,orf,2026-01-05,50");
        Path scores = file("scores.csv", lines.toArray(String[]::new));
        JsonNode out = run(scores, "--method", "pooled", "--format", "json").json();
        for (String field : List.of("intercept", "slopePerWeek", "interceptSe", "slopeSe", "interceptSd", "slopeSd", "correlation", "residualSd")) {
            assertTrue(out.get("population").get(field).isNumber(), field);
        }
        JsonNode single = run(scores, "--method", "single", "--format", "json").json();
        double mean = out.get("population").get("slopePerWeek").asDouble();
        double spread = 0;
        double shrunken = 0;
        for (int i = 0; i < 9; i++) {
            spread += Math.abs(single.get("series").get(i).get("slopePerWeek").asDouble() - mean);
            shrunken += Math.abs(out.get("series").get(i).get("slopePerWeek").asDouble() - mean);
            assertEquals("pooled", out.get("series").get(i).get("fittedBy").asString());
            assertTrue(out.get("series").get(i).get("interceptSe").asDouble() > 0);
        }
        assertTrue(shrunken < spread);
        JsonNode one = out.get("series").get(9);
        assertEquals(1, one.get("n").asInt());
        assertEquals(mean, one.get("slopePerWeek").asDouble(), 1, "one score says next to nothing of a slope");
        assertTrue(run(scores, "--method", "pooled").out().contains("orf: 10 series"));
        assertTrue(run(scores, "--method", "pooled", "--format", "csv").out().contains("pooled"));
    }

    @Test
    void tooFewToPoolAreFittedOneByOneAndItSaysSo() throws IOException {
        Ran ran = run(byHand(), "--method", "pooled", "--format", "json");
        assertEquals(0, ran.code());
        assertTrue(ran.err().contains("too few series with three scores to pool"), ran.err());
        assertFalse(ran.json().has("population"));
        assertEquals("single", ran.json().get("series").get(0).get("fittedBy").asString());
    }

    @Test
    void nothingIsProjectedBeyondTheBounds() throws IOException {
        Path scores = file("scores.csv", "student,measure,date,score", "S1,m,2026-01-05,80", "S1,m,2026-01-12,84", "S1,m,2026-01-19,86", "S1,m,2026-01-26,91",
                "S1,m,2026-02-02,94");
        Path goals = file("goals.csv", "student,measure,start_date,start_score,goal_date,goal_score", "S1,m,2026-01-05,80,2026-05-04,99");
        Ran ran = run(scores, "--goals", goals, "--bounds", "m=,95", "--format", "json");
        JsonNode s = ran.json().at("/series/0");
        assertTrue(s.get("atBound").asBoolean());
        assertEquals(95, s.at("/goal/projected").asDouble());
        assertEquals(0, s.at("/goal/chance").asDouble());
        assertTrue(ran.err().contains("m: 1 series may stand at the least or the most score there is"), ran.err());
        assertTrue(run(scores, "--bounds", "m=0,500", "--format", "json").json().at("/series/0/atBound").isBoolean());
        assertFalse(run(scores, "--format", "json").json().at("/series/0").has("atBound"));
        Ran wrong = run(scores, "--bounds", "m=95");
        assertEquals(2, wrong.code());
        assertTrue(wrong.err().contains("such as 0,95"), wrong.err());
        assertEquals(2, run(scores, "--bounds", "m=95,0").code());
    }

    /** Twelve students, two passages each week, one much harder than the other in turn. */
    @Test
    void aColumnOfFormsTellsWhoReadTheSame() throws IOException {
        List<String> lines = new ArrayList<>(List.of("student,measure,date,score,form"));
        SplittableRandom random = new SplittableRandom(4);
        for (int student = 0; student < 12; student++) {
            for (int week = 0; week < 10; week++) {
                double hard = (week + student) % 2 == 0 ? 8 : -8;
                lines.add("S" + student + ",m," + LocalDate.of(2026, 1, 5).plusWeeks(week) + ","
                        + Math.round(40 + 3 * student + 1.2 * week + hard + 2 * random.nextGaussian()) + ",passage " + week + (hard > 0 ? "a" : "b"));
            }
        }
        JsonNode with = run(file("forms.csv", lines.toArray(String[]::new)), "--format", "json").json();
        JsonNode without = run(file("none.csv", lines.stream().map(l -> l.substring(0, l.lastIndexOf(','))).toArray(String[]::new)), "--format", "json").json();
        assertTrue(with.at("/population/residualSd").asDouble() < 3.5, with.at("/population").toString());
        assertTrue(with.at("/population/weekSd").asDouble() > 5, with.at("/population").toString());
        assertTrue(without.at("/population/residualSd").asDouble() > 5, without.at("/population").toString());
    }

    /** A class of ten, of whom one stood on the floor for six weeks and is leaving it: what the floor hid is counted in, and nobody else's figures are far from before. */
    @Test
    void scoresOnTheFloorSayOnlyThatTheLevelIsThereOrBelow() throws IOException {
        List<String> lines = new ArrayList<>(List.of("student,measure,date,score"));
        SplittableRandom random = new SplittableRandom(9);
        for (int student = 0; student < 10; student++) {
            for (int week = 0; week < 10; week++) {
                double score = student == 0 ? -9 + 1.6 * week : 10 + 2 * student + (0.8 + 0.1 * student) * week;
                lines.add("S" + student + ",m," + LocalDate.of(2026, 1, 5).plusWeeks(week) + "," + Math.max(0, Math.round(score + 2 * random.nextGaussian())));
            }
        }
        Path scores = file("floor.csv", lines.toArray(String[]::new));
        JsonNode plain = run(scores, "--format", "json").json();
        JsonNode bounded = run(scores, "--bounds", "m=0,100", "--format", "json").json();
        double least = plain.at("/series/0/slopePerWeek").asDouble();
        double told = bounded.at("/series/0/slopePerWeek").asDouble();
        assertEquals("S0", bounded.at("/series/0/student").asString());
        assertTrue(told > least + 0.05, told + " and " + least);
        for (int k = 1; k < 10; k++) {
            double before = plain.at("/series/" + k + "/slopePerWeek").asDouble();
            assertEquals(before, bounded.at("/series/" + k + "/slopePerWeek").asDouble(), 0.25, "S" + k);
        }
        assertTrue(bounded.at("/population/slopePerWeek").asDouble() > plain.at("/population/slopePerWeek").asDouble());
    }
}
