package org.zealousladder.core.tiers;

import org.zealousladder.core.Coded;

/** How several measures become one tier. Tier 1 needs least support. */
public enum TierRule implements Coded {
    /** The tier with most support that any measure gives. */
    LOWEST,
    /** The tier that most measures give; of equally many, the one with more support. */
    MOST,
    /** The weighted mean of standard scores, held against cut scores averaged in the same way. */
    WEIGHTED;

    /** @throws IllegalArgumentException naming the known codes */
    public static TierRule of(String code) {
        return Coded.of(TierRule.class, code, "a rule");
    }
}
