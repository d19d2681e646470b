package org.zealousladder.core.growth;

import java.util.Arrays;
import org.apache.commons.statistics.descriptive.Median;
import org.zealousladder.core.ScoreSeries;

/**
 * Theil-Sen trend: the median of the slopes between all pairs of scores on different dates, through
 * {@code median(y - b·t)}. One wild score in five moves it little.
 *
 * <ul>
 *   <li>The slope's interval comes from Kendall's variance with ties: the slopes at ranks
 *       {@code (N ± z·√var)/2} of the {@code N} sorted slopes.
 *   <li>The spread is {@code 1.4826 · median|r|}, moderated by an SEM as in {@link LeastSquares}; the level's standard
 *       error is that of a median, {@code √(π/2)·s/√n}, at the median time. This is the large-sample value and is
 *       good enough to draw a ribbon and a chance by; it is not exact for short series.
 *   <li>Up to {@value #SORT_LIMIT} scores all slopes are sorted; beyond that the wanted ranks are found by bisection
 *       with an inversion count, so memory stays linear.
 *   <li>Fewer than three scores, or all on one date: {@link Trend.TooFew}.
 * </ul>
 *
 * <p>H. Theil (1950), Indag. Math. 12; P. K. Sen (1968), J. Am. Stat. Assoc. 63, 1379-1389.
 */
public final class TheilSen {
    static final int SORT_LIMIT = 1000;
    private static final Median MEDIAN = Median.withDefaults().withCopy(true);
    private static final double Z975 = 1.959963984540054;
    private static final double MAD_TO_SD = 1.4826;

    private TheilSen() {}

    /** @param sem standard error of measurement in score units; 0 when the measure states none */
    public static Trend fit(ScoreSeries series, double sem) {
        LeastSquares.requireSem(sem);
        int n = series.size();
        if (n < Trend.NEEDED || series.span() == 0) {
            return new Trend.TooFew(n, Trend.NEEDED);
        }
        PairSlopes slopes = PairSlopes.of(series);
        double slope = slopes.median();
        double[] residuals = new double[n];
        double[] times = new double[n];
        for (int i = 0; i < n; i++) {
            times[i] = series.week(i);
            residuals[i] = series.score(i) - slope * series.week(i);
        }
        double intercept = median(residuals);
        for (int i = 0; i < n; i++) {
            residuals[i] = Math.abs(residuals[i] - intercept);
        }
        double spread = MAD_TO_SD * median(residuals);
        int df = n - 2;
        if (sem > 0) {
            spread = Math.sqrt((LeastSquares.PRIOR_DF * sem * sem + df * spread * spread) / (LeastSquares.PRIOR_DF + df));
            df += LeastSquares.PRIOR_DF;
        }
        double half = Z975 * Math.sqrt(kendallVariance(series));
        long count = slopes.count();
        long low = Math.max(Math.round((count - half) / 2) - 1, 0);
        long high = Math.min(Math.round((count + half) / 2), count - 1);
        double slopeLow = slopes.rank(low);
        double slopeHigh = slopes.rank(high);
        return new Trend.Fitted(n, intercept, slope, (slopeHigh - slopeLow) / (2 * Z975), slopeLow, slopeHigh, spread, df,
                median(times), Math.sqrt(Math.PI / 2) * spread / Math.sqrt(n), Trend.Method.ROBUST);
    }

    /** Slope alone, for marking outliers. The series must have at least two dates. */
    static double slope(ScoreSeries series) {
        return PairSlopes.of(series).median();
    }

    /** Variance of Kendall's S: {@code (n(n-1)(2n+5) - Σ over ties in time - Σ over ties in score) / 18}. */
    private static double kendallVariance(ScoreSeries series) {
        double n = series.size();
        return (n * (n - 1) * (2 * n + 5) - ties(series.weeks()) - ties(series.scores())) / 18;
    }

    private static double ties(double[] values) {
        Arrays.sort(values);
        double sum = 0;
        for (int i = 0; i < values.length;) {
            int j = i;
            while (j < values.length && values[j] == values[i]) {
                j++;
            }
            double k = j - i;
            sum += k * (k - 1) * (2 * k + 5);
            i = j;
        }
        return sum;
    }

    static double median(double[] values) {
        return MEDIAN.evaluate(values);
    }
}
