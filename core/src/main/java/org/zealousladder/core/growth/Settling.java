package org.zealousladder.core.growth;

import java.util.OptionalInt;
import org.zealousladder.core.ScoreSeries;

/** How many more scores would settle a trend: the number, at the present pace, that halves the slope's interval. */
public final class Settling {
    static final int SEARCH_LIMIT = 60;

    private Settling() {}

    /**
     * Adds scores one by one at the pace so far, with the spread so far, until the slope's 95 % interval is at most half
     * as wide.
     *
     * @return the number, or empty if {@value #SEARCH_LIMIT} more would not do it
     */
    public static OptionalInt scoresToHalve(ScoreSeries series, Trend.Fitted trend) {
        int n = series.size();
        double pace = series.span() / (n - 1);
        double sum = 0;
        double squares = 0;
        double first = series.week(0);
        for (int i = 0; i < n; i++) {
            double t = series.week(i) - first;
            sum += t;
            squares += t * t;
        }
        double now = StudentT.quantile975(trend.df()) / Math.sqrt(squares - sum * sum / n);
        for (int more = 1; more <= SEARCH_LIMIT; more++) {
            double t = series.span() + more * pace;
            sum += t;
            squares += t * t;
            int m = n + more;
            if (StudentT.quantile975(trend.df() + more) / Math.sqrt(squares - sum * sum / m) <= now / 2) {
                return OptionalInt.of(more);
            }
        }
        return OptionalInt.empty();
    }
}
