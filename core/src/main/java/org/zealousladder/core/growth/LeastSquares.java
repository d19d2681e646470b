package org.zealousladder.core.growth;

import org.zealousladder.core.ScoreSeries;

/**
 * Ordinary least squares of score on weeks, in two passes over centred values so that a large constant in the scores
 * does not cancel the slope away.
 *
 * <pre>
 *   b = Sxy / Sxx        s² = SSE / (n - 2)        SE(b) = s / √Sxx
 *   with an SEM:  s̃² = (d0·SEM² + SSE) / (d0 + n - 2),  d0 = 4, on d0 + n - 2 degrees of freedom
 * </pre>
 *
 * <ul>
 *   <li>Fewer than three scores, or all on one date: {@link Trend.TooFew}.
 *   <li>A perfect line without SEM: standard error 0, an interval of no width.
 * </ul>
 *
 * <p>Moderated variance: G. K. Smyth (2004), Linear models and empirical Bayes methods, Stat. Appl. Genet. Mol. Biol.
 * 3(1), with the measure's own error as the prior.
 */
public final class LeastSquares {
    /** Degrees of freedom that a stated SEM counts for. */
    public static final int PRIOR_DF = 4;

    private LeastSquares() {}

    /** Fits without a stated SEM. */
    public static Trend fit(ScoreSeries series) {
        return fit(series, 0);
    }

    /**
     * @param sem standard error of measurement in score units; 0 when the measure states none
     * @throws IllegalArgumentException if {@code sem} is negative or not finite
     */
    public static Trend fit(ScoreSeries series, double sem) {
        requireSem(sem);
        int n = series.size();
        if (n < Trend.NEEDED) {
            return new Trend.TooFew(n, Trend.NEEDED);
        }
        double y0 = series.score(0);
        double meanT = 0;
        double meanY = 0;
        for (int i = 0; i < n; i++) {
            meanT += series.week(i);
            meanY += series.score(i) - y0;
        }
        meanT /= n;
        meanY /= n;
        double sxx = 0;
        double sxy = 0;
        for (int i = 0; i < n; i++) {
            double dt = series.week(i) - meanT;
            sxx += dt * dt;
            sxy += dt * (series.score(i) - y0 - meanY);
        }
        if (series.span() == 0) {
            return new Trend.TooFew(n, Trend.NEEDED);
        }
        double slope = sxy / sxx;
        double sse = 0;
        for (int i = 0; i < n; i++) {
            double r = series.score(i) - y0 - meanY - slope * (series.week(i) - meanT);
            sse += r * r;
        }
        int df = sem > 0 ? PRIOR_DF + n - 2 : n - 2;
        double sd = Math.sqrt(sem > 0 ? (PRIOR_DF * sem * sem + sse) / df : sse / df);
        double se = sd / Math.sqrt(sxx);
        double half = StudentT.quantile975(df) * se;
        return new Trend.Fitted(n, y0 + meanY - slope * meanT, slope, se, slope - half, slope + half, sd, df, meanT,
                sd / Math.sqrt(n), Trend.Method.SINGLE);
    }

    static void requireSem(double sem) {
        if (!(sem >= 0) || Double.isInfinite(sem)) {
            throw new IllegalArgumentException("the standard error of measurement must be 0 or more, not " + sem);
        }
    }
}
