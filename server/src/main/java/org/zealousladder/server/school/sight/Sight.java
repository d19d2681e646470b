package org.zealousladder.server.school.sight;

import org.zealousladder.core.Coded;

/** Something of students that a role may see or not. */
public enum Sight implements Coded {
    /** Notes in the folder. */
    NOTES,
    /** Files in the folder. */
    FILES,
    /** Supports, language at home, and the school's other groupings. */
    GROUPINGS,
    /** Calls, talks and letters. */
    CONTACTS
}
