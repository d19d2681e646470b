package org.zealousladder.server.overview.prints;

import org.zealousladder.core.Coded;

/** Whom it is printed for. */
public enum PrintKind implements Coded {
    HOME,
    MEETING
}
