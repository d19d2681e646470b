package org.zealousladder.core.growth;

import java.util.Arrays;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * Scores at the least or the most there is say only that the level is there or beyond, and near it a score says little of where. Each score is put aside in turn, what
 * the others expect is held against what this one can say, and a normal score of such a mean and weight takes its place as has the same effect (expectation propagation:
 * T. P. Minka (2001), Expectation propagation for approximate Bayesian inference, UAI 17, 362-369). A course that runs along the bound and then leaves it is so one
 * straight line beyond it.
 */
final class SteadyBounds {
    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);
    private static final int ROUNDS = 6;
    /** So much of the new takes the place of the old in a round: scores that hang together would else swing. */
    private static final double STEP = 0.6;
    private static final int NODES = 41;
    /** On so many standard deviations to either side. */
    private static final double REACH = 4;
    /** Each score tells at least so much of one between the bounds: who runs along one for long is taken to be not very far beyond it. */
    private static final double LEAST_WEIGHT = 0.02;

    private SteadyBounds() {}

    /** Puts in {@code y} and {@code x.weight} what scores at a bound, and near it, tell. Those of a series without one stay. */
    static void apply(SteadyFrame frame, SteadyTimes x, double[] y, SteadyPopulation.Under under, Trend.Bounds bounds) {
        double sd = Math.sqrt(under.variance());
        double low = bounds.low() - frame.mean();
        double high = bounds.high() - frame.mean();
        if (Arrays.stream(y).allMatch(v -> v > low && v < high)) {
            return;
        }
        double[] scores = y.clone();
        double[] full = x.weight.clone();
        for (int round = 0; round < ROUNDS; round++) {
            x.solve(under.parts(), frame.unit());
            double[] solved = x.back(x.half(SteadyTails.rest(frame, x, y, under.parts(), under.shared())));
            double[][] w = x.whole();
            for (int j = 0; j < y.length; j++) {
                double mean = y[j] - solved[j] / w[j][j];
                double variance = sd * sd * Math.max(1e-4, 1 / w[j][j] - 1 / x.weight[j]);
                double noise = sd / Math.sqrt(full[j]);
                double[] tilted = tilted(scores[j], mean, variance, noise, low, high);
                double precision = Math.max(1 / tilted[1] - 1 / variance, LEAST_WEIGHT / (noise * noise));
                double weight = Math.min(full[j], precision * sd * sd);
                double at = (tilted[0] / tilted[1] - mean / variance) / precision;
                // Where next to nothing is told, the place is of no account, but a far one would swing.
                at = Math.max(mean - 4 * Math.sqrt(variance) - 3 * noise, Math.min(mean + 4 * Math.sqrt(variance) + 3 * noise, at));
                y[j] += STEP * (at - y[j]);
                x.weight[j] = Math.exp((1 - STEP) * Math.log(x.weight[j]) + STEP * Math.log(weight));
            }
        }
    }

    /** Mean and variance of the level, by what is expected of it and what the score says. */
    private static double[] tilted(double score, double mean, double variance, double noise, double low, double high) {
        double sum = 0;
        double first = 0;
        double second = 0;
        double reach = REACH * Math.sqrt(variance);
        for (int i = 0; i < NODES; i++) {
            double off = reach * (2.0 * i / (NODES - 1) - 1);
            double level = Math.max(low, Math.min(high, mean + off));
            double p = Math.exp(-off * off / (2 * variance)) * likelihood(score, level, noise, low, high);
            sum += p;
            first += p * off;
            second += p * off * off;
        }
        if (!(sum > 0)) {
            return new double[] {mean, variance};
        }
        double m = first / sum;
        return new double[] {mean + m, Math.max(1e-6, second / sum - m * m)};
    }

    private static double likelihood(double score, double level, double noise, double low, double high) {
        if (score <= low) {
            return normal((low - level) / noise);
        }
        if (score >= high) {
            return normal((level - high) / noise);
        }
        double z = (score - level) / noise;
        return Math.exp(-z * z / 2) / 2.5;
    }

    private static double normal(double z) {
        return NORMAL.cumulativeProbability(z);
    }
}
