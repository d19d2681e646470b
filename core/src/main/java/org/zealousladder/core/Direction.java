package org.zealousladder.core;

/** Whether a higher or a lower score is the better one on a measure. */
public enum Direction {
    HIGHER_IS_BETTER(1),
    LOWER_IS_BETTER(-1);

    private final int sign;

    Direction(int sign) {
        this.sign = sign;
    }

    /** {@code +1} or {@code -1}: multiply a difference by it and positive means better. */
    public int sign() {
        return sign;
    }

    /** True when {@code score} is at least as good as {@code bar}. */
    public boolean reaches(double score, double bar) {
        return sign * (score - bar) >= 0;
    }
}
