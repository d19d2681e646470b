package org.zealousladder.core.work;

/**
 * How results are counted.
 *
 * @param late whether what came after its due day counts; where not, it is as if it had not come
 * @param missingIsZero whether what did not come counts as nothing earned, or not at all
 */
public record Counting(WhichAttempt attempt, boolean late, boolean missingIsZero) {
    /** The latest attempt, late ones too; what is missing counts nowhere. */
    public static final Counting STANDARD = new Counting(WhichAttempt.LATEST, true, false);
}
