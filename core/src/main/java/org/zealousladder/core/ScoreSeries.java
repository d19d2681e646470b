package org.zealousladder.core;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * Scores of one student on one measure in order of time. Only scores with the status <em>scored</em> belong here.
 *
 * <p>Shapes: {@code weeks} and {@code scores} have the same length {@code n >= 0}; {@code weeks} is ascending, in
 * weeks ({@code days / 7}) from an origin that the caller keeps; every number is finite. Each score may say which form it was taken on.
 */
public final class ScoreSeries {
    private final double[] weeks;
    private final double[] scores;
    /** Null where nothing is known of any: there are very many series. */
    private final int @Nullable [] forms;

    private ScoreSeries(double[] weeks, double[] scores, int @Nullable [] forms) {
        this.weeks = weeks;
        this.scores = scores;
        this.forms = forms;
    }

    /**
     * Copies and sorts by time.
     *
     * @throws IllegalArgumentException if the lengths differ or a number is not finite
     */
    public static ScoreSeries of(double[] weeks, double[] scores) {
        return made(weeks, scores, null);
    }

    /**
     * The same with the forms that scores were taken on.
     *
     * @param forms a number for each; 0 where nothing is known of the form
     * @throws IllegalArgumentException if the lengths differ or a number is not finite
     */
    public static ScoreSeries of(double[] weeks, double[] scores, int[] forms) {
        if (weeks.length != scores.length || weeks.length != forms.length) {
            throw new IllegalArgumentException(weeks.length + " times for " + scores.length + " scores on " + forms.length + " forms");
        }
        return made(weeks, scores, Arrays.stream(forms).allMatch(f -> f == 0) ? null : forms);
    }

    private static ScoreSeries made(double[] weeks, double[] scores, int @Nullable [] forms) {
        if (weeks.length != scores.length) {
            throw new IllegalArgumentException(weeks.length + " times for " + scores.length + " scores");
        }
        boolean ascending = true;
        for (int i = 0; i < weeks.length; i++) {
            if (!Double.isFinite(weeks[i]) || !Double.isFinite(scores[i])) {
                throw new IllegalArgumentException("time and score number " + (i + 1) + " must be finite");
            }
            ascending &= i == 0 || weeks[i - 1] <= weeks[i];
        }
        return ascending ? new ScoreSeries(weeks.clone(), scores.clone(), forms == null ? null : forms.clone()) : sorted(weeks, scores, forms);
    }

    private static ScoreSeries sorted(double[] weeks, double[] scores, int @Nullable [] forms) {
        Integer[] order = new Integer[weeks.length];
        Arrays.setAll(order, i -> i);
        Arrays.sort(order, (a, b) -> Double.compare(weeks[a], weeks[b]));
        double[] t = new double[weeks.length];
        double[] y = new double[weeks.length];
        int[] f = forms == null ? null : new int[weeks.length];
        for (int i = 0; i < order.length; i++) {
            t[i] = weeks[order[i]];
            y[i] = scores[order[i]];
            if (f != null) {
                f[i] = requireNonNull(forms)[order[i]];
            }
        }
        return new ScoreSeries(t, y, f);
    }

    /** Weeks from {@code origin} to {@code date}; negative before it. */
    public static double weeks(LocalDate origin, LocalDate date) {
        return ChronoUnit.DAYS.between(origin, date) / 7.0;
    }

    /** Scores in the series, 0 or more. */
    public int size() {
        return weeks.length;
    }

    /**
     * Time of score {@code i} (from 0, in order) in weeks from the origin.
     *
     * @throws ArrayIndexOutOfBoundsException when there is no such score
     */
    public double week(int i) {
        return weeks[i];
    }

    /**
     * Value of score {@code i} (from 0, in order) in score units.
     *
     * @throws ArrayIndexOutOfBoundsException when there is no such score
     */
    public double score(int i) {
        return scores[i];
    }

    /** Form that score {@code i} was taken on, 0 where nothing is known of it. */
    public int form(int i) {
        return forms == null ? 0 : forms[i];
    }

    /** Weeks between the first and the last score; 0 for fewer than two. */
    public double span() {
        return weeks.length < 2 ? 0 : weeks[weeks.length - 1] - weeks[0];
    }

    /**
     * The first {@code n} scores.
     *
     * @throws IndexOutOfBoundsException if there are not so many
     */
    public ScoreSeries first(int n) {
        Objects.checkFromToIndex(0, n, weeks.length);
        return new ScoreSeries(Arrays.copyOf(weeks, n), Arrays.copyOf(scores, n), forms == null ? null : Arrays.copyOf(forms, n));
    }

    /** All but the score at {@code index}. */
    public ScoreSeries without(int index) {
        Objects.checkIndex(index, weeks.length);
        double[] t = new double[weeks.length - 1];
        double[] y = new double[weeks.length - 1];
        int[] f = forms == null ? null : new int[weeks.length - 1];
        for (int i = 0; i < t.length; i++) {
            t[i] = weeks[i < index ? i : i + 1];
            y[i] = scores[i < index ? i : i + 1];
            if (f != null) {
                f[i] = requireNonNull(forms)[i < index ? i : i + 1];
            }
        }
        return new ScoreSeries(t, y, f);
    }

    /** The scores at or after {@code week}: the newest phase when a plan changed then. */
    public ScoreSeries from(double week) {
        int i = 0;
        while (i < weeks.length && weeks[i] < week) {
            i++;
        }
        return new ScoreSeries(Arrays.copyOfRange(weeks, i, weeks.length), Arrays.copyOfRange(scores, i, scores.length),
                forms == null ? null : Arrays.copyOfRange(forms, i, forms.length));
    }

    double[] weeksShared() {
        return weeks;
    }

    double[] scoresShared() {
        return scores;
    }

    /** A copy of the times. */
    public double[] weeks() {
        return weeks.clone();
    }

    /** A copy of the scores. */
    public double[] scores() {
        return scores.clone();
    }
}
