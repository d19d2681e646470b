package org.zealousladder.core.decisions;

/** The three decision rules, of which a measure uses one. */
public enum Rule {
    /** The latest k scores all on one side of the goal line. */
    LAST_POINTS("last-points", "Last-points rule"),
    /** The slope's interval against the needed slope. */
    TREND("trend", "Trend rule"),
    /** The chance of meeting the goal. */
    CHANCE("chance", "Chance rule");

    private final String code;
    private final String label;

    Rule(String code, String label) {
        this.code = code;
        this.label = label;
    }

    /** Name in files and on the wire. */
    public String code() {
        return code;
    }

    public String label() {
        return label;
    }

    /** @throws IllegalArgumentException naming the known codes */
    public static Rule of(String code) {
        for (Rule rule : values()) {
            if (rule.code.equals(code)) {
                return rule;
            }
        }
        throw new IllegalArgumentException("'" + code + "' is not a rule; use last-points, trend or chance");
    }
}
