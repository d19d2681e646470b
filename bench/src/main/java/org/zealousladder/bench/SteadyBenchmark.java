package org.zealousladder.bench;

import java.io.IOException;
import java.util.Locale;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.growth.SteadyGrowth;
import org.zealousladder.core.growth.SteadyPopulation;

/** The same series as in {@link PooledBenchmark} by the steady model, against its budget of time and memory. */
public final class SteadyBenchmark {
    private static final double BUDGET_SECONDS = 6;
    private static final long BUDGET_BYTES = 400L << 20;

    private SteadyBenchmark() {}

    /** Prints time and memory as shares of their budgets; the first round, which is not counted, warms up. */
    public static void main(String[] args) throws IOException {
        ScoreSeries[] all = PooledBenchmark.series();
        double seconds = Double.MAX_VALUE;
        double sum = 0;
        for (int round = 0; round < 3; round++) {
            long start = System.nanoTime();
            SteadyGrowth growth = new SteadyGrowth();
            for (ScoreSeries s : all) {
                growth.add(s);
            }
            SteadyPopulation population = growth.fit().orElseThrow();
            for (ScoreSeries s : all) {
                sum += population.predict(s).slope();
            }
            if (round > 0) {
                seconds = Math.min(seconds, (System.nanoTime() - start) / 1e9);
            }
        }
        long memory = PooledBenchmark.peak();
        System.out.printf(Locale.ROOT,
                "steady growth: %,d series in %.2f s: %.2f of the budget of %.0f s (mean slope %.3f); peak of the process %d MB: %.2f of 400 MB%n",
                all.length, seconds, seconds / BUDGET_SECONDS, BUDGET_SECONDS, sum / 3 / all.length, memory >> 20, memory / (double) BUDGET_BYTES);
    }
}
