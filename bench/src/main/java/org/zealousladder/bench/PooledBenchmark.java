package org.zealousladder.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Stream;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.growth.PooledGrowth;
import org.zealousladder.core.growth.Population;

/** Pooled growth of 100,000 series of about 12 points, from points to everyone's trend, against its budget of time and memory. */
public final class PooledBenchmark {
    static final int SERIES = 100_000;
    private static final double BUDGET_SECONDS = 3;
    private static final long BUDGET_BYTES = 200L << 20;

    private PooledBenchmark() {}

    /** Prints time and memory as shares of their budgets; the first round, which is not counted, warms up. */
    public static void main(String[] args) throws IOException {
        ScoreSeries[] all = series();
        double seconds = Double.MAX_VALUE;
        double sum = 0;
        for (int round = 0; round < 4; round++) {
            long start = System.nanoTime();
            PooledGrowth pool = new PooledGrowth();
            for (ScoreSeries s : all) {
                pool.add(s);
            }
            Population population = pool.fit().orElseThrow();
            for (ScoreSeries s : all) {
                sum += population.predict(s).slope();
            }
            if (round > 0) {
                seconds = Math.min(seconds, (System.nanoTime() - start) / 1e9);
            }
        }
        long memory = peak();
        System.out.printf(Locale.ROOT,
                "pooled growth: %,d series in %.2f s: %.2f of the budget of %.0f s (mean slope %.3f); peak of the process %d MB: %.2f of 200 MB%n",
                SERIES, seconds, seconds / BUDGET_SECONDS, BUDGET_SECONDS, sum / 4 / SERIES, memory >> 20, memory / (double) BUDGET_BYTES);
    }

    /** Series of 4 to 20 points. */
    static ScoreSeries[] series() {
        ScoreSeries[] all = new ScoreSeries[SERIES];
        Random random = new Random(5);
        for (int i = 0; i < SERIES; i++) {
            int n = 4 + random.nextInt(17);
            double[] t = new double[n];
            double[] y = new double[n];
            double level = 60 + 20 * random.nextGaussian();
            double slope = 1.2 + 0.6 * random.nextGaussian();
            for (int k = 0; k < n; k++) {
                t[k] = k + random.nextInt(5) / 7.0;
                y[k] = level + slope * t[k] + 6 * random.nextGaussian();
            }
            all[i] = ScoreSeries.of(t, y);
        }
        return all;
    }

    /** The most memory this process has had, its virtual machine and the scores included, in bytes; as the kernel tells it. */
    static long peak() throws IOException {
        try (Stream<String> lines = Files.lines(Path.of("/proc/self/status"))) {
            return lines.filter(l -> l.startsWith("VmHWM:")).mapToLong(l -> Long.parseLong(l.replaceAll("\\D+", ""))).findFirst().orElseThrow() << 10;
        }
    }
}
