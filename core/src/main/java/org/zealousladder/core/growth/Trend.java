package org.zealousladder.core.growth;

import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Interval;
import org.zealousladder.core.ScoreSeries;

/**
 * A straight trend through one series, or the statement that there are too few scores for one.
 *
 * <p>Levels are in score units, slopes in score units per week, times in weeks from the series' origin.
 */
public sealed interface Trend {

    /** Fewest scores, on at least two dates, through which a trend is drawn. */
    int NEEDED = 3;

    /** No trend: {@code n} scores where {@code needed} are, or all of them on one date. */
    record TooFew(int n, int needed) implements Trend {}

    /**
     * A fitted trend.
     *
     * @param intercept level at the origin
     * @param slope change per week
     * @param slopeSe standard error of the slope
     * @param slopeLow lower end of the slope's 95 % interval
     * @param slopeHigh upper end of the slope's 95 % interval
     * @param residualSd spread of scores about the trend; moderated where an SEM was given
     * @param df degrees of freedom of that spread
     * @param centre time at which the level is known best
     * @param centreSe standard error of the level there
     * @param method how it was fitted
     * @param wander how the slope may change after the last score; null: the line is taken to go on straight
     * @param shrinkage how much of the slope's doubt the own scores left to the group, 0 (nothing: a trend of its own) to 1 (all)
     */
    record Fitted(int n, double intercept, double slope, double slopeSe, double slopeLow, double slopeHigh,
            double residualSd, int df, double centre, double centreSe, Method method, double shrinkage, @Nullable Wander wander) implements Trend {

        /** A trend of one series by itself. */
        Fitted(int n, double intercept, double slope, double slopeSe, double slopeLow, double slopeHigh, double residualSd, int df,
                double centre, double centreSe, Method method) {
            this(n, intercept, slope, slopeSe, slopeLow, slopeHigh, residualSd, df, centre, centreSe, method, 0, null);
        }

        /** A straight trend. */
        Fitted(int n, double intercept, double slope, double slopeSe, double slopeLow, double slopeHigh, double residualSd, int df,
                double centre, double centreSe, Method method, double shrinkage) {
            this(n, intercept, slope, slopeSe, slopeLow, slopeHigh, residualSd, df, centre, centreSe, method, shrinkage, null);
        }

        /** Level of the trend at time {@code week}, without an interval. */
        public double at(double week) {
            return intercept + slope * week;
        }

        /** Standard error of the level at {@code week}: {@code sqrt(se(centre)² + (se(slope)·(week - centre))²)}, and what a slope may wander after the last score. */
        public double levelSe(double week) {
            double d = slopeSe * (week - centre);
            return Math.sqrt(centreSe * centreSe + d * d + (wander == null ? 0 : wander.variance(week)));
        }

        /** Level at {@code week} with its 95 % interval. */
        public Interval level(double week) {
            return around(at(week), levelSe(week));
        }

        /** A single new score at {@code week} with its 95 % interval: the level's error and the scores' own. */
        public Interval newScore(double week) {
            return around(at(week), Math.hypot(levelSe(week), residualSd));
        }

        private Interval around(double value, double se) {
            double half = StudentT.quantile975(df) * se;
            return new Interval(value, value - half, value + half);
        }
    }

    /**
     * A slope that wanders.
     *
     * @param last time of the last score
     * @param sd how far it has gone after a week, one standard deviation, in score units per week
     */
    record Wander(double last, double sd) {
        /** What that adds to the variance of the level at {@code week}: {@code sd²h³/3} for the h weeks since the last score. */
        double variance(double week) {
            double h = Math.max(0, week - last);
            return sd * sd * h * h * h / 3;
        }
    }

    /** How a trend is fitted to one series. */
    enum Method {
        /** Least squares on the student's own scores. */
        SINGLE,
        /** Theil-Sen: unmoved by a few wild scores. */
        ROBUST,
        /** A student's share of a {@link Population}: the own scores, shrinkage on the group where they are few. */
        POOLED,
        /** As pooled, with all that scores of a school vary by: {@link SteadyGrowth}. */
        STEADY
    }

    /** A way to fit a trend to one series. */
    @FunctionalInterface
    interface Fitter {
        Trend fit(ScoreSeries series);
    }
}
