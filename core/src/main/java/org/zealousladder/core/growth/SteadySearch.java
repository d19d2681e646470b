package org.zealousladder.core.growth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.hipparchus.linear.EigenDecompositionSymmetric;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.optim.InitialGuess;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.SimpleBounds;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.nonlinear.scalar.ObjectiveFunction;
import org.hipparchus.optim.nonlinear.scalar.noderiv.BOBYQAOptimizer;

/**
 * The parts that suit a pool best, and those that suit it nearly as well. What little data cannot tell is held likely beforehand: an autocorrelation about
 * {@value #EXPECTED}; growth that bends little; slopes that differ at all (V. Chung et al. (2013), A nondegenerate penalized likelihood estimator for variance
 * parameters in multilevel models, Psychometrika 78: without it small pools are said to grow all alike, and every trend to be surer than it is).
 */
final class SteadySearch {
    private static final double EXPECTED = 0.15;
    /** Of Fisher's z of the autocorrelation, one standard deviation. */
    private static final double DOUBT = 0.35;
    private static final double MOST = 0.9;
    /** Expected way that a student's bends take the level off a straight line in {@value #TERM} weeks, in units of the own spread; and those of the mean. */
    private static final double BENT = 0.4;
    private static final double MEAN_BENT = 0.8;
    private static final double TERM = 18;
    /** Shape less 1, twice, of the gamma that the spread of slopes is held to follow. */
    private static final double DIFFER = 1.5;
    /** How much worse the criterion may be for a part that was found to be none. */
    private static final double UNTOLD = 0.6;
    private static final double[] LOW = {Math.log(0.01), -50, Math.log(0.005), 0, 0, 0, 0};
    private static final double[] HIGH = {Math.log(500), 50, Math.log(200), 50, 50, MOST, 20};
    private static final double STEP = 0.08;
    /** Beyond this the pool says too little to go by. */
    private static final double FARTHEST = 0.7;

    private final SteadyModel model;
    private final SteadyFrame frame;
    private final double way;

    SteadySearch(SteadyModel model, SteadyFrame frame) {
        this.model = model;
        this.frame = frame;
        way = way(Math.max(frame.span(), 1));
    }

    /** How far a slope that wanders by 1 takes a level off a straight line in some weeks, one standard deviation. */
    private static double way(double weeks) {
        return Math.pow(weeks, 1.5) / Math.sqrt(3);
    }

    /** Where to begin. @param straight the same series fitted as straight lines */
    SteadyParts start(Population straight) {
        double[] l = straight.lambda();
        return new SteadyParts(Math.max(0.3, l[0]), l[1], Math.max(0.1, l[2]), 0.2 / way, 0.2 / way, frame.weeks().isEmpty() ? 0 : 0.3, EXPECTED,
                Double.POSITIVE_INFINITY);
    }

    private double[] numbers(SteadyParts p) {
        double[] x = {Math.log(p.l1()), p.l2(), Math.log(p.l3()), p.bend() * way, p.meanBend() * way, p.autocorrelation(), p.week()};
        return frame.weeks().isEmpty() ? Arrays.copyOf(x, 6) : x;
    }

    private SteadyParts parts(double[] x, double tailDf) {
        return new SteadyParts(Math.exp(x[0]), x[1], Math.exp(x[2]), x[3] / way, x[4] / way, x.length > 6 ? x[6] : 0, x[5], tailDf);
    }

    private double value(double[] x, double tailDf) {
        SteadyParts p = parts(x, tailDf);
        double z = (atanh(p.autocorrelation()) - atanh(EXPECTED)) / DOUBT;
        double v = model.at(p) + z * z - DIFFER * x[2] + 2 * way(TERM) * (p.bend() / BENT + p.meanBend() / MEAN_BENT);
        return Double.isFinite(v) ? v : 1e12;
    }

    /** From {@code start} on to the best. @param step how far off that may be, in the numbers searched over */
    SteadyParts best(SteadyParts start, double step) {
        double[] from = numbers(start);
        double[] low = Arrays.copyOf(LOW, from.length);
        double[] high = Arrays.copyOf(HIGH, from.length);
        for (int i = 0; i < from.length; i++) {
            from[i] = Math.min(Math.max(from[i], low[i] + 0.01), high[i] - 0.01);
        }
        return parts(new BOBYQAOptimizer(2 * from.length + 1, step, 5e-3).optimize(new MaxEval(500), new ObjectiveFunction(x -> value(x, start.tailDf())),
                GoalType.MINIMIZE, new InitialGuess(from), new SimpleBounds(low, high)).getPoint(), start.tailDf());
    }

    /**
     * Pairs about {@code best}: one standard deviation to either side along each axis of what the data leave in doubt. A part that was found to be none, or as
     * much as can be, stays.
     */
    List<SteadyParts> near(SteadyParts best) {
        double[] x = numbers(best);
        int[] free = IntStream.range(0, x.length).filter(i -> x[i] > LOW[i] + STEP && x[i] < HIGH[i] - STEP).toArray();
        if (free.length == 0) {
            return List.of();
        }
        EigenDecompositionSymmetric axes = new EigenDecompositionSymmetric(MatrixUtils.createRealMatrix(bend(x, free, best.tailDf())));
        List<SteadyParts> near = new ArrayList<>();
        for (int a = 0; a < free.length; a++) {
            double sd = Math.min(FARTHEST, Math.sqrt(2 / Math.max(axes.getEigenvalue(a), 2)));
            double[] v = axes.getEigenvector(a).toArray();
            for (int side = -1; side <= 1; side += 2) {
                double[] to = x.clone();
                for (int i = 0; i < free.length; i++) {
                    int at = free[i];
                    to[at] = Math.min(Math.max(x[at] + side * sd * v[i], LOW[at]), HIGH[at]);
                }
                near.add(parts(to, best.tailDf()));
            }
        }
        for (int bend = 3; bend <= 4; bend++) {
            if (x[bend] <= LOW[bend] + STEP) {
                SteadyParts there = parts(moved(x, bend, upTo(x, bend, best.tailDf()), bend, 0), best.tailDf());
                near.add(there);
                near.add(there);
            }
        }
        return near;
    }

    /** How far a part that was found to be none might be from it: to where the criterion is worse by {@value #UNTOLD}. */
    private double upTo(double[] x, int part, double tailDf) {
        double least = value(x, tailDf);
        double low = 0;
        double high = 2;
        for (int round = 0; round < 8; round++) {
            double middle = (low + high) / 2;
            if (value(moved(x, part, middle, part, 0), tailDf) > least + UNTOLD) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return low;
    }

    /** Second derivatives by the numbers that are free. */
    private double[][] bend(double[] x, int[] free, double tailDf) {
        int d = free.length;
        double f = value(x, tailDf);
        double[] up = new double[d];
        double[][] h = new double[d][d];
        for (int i = 0; i < d; i++) {
            up[i] = value(moved(x, free[i], STEP, free[i], 0), tailDf);
            h[i][i] = (up[i] - 2 * f + value(moved(x, free[i], -STEP, free[i], 0), tailDf)) / (STEP * STEP);
            for (int j = 0; j < i; j++) {
                h[i][j] = (value(moved(x, free[i], STEP, free[j], STEP), tailDf) - up[i] - up[j] + f) / (STEP * STEP);
                h[j][i] = h[i][j];
            }
        }
        return h;
    }

    private static double[] moved(double[] x, int i, double by, int j, double too) {
        double[] out = x.clone();
        out[i] += by;
        out[j] += too;
        return out;
    }

    private static double atanh(double r) {
        return Math.log((1 + r) / (1 - r)) / 2;
    }
}
