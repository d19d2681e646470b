package org.zealousladder.server.learning.answers;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * An answer to an item.
 *
 * @param check in which it was given; null for one of its own
 * @param number of the attempt, from 1
 * @param points null while nobody has said what it is worth
 * @param shows the mistake that it shows, in words; null where none is told
 * @param source file, check, paper, results or program
 */
public record Answer(long id, int student, int item, @Nullable Integer check, LocalDate day, int number, @Nullable Double points, double possible,
        @Nullable String answer, @Nullable Integer seconds, String source, @Nullable String shows) {

    /** Points of those possible; 0 while it waits. */
    public double share() {
        return points == null ? 0 : points / possible;
    }

    /** What came of it, in words. */
    public String outcome() {
        return points == null ? "not marked" : right() ? "right" : share() > 0 ? "partly right" : "not right";
    }

    /** Whether it is wholly right. */
    public boolean right() {
        return points != null && points >= possible;
    }
}
