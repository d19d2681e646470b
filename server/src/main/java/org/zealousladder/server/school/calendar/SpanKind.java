package org.zealousladder.server.school.calendar;

import org.zealousladder.core.Coded;

/** What a span of days is. */
public enum SpanKind implements Coded {
    TERM,
    HOLIDAY,
    /** A day that should have been one of school: the ferry did not run. */
    CLOSURE
}
