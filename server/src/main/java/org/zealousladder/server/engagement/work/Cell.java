package org.zealousladder.server.engagement.work;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.work.WorkState;

/** What stands for a student and a piece of work. @param seen grows with every change */
public record Cell(List<AttemptRow> attempts, @Nullable WorkState told, @Nullable String reason, long seen) {
    static final Cell NOTHING = new Cell(List.of(), null, null, 0);

    /** An attempt as it stands. */
    public record AttemptRow(long id, int number, @Nullable LocalDate onDay, @Nullable Double points, @Nullable Double possible, @Nullable Integer seconds,
            @Nullable String link) {}
}
