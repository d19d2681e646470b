package org.zealousladder.core.summary;

import java.util.Optional;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;

/**
 * First, best and latest score of a series, as places in it. Of equally good scores the earliest is the best.
 *
 * <p>A change is later minus earlier; it is better when it goes where the measure's better scores are.
 */
public record Span(int first, int best, int latest) {

    /** Empty for a series without scores. */
    public static Optional<Span> of(ScoreSeries series, Direction direction) {
        if (series.size() == 0) {
            return Optional.empty();
        }
        int best = 0;
        for (int i = 1; i < series.size(); i++) {
            if (direction.sign() * (series.score(i) - series.score(best)) > 0) {
                best = i;
            }
        }
        return Optional.of(new Span(0, best, series.size() - 1));
    }
}
