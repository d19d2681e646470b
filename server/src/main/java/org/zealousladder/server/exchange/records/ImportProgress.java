package org.zealousladder.server.exchange.records;

import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;

/** How far the reading of one file is. Written by who reads, read by who tells. */
final class ImportProgress {
    /** What is being done with the file. */
    enum Step implements Coded {
        READING,
        CHECKING,
        SAVING
    }

    /** @param share of the step, from 0 to 1; only of reading it is known, and not of every file */
    record At(Step step, @Nullable Float share) {}

    private volatile At at = new At(Step.READING, 0f);

    void at(Step step, double share) {
        at = new At(step, (float) Math.min(1, Math.max(0, share)));
    }

    /** It is being read, and nobody knows how much there is. */
    void reading() {
        at = new At(Step.READING, null);
    }

    At at() {
        return at;
    }
}
