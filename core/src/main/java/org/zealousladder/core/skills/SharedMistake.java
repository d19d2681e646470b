package org.zealousladder.core.skills;

import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * The mistake that most of some students share: what their wrong answers show, over all items, or one and the same wrong answer to one item.
 *
 * @param shows in words; null where nobody has said what the answer shows
 * @param item with the wrong answer; the first of several that show the same
 * @param answer as it was given there
 * @param students who made it, in order
 * @param of how many students were looked at
 */
public record SharedMistake(@Nullable String shows, int item, String answer, Set<Integer> students, int of) {
    /** Fewer share nothing. */
    private static final int FEWEST = 2;

    /** A wrong answer. @param shows what it shows, in words; null where nobody has said it */
    public record Wrong(int student, int item, String answer, @Nullable String shows) {}

    private record Kind(@Nullable String shows, int item, String answer) {
        static Kind of(Wrong w) {
            return w.shows() == null ? new Kind(null, w.item(), w.answer()) : new Kind(w.shows(), 0, "");
        }
    }

    /**
     * Of two that as many share, the one told in words; then the first to come.
     *
     * @param of how many students do not have the skill
     * @return empty where under two or under half of them share one
     */
    public static Optional<SharedMistake> of(Collection<Wrong> wrong, int of) {
        Map<Kind, Set<Integer>> who = new LinkedHashMap<>();
        Map<Kind, Wrong> first = new LinkedHashMap<>();
        for (Wrong w : wrong) {
            Kind kind = Kind.of(w);
            who.computeIfAbsent(kind, k -> new TreeSet<>()).add(w.student());
            first.putIfAbsent(kind, w);
        }
        return who.entrySet().stream().filter(e -> e.getValue().size() >= FEWEST && 2 * e.getValue().size() >= of)
                .min(Comparator.comparing((Map.Entry<Kind, Set<Integer>> e) -> -e.getValue().size()).thenComparing(e -> e.getKey().shows() == null))
                .map(e -> {
                    Wrong w = Objects.requireNonNull(first.get(e.getKey()));
                    return new SharedMistake(e.getKey().shows(), w.item(), w.answer(), e.getValue(), of);
                });
    }
}
