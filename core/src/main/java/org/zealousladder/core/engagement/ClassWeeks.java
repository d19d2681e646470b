package org.zealousladder.core.engagement;

import java.util.Arrays;
import java.util.List;
import org.zealousladder.core.summary.Quantiles;

/**
 * A class's weeks. The class's week is the median of its students. A week whose median is under a tenth of the median of the weeks is a still one (a closure, a storm, a
 * break), and so is a week without a school day: no rule counts it.
 */
public final class ClassWeeks {
    /** Of the usual week: what lies under it is a still week. */
    private static final double STILL = 0.1;
    /** Of the usual time of those who do anything: who is under it over all weeks is no measure for the others. */
    private static final double STRANGER = 0.25;

    private final double[][] minutes;
    private final double[] medians;
    private final double[] quarters;
    private final double[] company;
    private final boolean[] still;

    /**
     * A class.
     *
     * @param students minutes of each student in each week, all of one length; 0 where nothing is on record
     * @param closed for each week, whether it had no school day
     * @throws IllegalArgumentException where lengths differ or a time is below 0
     */
    public ClassWeeks(List<double[]> students, boolean[] closed) {
        minutes = students.stream().map(double[]::clone).toArray(double[][]::new);
        int weeks = closed.length;
        for (double[] m : minutes) {
            if (m.length != weeks || Arrays.stream(m).anyMatch(v -> !(v >= 0 && v < Double.POSITIVE_INFINITY))) {
                throw new IllegalArgumentException("Every student of a class has a time of 0 or more for each of its weeks.");
            }
        }
        double[][] taking = takingPart();
        medians = new double[weeks];
        quarters = new double[weeks];
        company = new double[weeks];
        for (int w = 0; w < weeks; w++) {
            Quantiles all = Quantiles.of(of(minutes, w));
            medians[w] = all.median().orElse(0);
            quarters[w] = all.at(0.25).orElse(0);
            company[w] = Quantiles.of(Arrays.stream(of(taking, w)).filter(v -> v > 0).toArray()).median().orElse(0);
        }
        double usual = Quantiles.of(medians).median().orElse(0);
        still = new boolean[weeks];
        for (int w = 0; w < weeks; w++) {
            still[w] = closed[w] || medians[w] < STILL * usual;
        }
    }

    private static double[] of(double[][] students, int week) {
        return Arrays.stream(students).mapToDouble(m -> m[week]).toArray();
    }

    private double[][] takingPart() {
        double[] totals = Arrays.stream(minutes).mapToDouble(m -> Arrays.stream(m).sum()).toArray();
        double usual = Quantiles.of(Arrays.stream(totals).filter(t -> t > 0).toArray()).median().orElse(0);
        return Arrays.stream(minutes).filter(m -> Arrays.stream(m).sum() >= STRANGER * usual).toArray(double[][]::new);
    }

    public int weeks() {
        return medians.length;
    }

    /** Minutes of a student in a week. */
    double minutes(int student, int week) {
        return minutes[student][week];
    }

    /** Median of the class in a week, in minutes. */
    public double median(int week) {
        return medians[week];
    }

    /** Under it lies the lowest quarter of the class in a week (Hyndman and Fan's type 7), in minutes. */
    double quarter(int week) {
        return quarters[week];
    }

    /**
     * Median in a week of those who did something in it and are no strangers to it all, in minutes: it does not move when somebody comes who does next to nothing, so
     * that nobody seems to have fallen or risen by that.
     */
    double company(int week) {
        return company[week];
    }

    /** Whether no rule counts a week. */
    public boolean still(int week) {
        return still[week];
    }
}
