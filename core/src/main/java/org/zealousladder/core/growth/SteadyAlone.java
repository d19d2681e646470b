package org.zealousladder.core.growth;

import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.zealousladder.core.Interval;
import org.zealousladder.core.ScoreSeries;

/**
 * One series by itself, with what scores of a school are known to vary by in place of what a pool would tell: deviations that hang together a little, and growth
 * that may bend a little. Level and slope are its own.
 *
 * <p>The spread is steadied by the measure's standard error of measurement as {@link LeastSquares} does.
 */
public final class SteadyAlone implements Trend.Fitter {
    private static final double AUTOCORRELATION = 0.15;
    /** What a slope wanders in a week, in units of the spread of scores: a third of what would take a level one spread off a straight line in half a year. */
    private static final double BEND = 0.009;

    private final double sem;

    /**
     * @param sem standard error of measurement in score units; 0 when the measure states none
     * @throws IllegalArgumentException if {@code sem} is negative or not finite
     */
    public SteadyAlone(double sem) {
        LeastSquares.requireSem(sem);
        this.sem = sem;
    }

    @Override
    public Trend fit(ScoreSeries series) {
        if (series.size() < Trend.NEEDED || series.span() == 0) {
            return new Trend.TooFew(series.size(), Trend.NEEDED);
        }
        return like(series).predict(series);
    }

    @Override
    public List<Interval> levels(ScoreSeries series, Trend.Fitted fitted, double... weeks) {
        return like(series).levels(series, fitted, weeks);
    }

    @Override
    public OptionalInt toHalve(ScoreSeries series, Trend.Fitted fitted, double gap, int most) {
        return like(series).toHalve(series, fitted, gap, most);
    }

    /** The pool that such a series could be of. */
    private SteadyPopulation like(ScoreSeries series) {
        SteadyFrame plain = SteadyFrame.of(List.of(series));
        SteadyFrame frame = new SteadyFrame(plain.centre(), plain.unit(), plain.mean(), plain.span(), new double[0], 1, Map.of());
        SteadyParts parts = new SteadyParts(0, 0, 0, BEND, 0, 0, AUTOCORRELATION, Double.POSITIVE_INFINITY).alone();
        SteadyTimes times = frame.times(series);
        times.solve(parts, frame.unit());
        double[] half = times.half(frame.scores(series));
        int own = series.size() - 2;
        int df = sem > 0 ? LeastSquares.PRIOR_DF + own : own;
        double variance = (SteadyTimes.dot(half, half) + (sem > 0 ? LeastSquares.PRIOR_DF * sem * sem : 0)) / df;
        return new SteadyPopulation(frame, new SteadyPopulation.Under(parts, new double[2], new double[3], variance), List.of(), 1, series.size(), df);
    }
}
