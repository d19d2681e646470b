package org.zealousladder.core.criteria;

import java.util.Collection;
import org.jspecify.annotations.Nullable;

/**
 * What a condition answers: yes, no, or that nothing on record can tell. Kleene's strong logic (S. C. Kleene, Introduction to Metamathematics, 1952, § 64),
 * which is also SQL's, with null for what cannot be told.
 */
public enum Truth {
    YES,
    NO,
    CANNOT_TELL;

    /** @param answer null: it cannot be told */
    public static Truth of(@Nullable Boolean answer) {
        return answer == null ? CANNOT_TELL : answer ? YES : NO;
    }

    public Truth not() {
        return this == YES ? NO : this == NO ? YES : CANNOT_TELL;
    }

    /** No where any is no, else what cannot be told where any cannot; yes of none. */
    public static Truth all(Collection<Truth> of) {
        return of.contains(NO) ? NO : of.contains(CANNOT_TELL) ? CANNOT_TELL : YES;
    }

    /** Yes where any is yes, else what cannot be told where any cannot; no of none. */
    public static Truth any(Collection<Truth> of) {
        return of.contains(YES) ? YES : of.contains(CANNOT_TELL) ? CANNOT_TELL : NO;
    }

    /** Yes where {@code n} are yes already, no where they would not be if all that cannot be told were. */
    public static Truth atLeast(int n, Collection<Truth> of) {
        long yes = of.stream().filter(t -> t == YES).count();
        long perhaps = of.stream().filter(t -> t == CANNOT_TELL).count();
        return yes >= n ? YES : yes + perhaps < n ? NO : CANNOT_TELL;
    }
}
