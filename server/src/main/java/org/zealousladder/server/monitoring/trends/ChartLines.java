package org.zealousladder.server.monitoring.trends;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Interval;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.growth.Outliers;
import org.zealousladder.core.growth.SteadyPopulation;
import org.zealousladder.core.growth.Trend;
import org.zealousladder.server.monitoring.trends.TrendCard.PhaseTrend;
import org.zealousladder.server.monitoring.trends.TrendCard.TrendPoint;
import org.zealousladder.server.monitoring.trends.TrendCard.TrendStop;
import org.zealousladder.server.scores.scores.Score;

/** What a chart draws: the points, and each phase's line with its ribbon at some days. */
final class ChartLines {
    private final LocalDate origin;
    private final int stops;

    /** @param stops how many steps a line's ribbon is drawn in */
    ChartLines(LocalDate origin, int stops) {
        this.origin = origin;
        this.stops = stops;
    }

    LocalDate day(double week) {
        return origin.plusDays(Math.round(week * 7));
    }

    /**
     * @param until the day to which the line is drawn on; null: only as far as there are scores
     * @param pool which the trend {@code leans} on, or that tells only what scores vary by; null: there is none
     */
    @Nullable
    PhaseTrend line(Trend.Fitter fitter, ScoreSeries phase, @Nullable LocalDate until, @Nullable SteadyPopulation pool, boolean leans) {
        if (!(fitter.fit(phase) instanceof Trend.Fitted f)) {
            return null;
        }
        double from = phase.week(0);
        double lastScore = phase.week(phase.size() - 1);
        double to = until == null ? lastScore : Math.max(lastScore, ScoreSeries.weeks(origin, until));
        Set<LocalDate> days = new TreeSet<>();
        for (int i = 0; i <= stops; i++) {
            days.add(day(from + i * (to - from) / stops));
        }
        days.add(day(lastScore));
        List<Interval> levels = fitter.levels(phase, f, days.stream().mapToDouble(d -> ScoreSeries.weeks(origin, d)).toArray());
        List<TrendStop> line = new ArrayList<>();
        for (LocalDate d : days) {
            line.add(stop(d, levels.get(line.size())));
        }
        return new PhaseTrend(f.n(), f.slope(), f.slopeLow(), f.slopeHigh(), day(lastScore), f.level(lastScore).value(), bound(f, lastScore),
                line, leans ? f.shrinkage() : null, pool == null ? null : pool.series() - (leans ? 1 : 0), pool == null ? null : pool.slopePerWeek());
    }

    private static @Nullable Double bound(Trend.Fitted f, double week) {
        Trend.Bounds bounds = f.bounds();
        return bounds == null || !f.atBound(week) ? null : f.at(week) - bounds.low() < bounds.high() - f.at(week) ? bounds.low() : (Double) bounds.high();
    }

    TrendStop stop(Trend.Fitted f, LocalDate day) {
        return stop(day, f.level(ScoreSeries.weeks(origin, day)));
    }

    private static TrendStop stop(LocalDate day, Interval level) {
        return new TrendStop(day, level.value(), level.low(), level.high());
    }

    /** Outliers are marked within each phase: a jump at a plan change is not a wild score. */
    static List<TrendPoint> points(List<Score> scores, Phases phases) {
        Set<Integer> wild = new HashSet<>();
        int unfitted = phases.before();
        int at = unfitted;
        for (ScoreSeries phase : phases.parts()) {
            for (int i : Outliers.mark(phase)) {
                wild.add(at + i);
            }
            at += phase.size();
        }
        List<TrendPoint> points = new ArrayList<>(scores.size());
        int k = 0;
        for (Score s : scores) {
            boolean outlier = s.scored() && wild.contains(k);
            boolean fitted = s.scored() && k >= unfitted;
            k += s.scored() ? 1 : 0;
            points.add(TrendPoint.of(s, outlier, fitted));
        }
        return points;
    }
}
