package org.zealousladder.core.tiers;

import java.util.Arrays;

/** How several measures become one tier. Tier 1 needs least support. */
public enum TierRule {
    /** The tier with most support that any measure gives. */
    LOWEST("lowest"),
    /** The tier that most measures give; of equally many, the one with more support. */
    MOST("most"),
    /** The weighted mean of standard scores, held against cut scores averaged in the same way. */
    WEIGHTED("weighted");

    private final String code;

    TierRule(String code) {
        this.code = code;
    }

    public String code() {
        return code;
    }

    /** @throws IllegalArgumentException for a code that is none of these */
    public static TierRule of(String code) {
        return Arrays.stream(values()).filter(r -> r.code.equals(code)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("'" + code + "' is not a rule; use lowest, most or weighted"));
    }
}
