package org.zealousladder.core.growth;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.zealousladder.core.ScoreSeries;

/**
 * Where times and scores of a pool are counted from, where its mean may bend, and which weeks are shared.
 *
 * @param centre mean time, in weeks from the origin
 * @param unit spread of times, in weeks
 * @param mean of the scores
 * @param span mean length of the series, in weeks
 * @param knots times at which the mean's slope may change, in weeks from the centre
 * @param gap between knots
 * @param weeks number of each shared week
 */
record SteadyFrame(double centre, double unit, double mean, double span, double[] knots, double gap, Map<Taken, Integer> weeks) {
    private static final int MOST_KNOTS = 5;
    private static final double LEAST_GAP = 2;

    /** What is shared: those who took one form in one week; a form that nothing is known of is taken to be everybody's. @param week whole ones from the origin */
    record Taken(int week, int form) {
        static Taken of(ScoreSeries s, int i) {
            return new Taken((int) Math.floor(s.week(i) + 1e-9), s.form(i));
        }
    }

    static SteadyFrame of(List<ScoreSeries> all) {
        double n = 0;
        double t = 0;
        double y = 0;
        double span = 0;
        double first = Double.POSITIVE_INFINITY;
        double last = Double.NEGATIVE_INFINITY;
        Map<Taken, Integer> sharing = new HashMap<>();
        for (ScoreSeries s : all) {
            for (int i = 0; i < s.size(); i++) {
                n++;
                t += s.week(i);
                y += s.score(i);
                Taken taken = Taken.of(s, i);
                if (i == 0 || !Taken.of(s, i - 1).equals(taken)) {
                    sharing.merge(taken, 1, Integer::sum);
                }
            }
            span += s.span();
            first = Math.min(first, s.week(0));
            last = Math.max(last, s.week(s.size() - 1));
        }
        double centre = t / n;
        double squares = 0;
        for (ScoreSeries s : all) {
            for (int i = 0; i < s.size(); i++) {
                squares += (s.week(i) - centre) * (s.week(i) - centre);
            }
        }
        Map<Taken, Integer> weeks = new HashMap<>();
        sharing.entrySet().stream().filter(e -> e.getValue() >= SteadyGrowth.FEWEST_SHARING).map(Map.Entry::getKey)
                .sorted(Comparator.comparingInt(Taken::week).thenComparingInt(Taken::form))
                .forEach(w -> weeks.put(w, weeks.size()));
        int bends = (int) Math.max(0, Math.min(MOST_KNOTS, Math.floor((last - first) / LEAST_GAP) - 1));
        double gap = (last - first) / (bends + 1);
        double[] knots = new double[bends];
        for (int i = 0; i < bends; i++) {
            knots[i] = first - centre + gap * (i + 1);
        }
        return new SteadyFrame(centre, Math.sqrt(squares / n), y / n, span / all.size(), knots, gap, weeks);
    }

    /** Columns that every score has an own value in: level, slope, and the mean's bends. */
    int common() {
        return 2 + knots.length;
    }

    /** All that is shared. */
    int shared() {
        return common() + weeks.size();
    }

    SteadyTimes times(ScoreSeries s) {
        double[] t = new double[s.size()];
        int[] week = new int[s.size()];
        for (int i = 0; i < t.length; i++) {
            t[i] = s.week(i) - centre;
            week[i] = weeks.getOrDefault(Taken.of(s, i), -1);
        }
        return new SteadyTimes(t, week);
    }

    double[] scores(ScoreSeries s) {
        double[] y = s.scores();
        for (int i = 0; i < y.length; i++) {
            y[i] -= mean;
        }
        return y;
    }

    /** The common columns of the level at a time; the bends in units of their own spread. */
    double[] level(SteadyParts p, double t) {
        double[] x = new double[common()];
        x[0] = 1;
        x[1] = t;
        for (int k = 0; k < knots.length; k++) {
            x[2 + k] = spread(p) * Math.max(0, t - knots[k]);
        }
        return x;
    }

    /** The same of the slope. */
    double[] slope(SteadyParts p, double t) {
        double[] x = new double[common()];
        x[1] = 1;
        for (int k = 0; k < knots.length; k++) {
            x[2 + k] = t > knots[k] ? spread(p) : 0;
        }
        return x;
    }

    private double spread(SteadyParts p) {
        return p.meanBend() * Math.sqrt(gap);
    }
}
