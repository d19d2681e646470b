package org.zealousladder.bench;

import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.stream.Stream;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.calibration.Tally;
import org.zealousladder.core.calibration.World;
import org.zealousladder.core.growth.PooledGrowth;
import org.zealousladder.core.growth.SteadyGrowth;
import org.zealousladder.core.growth.Trend;

/** Whether what the steady model states comes true, in all made-up worlds, beside the pooled model: the tables of docs/calibration.md. */
public final class CalibrationBenchmark {
    /** A share held is then right to 0.2 points, a fifth to 0.02: what 2,400 students seem to be off by is mostly chance. */
    private static final int STUDENTS = 24_000;

    /** In a fifth, to be counted: one in forty. */
    private static final int FEWEST = STUDENTS / 40;

    private static final List<World> HARD = List.of(World.HARD_AUTOCORRELATED, World.FLATTENING);

    private CalibrationBenchmark() {}

    /** @param args names of the worlds, all where there are none */
    public static void main(String[] args) {
        List<World> worlds = args.length == 0 ? World.all() : Stream.of(args).map(CalibrationBenchmark::named).toList();
        System.out.println("| world | students | weeks | slopes held % | levels held % | chance off by | slopes' squared error, of pooled | as required |");
        System.out.println("|---|---|---|---|---|---|---|---|");
        for (World world : worlds) {
            for (int students : new int[] {12, 40}) {
                for (int weeks : new int[] {8, 12, 20}) {
                    line(world, students, weeks);
                }
            }
        }
    }

    private static void line(World world, int students, int weeks) {
        Tally steady = Tally.of(world, students, weeks, STUDENTS / students, 1, series -> {
            Trend.Bounds bounds = new Trend.Bounds(world.low(), world.high());
            SteadyGrowth growth = new SteadyGrowth(0, bounds);
            series.forEach(growth::add);
            return growth.fit().orElseThrow().within(bounds);
        });
        Function<List<ScoreSeries>, Trend.Fitter> together = series -> {
            PooledGrowth growth = new PooledGrowth();
            series.forEach(growth::add);
            return growth.fit().orElseThrow();
        };
        Tally pooled = Tally.of(world, students, weeks, STUDENTS / students, 1, together);
        boolean hard = HARD.contains(world);
        double error = steady.slopeError() / pooled.slopeError();
        System.out.printf(Locale.ROOT, "| %s | %d | %d | %.1f (%.1f) | %.1f (%.1f) | %.2f (%.2f) | %.2f | %s |%n", world.name(), students, weeks,
                100 * steady.slopesHeld(), 100 * pooled.slopesHeld(), 100 * steady.levelsHeld(), 100 * pooled.levelsHeld(), steady.worst(FEWEST),
                pooled.worst(FEWEST), error,
                held(steady.slopesHeld(), hard) && held(steady.levelsHeld(), hard) && steady.worst(FEWEST) <= (hard ? 0.10 : 0.07)
                        && error < (world == World.INDEPENDENT ? 1.055 : 1.005) ? "yes" : "no");
    }

    private static World named(String name) {
        return World.all().stream().filter(w -> w.name().equals(name)).findFirst().orElseThrow(
                () -> new IllegalArgumentException(
                        "There is no world '" + name + "'. There are: " + String.join(", ", World.all().stream().map(World::name).toList())));
    }

    private static boolean held(double share, boolean hard) {
        return share >= (hard ? 0.89 : 0.92) && share <= (hard ? 0.99 : 0.98);
    }
}
