package org.zealousladder.server.engagement.weeks;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.server.engagement.looks.Aside;
import org.zealousladder.server.engagement.looks.Look;
import org.zealousladder.server.engagement.looks.Said;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * The weeks of everybody in scope.
 *
 * @param monday of the first week in which anything was done
 * @param weeks how many there are up to the day
 * @param rows those who need a look first
 * @param still weeks in which nobody in scope could come or did, with the cause where the calendar has it
 * @param nothing students of whom nothing is on record this year
 */
public record WeeksView(LocalDate monday, int weeks, List<ClassLine> classes, List<WeeksRow> rows, List<RuleLine> rules, List<StillWeek> still,
        List<StudentRef> nothing) {

    /** @param medians minutes of each week @param still weeks that no rule counts */
    public record ClassLine(int id, String name, List<Integer> medians, List<Boolean> still) {}

    /** @param week counted from the first */
    public record StillWeek(int week, @Nullable String cause) {}

    /**
     * A rule that is asked.
     *
     * @param words what it asks
     * @param students how many it speaks of
     */
    public record RuleLine(EngagementRule rule, String words, int students) {}

    /**
     * A student.
     *
     * @param minutes of each week
     * @param lately time in the newest weeks, as a share of the class's
     * @param missing pieces of work of this year that were due and did not come; null without any work
     */
    public record WeeksRow(StudentRef student, List<Integer> minutes, List<Integer> actions, List<Said> flags, List<Said> quieted, Look.@Nullable Joined joined,
            List<EngagementRule> cannotTell, @Nullable Aside aside, @Nullable Aside watch, @Nullable Double lately, @Nullable Integer missing,
            boolean needed) {}
}
