package org.zealousladder.server.measures.measures;

import org.jspecify.annotations.Nullable;

/**
 * A measure as the views need it.
 *
 * @param partOf of which measure it is a sub-score
 * @param addsUp whether its score is the sum of its parts'
 * @param ownName without the whole's
 */
public record MeasureRef(int id, String name, String unit, String area, double lowest, double highest, int decimals,
        boolean higherIsBetter, @Nullable Integer partOf, boolean addsUp, String ownName) {

    /** A measure by itself. */
    public MeasureRef(int id, String name, String unit, String area, double lowest, double highest, int decimals, boolean higherIsBetter) {
        this(id, name, unit, area, lowest, highest, decimals, higherIsBetter, null, false, name);
    }
}
