package org.zealousladder.core.goals;

import java.util.OptionalDouble;
import org.zealousladder.core.Coded;
import org.zealousladder.core.Direction;

/** How a goal's score is found. */
public enum GoalKind implements Coded {
    /** A cut score at a window. */
    BENCHMARK,
    /** The growth of a percentile of the norm group, kept up until the goal date. */
    NORM_GROWTH,
    /** The student's own pace, times a factor. */
    OWN_PACE,
    /** Set by a person. */
    BY_HAND;

    /** Factor on the own pace where none is given. */
    public static final double FACTOR = 1.5;

    /** @throws IllegalArgumentException naming the known codes */
    public static GoalKind of(String code) {
        return Coded.of(GoalKind.class, code, "a kind of goal");
    }

    /** Where a start leads at {@code perWeek}: {@code start + perWeek·weeks}. */
    public static double grown(double start, double perWeek, double weeks) {
        return start + perWeek * weeks;
    }

    /** {@code start + factor·slope·weeks}; empty for a student who is not getting better, as no multiple of that is a goal. */
    public static OptionalDouble ownPace(double start, double slope, double factor, double weeks, Direction direction) {
        return direction.sign() * slope > 0 ? OptionalDouble.of(grown(start, factor * slope, weeks)) : OptionalDouble.empty();
    }
}
