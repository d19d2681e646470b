package org.zealousladder.server.platform.jobs;

import java.util.concurrent.ThreadFactory;
import org.springframework.scheduling.concurrent.CustomizableThreadFactory;

/** Threads of the server's own, by name, which do not keep it from ending. */
public final class Threads {
    private Threads() {}

    public static ThreadFactory named(String name) {
        return named(name, Thread.NORM_PRIORITY);
    }

    /** @param priority of {@link Thread}; the lowest gets what the others leave of the processors, see docs/decisions/024 */
    public static ThreadFactory named(String name, int priority) {
        CustomizableThreadFactory factory = new CustomizableThreadFactory(name + "-");
        factory.setDaemon(true);
        factory.setThreadPriority(priority);
        return factory;
    }
}
