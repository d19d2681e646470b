package org.zealousladder.core.growth;

import java.util.Arrays;
import java.util.List;
import org.zealousladder.core.ScoreSeries;

/**
 * The group that {@link SteadyGrowth} found: its mean, its shared weeks and what scores vary by. Gives each student a trend that leans on it: the level and slope
 * of today, which growth goes on from.
 *
 * <p>What the data leave in doubt about the variances is counted: the trend is asked again under parts that suit nearly as well, and what comes out differently
 * is added to its errors (as N. G. N. Prasad and J. N. K. Rao (1990), J. Am. Stat. Assoc. 85, do by formula).
 */
public final class SteadyPopulation implements Pool {
    private final SteadyFrame frame;
    private final Under best;
    private final List<Under> near;
    private final int series;
    private final int scores;
    private final int df;

    /** The pool under some parts. */
    record Under(SteadyParts parts, double[] shared, double[][] doubt, double variance) {
        static Under of(SteadyParts parts, SteadyModel model) {
            return new Under(parts, model.estimates(), model.covariance(), model.variance());
        }
    }

    SteadyPopulation(SteadyFrame frame, Under best, List<Under> near, int series, int scores) {
        this(frame, best, near, series, scores, (int) Math.max(3, told(series, scores, best.parts().autocorrelation()) - frame.weeks().size()));
    }

    /** @param df degrees of freedom of the spread of scores */
    SteadyPopulation(SteadyFrame frame, Under best, List<Under> near, int series, int scores, int df) {
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
        return frame.mean() + sum(atOrigin(), best.shared());
    }

    @Override
    public double interceptSe() {
        return Math.sqrt(best.variance() * form(best, atOrigin(), atOrigin()));
    }

    /** Of the mean at the middle of the time: it may bend. */
    @Override
    public double slopePerWeek() {
        return sum(frame.slope(best.parts(), 0), best.shared());
    }

    @Override
    public double slopeSe() {
        double[] slope = frame.slope(best.parts(), 0);
        return Math.sqrt(best.variance() * form(best, slope, slope));
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
        weigh(x, y);
        Now now = now(x, y, best);
        double vl = now.vl;
        double vls = now.vls;
        double vs = now.vs;
        for (int i = 0; i < near.size(); i += 2) {
            Now a = now(x, y, near.get(i));
            Now b = now(x, y, near.get(i + 1));
            double dl = (a.level - b.level) / 2;
            double ds = (a.slope - b.slope) / 2;
            vl += dl * dl + (a.vl + b.vl) / 2 - now.vl;
            vls += dl * ds + (a.vls + b.vls) / 2 - now.vls;
            vs += ds * ds + (a.vs + b.vs) / 2 - now.vs;
        }
        vl = Math.max(vl, now.vl);
        vs = Math.max(vs, now.vs);
        double se = Math.sqrt(vs);
        double half = StudentT.quantile975(df) * se;
        double today = own.week(own.size() - 1);
        return new Trend.Fitted(own.size(), now.level + frame.mean() - now.slope * today, now.slope, se, now.slope - half, now.slope + half, residualSd(), df,
                today - vls / vs, Math.sqrt(Math.max(0, vl - vls * vls / vs)), Trend.Method.STEADY, now.leaning, new Trend.Wander(today, bendSd()));
    }

    /** Level and slope at the last score, with their covariance in score units. */
    private record Now(double level, double slope, double vl, double vls, double vs, double leaning) {}

    private Now now(SteadyTimes x, double[] y, Under under) {
        SteadyParts p = under.parts();
        x.solve(p, frame.unit());
        int n = x.size();
        double last = x.t[n - 1];
        double from = x.t[0];
        double unit = frame.unit();
        double[] level = new double[n];
        double[] slope = new double[n];
        for (int j = 0; j < n; j++) {
            level[j] = p.course(last, x.t[j], from, unit);
            slope[j] = p.slopeAgainstLevel(last, x.t[j], from, unit);
        }
        double[] hr = x.half(SteadyTails.rest(frame, x, y, p, under.shared()));
        double[] hl = x.half(level);
        double[] hs = x.half(slope);
        double[] commonLevel = frame.level(p, last);
        double[] commonSlope = frame.slope(p, last);
        double[] gl = left(x, hl, commonLevel, p);
        double[] gs = left(x, hs, commonSlope, p);
        double prior = p.slopeVariance(last, from, unit);
        double own = Math.max(1e-12, prior - SteadyTimes.dot(hs, hs));
        double v = under.variance();
        return new Now(sum(commonLevel, under.shared()) + SteadyTimes.dot(hl, hr), sum(commonSlope, under.shared()) + SteadyTimes.dot(hs, hr),
                v * Math.max(0, p.course(last, last, from, unit) - SteadyTimes.dot(hl, hl) + form(under, gl, gl)),
                v * (p.slopeAgainstLevel(last, last, from, unit) - SteadyTimes.dot(hl, hs) + form(under, gl, gs)), v * (own + form(under, gs, gs)),
                prior == 0 ? 1 : Math.min(1, own / prior));
    }

    /** What of a prediction still rests on what is shared: x - X'K⁻¹c. */
    private double[] left(SteadyTimes x, double[] solved, double[] common, SteadyParts p) {
        double[] h = Arrays.copyOf(common, frame.shared());
        double[] back = x.back(solved);
        for (int j = 0; j < back.length; j++) {
            double[] at = frame.level(p, x.t[j]);
            for (int i = 0; i < at.length; i++) {
                h[i] -= at[i] * back[j];
            }
            if (x.week[j] >= 0) {
                h[frame.common() + x.week[j]] -= p.week() * back[j];
            }
        }
        return h;
    }

    private static double sum(double[] common, double[] shared) {
        double sum = 0;
        for (int i = 0; i < common.length; i++) {
            sum += common[i] * shared[i];
        }
        return sum;
    }

    private static double form(Under under, double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            if (a[i] != 0) {
                for (int j = 0; j < b.length; j++) {
                    sum += a[i] * under.doubt()[i][j] * b[j];
                }
            }
        }
        return sum;
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
