package org.zealousladder.server.screening.changes;

import org.zealousladder.core.Coded;

/** What of the reading of scores is changed. */
public enum ChangeKind implements Coded {
    WINDOW,
    WINDOW_REMOVED,
    MEASURE,
    RULE,
    SET,
    TIER_RULE,
    LADDER
}
