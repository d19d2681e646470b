package org.zealousladder.server.monitoring.trends;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * What comes of a goal that is being thought about.
 *
 * @param problem why there is none, in a sentence; then the rest is empty
 * @param basis what it was reckoned from
 * @param percentile where the needed growth stands among the norms; null without norms
 * @param norms the same in words
 * @param unusual whether that is out of the ordinary; allowed, but said
 * @param chance given the trend so far; null where there is no trend yet
 */
public record GoalAdvice(@Nullable String problem, @Nullable Double goalScore, @Nullable LocalDate goalDate, @Nullable Double neededPerWeek,
        @Nullable String basis, @Nullable Integer percentile, @Nullable String norms, boolean unusual, @Nullable Double chance, @Nullable String sentence) {

    static GoalAdvice none(String problem) {
        return new GoalAdvice(problem, null, null, null, null, null, null, false, null, null);
    }
}
