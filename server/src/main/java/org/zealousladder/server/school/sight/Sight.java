package org.zealousladder.server.school.sight;

import org.zealousladder.core.Coded;

/** Something of students that a role may see or not. */
public enum Sight implements Coded {
    /** Notes in the folder. */
    NOTES("Notes in the folder"),
    /** Files in the folder. */
    FILES("Files in the folder"),
    /** Supports, language at home, and the school's other groupings. */
    GROUPINGS("Supports and groupings"),
    /** Calls, talks and letters. */
    CONTACTS("Calls, talks and letters"),
    /** Who is at home, and how they are reached. */
    HOME("People at home"),
    /** Days absent and late. */
    ATTENDANCE("Days absent and late"),
    /** Time and actions in programs. */
    TIME("Time and actions in programs"),
    /** Pieces of work and their marks. */
    WORK("Pieces of work"),
    /** Skills, and answers. */
    SKILLS("Skills and answers"),
    /** Decided tiers, and what was said of them. */
    TIERS("Tiers"),
    /** Concerns, plans and their sessions. */
    PLANS("Concerns and plans");

    private final String words;

    Sight(String words) {
        this.words = words;
    }

    /** What it is, in the plural. */
    public String words() {
        return words;
    }
}
