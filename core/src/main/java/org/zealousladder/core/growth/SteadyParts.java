package org.zealousladder.core.growth;

/**
 * What the scores of a pool vary by, beside its mean. All but the last two are in units of {@code sd}, the spread of a student's own scores.
 *
 * @param l1 with l2 and l3 the lower triangle of Λ: students' levels and slopes about the mean line have the covariance {@code sd²·ΛΛ'}, at the centre and in
 *            the unit of time of the pool
 * @param bend how much a student's slope wanders, one standard deviation after a week; 0: own growth is straight
 * @param meanBend the same of the mean's slope
 * @param week how much scores of one week are moved together, one standard deviation; 0: not at all
 * @param autocorrelation of a student's own deviations, of scores a week apart, 0 to 0.9
 * @param tailDf degrees of freedom of the t that own deviations follow; {@link Double#POSITIVE_INFINITY}: normal
 */
record SteadyParts(double l1, double l2, double l3, double bend, double meanBend, double week, double autocorrelation, double tailDf) {
    /** So many spreads of scores about the own course. */
    private static final double ANYTHING = 1000;

    /** Covariance by sd² of a student's own course about the mean, level against level, at two times in weeks from the centre. @param from of the first score */
    double course(double a, double b, double from, double unit) {
        double x = a / unit;
        double z = b / unit;
        double lines = l1 * l1 + l1 * l2 * (x + z) + (l2 * l2 + l3 * l3) * x * z;
        double s = Math.min(a, b) - from;
        double u = Math.max(a, b) - from;
        return s <= 0 ? lines : lines + bend * bend * s * s * (3 * u - s) / 6;
    }

    /** The same of the slope (a week) at {@code at} against the level at {@code b}, which is not later. */
    double slopeAgainstLevel(double at, double b, double from, double unit) {
        double s = Math.max(0, b - from);
        return (l1 * l2 + (l2 * l2 + l3 * l3) * b / unit) / unit + bend * bend * s * s / 2;
    }

    /** Variance by sd² of the slope at {@code at}. */
    double slopeVariance(double at, double from, double unit) {
        return (l2 * l2 + l3 * l3) / (unit * unit) + bend * bend * Math.max(0, at - from);
    }

    /** The same with slopes that differ {@code factor} times as much. */
    SteadyParts slopesBy(double factor) {
        return new SteadyParts(l1, l2 * factor, l3 * factor, bend, meanBend, week, autocorrelation, tailDf);
    }

    /** The same of who may have any level and any slope. */
    SteadyParts alone() {
        return new SteadyParts(ANYTHING, 0, ANYTHING, bend, meanBend, week, autocorrelation, tailDf);
    }

    /** Whether a student's level and slope are drawn to the pool's. */
    boolean leans() {
        return l1 < ANYTHING;
    }

    SteadyParts withTail(double df) {
        return new SteadyParts(l1, l2, l3, bend, meanBend, week, autocorrelation, df);
    }
}
