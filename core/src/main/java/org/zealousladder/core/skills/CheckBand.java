package org.zealousladder.core.skills;

import org.zealousladder.core.Coded;

/** What a check says of a student for tomorrow, by the share of its points and the school's standard. */
public enum CheckBand implements Coded {
    /** At the standard or above. */
    GO_ON,
    /** Two thirds of the standard or more: once more will do. */
    ONCE_MORE,
    /** Below: it is taught again. */
    AGAIN;

    private static final double NEAR = 2.0 / 3;
    /** Sums of shares may miss the standard by their last digit. */
    private static final double EPSILON = 1e-9;

    /**
     * @param share of the points, 0 to 1
     * @param standard share that a school calls having it, above 0 and below 1
     * @throws IllegalArgumentException for shares outside of that
     */
    public static CheckBand of(double share, double standard) {
        if (!(share >= -EPSILON && share <= 1 + EPSILON) || !(standard > 0 && standard < 1)) {
            throw new IllegalArgumentException("a share is from 0 to 1, a standard between: " + share + ", " + standard);
        }
        return share >= standard - EPSILON ? GO_ON : share >= NEAR * standard - EPSILON ? ONCE_MORE : AGAIN;
    }
}
