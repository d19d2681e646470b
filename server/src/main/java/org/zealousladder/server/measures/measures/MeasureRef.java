package org.zealousladder.server.measures.measures;

/** A measure as the views need it. */
public record MeasureRef(int id, String name, String unit, String area, double lowest, double highest, int decimals,
        boolean higherIsBetter) {}
