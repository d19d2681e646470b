package org.zealousladder.core.scores;

/**
 * The scores that are likely after the one before: within {@value #ERRORS} standard errors of measurement of it. One beyond is asked about before it is
 * kept, since most of them are slips in typing.
 *
 * @param low lower end, in score units
 * @param high upper end
 */
public record Jump(double low, double high) {
    /** Standard errors of measurement to each side. */
    public static final int ERRORS = 4;

    /**
     * @param before the score before
     * @param sem standard error of measurement, above 0
     */
    public static Jump after(double before, double sem) {
        if (!(sem > 0) || !Double.isFinite(before)) {
            throw new IllegalArgumentException("a standard error of measurement is above 0");
        }
        return new Jump(before - ERRORS * sem, before + ERRORS * sem);
    }

    /** Whether {@code value} is worth asking about. */
    public boolean asks(double value) {
        return value < low || value > high;
    }
}
