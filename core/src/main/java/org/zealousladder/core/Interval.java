package org.zealousladder.core;

/** A value with the lower and upper end of its 95 % interval, all in the unit of the value. */
public record Interval(double value, double low, double high) {
    /** Length of the interval in the values' own unit; never negative. */
    public double width() {
        return high - low;
    }
}
