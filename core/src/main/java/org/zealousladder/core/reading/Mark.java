package org.zealousladder.core.reading;

import org.zealousladder.core.Coded;

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
    public enum Kind implements Coded {
        /** Another word was read. */
        ERROR,
        /** Not read. */
        LEFT_OUT,
        /** Told by the listener. */
        TOLD,
        /** Wrong at first, put right by the reader. */
        SELF_CORRECTED,
        /** Read, but not there. */
        INSERTED;

        /** Whether it counts against the reader. */
        public boolean isError() {
            return this != SELF_CORRECTED;
        }

        /** @throws IllegalArgumentException naming the known codes */
        public static Kind of(String code) {
            return Coded.of(Kind.class, code, "a mark");
        }
    }
}
