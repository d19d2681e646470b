package org.zealousladder.core.criteria;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** What must hold of a term's value. */
public sealed interface Test {
    /** Of what answers yes or no. */
    record Holds() implements Test {}

    /** @param upper the higher end of {@link Compare#FROM_TO}, null otherwise */
    record IsNumber(Compare by, double value, @Nullable Double upper) implements Test {}

    /** @param not whether it must be none of them */
    record IsWord(boolean not, List<String> words) implements Test {}

    /** Whether there is anything; it always can be told. */
    record OnRecord(boolean not) implements Test {}

    /** How numbers are held against each other. */
    enum Compare {
        UNDER("under", "<"),
        AT_MOST("at most", "<="),
        OVER("over", ">"),
        AT_LEAST("at least", ">="),
        EXACTLY("", "="),
        OTHER_THAN("not", "<>"),
        /** Both ends counted. */
        FROM_TO("from", "between");

        private final String words;
        private final String sql;

        Compare(String words, String sql) {
            this.words = words;
            this.sql = sql;
        }

        /** As written after "is". */
        public String words() {
            return words;
        }

        /** The same sign in mathematics and in SQL. */
        public String sign() {
            return sql;
        }

        /** @param upper only of {@link #FROM_TO} */
        public boolean holds(double actual, double value, @Nullable Double upper) {
            return switch (this) {
                case UNDER -> actual < value;
                case AT_MOST -> actual <= value;
                case OVER -> actual > value;
                case AT_LEAST -> actual >= value;
                case EXACTLY -> actual == value;
                case OTHER_THAN -> actual != value;
                case FROM_TO -> upper != null && actual >= value && actual <= upper;
            };
        }
    }
}
