package org.zealousladder.core.growth;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
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
     * @param bounds scores that can be; null: any
     */
    record Fitted(int n, double intercept, double slope, double slopeSe, double slopeLow, double slopeHigh,
            double residualSd, int df, double centre, double centreSe, Method method, double shrinkage, @Nullable Wander wander,
            @Nullable Bounds bounds) implements Trend {

        /** A trend of one series by itself. */
        Fitted(int n, double intercept, double slope, double slopeSe, double slopeLow, double slopeHigh, double residualSd, int df,
                double centre, double centreSe, Method method) {
            this(n, intercept, slope, slopeSe, slopeLow, slopeHigh, residualSd, df, centre, centreSe, method, 0, null, null);
        }

        /** A straight trend. */
        Fitted(int n, double intercept, double slope, double slopeSe, double slopeLow, double slopeHigh, double residualSd, int df,
                double centre, double centreSe, Method method, double shrinkage) {
            this(n, intercept, slope, slopeSe, slopeLow, slopeHigh, residualSd, df, centre, centreSe, method, shrinkage, null, null);
        }

        /** A trend of any scores. */
        Fitted(int n, double intercept, double slope, double slopeSe, double slopeLow, double slopeHigh, double residualSd, int df,
                double centre, double centreSe, Method method, double shrinkage, @Nullable Wander wander) {
            this(n, intercept, slope, slopeSe, slopeLow, slopeHigh, residualSd, df, centre, centreSe, method, shrinkage, wander, null);
        }

        /** Level of the trend at time {@code week}, without an interval; never one that no score can be. */
        public double at(double week) {
            return bounds == null ? straight(week) : bounds.within(straight(week));
        }

        /** The line itself, which knows no bounds. */
        public double straight(double week) {
            return intercept + slope * week;
        }

        /**
         * The same of scores that have a least and a most. Where the level at {@code week} may well be one of them, growth may have stopped without anybody's
         * seeing it: none at all is then within the slope's interval.
         */
        public Fitted within(Bounds of, double week) {
            boolean near = of.near(around(straight(week), levelSe(week)));
            return new Fitted(n, intercept, slope, slopeSe, near ? Math.min(0, slopeLow) : slopeLow, near ? Math.max(0, slopeHigh) : slopeHigh, residualSd, df,
                    centre, centreSe, method, shrinkage, wander, of);
        }

        /** Whether the level at {@code week} may well be the least score there is, or the most. */
        public boolean atBound(double week) {
            return bounds != null && bounds.near(around(straight(week), levelSe(week)));
        }

        /** Standard error of the level at {@code week}: {@code sqrt(se(centre)² + (se(slope)·(week - centre))²)}, and what a slope may wander after the last score. */
        public double levelSe(double week) {
            double d = slopeSe * (week - centre);
            return Math.sqrt(centreSe * centreSe + d * d + (wander == null ? 0 : wander.variance(week)));
        }

        /** Level at {@code week} with its 95 % interval; between the scores {@link Fitter#levels} knows better where growth bends. */
        public Interval level(double week) {
            return clipped(around(straight(week), levelSe(week)));
        }

        /** A single new score at {@code week} with its 95 % interval: the level's error and the scores' own. */
        public Interval newScore(double week) {
            return clipped(around(straight(week), Math.hypot(levelSe(week), residualSd)));
        }

        private Interval clipped(Interval of) {
            return bounds == null ? of : bounds.within(of);
        }

        private Interval around(double value, double se) {
            double half = StudentT.quantile975(df) * se;
            return new Interval(value, value - half, value + half);
        }
    }

    /**
     * Scores that can be.
     *
     * @param low the least; negative infinity: there is none @param high the most; infinity: there is none
     */
    record Bounds(double low, double high) {
        /** @throws IllegalArgumentException unless the least is under the most */
        public Bounds {
            if (!(low < high)) {
                throw new IllegalArgumentException("the least score must be under the most");
            }
        }

        double within(double value) {
            return Math.max(low, Math.min(high, value));
        }

        Interval within(Interval of) {
            return new Interval(within(of.value()), within(of.low()), within(of.high()));
        }

        boolean near(Interval level) {
            return level.low() < low || level.high() > high;
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

        /** The same for scores that have a least and a most. */
        default Fitter within(Bounds bounds) {
            return new BoundedFitter(this, bounds);
        }

        /**
         * Levels with their 95 % intervals at some weeks, also between the scores, where growth may have bent.
         *
         * @param fitted what {@link #fit} gave for {@code series}
         * @return one a week, in their order
         */
        default List<Interval> levels(ScoreSeries series, Fitted fitted, double... weeks) {
            return Arrays.stream(weeks).mapToObj(fitted::level).toList();
        }

        /**
         * How many more scores make the slope's range half as wide, in at least eight of ten cases.
         *
         * @param fitted what {@link #fit} gave for {@code series}
         * @param gap weeks from one score to the next
         * @param most as many as there can be
         * @return empty where more than {@code most} would be needed, or where this way of fitting cannot tell
         */
        default OptionalInt toHalve(ScoreSeries series, Fitted fitted, double gap, int most) {
            return OptionalInt.empty();
        }
    }
}
