package org.zealousladder.server.screening.tiers;

import org.zealousladder.core.Coded;

/** What a team decided about a proposed tier. */
public enum TierOutcome implements Coded {
    CONFIRMED,
    /** Another tier, with a reason. */
    OVERRIDDEN,
    /** No tier before the student is tested again. */
    RETEST,
    /** What was decided is taken back. */
    WITHDRAWN
}
