package org.zealousladder.core.summary;

import java.util.Arrays;
import java.util.OptionalDouble;

/**
 * Sample quantiles, type 7: {@code h = (n - 1)·p}, linear between the order statistics around {@code h}.
 *
 * <p>R. J. Hyndman and Y. Fan (1996), Sample quantiles in statistical packages, Am. Stat. 50, 361-365.
 */
public final class Quantiles {
    private final double[] sorted;

    private Quantiles(double[] sorted) {
        this.sorted = sorted;
    }

    /** @throws IllegalArgumentException if a value is not finite */
    public static Quantiles of(double... values) {
        double[] sorted = values.clone();
        for (double v : sorted) {
            if (!Double.isFinite(v)) {
                throw new IllegalArgumentException("values must be finite");
            }
        }
        Arrays.sort(sorted);
        return new Quantiles(sorted);
    }

    /**
     * @param p 0 to 1
     * @return empty for no values
     */
    public OptionalDouble at(double p) {
        if (!(p >= 0 && p <= 1)) {
            throw new IllegalArgumentException("p must be from 0 to 1, not " + p);
        }
        if (sorted.length == 0) {
            return OptionalDouble.empty();
        }
        double h = (sorted.length - 1) * p;
        int i = (int) h;
        double below = sorted[i];
        return OptionalDouble.of(i + 1 == sorted.length ? below : below + (h - i) * (sorted[i + 1] - below));
    }

    public OptionalDouble median() {
        return at(0.5);
    }
}
