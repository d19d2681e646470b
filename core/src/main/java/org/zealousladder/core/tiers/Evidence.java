package org.zealousladder.core.tiers;

import org.zealousladder.core.bands.BandLadder;

/**
 * A student's score on one measure, with what it is read against.
 *
 * @param name of the measure, for the reason
 * @param sem standard error of measurement in score units; 0 when none is stated
 * @param weight above 0; counts in {@link TierRule#WEIGHTED} only
 * @param spread standard deviation of the group's scores, in score units; counts in {@link TierRule#WEIGHTED} only, and 0 means
 *     that it is not known
 */
public record Evidence(String name, double score, BandLadder ladder, double sem, double weight, double spread) {
    public Evidence {
        if (!Double.isFinite(score) || !(sem >= 0) || !(weight > 0) || !(spread >= 0)) {
            throw new IllegalArgumentException("evidence needs a finite score, a weight above 0 and no negative error or spread");
        }
    }

    int tier() {
        return ladder.band(score).tier();
    }
}
