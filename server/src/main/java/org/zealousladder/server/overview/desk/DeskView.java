package org.zealousladder.server.overview.desk;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;
import org.zealousladder.server.contacts.contacts.Contact;
import org.zealousladder.server.engagement.looks.Aside;
import org.zealousladder.server.engagement.looks.Look;
import org.zealousladder.server.engagement.looks.Said;
import org.zealousladder.server.engagement.work.WorkBook;
import org.zealousladder.server.monitoring.trends.TrendCard;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * The three lists, over all measures of the students in scope.
 *
 * @param decide the first of the proposals
 * @param waiting all proposals, and how many students they are for
 * @param looks the first of those whose engagement needs a look
 * @param drifting how many these are in all
 * @param toMark work that was handed in and waits to be marked
 * @param again contacts whose day to look again has come
 * @param lists watched lists with somebody new
 */
public record DeskView(int students, int monitored, List<ToDecide> decide, Waiting waiting, List<ToCollect> collect, List<ToCelebrate> celebrate,
        int settled, List<ToLook> looks, int drifting, List<Contact> again, List<WorkBook.ToMark> toMark, List<NewOnList> lists) {

    /** A list that the viewer watches and who is new on it, of whatever scope. */
    public record NewOnList(int id, String name, List<StudentRef> students) {}

    /**
     * Engagement that needs a look: a flag of effort stays apart from those of scores, and one sentence joins the two where both speak.
     *
     * @param minutes of the newest weeks
     * @param medians the class's
     * @param still which of these weeks no rule counts
     */
    public record ToLook(StudentRef student, List<Said> flags, Look.@Nullable Joined joined, @Nullable Aside watch, List<Integer> minutes,
            List<Integer> medians,
            List<Boolean> still) {}

    public record Waiting(int proposals, int students) {}

    /** A proposal that waits for a person, the most urgent first. */
    public record ToDecide(TrendCard card, @Nullable Integer tier) {}

    /**
     * A score that is missing.
     *
     * @param about the measure, several of them, or the area of a retest
     * @param windowId the screening window it is for; absent for a weekly score
     */
    public record ToCollect(StudentRef student, int measureId, String about, CollectKind kind, String text, @Nullable LocalDate last,
            @Nullable Integer windowId) {}

    /** Why a score is wanted. */
    public enum CollectKind implements Coded {
        WEEKLY,
        SCREENING,
        RETEST
    }

    /** What went well. */
    public enum CelebrateKind implements Coded {
        GOAL,
        BAND
    }

    /** Something that went well. */
    public record ToCelebrate(StudentRef student, int measureId, String about, CelebrateKind kind, String text) {}
}
