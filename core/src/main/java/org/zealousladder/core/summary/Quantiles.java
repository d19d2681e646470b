package org.zealousladder.core.summary;

import java.util.OptionalDouble;
import org.apache.commons.statistics.descriptive.Quantile;

/**
 * Sample quantiles, type 7: {@code h = (n - 1)·p}, linear between the order statistics around {@code h}, as Apache Commons Statistics computes them.
 * No values give no quantile.
 *
 * <p>R. J. Hyndman and Y. Fan (1996), Sample quantiles in statistical packages, Am. Stat. 50, 361-365.
 */
public final class Quantiles {
    private static final Quantile TYPE_7 = Quantile.withDefaults().with(Quantile.EstimationMethod.HF7).withCopy(true);

    private final double[] values;

    private Quantiles(double[] values) {
        this.values = values;
    }

    /** @throws IllegalArgumentException if a value is not finite */
    public static Quantiles of(double... values) {
        for (double v : values) {
            if (!Double.isFinite(v)) {
                throw new IllegalArgumentException("values must be finite");
            }
        }
        return new Quantiles(values.clone());
    }

    /**
     * @param p 0 to 1
     * @return empty for no values
     * @throws IllegalArgumentException for another {@code p}
     */
    public OptionalDouble at(double p) {
        if (!(p >= 0 && p <= 1)) {
            throw new IllegalArgumentException("p must be from 0 to 1, not " + p);
        }
        return values.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(TYPE_7.evaluate(values, p));
    }

    /** The middle value, or the mean of the two in the middle; empty for no values. */
    public OptionalDouble median() {
        return at(0.5);
    }
}
