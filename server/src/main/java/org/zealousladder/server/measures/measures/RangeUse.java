package org.zealousladder.server.measures.measures;

import java.util.Optional;

/** What stands on the scores of a measure, said by who keeps it. */
public interface RangeUse {
    /**
     * What a range would leave outside.
     *
     * @param score the score that would lie outside
     * @param place what stands there, in words
     */
    record Outside(double score, String place) {}

    Optional<Outside> outside(int measure, double lowest, double highest);
}
