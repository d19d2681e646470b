package org.zealousladder.cli.fit;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.core.growth.Pool;
import org.zealousladder.core.growth.PooledGrowth;
import org.zealousladder.core.growth.SteadyGrowth;
import org.zealousladder.core.growth.Trend;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.platform.files.Cells;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Fits every series of a file. Exit code 0, or 2 when the files or options are wrong. */
@Command(name = "fit", mixinStandardHelpOptions = true, sortOptions = false,
        description = {"Fit growth trends against goals and propose decisions, from files alone.",
                "SCORES: student,measure,date,score[,status][,form]  with ISO dates; what moves all who took one form in one week is taken out.",
                "GOALS:  student,measure,start_date,start_score,goal_date,goal_score",
                "A goal below its start means that lower is better."})
public final class FitCommand implements Callable<Integer> {
    @Parameters(paramLabel = "SCORES.csv")
    private Path scores;

    @Option(names = "--goals", paramLabel = "GOALS.csv", description = "Goals; without them no decisions are proposed.")
    private Path goals;

    @Option(names = "--method", defaultValue = "steady",
            description = "steady (default: all series of a measure together, with bends, shared weeks, wild scores and scores that hang together), "
                    + "pooled (together, straight and independent), single (least squares), or robust (Theil-Sen).")
    private String method;

    @Option(names = "--rule", defaultValue = "chance", description = "last-points, trend or chance (default).")
    private String rule;

    @Option(names = "--sem", paramLabel = "MEASURE=VALUE", description = "Standard error of measurement; steadies the variance. Repeatable.")
    private Map<String, String> sems = Map.of();

    @Option(names = "--bounds", paramLabel = "MEASURE=LOW,HIGH",
            description = "Least and most score there is (either may be left out: ,95). Nothing is projected beyond; series that stand there "
                    + "are warned of, and say atBound in JSON. Repeatable.")
    private Map<String, String> bounds = Map.of();

    @Option(names = "--origin", paramLabel = "DATE", description = "Day that weeks are counted from (default: the earliest in the file).")
    private String origin;

    @Option(names = "--as-of", paramLabel = "DATE", description = "Leave out later scores; judge goals on this day (default: the latest in the file).")
    private String asOf;

    @Option(names = "--skip-bad", description = "Compute the good rows and list the bad ones under 'problems'.")
    private boolean skipBad;

    @Option(names = "--format", defaultValue = "table", description = "table (default), csv or json.")
    private String format;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    @Override
    public Integer call() throws IOException {
        Trend.Method fitted = switch (method) {
            case "single" -> Trend.Method.SINGLE;
            case "robust" -> Trend.Method.ROBUST;
            case "pooled" -> Trend.Method.POOLED;
            case "steady" -> Trend.Method.STEADY;
            default -> throw wrong("'" + method + "' is not a method; use single, robust, pooled or steady");
        };
        FitOutput output = switch (format) {
            case "table" -> new TableOutput();
            case "csv" -> new CsvOutput();
            case "json" -> new JsonOutput();
            default -> throw wrong("'" + format + "' is not a format; use table, csv or json");
        };
        RuleSettings settings = settings();
        Input input = new Input();
        try {
            readable(scores);
            input.readScores(scores);
            if (goals != null) {
                readable(goals);
                input.readGoals(goals);
            }
        } catch (BadCsvException e) {
            throw wrong(e.getMessage());
        }
        boolean stop = !input.problems.isEmpty() && !skipBad;
        for (Problem p : input.problems) {
            System.err.println("row " + p.row() + ", column " + p.column() + ": " + p.message());
        }
        LocalDate first = origin == null ? input.empty() ? LocalDate.EPOCH : input.earliest() : day("--origin", origin);
        LocalDate last = asOf == null ? input.empty() ? first : input.latest() : day("--as-of", asOf);
        FittedSeries.Options options = new FittedSeries.Options(first, last, fitted, settings);
        Map<String, Double> sem = sems();
        Map<String, Trend.Bounds> within = bounds();
        try (OutputStream out = new BufferedOutputStream(System.out, 1 << 16)) {
            if (stop) {
                output.problemsOnly(input.problems, out);
                System.err.println(input.problems.size() == 1 ? "1 bad cell; nothing was computed. Mend it, or use --skip-bad."
                        : input.problems.size() + " bad cells; nothing was computed. Mend them, or use --skip-bad.");
                return 2;
            }
            input.goals.keySet().forEach(k -> input.series.computeIfAbsent(k, key -> new Points()));
            Map<String, Pool> populations = options.together() ? populations(input, options, sem, within) : Map.of();
            output.begin(options, method, populations, out);
            Map<String, Integer> atBound = new TreeMap<>();
            for (Map.Entry<Input.Key, Points> e : input.series.entrySet()) {
                String measure = e.getKey().measure();
                FittedSeries one = FittedSeries.of(e.getKey(), e.getValue(), input.goals.get(e.getKey()),
                        new FittedSeries.Known(sem.getOrDefault(measure, 0.0), within.get(measure), populations.get(measure)), options);
                if (one.atBound()) {
                    atBound.merge(measure, 1, Integer::sum);
                }
                output.series(one);
            }
            atBound.forEach((measure, n) -> System.err.println(measure + ": " + n + " series may stand at the least or the most score there is; growth beyond"
                    + " it cannot be seen"));
            output.end(skipBad ? input.problems : List.of());
        }
        return 0;
    }

    /** What the measures that have enough series were found to vary by, by the measure's name. */
    private static Map<String, Pool> populations(Input input, FittedSeries.Options options, Map<String, Double> sem, Map<String, Trend.Bounds> within) {
        Map<String, List<ScoreSeries>> measures = new LinkedHashMap<>();
        input.series.forEach((key, points) -> measures.computeIfAbsent(key.measure(), m -> new ArrayList<>()).add(FittedSeries.series(points, options)));
        Map<String, Pool> populations = new LinkedHashMap<>();
        measures.forEach((measure, series) -> pool(series, options.method(), sem.getOrDefault(measure, 0.0), within.get(measure))
                .ifPresentOrElse(p -> populations.put(measure, p),
                        () -> System.err.println(measure + ": too few series with three scores to pool, or none of them with any noise; fitted one by one"
                                + (options.method() == Trend.Method.STEADY ? ", with bends and deviations that hang together as usual in schools" : ""))));
        return populations;
    }

    private static Optional<? extends Pool> pool(List<ScoreSeries> series, Trend.Method method, double sem, Trend.@Nullable Bounds bounds) {
        if (method == Trend.Method.STEADY) {
            SteadyGrowth steady = new SteadyGrowth(sem, bounds);
            series.forEach(steady::add);
            return steady.fit();
        }
        PooledGrowth pooled = new PooledGrowth();
        series.forEach(pooled::add);
        return pooled.fit();
    }

    private RuleSettings settings() {
        try {
            return RuleSettings.standard(Rule.of(rule));
        } catch (IllegalArgumentException e) {
            throw wrong(e.getMessage());
        }
    }

    private Map<String, Double> sems() {
        Map<String, Double> values = new HashMap<>();
        sems.forEach((measure, text) -> {
            try {
                double value = Cells.number(text);
                if (value <= 0) {
                    throw new IllegalArgumentException("it must be above 0");
                }
                values.put(measure, value);
            } catch (IllegalArgumentException e) {
                throw wrong("--sem " + measure + "=" + text + ": " + e.getMessage());
            }
        });
        return values;
    }

    private Map<String, Trend.Bounds> bounds() {
        Map<String, Trend.Bounds> values = new HashMap<>();
        bounds.forEach((measure, text) -> {
            String[] ends = text.split(",", -1);
            try {
                if (ends.length != 2) {
                    throw new IllegalArgumentException("write two scores with a comma between them, such as 0,95");
                }
                values.put(measure, new Trend.Bounds(ends[0].isBlank() ? Double.NEGATIVE_INFINITY : Cells.number(ends[0].strip()),
                        ends[1].isBlank() ? Double.POSITIVE_INFINITY : Cells.number(ends[1].strip())));
            } catch (IllegalArgumentException e) {
                throw wrong("--bounds " + measure + "=" + text + ": " + e.getMessage());
            }
        });
        return values;
    }

    private LocalDate day(String option, String text) {
        try {
            return Cells.date(text);
        } catch (IllegalArgumentException e) {
            throw wrong(option + ": " + e.getMessage());
        }
    }

    private void readable(Path file) {
        if (!Files.isReadable(file) || Files.isDirectory(file)) {
            throw wrong(file + ": there is no such file, or it cannot be read");
        }
    }

    private CommandLine.ParameterException wrong(String sentence) {
        return new CommandLine.ParameterException(spec.commandLine(), sentence);
    }
}
