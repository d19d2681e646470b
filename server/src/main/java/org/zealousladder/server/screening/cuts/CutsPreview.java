package org.zealousladder.server.screening.cuts;

import java.util.List;
import org.zealousladder.core.summary.Histogram;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * What changed cut scores would do to the scores on record.
 *
 * @param problem why they cannot be saved, in a sentence; empty when they can
 * @param bands counts before and after; before is by the ladder on record
 * @param movers who would stand in another band, worst first
 * @param bins all scores they rest on, for drawing
 * @param sentence the change in words
 * @param percentiles scores of this school's own at percentiles, for cuts to begin with; none from too few
 */
public record CutsPreview(String problem, List<BandChange> bands, List<Mover> movers, List<Histogram.Bin> bins, String sentence,
        List<AtPercentile> percentiles) {

    /** @param score that a band may begin at: whoever is below the percentile stands below it */
    public record AtPercentile(int percentile, double score) {}

    public record BandChange(String name, int tier, int before, int after) {}

    public record Mover(StudentRef student, double value, String from, String to, boolean moreSupport) {}
}
