package org.zealousladder.core.growth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Interval;
import org.zealousladder.core.ScoreSeries;

/**
 * The group that {@link SteadyGrowth} found: its mean, its shared weeks and what scores vary by. Gives each student a trend that leans on it: the level and slope
 * of today, which growth goes on from.
 *
 * <p>What the data leave in doubt about the variances is counted: the trend is asked again under parts that suit nearly as well, and what comes out differently
 * is added to its errors (as N. G. N. Prasad and J. N. K. Rao (1990), J. Am. Stat. Assoc. 85, do by formula).
 */
public final class SteadyPopulation implements Pool {
    /** A little under a half: bends and what scores vary by will be better known by then, and not always for the better. */
    private static final double HALF = 0.41;

    private final SteadyFrame frame;
    private final Under best;
    private final List<Under> near;
    private final int series;
    private final int scores;
    private final int df;
    /** Scores that can be; null: any. */
    private final Trend.@Nullable Bounds bounds;

    /**
     * The pool under some parts.
     *
     * @param shared the mean's columns and the weeks
     * @param doubt covariance of those by {@code variance}, the lower triangle row by row
     */
    record Under(SteadyParts parts, double[] shared, double[] doubt, double variance) {
        static Under of(SteadyParts parts, SteadyModel model) {
            double[][] whole = model.covariance();
            double[] half = new double[whole.length * (whole.length + 1) / 2];
            for (int i = 0; i < whole.length; i++) {
                System.arraycopy(whole[i], 0, half, i * (i + 1) / 2, i + 1);
            }
            return new Under(parts, model.estimates(), half, model.variance());
        }

        /** {@code a'Db}, D the doubt. */
        double form(double[] a, double[] b) {
            double sum = 0;
            for (int i = 0; i < a.length; i++) {
                int row = i * (i + 1) / 2;
                for (int j = 0; j < i; j++) {
                    sum += doubt[row + j] * (a[i] * b[j] + a[j] * b[i]);
                }
                sum += doubt[row + i] * a[i] * b[i];
            }
            return sum;
        }

        Under alone() {
            return new Under(parts.alone(), shared, doubt, variance);
        }
    }

    SteadyPopulation(SteadyFrame frame, Under best, List<Under> near, int series, int scores) {
        this(frame, best, near, series, scores, (int) Math.max(3, told(series, scores, best.parts().autocorrelation()) - frame.weeks().size()));
    }

    /** @param df degrees of freedom of the spread of scores */
    SteadyPopulation(SteadyFrame frame, Under best, List<Under> near, int series, int scores, int df) {
        this(frame, best, near, series, scores, df, null);
    }

    private SteadyPopulation(SteadyFrame frame, Under best, List<Under> near, int series, int scores, int df, Trend.@Nullable Bounds bounds) {
        this.bounds = bounds;
        this.frame = frame;
        this.best = best;
        this.near = near;
        this.series = series;
        this.scores = scores;
        this.df = df;
    }

    /** What scores that hang together by {@code r} tell of their spread, as so many independent ones would; each series gives two for its line. */
    private static double told(int series, int scores, double r) {
        return (scores - 2.0 * series) * (1 - r) / (1 + r);
    }

    @Override
    public int series() {
        return series;
    }

    @Override
    public int scores() {
        return scores;
    }

    @Override
    public double intercept() {
        return frame.mean() + SteadyTimes.dot(atOrigin(), best.shared());
    }

    @Override
    public double interceptSe() {
        return Math.sqrt(best.variance() * best.form(atOrigin(), atOrigin()));
    }

    /** Of the mean at the middle of the time: it may bend. */
    @Override
    public double slopePerWeek() {
        return SteadyTimes.dot(frame.slope(best.parts(), 0), best.shared());
    }

    @Override
    public double slopeSe() {
        double[] slope = frame.slope(best.parts(), 0);
        return Math.sqrt(best.variance() * best.form(slope, slope));
    }

    /** The columns that the tangent at the middle has at the origin. */
    private double[] atOrigin() {
        double[] level = frame.level(best.parts(), 0);
        double[] slope = frame.slope(best.parts(), 0);
        for (int i = 0; i < level.length; i++) {
            level[i] -= slope[i] * frame.centre();
        }
        return level;
    }

    @Override
    public double interceptSd() {
        double origin = -frame.centre();
        return residualSd() * Math.sqrt(best.parts().course(origin, origin, origin, frame.unit()));
    }

    @Override
    public double correlation() {
        double product = interceptSd() * slopeSd();
        double origin = -frame.centre();
        double together = best.variance() * best.parts().slopeAgainstLevel(origin, origin, origin, frame.unit());
        return product == 0 ? 0 : Math.max(-1, Math.min(1, together / product));
    }

    /** Autocorrelation of a student's own deviations, of scores a week apart, 0 to 0.9. */
    public double autocorrelation() {
        return best.parts().autocorrelation();
    }

    /** How much scores of one week are moved together, one standard deviation in score units. */
    public double weekSd() {
        return residualSd() * best.parts().week();
    }

    /** How far a student's slope, the mean's with it, has wandered after a week: one standard deviation in score units per week. */
    public double bendSd() {
        return residualSd() * Math.hypot(best.parts().bend(), best.parts().meanBend());
    }

    /** Degrees of freedom of the t that own deviations follow; infinite: normal. */
    public double tailDf() {
        return best.parts().tailDf();
    }

    @Override
    public double residualSd() {
        return Math.sqrt(best.variance());
    }

    @Override
    public double slopeSd() {
        return residualSd() * Math.sqrt(best.parts().slopeVariance(0, 0, frame.unit()));
    }

    @Override
    public Trend fit(ScoreSeries own) {
        if (own.size() < Trend.NEEDED || own.span() == 0) {
            return new Trend.TooFew(own.size(), Trend.NEEDED);
        }
        return predict(own);
    }

    @Override
    public Trend.Fitted predict(ScoreSeries own) {
        SteadyTimes x = frame.times(own);
        double[] y = frame.scores(own);
        ready(x, y);
        SteadyCourse.Now now = now(x, y);
        double se = Math.sqrt(now.vs());
        double half = StudentT.quantile975(df) * se;
        double today = own.week(own.size() - 1);
        return new Trend.Fitted(own.size(), now.level() + frame.mean() - now.slope() * today, now.slope(), se, now.slope() - half, now.slope() + half,
                residualSd(), df, today - now.vls() / now.vs(), Math.sqrt(Math.max(0, now.vl() - now.vls() * now.vls() / now.vs())), Trend.Method.STEADY,
                now.leaning(), new Trend.Wander(today, bendSd()));
    }

    /** Under the best parts, with what those that suit nearly as well add to the doubt. */
    private SteadyCourse.Now now(SteadyTimes x, double[] y) {
        SteadyCourse.Now now = new SteadyCourse(frame, x, y, best).now();
        double vl = now.vl();
        double vls = now.vls();
        double vs = now.vs();
        for (int i = 0; i < near.size(); i += 2) {
            SteadyCourse.Now a = new SteadyCourse(frame, x, y, near.get(i)).now();
            SteadyCourse.Now b = new SteadyCourse(frame, x, y, near.get(i + 1)).now();
            double dl = (a.level() - b.level()) / 2;
            double ds = (a.slope() - b.slope()) / 2;
            vl += dl * dl + (a.vl() + b.vl()) / 2 - now.vl();
            vls += dl * ds + (a.vls() + b.vls()) / 2 - now.vls();
            vs += ds * ds + (a.vs() + b.vs()) / 2 - now.vs();
        }
        return new SteadyCourse.Now(now.level(), now.slope(), Math.max(vl, now.vl()), vls, Math.max(vs, now.vs()), now.leaning());
    }

    /** What is to come is taken to lie on the trend: it tells by when it is taken, not by what it is. */
    @Override
    public OptionalInt toHalve(ScoreSeries own, Trend.Fitted fitted, double gap, int most) {
        double wanted = HALF * fitted.slopeSe();
        if (slopeSe(own, fitted, gap, most) > wanted) {
            return OptionalInt.empty();
        }
        int low = 0;
        int high = most;
        while (high - low > 1) {
            int middle = (low + high) / 2;
            if (slopeSe(own, fitted, gap, middle) <= wanted) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return OptionalInt.of(high);
    }

    private double slopeSe(ScoreSeries own, Trend.Fitted fitted, double gap, int more) {
        int n = own.size();
        double[] weeks = Arrays.copyOf(own.weeks(), n + more);
        double[] scores = Arrays.copyOf(own.scores(), n + more);
        for (int i = n; i < weeks.length; i++) {
            weeks[i] = weeks[i - 1] + gap;
            scores[i] = fitted.at(weeks[i]);
        }
        int[] forms = new int[n + more];
        for (int i = 0; i < n; i++) {
            forms[i] = own.form(i);
        }
        ScoreSeries then = ScoreSeries.of(weeks, scores, forms);
        SteadyTimes x = frame.times(then);
        double[] y = frame.scores(then);
        ready(x, y);
        if (!Double.isInfinite(tailDf())) {
            Arrays.fill(x.weight, n, x.weight.length, (tailDf() + 1) / (tailDf() + 3));
        }
        return Math.sqrt(now(x, y).vs());
    }

    /** Between the scores the course is what all of them make of it, before and after; beyond the last the trend goes on. */
    @Override
    public List<Interval> levels(ScoreSeries own, Trend.Fitted fitted, double... weeks) {
        SteadyTimes x = frame.times(own);
        double[] y = frame.scores(own);
        ready(x, y);
        double last = own.week(own.size() - 1);
        int[] past = IntStream.range(0, weeks.length).filter(i -> weeks[i] < last).toArray();
        List<SteadyCourse.Level> middle = past(x, y, best, weeks, past);
        double[] variance = middle.stream().mapToDouble(SteadyCourse.Level::variance).toArray();
        for (int i = 0; i < near.size(); i += 2) {
            List<SteadyCourse.Level> a = past(x, y, near.get(i), weeks, past);
            List<SteadyCourse.Level> b = past(x, y, near.get(i + 1), weeks, past);
            for (int k = 0; k < past.length; k++) {
                double d = (a.get(k).value() - b.get(k).value()) / 2;
                variance[k] += d * d + (a.get(k).variance() + b.get(k).variance()) / 2 - middle.get(k).variance();
            }
        }
        List<Interval> levels = new ArrayList<>(Arrays.stream(weeks).mapToObj(fitted::level).toList());
        for (int k = 0; k < past.length; k++) {
            double value = middle.get(k).value() + frame.mean();
            double half = StudentT.quantile975(df) * Math.sqrt(Math.max(variance[k], middle.get(k).variance()));
            levels.set(past[k], new Interval(value, value - half, value + half));
        }
        return levels;
    }

    private List<SteadyCourse.Level> past(SteadyTimes x, double[] y, Under under, double[] weeks, int[] past) {
        SteadyCourse course = new SteadyCourse(frame, x, y, under);
        return Arrays.stream(past).mapToObj(i -> course.level(weeks[i] - frame.centre())).toList();
    }

    /** What scores here are known to vary by, for one who does not grow as these do: level and slope are the own scores' alone. */
    public SteadyPopulation alone() {
        return new SteadyPopulation(frame, best.alone(), near.stream().map(Under::alone).toList(), series, scores, df);
    }

    /** What scores at a bound say is read by what the others of the pool do. Who stands alone has nothing to read it by: there they count as they are. */
    @Override
    public Trend.Fitter within(Trend.Bounds of) {
        return new BoundedFitter(knowing(of), of);
    }

    @Override
    public Pool knowing(Trend.Bounds of) {
        return best.parts().leans() ? new SteadyPopulation(frame, best, near, series, scores, df, of) : this;
    }

    /** How many numbers it keeps, for who keeps many. */
    public int size() {
        return (near.size() + 1) * (best.doubt().length + best.shared().length + 20);
    }

    /** Scores and weights as they tell of the course. */
    private void ready(SteadyTimes x, double[] y) {
        weigh(x, y);
        if (bounds != null) {
            SteadyBounds.apply(frame, x, y, best, bounds);
        }
    }

    /** Wild scores count for less; three times over, since one may hide another. */
    private void weigh(SteadyTimes x, double[] y) {
        if (Double.isInfinite(tailDf())) {
            return;
        }
        for (int round = 0; round < 3; round++) {
            x.solve(best.parts(), frame.unit());
            double[] weights = SteadyTails.weights(SteadyTails.off(frame, x, y, best.parts(), best.shared(), residualSd()), tailDf());
            System.arraycopy(weights, 0, x.weight, 0, weights.length);
        }
        // What weights that were read from the scores themselves tell less than they seem to: the t's information (Lange, Little and Taylor, appendix B).
        for (int j = 0; j < x.weight.length; j++) {
            x.weight[j] *= (tailDf() + 1) / (tailDf() + 3);
        }
    }
}
