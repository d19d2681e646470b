package org.zealousladder.core.growth;

import java.util.Arrays;

/** A student's course under some parts, given the own scores: levels at any time and the slope of today, with what they leave in doubt in score units. */
final class SteadyCourse {
    private final SteadyFrame frame;
    private final SteadyTimes x;
    private final SteadyPopulation.Under under;
    private final SteadyParts parts;
    private final double[] off;

    /** @param x is solved anew: as long as this course is asked, no other may be made of it */
    SteadyCourse(SteadyFrame frame, SteadyTimes x, double[] y, SteadyPopulation.Under under) {
        this.frame = frame;
        this.x = x;
        this.under = under;
        parts = under.parts();
        x.solve(parts, frame.unit());
        off = x.half(SteadyTails.rest(frame, x, y, parts, under.shared()));
    }

    /** Level at a time, from the frame's mean. */
    record Level(double value, double variance) {}

    /** Level and slope at the last score, with their covariance. @param leaning how much of the slope's doubt the own scores left */
    record Now(double level, double slope, double vl, double vls, double vs, double leaning) {}

    /** @param t in weeks from the frame's centre, not after the last score */
    Level level(double t) {
        double[] cov = new double[x.size()];
        for (int j = 0; j < cov.length; j++) {
            cov[j] = parts.course(t, x.t[j], x.t[0], frame.unit());
        }
        double[] h = x.half(cov);
        double[] common = frame.level(parts, t);
        double[] g = left(h, common);
        return new Level(SteadyTimes.dot(common, under.shared()) + SteadyTimes.dot(h, off),
                under.variance() * Math.max(0, parts.course(t, t, x.t[0], frame.unit()) - SteadyTimes.dot(h, h) + under.form(g, g)));
    }

    Now now() {
        int n = x.size();
        double last = x.t[n - 1];
        double from = x.t[0];
        double unit = frame.unit();
        double[] level = new double[n];
        double[] slope = new double[n];
        for (int j = 0; j < n; j++) {
            level[j] = parts.course(last, x.t[j], from, unit);
            slope[j] = parts.slopeAgainstLevel(last, x.t[j], from, unit);
        }
        double[] hl = x.half(level);
        double[] hs = x.half(slope);
        double[] commonLevel = frame.level(parts, last);
        double[] commonSlope = frame.slope(parts, last);
        double[] gl = left(hl, commonLevel);
        double[] gs = left(hs, commonSlope);
        double prior = parts.slopeVariance(last, from, unit);
        double own = Math.max(1e-12, prior - SteadyTimes.dot(hs, hs));
        double v = under.variance();
        return new Now(SteadyTimes.dot(commonLevel, under.shared()) + SteadyTimes.dot(hl, off),
                SteadyTimes.dot(commonSlope, under.shared()) + SteadyTimes.dot(hs, off),
                v * Math.max(0, parts.course(last, last, from, unit) - SteadyTimes.dot(hl, hl) + under.form(gl, gl)),
                v * (parts.slopeAgainstLevel(last, last, from, unit) - SteadyTimes.dot(hl, hs) + under.form(gl, gs)), v * (own + under.form(gs, gs)),
                prior == 0 ? 1 : Math.min(1, own / prior));
    }

    /** What of a prediction still rests on what is shared: x - X'K⁻¹c. */
    private double[] left(double[] solved, double[] common) {
        double[] h = Arrays.copyOf(common, frame.shared());
        double[] back = x.back(solved);
        for (int j = 0; j < back.length; j++) {
            double[] at = frame.level(parts, x.t[j]);
            for (int i = 0; i < at.length; i++) {
                h[i] -= at[i] * back[j];
            }
            if (x.week[j] >= 0) {
                h[frame.common() + x.week[j]] -= parts.week() * back[j];
            }
        }
        return h;
    }
}
