package org.zealousladder.core.growth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.ScoreSeries;

/**
 * A pool under given {@link SteadyParts}: what is shared (mean line, its bends, the weeks) by the mixed model equations (C. R. Henderson (1975), Best linear
 * unbiased estimation and prediction under a selection model, Biometrics 31), and the REML criterion from the same:
 * {@code Σ log|K_i| + log|S| + (N - 2) log sd² + Q/sd²}, S being the equations' matrix with each random column in units of its own spread, so that no spread at
 * all is an ordinary point. Series with the same times and forms are taken apart once.
 */
final class SteadyModel {
    private final SteadyFrame frame;
    private final double leastSd;
    private final List<Alike> alike = new ArrayList<>();
    private int scores;

    private double[][] s = new double[0][0];
    private double[] k = new double[0];
    private double yy;
    private double @Nullable [][] factor;
    private double variance;

    /** Series of the same times, forms and weights. */
    private record Alike(SteadyTimes times, List<double[]> ys) {}

    /** @param leastSd the measure's standard error of measurement, below which the spread of scores is not taken to be; 0: none is stated */
    SteadyModel(SteadyFrame frame, List<ScoreSeries> series, double leastSd) {
        this.frame = frame;
        this.leastSd = leastSd;
        record When(List<Double> times, List<Integer> forms) {}
        Map<When, Alike> by = new LinkedHashMap<>();
        for (ScoreSeries one : series) {
            When when = new When(Arrays.stream(one.weeks()).boxed().toList(), IntStream.range(0, one.size()).map(one::form).boxed().toList());
            by.computeIfAbsent(when, t -> new Alike(frame.times(one), new ArrayList<>())).ys().add(frame.scores(one));
            scores += one.size();
        }
        alike.addAll(by.values());
    }

    /** The same scores, each counting as much as {@code weights} say of how far it is off. */
    SteadyModel weighed(SteadyParts p) {
        return weighed(p, off -> SteadyTails.weights(off, p.tailDf()));
    }

    /** The same scores without those that are grossly off: what scores vary by is then not theirs; null where there are none. */
    @Nullable
    SteadyModel spared(SteadyParts p) {
        return off(p).stream().allMatch(SteadyTails::plausible) ? null : weighed(p, SteadyTails::spared);
    }

    private SteadyModel weighed(SteadyParts p, UnaryOperator<double[]> weights) {
        SteadyModel other = new SteadyModel(frame, List.of(), leastSd);
        at(p);
        double[] shared = estimates();
        double sd = Math.sqrt(variance);
        for (Alike a : alike) {
            for (double[] y : a.ys()) {
                double[] off = SteadyTails.off(frame, a.times(), y, p, shared, sd);
                other.alike.add(new Alike(new SteadyTimes(a.times().t, a.times().week, weights.apply(off)), List.of(y)));
            }
        }
        other.scores = scores;
        return other;
    }

    /** The same scores, those at a bound and near it as {@code known} and its parts make them tell; null where there are none. */
    @Nullable
    SteadyModel bounded(SteadyModel known, SteadyParts p, Trend.Bounds bounds) {
        SteadyModel other = new SteadyModel(frame, List.of(), leastSd);
        known.at(p);
        SteadyPopulation.Under under = SteadyPopulation.Under.of(p, known);
        boolean any = false;
        for (Alike a : alike) {
            for (double[] y : a.ys()) {
                double[] told = y.clone();
                SteadyTimes x = new SteadyTimes(a.times().t, a.times().week, a.times().weight.clone());
                SteadyBounds.apply(frame, x, told, under, bounds);
                any |= !Arrays.equals(told, y);
                other.alike.add(new Alike(x, List.of(told)));
            }
        }
        other.scores = scores;
        return any ? other : null;
    }

    /** How far each score is from what the others expect, see {@link SteadyTails#off}; asked after {@link #at}. */
    List<double[]> off(SteadyParts p) {
        double[] shared = estimates();
        List<double[]> all = new ArrayList<>();
        alike.forEach(a -> a.ys().forEach(y -> all.add(SteadyTails.off(frame, a.times(), y, p, shared, Math.sqrt(variance)))));
        return all;
    }

    /** Minus twice the restricted log-likelihood but for a constant; infinite where there is none. */
    double at(SteadyParts p) {
        double logs = accumulate(p);
        factor = cholesky(s);
        if (factor == null) {
            return Double.POSITIVE_INFINITY;
        }
        for (int i = 0; i < factor.length; i++) {
            logs += 2 * Math.log(factor[i][i]);
        }
        double[] half = forward(factor, k);
        double q = yy - SteadyTimes.dot(half, half);
        variance = Math.max(q / (scores - 2), leastSd * leastSd);
        return variance > 0 ? logs + (scores - 2) * Math.log(variance) + q / variance : Double.POSITIVE_INFINITY;
    }

    private double accumulate(SteadyParts p) {
        int d = frame.shared();
        int c = frame.common();
        s = new double[d][d];
        k = new double[d];
        yy = 0;
        double logs = 0;
        for (Alike a : alike) {
            SteadyTimes x = a.times();
            x.solve(p, frame.unit());
            int m = a.ys().size();
            logs += m * x.logDet();
            double[][] columns = columns(x, p);
            double[][] solved = new double[c][];
            for (int i = 0; i < c; i++) {
                solved[i] = x.half(columns[i]);
                for (int j = 0; j <= i; j++) {
                    s[i][j] += m * SteadyTimes.dot(solved[i], solved[j]);
                }
            }
            double[] sum = new double[x.size()];
            for (double[] y : a.ys()) {
                double[] hy = x.half(y);
                yy += SteadyTimes.dot(hy, hy);
                for (int i = 0; i < sum.length; i++) {
                    sum[i] += hy[i];
                }
            }
            for (int i = 0; i < c; i++) {
                k[i] += SteadyTimes.dot(solved[i], sum);
            }
            if (p.week() > 0) {
                weeks(x, p.week(), m, solved, x.back(sum));
            }
        }
        for (int i = 2; i < d; i++) {
            s[i][i] += 1;
        }
        for (int i = 0; i < d; i++) {
            for (int j = i + 1; j < d; j++) {
                s[i][j] = s[j][i];
            }
        }
        return logs;
    }

    private double[][] columns(SteadyTimes x, SteadyParts p) {
        double[][] columns = new double[frame.common()][x.size()];
        for (int j = 0; j < x.size(); j++) {
            double[] at = frame.level(p, x.t[j]);
            for (int i = 0; i < at.length; i++) {
                columns[i][j] = at[i];
            }
        }
        return columns;
    }

    private void weeks(SteadyTimes x, double spread, int m, double[][] solved, double[] scoresBack) {
        int c = frame.common();
        double[][] w = x.whole();
        double[][] back = new double[c][];
        for (int i = 0; i < c; i++) {
            back[i] = x.back(solved[i]);
        }
        for (int j = 0; j < w.length; j++) {
            if (x.week[j] < 0) {
                continue;
            }
            int at = c + x.week[j];
            for (int i = 0; i < c; i++) {
                s[at][i] += m * spread * back[i][j];
            }
            k[at] += spread * scoresBack[j];
            for (int i = 0; i <= j; i++) {
                if (x.week[i] >= 0) {
                    int other = c + x.week[i];
                    s[Math.max(at, other)][Math.min(at, other)] += m * spread * spread * w[j][i] * (i < j && at == other ? 2 : 1);
                }
            }
        }
    }

    /** Spread of a student's own scores, squared, where {@link #at} was asked last. */
    double variance() {
        return variance;
    }

    int scores() {
        return scores;
    }

    /** What is shared: mean level at the centre, its slope a week, its bends and the weeks, the latter two in units of their spread. */
    double[] estimates() {
        double[][] l = known();
        return backward(l, forward(l, k));
    }

    /** Covariance by variance of the estimates: the inverse of S. */
    double[][] covariance() {
        double[][] l = known();
        double[][] out = new double[l.length][];
        for (int i = 0; i < l.length; i++) {
            double[] e = new double[l.length];
            e[i] = 1;
            out[i] = backward(l, forward(l, e));
        }
        return out;
    }

    private double[][] known() {
        if (factor == null) {
            throw new IllegalStateException("the pool has not been asked under any parts yet");
        }
        return factor;
    }

    private static double @Nullable [][] cholesky(double[][] m) {
        int d = m.length;
        double[][] l = new double[d][d];
        for (int i = 0; i < d; i++) {
            for (int j = 0; j <= i; j++) {
                double sum = m[i][j];
                for (int q = 0; q < j; q++) {
                    sum -= l[i][q] * l[j][q];
                }
                if (i == j && !(sum > 0)) {
                    return null;
                }
                l[i][j] = i == j ? Math.sqrt(sum) : sum / l[j][j];
            }
        }
        return l;
    }

    private static double[] forward(double[][] l, double[] x) {
        double[] out = x.clone();
        for (int i = 0; i < out.length; i++) {
            for (int j = 0; j < i; j++) {
                out[i] -= l[i][j] * out[j];
            }
            out[i] /= l[i][i];
        }
        return out;
    }

    private static double[] backward(double[][] l, double[] x) {
        double[] out = x.clone();
        for (int i = out.length - 1; i >= 0; i--) {
            for (int j = i + 1; j < out.length; j++) {
                out[i] -= l[j][i] * out[j];
            }
            out[i] /= l[i][i];
        }
        return out;
    }
}
