package org.zealousladder.core.growth;

import java.util.Arrays;
import org.zealousladder.core.ScoreSeries;

/** The slopes between all pairs of scores on different dates, by rank. */
abstract class PairSlopes {

    static PairSlopes of(ScoreSeries series) {
        return series.size() <= TheilSen.SORT_LIMIT ? new Sorted(series) : new Counted(series);
    }

    /** How many pairs there are. */
    abstract long count();

    /** The slope with {@code k} slopes before it in ascending order. */
    abstract double rank(long k);

    double median() {
        long m = count() / 2;
        return count() % 2 == 1 ? rank(m) : (rank(m - 1) + rank(m)) / 2;
    }

    private static final class Sorted extends PairSlopes {
        private final double[] slopes;

        Sorted(ScoreSeries s) {
            int n = s.size();
            double[] all = new double[n * (n - 1) / 2];
            int k = 0;
            for (int i = 0; i < n; i++) {
                for (int j = i + 1; j < n; j++) {
                    double dt = s.week(j) - s.week(i);
                    if (dt > 0) {
                        all[k++] = (s.score(j) - s.score(i)) / dt;
                    }
                }
            }
            slopes = k == all.length ? all : Arrays.copyOf(all, k);
            Arrays.sort(slopes);
        }

        @Override
        long count() {
            return slopes.length;
        }

        @Override
        double rank(long k) {
            return slopes[(int) k];
        }
    }

    /**
     * Finds a rank by bisection on the slope: pairs with slope at most b are those whose residuals {@code y - b·t} do
     * not rise, which a merge sort counts in n log n.
     */
    private static final class Counted extends PairSlopes {
        private final ScoreSeries s;
        private final long pairs;
        private double lowest = Double.POSITIVE_INFINITY;
        private double highest = Double.NEGATIVE_INFINITY;

        Counted(ScoreSeries s) {
            this.s = s;
            long n = 0;
            int start = 0;
            for (int i = 0; i < s.size(); i++) {
                if (s.week(i) != s.week(start)) {
                    start = i;
                }
                n += start;
            }
            pairs = n;
            // The extreme slopes stand between neighbouring dates.
            for (int i = 0; i < s.size(); i++) {
                for (int j = i + 1; j < s.size() && nextDate(i, j); j++) {
                    double dt = s.week(j) - s.week(i);
                    if (dt > 0) {
                        double b = (s.score(j) - s.score(i)) / dt;
                        lowest = Math.min(lowest, b);
                        highest = Math.max(highest, b);
                    }
                }
            }
        }

        private boolean nextDate(int i, int j) {
            int k = i;
            while (k < s.size() && s.week(k) == s.week(i)) {
                k++;
            }
            return k < s.size() && s.week(j) <= s.week(k);
        }

        @Override
        long count() {
            return pairs;
        }

        @Override
        double rank(long k) {
            double low = lowest;
            double high = highest;
            for (int step = 0; step < 200 && low < high; step++) {
                double middle = low + (high - low) / 2;
                if (middle == low || middle == high) {
                    break;
                }
                if (atMost(middle) > k) {
                    high = middle;
                } else {
                    low = middle;
                }
            }
            return atMost(low) > k ? low : high;
        }

        private long atMost(double slope) {
            double[] r = new double[s.size()];
            for (int i = 0; i < r.length; i++) {
                r[i] = s.score(i) - slope * s.week(i);
            }
            // Scores of one date form no pair: sort them upwards so that they count as rising.
            for (int i = 0; i < r.length;) {
                int j = i;
                while (j < r.length && s.week(j) == s.week(i)) {
                    j++;
                }
                Arrays.sort(r, i, j);
                i = j;
            }
            long sameDateTies = sameDateTies(r);
            return notRising(r, new double[r.length], 0, r.length) - sameDateTies;
        }

        private long sameDateTies(double[] r) {
            long ties = 0;
            for (int i = 0; i < r.length; i++) {
                for (int j = i + 1; j < r.length && s.week(j) == s.week(i) && r[j] == r[i]; j++) {
                    ties++;
                }
            }
            return ties;
        }

        private static long notRising(double[] a, double[] spare, int from, int to) {
            if (to - from < 2) {
                return 0;
            }
            int middle = (from + to) >>> 1;
            long n = notRising(a, spare, from, middle) + notRising(a, spare, middle, to);
            int i = from;
            int j = middle;
            for (int k = from; k < to; k++) {
                if (i < middle && (j >= to || a[i] < a[j])) {
                    spare[k] = a[i++];
                } else {
                    n += middle - i;
                    spare[k] = a[j++];
                }
            }
            System.arraycopy(spare, from, a, from, to - from);
            return n;
        }
    }
}
