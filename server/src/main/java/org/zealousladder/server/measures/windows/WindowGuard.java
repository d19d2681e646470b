package org.zealousladder.server.measures.windows;

import org.zealousladder.server.platform.problems.Refusal;

/** Says whether a window still takes scores. Every way in asks it: grid, strip, chart, correction; files ask the database's function of the same rule. */
public interface WindowGuard {
    /** @throws Refusal 409 when the window is closed for the student's class in an area */
    void requireOpen(Window window, int studentId, String area);
}
