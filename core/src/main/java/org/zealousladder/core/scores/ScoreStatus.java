package org.zealousladder.core.scores;

import java.util.Arrays;
import java.util.List;
import org.zealousladder.core.Coded;

/** What is on record for a student, measure and day. Only {@link #SCORED} has a value. */
public enum ScoreStatus implements Coded {
    SCORED,
    /** Not there on the day. */
    ABSENT,
    /** Not to be tested. */
    EXEMPT,
    /** Tested, but the score does not count. */
    INVALID,
    /** Entered for the wrong student or by mistake; counts as if it were not there. */
    WITHDRAWN;

    /** Codes that a file may give; a score is taken back on a page, not by a file. */
    public static List<String> inFiles() {
        return Arrays.stream(values()).filter(s -> s != WITHDRAWN).map(Coded::code).toList();
    }

    /** @throws IllegalArgumentException naming the known codes */
    public static ScoreStatus of(String code) {
        return Coded.of(ScoreStatus.class, code, "a status");
    }
}
