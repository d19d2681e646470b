package org.zealousladder.server.school.people;

import org.zealousladder.core.Coded;
import org.zealousladder.server.platform.who.Viewer;

/** What somebody is at a school. */
public enum PersonRole implements Coded {
    TEACHER(Viewer.Role.TEACHER),
    /** Works with single students across classes: a teacher in what they may do, by a caseload instead of a class. */
    INTERVENTIONIST(Viewer.Role.TEACHER),
    COORDINATOR(Viewer.Role.COORDINATOR),
    ADMINISTRATOR(Viewer.Role.ADMINISTRATOR);

    private final Viewer.Role rights;

    PersonRole(Viewer.Role rights) {
        this.rights = rights;
    }

    /** What they may see by it. */
    public Viewer.Role rights() {
        return rights;
    }
}
