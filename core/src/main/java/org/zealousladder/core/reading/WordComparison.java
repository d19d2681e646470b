package org.zealousladder.core.reading;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Two readings of one passage, word by word.
 *
 * <ul>
 *   <li>Only the words that both readings reached are compared.
 *   <li>A word is missed when another was read for it, it was left out, or told. What the reader put right is not missed; an insertion belongs to no
 *       word of the passage.
 * </ul>
 *
 * @param words reached by both
 * @param missedBefore in the one reading
 * @param again of these, missed in the other as well
 * @param anew missed in the other only
 */
public record WordComparison(int words, int missedBefore, int again, int anew) {

    /** @throws IllegalArgumentException unless both read at least one word */
    public static WordComparison of(List<Mark> before, int lastWordBefore, List<Mark> now, int lastWordNow) {
        int words = Math.min(lastWordBefore, lastWordNow);
        if (words < 1) {
            throw new IllegalArgumentException("at least one word must have been read");
        }
        Set<Integer> first = missed(before, words);
        Set<Integer> second = missed(now, words);
        Set<Integer> both = new HashSet<>(first);
        both.retainAll(second);
        return new WordComparison(words, first.size(), both.size(), second.size() - both.size());
    }

    /** Missed before, read this time. */
    public int noLonger() {
        return missedBefore - again;
    }

    private static Set<Integer> missed(List<Mark> marks, int words) {
        return marks.stream().filter(m -> m.kind().isError() && m.kind() != Mark.Kind.INSERTED && m.word() <= words).map(Mark::word)
                .collect(Collectors.toSet());
    }
}
