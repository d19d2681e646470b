package org.zealousladder.cli.fit;

import java.time.LocalDate;
import java.util.List;
import org.zealousladder.core.Direction;
import org.zealousladder.core.Interval;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.decisions.Decider;
import org.zealousladder.core.decisions.Decision;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.core.goals.GoalChance;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.Outliers;
import org.zealousladder.core.growth.Trend;

/**
 * What is said of one series. {@code trend} is null when there are too few scores, the goal's parts when there is no goal.
 */
record FittedSeries(Input.Key key, int n, Trend.Fitted trend, LocalDate latest, Interval latestLevel, List<LocalDate> outliers,
        Input.GoalRow goal, GoalLine line, Interval projected, Double chance, Decision decision) {

    /** Options of one run. */
    record Options(LocalDate origin, LocalDate asOf, Trend.Method method, RuleSettings rule) {}

    static FittedSeries of(Input.Key key, Points points, Input.GoalRow goal, double sem, Options options) {
        int asOf = (int) options.asOf().toEpochDay();
        int[] days = points.scoredDays(asOf);
        double[] weeks = new double[days.length];
        long origin = options.origin().toEpochDay();
        for (int i = 0; i < days.length; i++) {
            weeks[i] = (days[i] - origin) / 7.0;
        }
        ScoreSeries series = ScoreSeries.of(weeks, points.scores(asOf));
        Decider decider = new Decider(options.rule(), options.method(), sem);
        Trend.Fitted trend = decider.fit(series) instanceof Trend.Fitted f ? f : null;
        LocalDate latest = days.length == 0 ? null : LocalDate.ofEpochDay(days[days.length - 1]);
        Interval level = trend == null ? null : trend.level(weeks[weeks.length - 1]);
        List<LocalDate> outliers = java.util.Arrays.stream(Outliers.mark(series)).mapToObj(i -> LocalDate.ofEpochDay(days[i])).toList();
        if (goal == null) {
            return new FittedSeries(key, days.length, trend, latest, level, outliers, null, null, null, null, null);
        }
        Direction direction = goal.goalScore() > goal.startScore() ? Direction.HIGHER_IS_BETTER : Direction.LOWER_IS_BETTER;
        GoalLine line = new GoalLine(ScoreSeries.weeks(options.origin(), goal.startDate()), goal.startScore(),
                ScoreSeries.weeks(options.origin(), goal.goalDate()), goal.goalScore(), direction);
        Decision decision = decider.decide(series, trend == null ? new Trend.TooFew(days.length, Trend.NEEDED) : trend, line,
                ScoreSeries.weeks(options.origin(), options.asOf()));
        return new FittedSeries(key, days.length, trend, latest, level, outliers, goal, line,
                trend == null ? null : trend.level(line.goalWeek()), trend == null ? null : GoalChance.of(trend, line), decision);
    }
}
