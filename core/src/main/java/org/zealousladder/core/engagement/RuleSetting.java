package org.zealousladder.core.engagement;

/**
 * How a rule is set. What a rule has no use for is passed over.
 *
 * @param on whether it is asked
 * @param threshold in the rule's own unit, see {@link EngagementRule}
 * @param share the second threshold of {@link EngagementRule#WORK_NOT_IN}, from 0 to 1: either of the two is enough
 * @param weeks how many of the newest weeks it looks at
 * @param lowestQuarter whether it asks instead for the lowest quarter of the class
 */
public record RuleSetting(boolean on, double threshold, double share, int weeks, boolean lowestQuarter) {
    public RuleSetting off() {
        return new RuleSetting(false, threshold, share, weeks, lowestQuarter);
    }
}
