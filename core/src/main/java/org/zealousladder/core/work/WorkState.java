package org.zealousladder.core.work;

import org.zealousladder.core.Coded;

/** Where a student is with a piece of work. */
public enum WorkState implements Coded {
    /** Not begun, and not due yet. */
    TO_COME,
    IN_PROGRESS,
    /** Handed in, not marked. */
    HANDED_IN,
    MARKED,
    /** Due, and not handed in. */
    MISSING,
    EXCUSED
}
