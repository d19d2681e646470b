package org.zealousladder.server.exchange.records.matching;

import org.zealousladder.core.Coded;

/** Why cells are refused, as far as it tells what would help. */
public enum Cause implements Coded {
    /** A word where a number or one of our own words belongs: saying what it means would help. */
    WORD,
    /** A number with a comma before its decimals, which is read with a point. */
    COMMA,
    /** A day that is none as it is read. */
    DAY,
    /** A code or a name of something that is not there. */
    UNKNOWN,
    /** A name that several have. */
    SEVERAL,
    /** The row itself has to be put right. */
    OTHER
}
