package org.zealousladder.server.platform.files;

import java.util.List;

/** A capability's files. Each has one such bean in its own package, beside the tables the files end in. */
public interface DeclaresFiles {
    List<FileKind> files();

    /** What tables of other people's can be about, beyond one kind's columns under other names. */
    default List<Subject> subjects() {
        return List.of();
    }

    /** What comes in files that speak of each other. */
    default List<Bundle> bundles() {
        return List.of();
    }

    /** What can be referred to by name. */
    default List<Reference> references() {
        return List.of();
    }
}
