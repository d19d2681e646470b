package org.zealousladder.core.growth;

import java.util.List;
import java.util.OptionalInt;
import org.zealousladder.core.Interval;
import org.zealousladder.core.ScoreSeries;

/** A way to fit that never leaves the scores there are. */
record BoundedFitter(Trend.Fitter by, Trend.Bounds bounds) implements Trend.Fitter {
    @Override
    public Trend fit(ScoreSeries series) {
        Trend trend = by.fit(series);
        return trend instanceof Trend.Fitted f ? f.within(bounds, series.week(series.size() - 1)) : trend;
    }

    @Override
    public List<Interval> levels(ScoreSeries series, Trend.Fitted fitted, double... weeks) {
        return by.levels(series, fitted, weeks).stream().map(bounds::within).toList();
    }

    @Override
    public OptionalInt toHalve(ScoreSeries series, Trend.Fitted fitted, double gap, int most) {
        return by.toHalve(series, fitted, gap, most);
    }
}
