package org.zealousladder.core.tiers;

import java.util.OptionalDouble;

/** A proposed tier, or that there is nothing to propose one from. */
public sealed interface TierProposal {

    /**
     * @param tier from 1, which needs least support
     * @param certainty chance that the tier is the one of the true scores, 0 to 1; empty when no measure states an error
     * @param closeCall whether another tier has a chance above 0.2
     * @param measures how many measures it rests on
     * @param reason in a sentence
     */
    record Proposed(int tier, OptionalDouble certainty, boolean closeCall, int measures, String reason) implements TierProposal {}

    /** No score on any of the measures, so no tier: a finding of its own. */
    record NotTested() implements TierProposal {}
}
