package org.zealousladder.core.skills;

import org.zealousladder.core.Coded;

/** How a student stands on a skill. */
public enum SkillState implements Coded {
    /** Surely at the standard or above. */
    SECURE,
    /** Neither surely above nor surely below. */
    SHAKY,
    /** Surely below the standard. */
    NOT_YET,
    /** Too few answers to say anything. */
    TOO_FEW,
    /** No answer at all. */
    NOT_TRIED
}
