package org.zealousladder.core.criteria;

import org.jspecify.annotations.Nullable;
import org.zealousladder.core.criteria.Criterion.HowMany;

/** Reads "at least two of (" and its like. */
final class HowManyReader {
    private HowManyReader() {}

    /** @param n only of {@link HowMany#AT_LEAST}, else 0 */
    record Read(HowMany howMany, int n, Place place) {}

    /** Whether one begins after so many tokens. */
    static boolean comes(Reader reader, int by) {
        int before = reader.position();
        reader.back(before + by);
        boolean does = read(reader) != null;
        reader.back(before);
        return does;
    }

    /** @return null, and nothing taken, where none comes next */
    static @Nullable Read read(Reader reader) {
        int before = reader.position();
        Place start = reader.now().place();
        HowMany howMany = null;
        int n = 0;
        if (reader.took("at least")) {
            Integer count = reader.count();
            howMany = count == null ? null : HowMany.AT_LEAST;
            n = count == null ? 0 : count;
        } else if (reader.took("all")) {
            howMany = HowMany.ALL;
        } else if (reader.took("any")) {
            howMany = HowMany.ANY;
        } else if (reader.took("none")) {
            howMany = HowMany.NONE;
        }
        if (howMany == null || !reader.took("of") || !reader.took("(")) {
            reader.back(before);
            return null;
        }
        return new Read(howMany, n, start.to(reader.last()));
    }
}
