package org.zealousladder.core.summary;

import java.util.ArrayList;
import java.util.List;

/**
 * Counts in bins of one round width: the smallest of 1, 2 or 5 times a power of ten that needs no more bins than asked for. A
 * value on an edge is in the upper bin. Every value is in exactly one bin.
 */
public final class Histogram {
    private Histogram() {}

    /** Values from {@code from} up to, but not at, {@code to}. */
    public record Bin(double from, double to, int count) {}

    /**
     * @param most at least 2
     * @return empty for no values
     * @throws IllegalArgumentException if a value is not finite
     */
    public static List<Bin> of(double[] values, int most) {
        if (most < 2) {
            throw new IllegalArgumentException("a histogram has at least 2 bins");
        }
        if (values.length == 0) {
            return List.of();
        }
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        for (double v : values) {
            if (!Double.isFinite(v)) {
                throw new IllegalArgumentException("values must be finite");
            }
            low = Math.min(low, v);
            high = Math.max(high, v);
        }
        double width = width(low, high, most);
        long first = (long) Math.floor(low / width);
        int[] counts = new int[(int) (Math.floor(high / width) - first) + 1];
        for (double v : values) {
            counts[(int) (Math.floor(v / width) - first)]++;
        }
        List<Bin> bins = new ArrayList<>();
        for (int i = 0; i < counts.length; i++) {
            bins.add(new Bin((first + i) * width, (first + i + 1) * width, counts[i]));
        }
        return bins;
    }

    private static double width(double low, double high, int most) {
        double power = Math.pow(10, Math.floor(Math.log10(Math.max((high - low) / most, 1e-6))));
        while (true) {
            for (int step : new int[] {1, 2, 5}) {
                double width = step * power;
                if (Math.floor(high / width) - Math.floor(low / width) + 1 <= most) {
                    return width;
                }
            }
            power *= 10;
        }
    }
}
