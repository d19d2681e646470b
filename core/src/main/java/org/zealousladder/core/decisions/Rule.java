package org.zealousladder.core.decisions;

import org.zealousladder.core.Coded;

/** The three decision rules, of which a measure uses one. */
public enum Rule implements Coded {
    /** The latest k scores all on one side of the goal line. */
    LAST_POINTS("Last-points rule"),
    /** The slope's interval against the needed slope. */
    TREND("Trend rule"),
    /** The chance of meeting the goal. */
    CHANCE("Chance rule");

    private final String label;

    Rule(String label) {
        this.label = label;
    }

    /** In words, as it stands before what it says. */
    public String label() {
        return label;
    }

    /** @throws IllegalArgumentException naming the known codes */
    public static Rule of(String code) {
        return Coded.of(Rule.class, code, "a rule");
    }
}
