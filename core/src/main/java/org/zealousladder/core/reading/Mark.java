package org.zealousladder.core.reading;

/**
 * What happened at a word.
 *
 * @param word number of the word, from 1; of an insertion the word before it, 0 for one before the first
 */
public record Mark(int word, Kind kind) {
    public Mark {
        if (word < 0 || word == 0 && kind != Kind.INSERTED) {
            throw new IllegalArgumentException("a mark stands on a word from 1 on; only an insertion may stand before the first");
        }
    }

    /** Kinds of marks; all but a self-correction are errors. */
    public enum Kind {
        /** Another word was read. */
        ERROR("error"),
        /** Not read. */
        LEFT_OUT("left-out"),
        /** Told by the listener. */
        TOLD("told"),
        /** Wrong at first, put right by the reader. */
        SELF_CORRECTED("self-corrected"),
        /** Read, but not there. */
        INSERTED("inserted");

        private final String code;

        Kind(String code) {
            this.code = code;
        }

        /** Name on the wire and in records. */
        public String code() {
            return code;
        }

        public boolean isError() {
            return this != SELF_CORRECTED;
        }

        /** @throws IllegalArgumentException naming the known codes */
        public static Kind of(String code) {
            for (Kind kind : values()) {
                if (kind.code.equals(code)) {
                    return kind;
                }
            }
            throw new IllegalArgumentException("'" + code + "' is not a mark; use error, left-out, told, self-corrected or inserted");
        }
    }
}
