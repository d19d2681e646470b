package org.zealousladder.server.platform.sql;

/**
 * What is known as of a day, for every table whose rows are superseded and never overwritten: known by then, and not superseded (or withdrawn) by then.
 * The day is the statement's parameter {@code asOf}.
 */
public final class Known {
    private Known() {}

    /** @param alias the table's in the statement */
    public static String asOf(String alias) {
        return until(alias, "superseded_on");
    }

    /** Of rows that are withdrawn rather than superseded. */
    public static String notWithdrawn(String alias) {
        return until(alias, "withdrawn_on");
    }

    private static String until(String alias, String end) {
        return " %1$s.known_from <= :asOf and (%1$s.%2$s is null or %1$s.%2$s > :asOf) ".formatted(alias, end);
    }
}
