package org.zealousladder.core.calibration;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.zealousladder.core.ScoreSeries;

/**
 * A made-up grade that is monitored once a week: every student's course is known, scores stand about it as {@code this} world has it.
 *
 * <p>Levels are N(60, 15²) words a minute at the start, slopes N(1.2, 0.5²) a week (correlation 0.3), scores spread by 6 about the course.
 *
 * @param autocorrelation of a student's deviations from week to week
 * @param tailDf degrees of freedom of the t that they follow, scaled to the same spread; infinite: normal
 * @param weekSd spread of what moves a week's scores together, in score units
 * @param slowing weeks after which growth has slowed to 37 %; infinite: it does not
 * @param growing whether the spread grows with the level, in proportion
 * @param low lowest possible score @param high highest; courses and scores stay within
 * @param whole whether scores are whole numbers
 */
public record World(String name, double autocorrelation, double tailDf, double weekSd, double slowing, boolean growing, double low, double high,
        boolean whole) {
    /** Weeks from the last score to the goal's date. */
    public static final int AHEAD = 11;

    private static final double NO = Double.POSITIVE_INFINITY;
    private static final double SPREAD = 6;
    private static final double START = 60;
    private static final double GROWTH = 1.2;
    /** How far above or below the middle course the goals lie. */
    private static final double[] GOALS = {-12, -6, 0, 6, 12};

    /** Deviations are independent and normal, growth straight. */
    public static final World INDEPENDENT = new World("independent", 0, NO, 0, NO, false, -NO, NO, false);
    /** One week's deviation stays in the next by 0.3. */
    public static final World AUTOCORRELATED = new World("autocorrelation 0.3", 0.3, NO, 0, NO, false, -NO, NO, false);
    /** By half. */
    public static final World HARD_AUTOCORRELATED = new World("autocorrelation 0.5", 0.5, NO, 0, NO, false, -NO, NO, false);
    /** Wild scores: a t with 3 degrees of freedom. */
    public static final World WILD = new World("t with 3 df", 0, 3, 0, NO, false, -NO, NO, false);
    /** All read the same passage each week. */
    public static final World SHARED = new World("shared weeks", 0, NO, 4, NO, false, -NO, NO, false);
    /** Growth flattens. */
    public static final World FLATTENING = new World("flattening", 0, NO, 0, 20, false, -NO, NO, false);
    /** Better readers vary more. */
    public static final World GROWING = new World("spread grows", 0, NO, 0, NO, true, -NO, NO, false);
    /** Many stand at the least possible score. */
    public static final World FLOOR = new World("floor", 0, NO, 0, NO, false, 50, NO, false);
    /** Many come up to the most possible score. */
    public static final World CEILING = new World("ceiling", 0, NO, 0, NO, false, -NO, 95, false);
    /** Scores are counted. */
    public static final World WHOLE = new World("whole numbers", 0, NO, 0, NO, false, -NO, NO, true);

    /** All of them. */
    public static List<World> all() {
        return List.of(INDEPENDENT, AUTOCORRELATED, HARD_AUTOCORRELATED, WILD, SHARED, FLATTENING, GROWING, FLOOR, CEILING, WHOLE);
    }

    /**
     * One student of a world.
     *
     * @param slope of the true course with the last score, a week
     * @param level of the true course at the goal's date
     * @param goal a score to be reached by then
     */
    public record Student(ScoreSeries series, double slope, double level, double goal) {
        /** Whether the goal comes to be met. */
        public boolean meets() {
            return level >= goal;
        }
    }

    /** A grade of {@code students} with {@code weeks} scores each. */
    public List<Student> grade(SplittableRandom random, int students, int weeks) {
        return grade(random, students, weeks, AHEAD, (k, level, end) -> course(START, GROWTH, end) + GOALS[k % GOALS.length]);
    }

    /** A class whose goals, due with the last score, ask of each student what is usual from their own start: about half of them come to meet theirs. */
    public List<Student> classroom(SplittableRandom random, int students, int weeks) {
        return grade(random, students, weeks, 0, (k, level, end) -> course(level, GROWTH, end));
    }

    private interface Aim {
        double goal(int student, double level, double end);
    }

    private List<Student> grade(SplittableRandom random, int students, int weeks, int ahead, Aim aim) {
        double[] shared = new double[weeks];
        double[] times = new double[weeks];
        for (int i = 0; i < weeks; i++) {
            shared[i] = weekSd * normal(random);
            times[i] = i;
        }
        List<Student> grade = new ArrayList<>();
        for (int k = 0; k < students; k++) {
            double a = normal(random);
            double level = START + 15 * a;
            double slope = GROWTH + 0.5 * (0.3 * a + Math.sqrt(1 - 0.09) * normal(random));
            double last = weeks - 1;
            double end = last + ahead;
            grade.add(new Student(ScoreSeries.of(times, scores(random, level, slope, shared)),
                    100 * (course(level, slope, last) - course(level, slope, last - 0.01)),
                    course(level, slope, end), aim.goal(k, level, end)));
        }
        return grade;
    }

    private double[] scores(SplittableRandom random, double level, double slope, double[] shared) {
        double[] y = new double[shared.length];
        double deviation = 0;
        for (int i = 0; i < y.length; i++) {
            double fresh = SPREAD * t(random);
            deviation = i == 0 ? fresh : autocorrelation * deviation + Math.sqrt(1 - autocorrelation * autocorrelation) * fresh;
            double at = course(level, slope, i);
            double score = within(at + shared[i] + (growing ? Math.max(0.3, at / 70) : 1) * deviation);
            y[i] = whole ? Math.rint(score) : score;
        }
        return y;
    }

    private double course(double level, double slope, double week) {
        return within(level + slope * (Double.isInfinite(slowing) ? week : slowing * (1 - Math.exp(-week / slowing))));
    }

    private double within(double value) {
        return Math.max(low, Math.min(high, value));
    }

    private double t(SplittableRandom random) {
        double z = normal(random);
        if (Double.isInfinite(tailDf)) {
            return z;
        }
        double squares = 0;
        for (int i = 0; i < (int) tailDf; i++) {
            double x = normal(random);
            squares += x * x;
        }
        return z / Math.sqrt(squares / tailDf) * Math.sqrt((tailDf - 2) / tailDf);
    }

    private static double normal(SplittableRandom random) {
        return Math.sqrt(-2 * Math.log(1 - random.nextDouble())) * Math.cos(2 * Math.PI * random.nextDouble());
    }
}
