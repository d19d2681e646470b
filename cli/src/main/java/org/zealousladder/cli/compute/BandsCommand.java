package org.zealousladder.cli.compute;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Direction;
import org.zealousladder.core.bands.Band;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.bands.Group;
import org.zealousladder.core.bands.TrueScores;
import org.zealousladder.core.summary.PercentileRanks;
import org.zealousladder.core.tiers.Evidence;
import org.zealousladder.core.tiers.TierProposer;
import org.zealousladder.core.tiers.TierRule;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.platform.files.Cells;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** How sure bands and tiers are. Exit code 0, or 2 when the file or an option is wrong. */
@Command(name = "bands", mixinStandardHelpOptions = true, sortOptions = false,
        description = {"In which band each score stands, and how sure that is, from scores alone.",
                "SCORES: student,measure,score[,date][,status]; of several scores of a student on a measure the latest counts.",
                "The students of the file are the group that true scores are drawn towards: one grade in one window.",
                "Options that take VALUE take MEASURE=VALUE, too, once for each measure.", "",
                "JSON: measures [measure n mean sd sem reliability assumed cuts], correlations [one other n correlation assumed], "
                        + "students [student, scores [measure score band tier certainty closeCall trueScore trueSd chances], tier, certainty, "
                        + "closeCall, chances [tier chance], reason]. Bands are numbered from 1, the one that needs most support."})
final class BandsCommand extends Computation {
    @Parameters(paramLabel = "SCORES.csv")
    private Path scores;

    @Option(names = "--cuts", required = true, paramLabel = "VALUE",
            description = "Cut scores, such as 40,60 or READING=40,60: with each a better band begins. Where they descend, lower is better.")
    private List<String> cuts = List.of();

    @Option(names = "--sem", paramLabel = "VALUE", description = "Standard error of measurement, in score units.")
    private List<String> sems = List.of();

    @Option(names = "--reliability", paramLabel = "VALUE", description = "Reliability, 0 to 1, in place of the error. Without either 0.85 is assumed.")
    private List<String> reliabilities = List.of();

    @Option(names = "--group", paramLabel = "VALUE", description = "Mean and spread of the grade, such as 62,18, where the file has too few of it.")
    private List<String> groups = List.of();

    @Option(names = "--rule", defaultValue = "lowest", description = "How measures become one tier: lowest (default), most or weighted.")
    private String rule;

    @Option(names = "--weight", paramLabel = "VALUE", description = "What a measure counts in the weighted rule (default 1).")
    private List<String> weights = List.of();

    @Override
    public Integer call() throws IOException {
        requireFormat(List.of("json", "table"));
        BandScores read = new BandScores();
        try {
            read.read(readable(scores));
            boolean stop = Problems.stop(read.problems, skipBad);
            TierRule by = TierRule.of(rule);
            List<BandsOutput.OfMeasure> measures = stop ? List.of() : measures(read);
            List<BandsOutput.Pair> pairs = pairs(read.group(), measures);
            List<BandsOutput.OfStudent> students = stop ? List.of() : read.students().stream().map(s -> student(s, read, measures, pairs, by)).toList();
            if (format.equals("json")) {
                BandsOutput.json(stop ? null : measures, pairs, students, read.problems);
            } else if (!stop) {
                BandsOutput.table(measures, students);
            }
            return stop ? 2 : 0;
        } catch (BadCsvException | IllegalArgumentException e) {
            throw wrong(e.getMessage());
        }
    }

    private List<BandsOutput.OfMeasure> measures(BandScores read) {
        Group group = read.group();
        Map<String, double[]> cut = numbers("--cuts", cuts, read.measures());
        Map<String, double[]> sem = numbers("--sem", sems, read.measures());
        Map<String, double[]> reliable = numbers("--reliability", reliabilities, read.measures());
        Map<String, double[]> given = numbers("--group", groups, read.measures());
        Map<String, double[]> weight = numbers("--weight", weights, read.measures());
        List<BandsOutput.OfMeasure> all = new ArrayList<>();
        for (int i = 0; i < read.measures().size(); i++) {
            String name = read.measures().get(i);
            if (!cut.containsKey(name)) {
                throw new IllegalArgumentException("--cuts: '" + name + "' has none; write --cuts " + name + "=40,60");
            }
            double[] lie = given.getOrDefault(name, new double[] {group.mean(i), group.sd(i)});
            if (!given.containsKey(name) && group.n(i) < PercentileRanks.NEEDED || lie.length != 2 || !(lie[1] > 0)) {
                throw new IllegalArgumentException("'" + name + "' has " + group.n(i) + " scores here, of which " + PercentileRanks.NEEDED
                        + " that differ would tell how the grade lies; write --group " + name + "=MEAN,SPREAD");
            }
            all.add(new BandsOutput.OfMeasure(name, group.n(i), new TrueScores.Measured(lie[0], lie[1], error(name, sem.get(name), reliable.get(name), lie[1])),
                    ladder(name, cut.get(name)), weight.getOrDefault(name, new double[] {1})[0]));
        }
        return all;
    }

    private static double error(String name, double @Nullable [] sem, double @Nullable [] reliable, double sd) {
        if (sem != null && reliable != null) {
            throw new IllegalArgumentException("'" + name + "' has both an error and a reliability; give one of them");
        }
        if (reliable != null && !(reliable[0] > 0 && reliable[0] < 1)) {
            throw new IllegalArgumentException("--reliability: " + reliable[0] + " is not between 0 and 1");
        }
        if (sem != null && !(sem[0] > 0)) {
            throw new IllegalArgumentException("--sem: " + sem[0] + " is not above 0");
        }
        return sem != null ? sem[0] : reliable != null ? sd * Math.sqrt(1 - reliable[0]) : 0;
    }

    private static BandLadder ladder(String name, double[] cuts) {
        Direction direction = cuts.length > 1 && cuts[1] < cuts[0] ? Direction.LOWER_IS_BETTER : Direction.HIGHER_IS_BETTER;
        try {
            return BandLadder.of(IntStream.rangeClosed(0, cuts.length)
                    .mapToObj(i -> new Band("band " + (i + 1), Math.min(Band.MOST_TIER, cuts.length + 1 - i))).toList(), cuts, direction);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("--cuts: '" + name + "': " + e.getMessage(), e);
        }
    }

    private static List<BandsOutput.Pair> pairs(Group group, List<BandsOutput.OfMeasure> measures) {
        List<BandsOutput.Pair> pairs = new ArrayList<>();
        for (int i = 0; i < measures.size(); i++) {
            for (int j = 0; j < i; j++) {
                boolean enough = group.n(i, j) >= PercentileRanks.NEEDED && group.correlation(i, j).isPresent();
                pairs.add(new BandsOutput.Pair(j, i, group.n(i, j), enough ? group.correlation(i, j).getAsDouble() : TrueScores.ASSUMED_CORRELATION, !enough));
            }
        }
        return pairs;
    }

    private static BandsOutput.OfStudent student(String student, BandScores read, List<BandsOutput.OfMeasure> measures, List<BandsOutput.Pair> pairs,
            TierRule by) {
        double[] own = read.scores(student);
        int[] scored = IntStream.range(0, own.length).filter(i -> Double.isFinite(own[i])).toArray();
        double[][] together = new double[scored.length][scored.length];
        for (int a = 0; a < scored.length; a++) {
            for (int b = 0; b < scored.length; b++) {
                int i = scored[a];
                int j = scored[b];
                together[a][b] = i == j ? 1
                        : pairs.stream().filter(p -> p.one() == Math.min(i, j) && p.other() == Math.max(i, j)).findFirst().orElseThrow().correlation();
            }
        }
        TrueScores truth = TrueScores.of(Arrays.stream(scored).mapToDouble(i -> own[i]).toArray(),
                Arrays.stream(scored).mapToObj(i -> measures.get(i).measured()).toArray(TrueScores.Measured[]::new), together);
        List<Evidence> evidence = Arrays.stream(scored).mapToObj(i -> {
            BandsOutput.OfMeasure m = measures.get(i);
            return new Evidence(m.name(), own[i], m.ladder(), m.measured().sem(), m.weight(), m.measured().sd());
        }).toList();
        return new BandsOutput.OfStudent(student, Arrays.stream(scored).mapToObj(i -> new BandsOutput.OfScore(measures.get(i), own[i])).toList(),
                TierProposer.propose(by, evidence, scored.length == 0 ? null : truth));
    }

    /** Numbers by measure: of all where no measure is named. */
    private static Map<String, double[]> numbers(String option, List<String> texts, List<String> measures) {
        Map<String, double[]> all = new LinkedHashMap<>();
        for (String text : texts) {
            int at = text.lastIndexOf('=');
            String name = at < 0 ? null : text.substring(0, at).strip();
            if (name != null && !measures.contains(name)) {
                throw new IllegalArgumentException(option + ": '" + name + "' is not a measure of the file; it has " + String.join(", ", measures));
            }
            double[] values = Arrays.stream(text.substring(at + 1).split(",", -1)).mapToDouble(t -> number(option, t)).toArray();
            (name == null ? measures : List.of(name)).forEach(m -> all.put(m, values));
        }
        return all;
    }

    private static double number(String option, String text) {
        try {
            return Cells.number(text.strip());
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(option + ": '" + text.strip() + "' is not a number", e);
        }
    }
}
