package org.zealousladder.server.monitoring.trends;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * What a goal can be chosen from.
 *
 * @param median the median of the first three scores; null while there are fewer
 * @param scored all scores of the year, to start from one of them instead
 * @param benchmarks cut scores at windows still to come
 * @param norms the table of growth that is used; null where there is none
 * @param ownPerWeek the trend's growth so far
 */
public record GoalOptions(@Nullable StartPoint median, List<StartPoint> scored, List<Benchmark> benchmarks, @Nullable NormsUsed norms,
        @Nullable Double ownPerWeek, LocalDate yearEnds) {

    public record StartPoint(LocalDate date, double score) {}

    /** The score from which a band begins in a window. */
    public record Benchmark(int windowId, String window, LocalDate date, String band, int tier, double from) {

        /** The same whatever the grade. */
        JointGoals.JointBenchmark joint() {
            return new JointGoals.JointBenchmark(windowId, window, date, band, tier);
        }

        /** In words. */
        String basis() {
            return "Where " + band + " begins in " + window.toLowerCase(Locale.ROOT);
        }
    }

    public record NormsUsed(String name, int lowest, int highest) {}
}
