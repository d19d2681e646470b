package org.zealousladder.core.tiers;

import java.util.List;
import java.util.OptionalDouble;
import org.zealousladder.core.bands.BandLadder;

/** A proposed tier, or that there is nothing to propose one from. */
public sealed interface TierProposal {

    /**
     * @param tier from 1, which needs least support
     * @param chances of each tier for the true scores by the same rule, the tier with least support first; empty when no measure states an error
     * @param measures how many measures it rests on
     * @param reason in a sentence; also why, when another tier is more likely than the one that the scores as they stand give
     */
    record Proposed(int tier, List<TierChance> chances, int measures, String reason) implements TierProposal {

        /** Chance that the tier is the one of the true scores, 0 to 1; empty when no measure states an error. */
        public OptionalDouble certainty() {
            return chances.isEmpty() ? OptionalDouble.empty()
                    : OptionalDouble.of(chances.stream().filter(c -> c.tier() == tier).mapToDouble(TierChance::chance).sum());
        }

        /** As {@link BandLadder#closeCall}: whether the true tier may well be a better one, or a worse one. */
        public boolean closeCall() {
            return BandLadder.closeCall(chances.stream().filter(c -> c.tier() < tier).mapToDouble(TierChance::chance).sum(),
                    chances.stream().filter(c -> c.tier() > tier).mapToDouble(TierChance::chance).sum());
        }
    }

    /** A tier and how likely it is, 0 to 1. */
    record TierChance(int tier, double chance) {}

    /** No score on any of the measures, so no tier: a finding of its own. */
    record NotTested() implements TierProposal {}
}
