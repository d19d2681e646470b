package org.zealousladder.core.engagement;

import org.zealousladder.core.Coded;

/** What kind of thing a student did. */
public enum ActivityKind implements Coded {
    READING,
    PRACTICE,
    VIDEO,
    DISCUSSION,
    ASSESSMENT,
    OTHER
}
