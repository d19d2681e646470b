package org.zealousladder.server.screening.changes;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What of the reading of scores is changed. */
public enum ChangeKind {
    WINDOW,
    WINDOW_REMOVED,
    MEASURE,
    RULE,
    SET,
    TIER_RULE,
    LADDER;

    @JsonValue
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    static ChangeKind of(String code) {
        return valueOf(code.toUpperCase(Locale.ROOT).replace('-', '_'));
    }
}
