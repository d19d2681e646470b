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

    /**
     * A select of each row of a table as it was known: the version that the first change after the day replaced, or the row itself. For tables whose rows
     * are changed in place, with what stood before kept as JSON by a trigger.
     *
     * @param changes the table of what was replaced: {@code what}, {@code before}, {@code changed_on}
     */
    public static String version(String table, String changes) {
        return """
                select distinct on (v.id) v.* from (
                  select (jsonb_populate_record(null::%1$s, c.before)).*, c.id as change from %2$s c where c.what = '%1$s' and c.changed_on > :asOf
                  union all select t.*, null from %1$s t) v
                 where v.id in (select id from %1$s)
                 order by v.id, v.change nulls last""".formatted(table, changes);
    }
}
