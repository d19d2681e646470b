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
     * @param intercept level at the origin of the line that has this slope today
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
     * @param bounded scores that can be, and how the trend goes on beyond them; null: any
     */
    record Fitted(int n, double intercept, double slope, double slopeSe, double slopeLow, double slopeHigh,
            double residualSd, int df, double centre, double centreSe, Method method, double shrinkage, @Nullable Wander wander,
            @Nullable Bounded bounded) implements Trend {

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
            return bounded == null ? straight(week) : bounded.bounds().within(straight(week));
        }

        /** The line itself, which knows no bounds. */
        public double straight(double week) {
            return bounded == null ? intercept + slope * week : intercept + slope * bounded.today() + bounded.slope() * (week - bounded.today());
        }

        /** Scores that can be; null: any. */
        public @Nullable Bounds bounds() {
            return bounded == null ? null : bounded.bounds();
        }

        /**
         * The same of scores that have a least and a most. Where the level at {@code today} may well be one of them, growth may have stopped without anybody's
         * seeing it: none at all is then within the slope's interval. A steady trend's slope is what is to be expected of the level that can be seen: the line's,
         * as far as it is likely that the level is between the bounds; the line goes on.
         */
        public Fitted within(Bounds of, double today) {
            double level = straight(today);
            double se = levelSe(today);
            boolean near = of.near(around(level, se));
            double seen = method == Method.STEADY && near && se > 0 ? slope * of.chance(level, se, df) : slope;
            return new Fitted(n, level - seen * today, seen, slopeSe, near ? Math.min(0, slopeLow) : slopeLow, near ? Math.max(0, slopeHigh) : slopeHigh,
                    residualSd,
                    df, centre, centreSe, method, shrinkage, wander, new Bounded(of, today, slope));
        }

        /** Whether the level at {@code week} may well be the least score there is, or the most. */
        public boolean atBound(double week) {
            return bounded != null && bounded.bounds().near(around(straight(week), levelSe(week)));
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
            return bounded == null ? of : bounded.bounds().within(of);
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

        /** That a level lies between, of which this is known. */
        double chance(double level, double se, int df) {
            return StudentT.cumulative((high - level) / se, df) - StudentT.cumulative((low - level) / se, df);
        }
    }

    /**
     * A trend that can come to a bound.
     *
     * @param today time of the last score
     * @param slope of the line beyond it, in score units per week
     */
    record Bounded(Bounds bounds, double today, double slope) {}

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
