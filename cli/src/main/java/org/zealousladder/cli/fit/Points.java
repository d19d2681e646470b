package org.zealousladder.cli.fit;

import java.util.Arrays;
import java.util.List;
import org.zealousladder.cli.rows.Problem;

/** The entries of one student on one measure, in growing arrays: a million rows must fit into 512 MB. */
final class Points {
    private int[] days = new int[12];
    private double[] values = new double[12];
    private int[] rows = new int[12];
    /** Null as long as no entry names its form. */
    private int[] forms;
    private int n;

    /** @param value NaN for an entry without a score (absent, exempt, invalid); it never leaves this class @param form 0: none is named */
    void add(int day, double value, int form, int row) {
        if (n == days.length) {
            days = Arrays.copyOf(days, n * 2);
            values = Arrays.copyOf(values, n * 2);
            rows = Arrays.copyOf(rows, n * 2);
            forms = forms == null ? null : Arrays.copyOf(forms, n * 2);
        }
        if (form != 0) {
            forms = forms == null ? new int[days.length] : forms;
            forms[n] = form;
        }
        days[n] = day;
        values[n] = value;
        rows[n++] = row;
    }

    /** Sorts by day; a day that comes twice keeps its first entry, and is a problem when the others differ. */
    void settle(List<Problem> problems) {
        long[] order = new long[n];
        for (int i = 0; i < n; i++) {
            order[i] = ((long) days[i] + (1L << 31)) << 32 | i;
        }
        Arrays.sort(order);
        int[] sortedDays = new int[n];
        double[] sortedValues = new double[n];
        int[] sortedForms = forms == null ? null : new int[n];
        int kept = 0;
        int firstRow = 0;
        for (long o : order) {
            int i = (int) o;
            if (kept > 0 && sortedDays[kept - 1] == days[i]) {
                if (Double.compare(sortedValues[kept - 1], values[i]) != 0) {
                    problems.add(new Problem(rows[i], "score",
                            "Row " + firstRow + " has another score for the same student, measure and date. Keep one of the two."));
                }
                continue;
            }
            firstRow = rows[i];
            sortedDays[kept] = days[i];
            if (sortedForms != null) {
                sortedForms[kept] = forms[i];
            }
            sortedValues[kept++] = values[i];
        }
        days = sortedDays;
        values = sortedValues;
        forms = sortedForms;
        rows = new int[0];
        n = kept;
    }

    /** Days (since 1970) of scored entries up to {@code asOf}; parallel to {@link #scores}. */
    int[] scoredDays(int asOf) {
        int[] out = new int[n];
        int k = 0;
        for (int i = 0; i < n && days[i] <= asOf; i++) {
            if (!Double.isNaN(values[i])) {
                out[k++] = days[i];
            }
        }
        return Arrays.copyOf(out, k);
    }

    /** Forms of the same; 0 where none is named. */
    int[] forms(int asOf) {
        int[] out = new int[n];
        int k = 0;
        for (int i = 0; i < n && days[i] <= asOf; i++) {
            if (!Double.isNaN(values[i])) {
                out[k++] = forms == null ? 0 : forms[i];
            }
        }
        return Arrays.copyOf(out, k);
    }

    double[] scores(int asOf) {
        double[] out = new double[n];
        int k = 0;
        for (int i = 0; i < n && days[i] <= asOf; i++) {
            if (!Double.isNaN(values[i])) {
                out[k++] = values[i];
            }
        }
        return Arrays.copyOf(out, k);
    }
}
