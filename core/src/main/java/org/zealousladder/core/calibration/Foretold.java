package org.zealousladder.core.calibration;

import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.stream.IntStream;

/** Chances that were stated, and how many of what they were stated of came true. */
public final class Foretold {
    private static final int FIFTHS = 5;

    private double[] chances = new double[16];
    private final BitSet cameTrue = new BitSet();
    private int n;

    /**
     * Counts one.
     *
     * @param chance stated, 0 to 1
     * @throws IllegalArgumentException for one that is no chance
     */
    public void add(double chance, boolean came) {
        if (!(chance >= 0 && chance <= 1)) {
            throw new IllegalArgumentException(chance + " is no chance");
        }
        if (n == chances.length) {
            chances = Arrays.copyOf(chances, 2 * n);
        }
        cameTrue.set(n, came);
        chances[n++] = chance;
    }

    public int n() {
        return n;
    }

    /** How many came true. */
    public int came() {
        return cameTrue.cardinality();
    }

    /** How many would on average, were the chances right. */
    public double expected() {
        return Arrays.stream(chances, 0, n).sum();
    }

    /** Mean of the chances; 0 where there is none. */
    public double stated() {
        return n == 0 ? 0 : expected() / n;
    }

    /** From so many to so many, both included. */
    public record Usual(int low, int high) {
        /** Whether a count is one of them. */
        public boolean holds(int count) {
            return low <= count && count <= high;
        }
    }

    /**
     * How many come true where the chances are right and one does not hang on the other: the middle {@code level} of the distribution, which is exact
     * (Poisson's binomial: S. D. Poisson (1837), Recherches sur la probabilité des jugements).
     *
     * @param level share of cases in which the count lies within, at least
     */
    public Usual usual(double level) {
        double[] p = new double[n + 1];
        p[0] = 1;
        for (int i = 0; i < n; i++) {
            double c = chances[i];
            for (int k = i + 1; k > 0; k--) {
                p[k] = p[k] * (1 - c) + p[k - 1] * c;
            }
            p[0] *= 1 - c;
        }
        double tail = (1 - level) / 2;
        int low = 0;
        for (double below = p[0]; low < n && below <= tail; below += p[low]) {
            low++;
        }
        int high = n;
        for (double above = p[n]; high > 0 && above <= tail; above += p[high]) {
            high--;
        }
        return new Usual(low, high);
    }

    /** By what was stated, the least likely fifth first. A chance on an edge is in the upper one. */
    public List<Foretold> fifths() {
        List<Foretold> fifths = IntStream.range(0, FIFTHS).mapToObj(i -> new Foretold()).toList();
        for (int i = 0; i < n; i++) {
            fifths.get(Math.min(FIFTHS - 1, (int) (chances[i] * FIFTHS))).add(chances[i], cameTrue.get(i));
        }
        return fifths;
    }

    /** The farthest that the mean chance of a fifth with at least {@code least} in it is from the share that came true; 0 where none has so many. */
    public double worst(int least) {
        return fifths().stream().filter(f -> f.n >= least).mapToDouble(f -> Math.abs(f.expected() - f.came()) / f.n).max().orElse(0);
    }

    @Override
    public String toString() {
        return came() + " of " + n + " at " + stated();
    }
}
