package org.zealousladder.cli.fit;

import java.time.LocalDate;
import java.util.List;
import org.zealousladder.core.Direction;
import org.zealousladder.core.Interval;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.decisions.Proposer;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.core.goals.GoalChance;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.LeastSquares;
import org.zealousladder.core.growth.Outliers;
import org.zealousladder.core.growth.Pool;
import org.zealousladder.core.growth.Population;
import org.zealousladder.core.growth.SteadyAlone;
import org.zealousladder.core.growth.TheilSen;
import org.zealousladder.core.growth.Trend;

/**
 * What is said of one series. {@code trend} is null when there are too few scores, the goal's parts when there is no goal,
 * {@code line} when the series was not pooled.
 */
record FittedSeries(Input.Key key, int n, Trend.Fitted trend, Population.Line pooled, LocalDate latest, double latestWeek, Interval latestLevel,
        List<LocalDate> outliers,
        Input.GoalRow goal, GoalLine line, Interval projected, Double chance, Proposal decision) {

    /** Options of one run. */
    record Options(LocalDate origin, LocalDate asOf, Trend.Method method, RuleSettings rule) {
        /** Whether all series of a measure are fitted together. */
        boolean together() {
            return method == Trend.Method.POOLED || method == Trend.Method.STEADY;
        }
    }

    /** How it was fitted; a series that could not be pooled is fitted by itself. */
    String fittedBy() {
        return trend.method().name().toLowerCase(java.util.Locale.ROOT);
    }

    /** Standard error of the slope; of a pooled one as mixed-model packages state it, with the group's variances taken as known. */
    double slopeSe() {
        return pooled == null ? trend.slopeSe() : pooled.slopeSe();
    }

    /** Standard error of the level at the origin, likewise. */
    double interceptSe() {
        return pooled == null ? trend.levelSe(0) : pooled.interceptSe();
    }

    /** The scores of {@code points} up to the day the options name, in weeks from their origin. */
    static ScoreSeries series(Points points, Options options) {
        int asOf = (int) options.asOf().toEpochDay();
        int[] days = points.scoredDays(asOf);
        double[] weeks = new double[days.length];
        long origin = options.origin().toEpochDay();
        for (int i = 0; i < days.length; i++) {
            weeks[i] = (days[i] - origin) / 7.0;
        }
        return ScoreSeries.of(weeks, points.scores(asOf), points.forms(asOf));
    }

    /**
     * What is known of a measure.
     *
     * @param sem standard error of measurement; 0: none is stated
     * @param bounds scores there are; null: any
     * @param population what its series are pooled with; null where each is fitted by itself
     */
    record Known(double sem, Trend.Bounds bounds, Pool population) {
        Trend.Fitter fitter(Trend.Method method, boolean pooled) {
            Trend.Fitter fitter = pooled ? read() : alone(method, sem);
            return bounds == null ? fitter : fitter.within(bounds);
        }

        private Trend.Fitter read() {
            Pool pool = bounds == null ? population : population.knowing(bounds);
            return pool::predict;
        }
    }

    /** Whether the newest level may well be the least score there is, or the most. */
    boolean atBound() {
        return trend != null && latestLevel != null && trend.atBound(latestWeek);
    }

    static FittedSeries of(Input.Key key, Points points, Input.GoalRow goal, Known known, Options options) {
        int[] days = points.scoredDays((int) options.asOf().toEpochDay());
        ScoreSeries series = series(points, options);
        boolean pooled = known.population() != null && series.size() > 0;
        Proposer proposer = new Proposer(options.rule(), known.fitter(options.method(), pooled));
        Trend.Fitted trend = proposer.fit(series) instanceof Trend.Fitted f ? f : null;
        Population.Line own = pooled && known.population() instanceof Population p ? p.line(series) : null;
        LocalDate latest = days.length == 0 ? null : LocalDate.ofEpochDay(days[days.length - 1]);
        double week = series.size() == 0 ? 0 : series.week(series.size() - 1);
        Interval level = trend == null ? null : trend.level(week);
        List<LocalDate> outliers = java.util.Arrays.stream(Outliers.mark(series)).mapToObj(i -> LocalDate.ofEpochDay(days[i])).toList();
        if (goal == null) {
            return new FittedSeries(key, days.length, trend, own, latest, week, level, outliers, null, null, null, null, null);
        }
        Direction direction = goal.goalScore() > goal.startScore() ? Direction.HIGHER_IS_BETTER : Direction.LOWER_IS_BETTER;
        GoalLine line = new GoalLine(ScoreSeries.weeks(options.origin(), goal.startDate()), goal.startScore(),
                ScoreSeries.weeks(options.origin(), goal.goalDate()), goal.goalScore(), direction);
        Proposal decision = proposer.propose(series, trend == null ? new Trend.TooFew(days.length, Trend.NEEDED) : trend, line,
                ScoreSeries.weeks(options.origin(), options.asOf()));
        return new FittedSeries(key, days.length, trend, own, latest, week, level, outliers, goal, line,
                trend == null ? null : trend.level(line.goalWeek()), trend == null ? null : GoalChance.of(trend, line), decision);
    }

    private static Trend.Fitter alone(Trend.Method method, double sem) {
        return switch (method) {
            case ROBUST -> s -> TheilSen.fit(s, sem);
            case STEADY -> new SteadyAlone(sem);
            case SINGLE, POOLED -> s -> LeastSquares.fit(s, sem);
        };
    }
}
