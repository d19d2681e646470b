package org.zealousladder.server.overview.desk;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.monitoring.trends.TrendCard;
import org.zealousladder.server.school.roster.StudentRef;

/** The three lists, over all measures of the students in scope. */
public record DeskView(int students, int monitored, List<ToDecide> decide, List<ToCollect> collect, List<ToCelebrate> celebrate,
        int settled) {

    /** A proposal that waits for a person, the most urgent first. */
    public record ToDecide(TrendCard card, @Nullable Integer tier) {}

    /** A score that is missing. {@code kind} is {@code weekly} or {@code screening}. */
    public record ToCollect(StudentRef student, int measureId, String measureName, String kind, String text, @Nullable LocalDate last) {}

    /** Something that went well. {@code kind} is {@code goal} or {@code band}. */
    public record ToCelebrate(StudentRef student, int measureId, String measureName, String kind, String text) {}
}
