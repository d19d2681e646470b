package org.zealousladder.core.growth;

import java.util.Arrays;
import org.zealousladder.core.ScoreSeries;

/**
 * Marks scores far off the robust trend: modified z-score of the residuals, {@code 0.6745·(r - median) / MAD}, over
 * 3.5 in absolute value. Marked scores are shown hollow and stay in every count and fit.
 *
 * <ul>
 *   <li>Fewer than {@value #NEEDED} scores, or all on one date: none are marked.
 *   <li>More than half exactly on the trend (MAD 0): the mean absolute deviation takes its place, {@code r / (1.253314·
 *       meanAD)}; all on it: none are marked.
 * </ul>
 *
 * <p>B. Iglewicz and D. C. Hoaglin (1993), How to Detect and Handle Outliers, ASQC Quality Press.
 */
public final class Outliers {
    /** Fewest scores among which one can be called far off. */
    public static final int NEEDED = 5;

    private static final double LIMIT = 3.5;

    private Outliers() {}

    /** Indices into {@code series}, ascending. */
    public static int[] mark(ScoreSeries series) {
        int n = series.size();
        if (n < NEEDED || series.span() == 0) {
            return new int[0];
        }
        double slope = TheilSen.slope(series);
        double[] r = new double[n];
        for (int i = 0; i < n; i++) {
            r[i] = series.score(i) - slope * series.week(i);
        }
        double centre = TheilSen.median(r);
        double[] off = new double[n];
        double mean = 0;
        for (int i = 0; i < n; i++) {
            off[i] = Math.abs(r[i] - centre);
            mean += off[i] / n;
        }
        double mad = TheilSen.median(off);
        // Rounding leaves residues of 1e-14 on an exact line: those are zeros, not a scale.
        double noise = 1e-9 * (Math.abs(centre) + Math.abs(slope) * series.span() + 1e-300);
        double scale = mad > noise ? mad / 0.6745 : 1.253314 * mean;
        if (scale <= noise) {
            return new int[0];
        }
        int[] marked = new int[n];
        int count = 0;
        for (int i = 0; i < n; i++) {
            if (off[i] / scale > LIMIT) {
                marked[count++] = i;
            }
        }
        return Arrays.copyOf(marked, count);
    }
}
