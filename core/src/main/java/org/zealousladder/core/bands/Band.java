package org.zealousladder.core.bands;

/**
 * The space between two rungs of a ladder.
 *
 * @param name what the school calls it
 * @param tier 1 is the tier that needs least support
 */
public record Band(String name, int tier) {
    /** The tier with most support. */
    public static final int MOST_TIER = 5;

    public Band {
        if (name == null || name.isBlank()) {
            throw new IllegalArgumentException("a band needs a name");
        }
        if (tier < 1 || tier > MOST_TIER) {
            throw new IllegalArgumentException("a tier is a whole number from 1 to " + MOST_TIER);
        }
    }
}
