package org.zealousladder.core.criteria;

import java.util.ArrayList;
import java.util.List;

/** A criterion as a tree. Its text is written by {@link CriterionText} and read by {@link CriterionParser}. */
public sealed interface Criterion {
    /** @param testPlace where the test stands in the text */
    record Condition(Subject subject, Test test, Place testPlace) implements Criterion {
        public static Condition of(Subject subject, Test test) {
            return new Condition(subject, test, Place.NOWHERE);
        }
    }

    /** At least two, all of which must hold. */
    record And(List<Criterion> of) implements Criterion {}

    /** At least two, one of which must hold. */
    record Or(List<Criterion> of) implements Criterion {}

    record Not(Criterion of) implements Criterion {}

    /** So many of a list, at least one. @param n only of {@link HowMany#AT_LEAST} */
    record Counted(HowMany howMany, int n, List<Criterion> of) implements Criterion {}

    /** Where something is still to be said. Only written, never read. */
    record Gap() implements Criterion {}

    /** How many of a list must hold. */
    enum HowMany {
        AT_LEAST,
        ALL,
        ANY,
        NONE
    }

    /** Those directly beneath it. */
    default List<Criterion> beneath() {
        if (this instanceof And a) {
            return a.of();
        } else if (this instanceof Or o) {
            return o.of();
        } else if (this instanceof Not n) {
            return List.of(n.of());
        }
        return this instanceof Counted c ? c.of() : List.of();
    }

    /** All conditions in it, in the order of the text. */
    default List<Condition> conditions() {
        if (this instanceof Condition c) {
            return List.of(c);
        }
        List<Condition> all = new ArrayList<>();
        beneath().forEach(b -> all.addAll(b.conditions()));
        return all;
    }
}
