package org.zealousladder.server.overview.students;

import org.jspecify.annotations.Nullable;

/**
 * Something that fits now, with its reason.
 *
 * @param words what to do
 * @param because why
 * @param measure of a goal, a decision or a retest
 */
public record NextStep(StepKind kind, String words, String because, @Nullable Integer measure) {

    /** What it is. */
    public enum StepKind {
        DECIDE,
        SET_GOAL,
        SCREEN,
        RETEST,
        CALL_HOME
    }
}
