package org.zealousladder.server.exchange.history;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.audit.Audit;

/**
 * A page of what is on record, the newest first.
 *
 * @param more whether there are earlier ones; they come after the last one here
 */
public record HistoryView(List<HistoryEntry> rows, boolean more) {
    /**
     * One thing on record.
     *
     * @param by who did it; absent for whoever was not signed in, and for the command line
     * @param address where it came from; absent at the machine itself
     * @param about where it was done, like {@code class-12}
     * @param student the one student whom it was about
     * @param students of how many, where it was more than one
     * @param person whom a change of rights was about
     */
    public record HistoryEntry(long id, Instant at, @Nullable HistoryPerson by, @Nullable String address, Audit.Kind kind, String what, @Nullable String about,
            @Nullable HistoryStudent student, @Nullable Integer students, @Nullable HistoryPerson person) {}

    public record HistoryPerson(int id, String name, String login) {}

    public record HistoryStudent(int id, String code, String name) {}
}
