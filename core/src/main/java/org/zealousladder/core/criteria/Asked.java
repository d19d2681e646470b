package org.zealousladder.core.criteria;

import java.util.List;

/** What kind of answer a term gives, and so how it can be tested. */
public sealed interface Asked {
    /** Yes or no: {@code who have no goal in Maze}. */
    record YesNo() implements Asked {}

    /** @param percent whether it is written as per cent of a whole */
    record Number(boolean percent) implements Asked {}

    /** One of a few fixed words, or several of them at once. */
    record OneOf(List<String> words) implements Asked {}

    /** @param noun what is named */
    record Named(Noun noun) implements Asked {}
}
