package org.zealousladder.server.platform.files;

import java.util.List;

/** A capability's files. Each has one such bean in its own package, beside the tables the files end in. */
public interface DeclaresFiles {
    List<FileKind> files();
}
