package org.zealousladder.server.platform.criteria;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;

/** A capability's terms and names. Each has at most one such bean in its own package, beside the tables that are asked. */
public interface AnswersTerms {

    /** How one term is asked. Names in the subject are written as they are on record. */
    @FunctionalInterface
    interface How {
        Values of(Subject subject, Asking asking);
    }

    default Map<Term, How> terms() {
        return Map.of();
    }

    /** Whose names it knows. */
    default Set<Noun> nouns() {
        return Set.of();
    }

    /**
     * All names of a kind that the viewer can use.
     *
     * @param about of {@link Noun#GROUPING_VALUE}: the grouping
     */
    default List<String> names(Noun noun, @Nullable String about) {
        return List.of();
    }
}
