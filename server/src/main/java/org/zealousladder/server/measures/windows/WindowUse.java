package org.zealousladder.server.measures.windows;

import java.util.Optional;

/** What hangs on a window, said by who keeps it. */
public interface WindowUse {
    /** A sentence without its end that says what hangs on the window; empty when nothing does. */
    Optional<String> of(Window window);
}
