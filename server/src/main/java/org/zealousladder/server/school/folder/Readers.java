package org.zealousladder.server.school.folder;

import org.zealousladder.core.Coded;

/** Who may read something in a folder; whoever wrote it always may. */
public enum Readers implements Coded {
    /** Everybody who sees the student. */
    EVERYBODY,
    /** Coordinators and administrators. */
    TEAM,
    /** Nobody else. */
    SELF
}
