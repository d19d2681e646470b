package org.zealousladder.core.skills;

import org.zealousladder.core.Coded;

/** Why an item is worth a look. */
public enum ItemReason implements Coded {
    /** Who does well otherwise does hardly better on it: its correlation with the rest is under 0.15. */
    LOW_ITEM_REST,
    /** Right for under 20 %. */
    TOO_HARD,
    /** Right for over 95 %. */
    TOO_EASY,
    /** More of the upper third gave one wrong answer than the right one. */
    UPPER_PREFERS_WRONG
}
