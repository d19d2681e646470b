package org.zealousladder.core.criteria;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** The time that a condition is about. */
public sealed interface When {
    /** Nothing was said: the newest there is, or this school year. */
    record Unsaid() implements When {}

    /** A screening window. @param year name of the school year; null: the one that runs */
    record InWindow(String window, @Nullable String year) implements When {}

    /** From one window to another. */
    record Step(InWindow from, InWindow to) implements When {}

    /** Days from the first to the last, both counted; at least one of them is said. */
    record Days(@Nullable LocalDate from, @Nullable LocalDate to) implements When {}

    /** The newest weeks or days, this one counted. @param unit days of one */
    record Latest(int n, Unit unit) implements When {}

    /** The newest scores, each by itself. @param all whether all of them must be so; otherwise one is enough */
    record LastScores(int n, boolean all) implements When {}

    /** What {@link Latest} counts. */
    enum Unit {
        DAYS(1),
        WEEKS(7);

        private final int days;

        Unit(int days) {
            this.days = days;
        }

        public int days() {
            return days;
        }
    }

    /** Which of them a term can be asked with. */
    enum Kind {
        WINDOW,
        STEP,
        SPAN,
        LAST_SCORES
    }
}
