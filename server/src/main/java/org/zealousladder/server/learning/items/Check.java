package org.zealousladder.server.learning.items;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A check: items in an order.
 *
 * @param elsewhere whether it is taken elsewhere, and only its answers come here
 * @param minutes it takes at most; null: as long as it takes
 * @param measureId the measure whose score it gives, in {@code feeds} points or share; null: none
 */
public record Check(int id, String code, @Nullable Integer schoolId, String name, boolean elsewhere, boolean shuffle, @Nullable Integer minutes,
        @Nullable Integer measureId, @Nullable String feeds, List<Place> items) {

    /** An item in it. @param label what it is called there */
    public record Place(int item, String label) {}
}
