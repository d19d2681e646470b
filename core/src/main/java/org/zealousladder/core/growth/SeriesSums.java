package org.zealousladder.core.growth;

import org.zealousladder.core.ScoreSeries;

/** What pooling keeps of a series: its size, mean time, mean score and the three sums about those means. */
final class SeriesSums {
    /** Numbers a series: n, mean time, mean score, Sxx, Sxy, Syy. */
    static final int WIDTH = 6;

    private SeriesSums() {}

    static double[] of(ScoreSeries series) {
        double[] sums = new double[WIDTH];
        of(series, sums, 0);
        return sums;
    }

    /** Writes the numbers of {@code series}, which is not empty, into {@code to} from {@code at} on. */
    static void of(ScoreSeries series, double[] to, int at) {
        int n = series.size();
        double t0 = series.week(0);
        double y0 = series.score(0);
        double meanT = 0;
        double meanY = 0;
        for (int i = 0; i < n; i++) {
            meanT += series.week(i) - t0;
            meanY += series.score(i) - y0;
        }
        meanT = t0 + meanT / n;
        meanY = y0 + meanY / n;
        double sxx = 0;
        double sxy = 0;
        double syy = 0;
        for (int i = 0; i < n; i++) {
            double dt = series.week(i) - meanT;
            double dy = series.score(i) - meanY;
            sxx += dt * dt;
            sxy += dt * dy;
            syy += dy * dy;
        }
        to[at] = n;
        to[at + 1] = meanT;
        to[at + 2] = meanY;
        to[at + 3] = sxx;
        to[at + 4] = sxy;
        to[at + 5] = syy;
    }
}
