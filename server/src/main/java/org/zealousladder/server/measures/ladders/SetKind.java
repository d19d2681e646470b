package org.zealousladder.server.measures.ladders;

import org.zealousladder.core.Coded;

/** Where a set of cut scores comes from. */
public enum SetKind implements Coded {
    LOCAL,
    /** By an authority. */
    PUBLISHED,
    /** For trying out. */
    TRIAL
}
