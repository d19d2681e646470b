package org.zealousladder.core.comparing;

/**
 * What one person brings to a figure.
 *
 * @param sum of the values, or how many of {@code n} were so
 * @param n how many values, answers or pieces; above 0
 */
public record Tally(double sum, double n) {
    public Tally {
        if (!(n > 0)) {
            throw new IllegalArgumentException("a tally is of something");
        }
    }

    /** One value of a person. */
    public static Tally of(double value) {
        return new Tally(value, 1);
    }

    /** Whether it is so of a person. */
    public static Tally of(boolean so) {
        return new Tally(so ? 1 : 0, 1);
    }

    public double mean() {
        return sum / n;
    }
}
