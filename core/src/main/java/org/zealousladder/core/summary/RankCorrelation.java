package org.zealousladder.core.summary;

import java.util.Arrays;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Spearman's rank correlation, ties with the mean of their ranks, and its 95 % interval by Fisher's z with the variance of Bonett and Wright (2000). It says how much two
 * things go together, never that one causes the other.
 *
 * @param rho from −1 to 1
 * @param low lower end of the 95 % interval
 * @param high upper end
 */
public record RankCorrelation(int n, double rho, double low, double high) {
    /** With fewer nothing is said. */
    public static final int NEEDED = 10;
    private static final double Z = 1.959963984540054;

    /**
     * Of pairs.
     *
     * @return empty for fewer than {@value #NEEDED}, or where one of the two is the same for everybody
     * @throws IllegalArgumentException for lengths that differ
     */
    public static Optional<RankCorrelation> of(double[] x, double[] y) {
        if (x.length != y.length) {
            throw new IllegalArgumentException("Pairs have two of each.");
        }
        int n = x.length;
        if (n < NEEDED) {
            return Optional.empty();
        }
        double[] a = ranks(x);
        double[] b = ranks(y);
        double mean = (n + 1) / 2.0;
        double xy = 0;
        double xx = 0;
        double yy = 0;
        for (int i = 0; i < n; i++) {
            xy += (a[i] - mean) * (b[i] - mean);
            xx += (a[i] - mean) * (a[i] - mean);
            yy += (b[i] - mean) * (b[i] - mean);
        }
        if (xx == 0 || yy == 0) {
            return Optional.empty();
        }
        double rho = Math.max(-1, Math.min(1, xy / Math.sqrt(xx * yy)));
        // At the ends Fisher's z is infinite, and so is the interval's width in it: the interval is the point.
        double z = 0.5 * Math.log((1 + rho) / (1 - rho));
        double half = Z * Math.sqrt((1 + rho * rho / 2) / (n - 3));
        return Optional.of(new RankCorrelation(n, rho, Math.tanh(z - half), Math.tanh(z + half)));
    }

    private static double[] ranks(double[] values) {
        Integer[] order = IntStream.range(0, values.length).boxed().sorted(Comparator.comparingDouble(i -> values[i])).toArray(Integer[]::new);
        double[] ranks = new double[values.length];
        for (int i = 0; i < order.length;) {
            int j = i;
            while (j < order.length && values[order[j]] == values[order[i]]) {
                j++;
            }
            double rank = (i + 1 + j) / 2.0;
            Arrays.stream(order, i, j).forEach(k -> ranks[k] = rank);
            i = j;
        }
        return ranks;
    }
}
